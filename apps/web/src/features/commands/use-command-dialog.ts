import { fullName, namesakesOf, type Command, editCommand, entryOf } from '@reach-plot/core'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** What is shown and can be done there. */
export function useCommandDialog({ command, onClose }: { command: Command; onClose: () => void }) {
  const plan = usePlan()
  const edit = useEdit()
  const { env, triggersOf } = useDerived()
  const program = plan.programs.find((p) => p.id === command.programId)
  const set = (change: Partial<Omit<Command, 'id'>>, field: string): void =>
    edit((draft) => editCommand(draft, command.id, change), `${command.id} ${field}`)
  const mates = plan.commands
    .filter((c) => c.programId === command.programId && c.id !== command.id)
    .toSorted((a, b) => (fullName(a) < fullName(b) ? -1 : 1))
  const namesakes = namesakesOf(command, plan.commands)
  const siblings = command.siblingIds ?? []
  const count = entryOf(plan.usage?.commands, command.id)
  return { command, onClose, set, plan, edit, program, mates, siblings, triggersOf, env, count, namesakes }
}

export type CommandDialogView = ReturnType<typeof useCommandDialog>
