import type { Control, HandSide } from '../bench/index.js'
import { degToRad } from './angles.js'

/**
 * The axes of a resting hand: x inward (towards the thumb), y back towards the wrist, turned on the desk as the keys are that
 * its fingertips rest on. A right hand is mirrored, so that `in` is always +x.
 */
export interface HandFrame {
  /** +1 for a left hand, −1 for a right hand */
  readonly sign: 1 | -1
  /** how far the hand is turned on the desk, clockwise */
  readonly turnDeg: number
  readonly cos: number
  readonly sin: number
}

/** +1 for a left hand, −1 for a right hand: x in the model's frame is x on the desk times this, where the hand is not turned. */
export const frameSign = (side: HandSide): 1 | -1 => (side === 'left' ? 1 : -1)

/** The frame of a hand that is turned by `turnDeg`. */
export function handFrame(side: HandSide, turnDeg: number): HandFrame {
  const angle = degToRad(turnDeg)
  const isStraight = turnDeg === 0
  return {
    sign: frameSign(side),
    turnDeg,
    cos: isStraight ? 1 : Math.cos(angle),
    sin: isStraight ? 0 : Math.sin(angle),
  }
}

/** How far a hand is turned: the mean turn of the caps under its fingertips, as directions are averaged. */
export function turnOfRests(rests: readonly Pick<Control, 'turnDeg'>[]): number {
  const turns = rests.map((c) => c.turnDeg ?? 0)
  const [first = 0] = turns
  if (turns.every((t) => t === first)) return first
  const sum = (part: (angle: number) => number): number =>
    turns.reduce((total, t) => total + part(degToRad(t)), 0)
  return (Math.atan2(sum(Math.sin), sum(Math.cos)) * 180) / Math.PI
}

/** A point on the desk, in the hand's axes, mm. */
export const toFrame = (
  { sign, cos, sin }: HandFrame,
  x: number,
  y: number,
): { readonly x: number; readonly y: number } => ({ x: (x * cos + y * sin) * sign, y: y * cos - x * sin })

/** A point of the hand's axes, on the desk, mm. */
export const onDeskOf = (
  { sign, cos, sin }: HandFrame,
  x: number,
  y: number,
): { readonly x: number; readonly y: number } => ({
  x: x * sign * cos - y * sin,
  y: x * sign * sin + y * cos,
})
