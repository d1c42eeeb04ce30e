import { useMemo, useState } from 'react'
import { lossOfMove, environmentOf, type Bench } from '@reach-plot/core'
import { catalogues } from '../../worker/catalogues.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** What is shown and can be done there. */
export function useBenchMoves() {
  const plan = usePlan()
  const edit = useEdit()
  const { bench, arrangement, env } = useDerived()
  const others = plan.benches.filter((b) => b.id !== bench.id)
  const [toId, setToId] = useState<string | null>(null)
  const to: Bench | undefined = others.find((b) => b.id === toId) ?? others[0]
  const loss = useMemo(() => {
    if (!to) return null
    return lossOfMove(arrangement.placements, env, environmentOf(plan, catalogues, arrangement, to))
  }, [plan, arrangement, env, to])
  if (!to || !loss) {
    return null
  }
  return { bench, to, setToId, others, loss, arrangement, edit, plan }
}

export type BenchMovesView = NonNullable<ReturnType<typeof useBenchMoves>>
