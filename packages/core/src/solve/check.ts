import { keyControls } from '../bench/index.js'
import { activeBench, type Arrangement, type Plan } from '../formats/index.js'
import { findClashes, type Clash, type Surroundings } from '../clashes/index.js'
import { benchSolver, reachLayer, type ReachByPlace } from '../hand/index.js'
import { remediesFor, remedyLayers, type Remedy } from './mend.js'
import { surveyPlaces } from './places.js'

/** Clashes of an arrangement with their remedies, for the first hand on the active bench. */
export function checkArrangement(
  plan: Plan,
  arrangement: Arrangement,
  around: Surroundings,
): { readonly clash: Clash; readonly remedies: readonly Remedy[] }[] {
  const clashes = findClashes(arrangement.placements, around)
  if (clashes.length === 0) return []
  const hand = activeBench(plan).hands[0]
  const solver = hand && benchSolver(hand, around.controls)
  const layers: ReachByPlace[] = remedyLayers.map((held) =>
    solver ? reachLayer(solver, keyControls(around.controls), held, around.layout.altGraph) : {},
  )
  const survey = surveyPlaces(arrangement.placements, around)
  return clashes.map((clash) => ({ clash, remedies: remediesFor(clash, survey, layers) }))
}
