import { useMemo } from 'react'
import { setFit, setOwnFigures, type ChordReach, type Trigger } from '@reach-plot/core'
import { fitFromPractice, ownFigures, type Answer, type MeasuredTimes } from '@reach-plot/core/practice'
import { undoAction } from '../../store/actions.js'
import { toast } from '../../store/message.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** What the answers would put in place of what is assumed, what the plan goes by now, and the way from one to the other. */
export function useOwnFigures(
  answers: readonly Answer[] | null,
  measured: MeasuredTimes,
  reachOf: (trigger: Trigger) => ChordReach | undefined,
) {
  const plan = usePlan()
  const edit = useEdit()
  const { env, hand } = useDerived()
  const { controls } = env
  const found = useMemo(() => ownFigures(answers ?? [], { controls }), [answers, controls])
  const fit = useMemo(() => fitFromPractice(measured, reachOf, controls), [measured, reachOf, controls])
  const said = (text: string): void => void toast(text, { action: undoAction() })
  return {
    found,
    taken: plan.own ?? null,
    fit,
    isFitted: hand.fit !== undefined,
    take: () => {
      if (!found) return
      edit((p) => setOwnFigures(p, found))
      said('Ranking, clashes, solving and the days now go by your own slips and learning.')
    },
    drop: () => {
      edit((p) => setOwnFigures(p, null))
      said('Slips and learning are as assumed again.')
    },
    takeFit: () => {
      if (!fit) return
      edit((p) => setFit(p, fit.fit))
      said('The times of your hand now go by your practice.')
    },
    dropFit: () => {
      edit((p) => setFit(p, null))
      said('The times are those of the usual hand again.')
    },
  }
}
