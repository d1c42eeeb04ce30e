import { isPointed } from '../clashes/index.js'
import {
  reachSolver,
  thereAndBackMs,
  triggerReach,
  type ChordReach,
  type ReachSolver,
} from '../hand/index.js'
import type { PreparedModel } from '../model/index.js'
import { handCostMs, pointingAmount } from '../places/index.js'
import { controlRefOf, heldOf, triggerKey, type Trigger, type TriggerKey } from '../triggers/index.js'
import { drawnHand, type Draw } from './draws.js'

/** What a use of a trigger costs the hand in one draw, ms: as `handCostMs`, with the posture worked out anew. */
export type DrawnHandCost = (trigger: Trigger) => number

/**
 * The costs of triggers for the hand in each draw. Chords within reach are worked out anew; for those that a hand leaves
 * for, and those of the pointing hand, the time of the travel is drawn as a whole.
 */
export function drawnHandCosts(model: PreparedModel, draws: readonly Draw[]): DrawnHandCost[] {
  const { situation, reachContext, index, plan } = model
  const { weights } = plan
  const { side } = situation.hand
  const usual = reachSolver(situation.hand, situation.controls, undefined, situation)
  const base = new Map<TriggerKey, ChordReach | undefined>()
  const baseOf = (trigger: Trigger): ChordReach | undefined => {
    const key = triggerKey(trigger)
    if (!base.has(key)) base.set(key, triggerReach(trigger, reachContext))
    return base.get(key)
  }
  const chordBy = (solver: ReachSolver, trigger: Trigger): ChordReach | null => {
    const place = controlRefOf(trigger)
    if (place === null || trigger.kind === 'popup' || trigger.kind === 'sequence') return null
    const withId =
      trigger.kind === 'button' && trigger.withId !== undefined
        ? [`${trigger.deviceId}/${trigger.withId}`]
        : []
    return solver.reachChord(heldOf(trigger), place, situation.altGraph, withId)
  }
  return draws.map((draw): DrawnHandCost => {
    const solver = reachSolver(situation.hand, situation.controls, (hand) => drawnHand(hand, draw), situation)
    const drawnWeights = {
      ...weights,
      effortMs: weights.effortMs * draw.effort,
      fingerMs: weights.fingerMs * draw.finger,
      pointingMs: weights.pointingMs * draw.pointing,
    }
    const known = new Map<TriggerKey, number>()
    const costOf = (trigger: Trigger): number => {
      const usualReach = baseOf(trigger)
      if (!usualReach) return Infinity
      const pointed = isPointed(trigger, index.pointing)
      const pointing = pointingAmount(trigger, pointed)
      const isFar = usualReach.verdict === 'away' || pointed || trigger.kind === 'popup'
      const drawn = isFar ? null : chordBy(solver, trigger)
      const own = isFar ? null : chordBy(usual, trigger)
      if (!drawn || !own || !Number.isFinite(drawn.timeMs)) {
        const travel = pointed ? draw.pointer : draw.travel
        const extra = handCostMs(usualReach, side, drawnWeights, pointing) - thereAndBackMs(usualReach)
        return thereAndBackMs(usualReach) * travel + (Number.isFinite(extra) ? extra : 0)
      }
      // a hold or a further tap waits as long as ever
      const waits = usualReach.timeMs - own.timeMs
      return handCostMs(drawn, side, drawnWeights, pointing) + waits
    }
    return (trigger) => {
      const key = triggerKey(trigger)
      let cost = known.get(key)
      if (cost === undefined) known.set(key, (cost = costOf(trigger)))
      return cost
    }
  })
}
