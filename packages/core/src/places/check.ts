import { findClashes, type Clash } from '../clashes/index.js'
import { chordTable, reachSituation, type ReachByPlace } from '../hand/index.js'
import { surveyPlaces, type Surroundings } from '../model/index.js'
import { acceptedIn, activeBench, type Accepted, type Arrangement, type Plan } from '../plan/index.js'
import { remediesFor, remedyLayers, type Remedy } from './remedies.js'

/** Clashes of an arrangement with their remedies, for the first hand on the active bench. */
export function checkArrangement(
  plan: Plan,
  arrangement: Arrangement,
  around: Surroundings,
): {
  readonly clash: Clash
  readonly remedies: readonly Remedy[]
  /** the person lives with it */
  readonly accepted: Accepted | undefined
}[] {
  const clashes = findClashes(arrangement.placements, around)
  if (clashes.length === 0) return []
  const table = chordTable(reachSituation(activeBench(plan), plan.devices, around.layout.altGraph))
  const layers: ReachByPlace[] = remedyLayers.map((held) => table.layer(held))
  const survey = surveyPlaces(arrangement.placements, around)
  const accepted = acceptedIn(arrangement)
  return clashes.map((clash) => ({
    clash,
    remedies: remediesFor(clash, survey, layers),
    accepted: accepted(clash),
  }))
}
