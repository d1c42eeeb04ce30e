import { expose } from 'comlink'
import { reachContours, reachField, reachLayer, reachSolver, type ReachSolver } from '@reach-plot/core'
import type { ReachService, ReachSituation } from './reach-protocol.js'

let current: { key: string; solver: ReachSolver } | null = null

/** The solver of a situation; only the latest is kept, since a bench changes seldom and then wholly. */
function solverOf(situation: ReachSituation): ReachSolver {
  if (current?.key !== situation.key) {
    current = { key: situation.key, solver: reachSolver(situation.hand, situation.controls) }
  }
  return current.solver
}

const service: ReachService = {
  layer: (situation, held, withId) =>
    reachLayer(
      solverOf(situation),
      situation.controls,
      held,
      situation.altGraph,
      withId === undefined ? [] : [withId],
    ),
  chart(situation, request) {
    const field = reachField(solverOf(situation).hand, request.area)
    return {
      times: reachContours(field, 'timeMs', request.timesMs),
      efforts: reachContours(field, 'effort', request.efforts),
    }
  },
}

expose(service)
