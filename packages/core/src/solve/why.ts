import { triggerReach } from '../hand/index.js'
import type { PreparedModel } from '../model/index.js'
import { placeFor, placeReason } from '../places/index.js'
import type { ProposedMove } from './moves.js'

/**
 * Why a command should be where a move puts it, in a sentence.
 * @param after  the arrangement that is proposed, so that pairs speak of their new places
 */
export function moveReason(move: ProposedMove, after: PreparedModel): string {
  if (!move.to) return 'It has a better place already; this one is wanted, or never reaches it.'
  const reach = triggerReach(move.to, after.reachContext)
  if (!reach) return ''
  return placeReason(placeFor(move.command, move.to, reach, after.index, after.plan.weights), after.env)
}
