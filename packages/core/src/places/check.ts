import { findClashes, type Clash } from '../clashes/index.js'
import type { PreparedModel } from '../model/index.js'
import { acceptedIn, type Accepted } from '../plan/index.js'
import { remediesFor, remedyModifierSets } from './remedies.js'
import type { Remedy } from './remedy.js'

/** A clash with what would end it. */
export interface CheckedClash {
  readonly clash: Clash
  readonly remedies: readonly Remedy[]
  /** the person lives with it */
  readonly accepted: Accepted | undefined
}

/** Clashes of a prepared arrangement with their remedies. */
export function checkArrangement(model: PreparedModel): CheckedClash[] {
  const { arrangement, env, index } = model
  const clashes = findClashes(arrangement.placements, env)
  if (clashes.length === 0) return []
  const reachBySet = remedyModifierSets.map((held) => model.table.withHeld(held))
  const accepted = acceptedIn(arrangement)
  return clashes.map((clash) => ({
    clash,
    remedies: remediesFor(clash, index, reachBySet),
    accepted: accepted(clash),
  }))
}
