import type { SheetColumn } from '@reach-plot/core'
import { useState } from 'react'
import { usePlan } from '../../store/plan-store.js'

/** What is shown and can be done there. */
export function useRoutineDialog({
  routineId,
  columns,
  onClose,
}: {
  routineId: string
  columns: readonly SheetColumn[]
  onClose: () => void
}) {
  const plan = usePlan()
  const [columnId, setColumnId] = useState(columns[0]?.id ?? '')
  const routine = plan.routines.find((r) => r.id === routineId)
  const timed = columns.find((c) => c.id === columnId)?.routines.find((r) => r.id === routineId)
  if (!routine || !timed) return null
  const names = new Map(plan.commands.map((c) => [c.id, c.name]))
  const stepName = (at: number | null): string => {
    if (at === null) return 'and back'
    const step = routine.steps[at]
    if (!step) return ''
    return `${at + 1}. ${step.kind === 'command' ? (names.get(step.commandId) ?? step.commandId) : { point: 'point and click', drag: 'drag', type: 'type' }[step.kind]}`
  }
  return { routine, timed, onClose, columnId, setColumnId, columns, stepName }
}

export type RoutineDialogView = NonNullable<ReturnType<typeof useRoutineDialog>>
