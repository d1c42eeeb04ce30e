import { useState } from 'react'
import {
  addControls,
  addEdgeZones,
  addThumbArc,
  copyControls,
  mirrorHalf,
  pitchMm,
  type ControlType,
  type DrawnDevice,
} from '@reach-plot/core'
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

/** A thumb's arc: how far it lies from where the thumb swings, and how much each key is turned on. Assumed. */
const arcRadiusMm = 90
const arcStepDeg = 13
/** Room between two halves, mm. */
const halvesApartMm = 60

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
  const addArc = (): void => {
    const front = Math.max(0, ...device.controls.map((c) => c.yMm + c.heightMm / 2))
    const right = Math.max(0, ...device.controls.map((c) => c.xMm))
    const at = { xMm: right, yMm: front + stepMm / 2 + 2 }
    onChosen(edit((plan) => addThumbArc(plan, device.id, columns, at, arcRadiusMm, arcStepDeg)) ?? [])
  }
  const copyBeside = (): void =>
    onChosen(edit((plan) => copyControls(plan, device.id, chosen, stepMm, 0)) ?? [])
  const mirror = (): void => {
    const all = device.controls.map((c) => c.id)
    onChosen(edit((plan) => mirrorHalf(plan, device.id, all, halvesApartMm)) ?? [])
  }
  /** along the edges of the zone or stroke field that is chosen, else of the whole device */
  const addEdges = (): void => {
    const area = device.controls.find(
      (c) => chosen.length === 1 && c.id === chosen[0] && (c.type === 'field' || c.type === 'zone'),
    )
    onChosen(edit((plan) => addEdgeZones(plan, device.id, area?.id ?? null, columns, rows)) ?? [])
  }
  return {
    addEdges,
    addArc,
    copyBeside,
    mirror,
    type,
    setType,
    columns,
    setColumns,
    rows,
    setRows,
    stepMm,
    setStepMm,
    add,
    chosen,
    edit,
    device,
  }
}

export type EditorToolsView = ReturnType<typeof useEditorTools>
