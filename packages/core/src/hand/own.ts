import type { OwnLimits, OwnReach } from '../bench/index.js'
import { fingers } from './constants.js'
import type { HandModel } from './model.js'

/** What a press of a spared finger adds to the energy: an effort of 0.6 by itself, easy but no rest. Assumed. */
const sparedEnergy = 0.36
/** A still wrist turns this much at the cost of a finger at its comfort radius, over the usual hand's. Assumed: 3° instead of 14°. */
const stillTurnFactor = 3 / 14
/** Reach in a direction that is shorter, over the usual hand's. Assumed. */
const shortReachFactor = 0.6

/** A hand with a person's own factors. */
export function withOwnReach(hand: HandModel, own: OwnReach): HandModel {
  const by = (weights: Float64Array, direction: number): Float64Array =>
    weights.map(
      (w, f) => w / (own.radius * direction * own.fingers[fingers[f] as (typeof fingers)[number]]) ** 2,
    )
  return {
    ...hand,
    weightForward: by(hand.weightForward, own.directions.forward),
    weightBack: by(hand.weightBack, own.directions.back),
    weightIn: by(hand.weightIn, own.directions.in),
    weightOut: by(hand.weightOut, own.directions.out),
    relaxedMm: hand.relaxedMm.map((mm) => mm * own.span),
    practicalMm: hand.practicalMm.map((mm) => mm * own.span),
    shiftWeight: hand.shiftWeight / own.shift ** 2,
    turnWeight: hand.turnWeight / own.turn ** 2,
    limits: { easy: hand.limits.easy * own.easy, stretch: hand.limits.stretch * own.stretch },
  }
}

/** A hand that is spared what the person does not want of it. */
export function withOwnLimits(hand: HandModel, limits: OwnLimits): HandModel {
  const cost = (f: number): number => {
    const care = limits.fingers?.[fingers[f] as (typeof fingers)[number]]
    return care === 'rested' ? Infinity : care === 'spared' ? sparedEnergy : 0
  }
  const short = (direction: 'forward' | 'back' | 'in' | 'out', weights: Float64Array): Float64Array =>
    limits.shortReach?.includes(direction) === true ? weights.map((w) => w / shortReachFactor ** 2) : weights
  return {
    ...hand,
    fingerCost: Float64Array.from(fingers, (_, f) => cost(f)),
    weightForward: short('forward', hand.weightForward),
    weightBack: short('back', hand.weightBack),
    weightIn: short('in', hand.weightIn),
    weightOut: short('out', hand.weightOut),
    turnWeight: limits.isWristStill === true ? hand.turnWeight / stillTurnFactor ** 2 : hand.turnWeight,
  }
}
