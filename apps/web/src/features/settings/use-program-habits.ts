import { type Program, setDrags } from '@reach-plot/core'
import { useEdit } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** What is shown and can be done there. */
export function useProgramHabits({ program }: { program: Program }) {
  const edit = useEdit()
  const { env } = useDerived()
  const { id } = program
  const drags = program.drags ?? []
  const change = (at: number, part: Partial<(typeof drags)[number]>): void =>
    edit(
      (plan) =>
        setDrags(
          plan,
          id,
          drags.map((d, i) => (i === at ? { ...d, ...part } : d)),
        ),
      `drag ${id} ${at}`,
    )
  return { program, edit, id, drags, change, env }
}

export type ProgramHabitsView = ReturnType<typeof useProgramHabits>
