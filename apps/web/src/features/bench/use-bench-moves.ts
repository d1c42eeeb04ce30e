import { useMemo, useState } from 'react'
import {
  activeArrangement,
  clearBenchPlaces,
  environmentOf,
  isOnBench,
  lossOfMove,
  type Bench,
} from '@reach-plot/core'
import { undoAction } from '../../store/actions.js'
import { toast } from '../../store/message.js'
import { catalogues } from '../../worker/catalogues.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useBenchProposal } from './use-bench-proposal.js'

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
    const { placements } = activeArrangement(plan)
    return lossOfMove(
      placements.filter((p) => isOnBench(p, to.id)),
      env,
      environmentOf(plan, catalogues, arrangement, to),
    )
  }, [plan, arrangement, env, to])
  const proposal = useBenchProposal(to)
  if (!to || !loss) {
    return null
  }
  const own = activeArrangement(plan).placements.filter((p) => p.benchId === to.id)
  return {
    bench,
    to,
    setToId,
    others,
    loss,
    arrangement,
    edit,
    plan,
    proposal,
    /** what the other bench has as its own already */
    own,
    clearOwn: () => {
      edit((now) => clearBenchPlaces(now, to.id))
      toast(`What “${to.name}” had as its own is taken off.`, { action: undoAction() })
    },
  }
}

export type BenchMovesView = NonNullable<ReturnType<typeof useBenchMoves>>
