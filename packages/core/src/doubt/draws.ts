import { normal } from '../deviates.js'
import { fingers, type HandModel } from '../hand/index.js'

/** How many times all assumed constants are drawn. */
export const usualDraws = 64
/** Spread of an assumed constant, in its logarithm. Assumed. */
export const assumedSpread = 0.2

/** One draw of every assumed constant, as factors of the usual ones. */
export interface Draw {
  /** comfort radii of each finger, finger spans, shift and turn of the palm, height */
  readonly comfort: readonly number[]
  readonly span: number
  readonly shift: number
  readonly turn: number
  readonly height: number
  /** a finger's movement by the bit, a press, a hand that travels, the pointing hand */
  readonly movement: number
  readonly press: number
  readonly travel: number
  readonly pointer: number
  /** the weights of effort and of weak fingers, of interrupted pointing, and of all that is no work of the hand */
  readonly effort: number
  readonly finger: number
  readonly pointing: number
  readonly rest: number
  /** what a menu takes */
  readonly menu: number
  /** deviates of the standard normal distribution for what has an interval of its own, such as rates */
  deviate(name: string): number
}

/**
 * Draws of all assumed constants together: log-normal, σ = 0.2 in the logarithm, the same for the same seed.
 * @param scale  of the spread; 0 gives the usual constants
 */
export const drawsOf = (count: number = usualDraws, seed = 1, scale = 1): Draw[] =>
  Array.from({ length: count }, (_, n): Draw => {
    const from = Math.imul(seed, 0x9e3779b9) ^ (n + 1)
    const factor = (name: string): number => Math.exp(scale * assumedSpread * normal(from, name))
    return {
      comfort: fingers.map((finger) => factor(`comfort ${finger}`)),
      span: factor('span'),
      shift: factor('shift'),
      turn: factor('turn'),
      height: factor('height'),
      movement: factor('movement'),
      press: factor('press'),
      travel: factor('travel'),
      pointer: factor('pointer'),
      effort: factor('effort'),
      finger: factor('finger'),
      pointing: factor('pointing'),
      rest: factor('rest'),
      menu: factor('menu'),
      deviate: (name) => scale * normal(from, name),
    }
  })

/** A hand with the constants of a draw. */
export function drawnHand(hand: HandModel, draw: Draw): HandModel {
  const byRadius = (weights: Float64Array): Float64Array =>
    weights.map((w, f) => w / (draw.comfort[f] as number) ** 2)
  return {
    ...hand,
    weightForward: byRadius(hand.weightForward),
    weightBack: byRadius(hand.weightBack),
    weightIn: byRadius(hand.weightIn),
    weightOut: byRadius(hand.weightOut),
    relaxedMm: hand.relaxedMm.map((mm) => mm * draw.span),
    practicalMm: hand.practicalMm.map((mm) => mm * draw.span),
    shiftWeight: hand.shiftWeight / draw.shift ** 2,
    turnWeight: hand.turnWeight / draw.turn ** 2,
    heightWeight: hand.heightWeight / draw.height ** 2,
    pressMs: hand.pressMs * draw.press,
    msPerBit: hand.msPerBit.map((ms) => ms * draw.movement),
  }
}
