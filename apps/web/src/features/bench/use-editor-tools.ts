import { useState } from 'react'
import { pitchMm, type ControlType, type DrawnDevice, addControls } from '@reach-plot/core'
import { useEdit } from '../../store/plan-store.js'

export const round = new Set<ControlType>(['dial', 'field'])

const sizeMm: Readonly<Record<ControlType, number>> = {
  key: 18,
  button: 18,
  dial: 26,
  wheel: 12,
  zone: 40,
  field: 60,
}

/** What is shown and can be done there. */
export function useEditorTools({
  device,
  chosen,
  onChosen,
}: {
  device: DrawnDevice
  chosen: readonly string[]
  onChosen: (ids: readonly string[]) => void
}) {
  const edit = useEdit()
  const [type, setType] = useState<ControlType>('key')
  const [columns, setColumns] = useState(1)
  const [rows, setRows] = useState(1)
  const [stepMm, setStepMm] = useState<number>(pitchMm)
  const add = (): void => {
    const sample = {
      type,
      shape: round.has(type) ? ('round' as const) : ('rect' as const),
      widthMm: sizeMm[type],
      heightMm: sizeMm[type],
      code: null,
      ...(type === 'field' && { directions: 8 as const }),
    }
    const front = Math.max(0, ...device.controls.map((c) => c.yMm + c.heightMm / 2))
    const at = { xMm: sizeMm[type] / 2 + 5, yMm: front + sizeMm[type] / 2 + 2 }
    onChosen(edit((plan) => addControls(plan, device.id, sample, at, columns, rows, stepMm)) ?? [])
  }
  return { type, setType, columns, setColumns, rows, setRows, stepMm, setStepMm, add, chosen, edit, device }
}

export type EditorToolsView = ReturnType<typeof useEditorTools>
