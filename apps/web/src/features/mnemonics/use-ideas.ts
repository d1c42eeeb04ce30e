import { useMemo } from 'react'
import { toast } from '../../store/message.js'
import { differingIdeas, triggerName, type DifferingIdea, moveMany } from '@reach-plot/core'
import { onEditable, undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** What is shown and can be done there. */
export function useIdeas() {
  const plan = usePlan()
  const edit = useEdit()
  const { index, env, triggersOf } = useDerived()
  const differing = useMemo(() => differingIdeas(index), [index])
  const { ideas } = index.mnemonics
  const programName = (id: string): string => plan.programs.find((p) => p.id === id)?.name ?? id

  const remedy = (found: DifferingIdea): void => {
    const { fix } = found
    if (!fix) return
    onEditable((before) =>
      fix.reduce(
        (p, { command, from, to, holders }) =>
          moveMany(p, [
            ...holders.map((h) => ({ commandId: h.id, from: to, to: null })),
            { commandId: command.id, from, to },
          ]),
        before,
      ),
    )
    const lost = fix.flatMap((m) => m.holders)
    toast(
      `“${fix[0]?.command.name ?? ''}” is on ${fix[0] ? triggerName(fix[0].to, env) : ''}${lost.length > 0 ? `; ${lost.map((c) => `“${c.name}”`).join(', ')} lost it` : ''}`,
      { action: undoAction() },
    )
  }
  return { differing, ideas, programName, remedy, env, edit, triggersOf }
}

export type IdeasScreen = ReturnType<typeof useIdeas>
