import { type Program, setMenuChord } from '@reach-plot/core'
import { useKeyFind } from '../../parts/key-find.js'
import { useEdit, usePlan } from '../../store/plan-store.js'

/** What it shows. */
export function useProgramPart({ program }: { program: Program }) {
  const plan = usePlan()
  const edit = useEdit()
  const { id } = program
  const keyFind = useKeyFind((t) => t.kind === 'chord' && edit((draft) => setMenuChord(draft, id, t)))
  const commandCount = plan.commands.filter((c) => c.programId === id).length
  return { program, edit, id, keyFind, plan, commandCount }
}

export type ProgramPartView = ReturnType<typeof useProgramPart>
