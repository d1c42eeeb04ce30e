import { triggerReach, type ReachAt } from '../hand/index.js'
import { priceContext, type PlaceSurvey } from '../model/index.js'
import { placeFor, placeReason } from '../places/index.js'
import type { PlaceWeights } from '../plan/index.js'
import type { ProposedMove } from './moves.js'

/**
 * Why a command should stand where a move puts it, in a sentence.
 * @param after  the survey of the arrangement that is proposed, so that pairs speak of their new places
 */
export function moveReason(
  move: ProposedMove,
  after: PlaceSurvey,
  reachAt: ReachAt,
  weights: PlaceWeights,
): string {
  if (!move.to) return 'It has a better place already; this one is wanted, or never reaches it.'
  const reach = triggerReach(move.to, priceContext(after, reachAt))
  return reach ? placeReason(placeFor(move.command, move.to, reach, after, weights), after.around) : ''
}
