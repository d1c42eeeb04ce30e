import { handOnBench, keyControls, type Control, type RestingHand } from '../bench/index.js'
import { reachSolver, type ReachSolver } from './reach.js'

/**
 * A solver for a hand at home on a bench, over all controls but those of the pointing hand.
 * @throws CoreError `REST_MISSING` when a fingertip rests on a control that is not there
 */
export const benchSolver = (hand: RestingHand, controls: readonly Control[]): ReachSolver =>
  reachSolver(handOnBench(hand), keyControls(controls))
