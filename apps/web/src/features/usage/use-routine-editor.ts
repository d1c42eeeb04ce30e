import type { Routine } from '@reach-plot/core'
import { useEdit, usePlan } from '../../store/plan-store.js'

/** What it shows. */
export function useRoutineEditor({ routine }: { routine: Routine }) {
  const plan = usePlan()
  const edit = useEdit()
  const { id } = routine
  const commands = plan.commands
    .filter((c) => c.programId === routine.programId)
    .toSorted((a, b) => (a.name < b.name ? -1 : 1))
  return { routine, edit, id, plan, commands }
}

export type RoutineEditorView = ReturnType<typeof useRoutineEditor>
