import { fittsMsPerBit, pressMs, settleMs } from './constants.js'

/** Fitts's index of difficulty, Shannon form, in bits. */
export const indexOfDifficultyBits = (distanceMm: number, widthMm: number): number =>
  Math.log2(distanceMm / widthMm + 1)

/** Movement time of a finger or hand to a target, ms. */
export const movementMs = (distanceMm: number, widthMm: number, msPerBit = fittsMsPerBit): number =>
  msPerBit * indexOfDifficultyBits(distanceMm, widthMm)

/** A finger's way to its key. */
export interface FingerMove {
  readonly distanceMm: number
  readonly widthMm: number
  /** slope of this finger's line, where the person's own is known */
  readonly msPerBit?: number
}

/**
 * Time of a chord from rest, ms: the fingers move together, so the longest movement counts; then the keys go down
 * one after another. A neighbouring key comes to 204 ms, beside K = 200 ms for the average skilled typist.
 * @param ownPressMs the person's own press, where it is known
 */
export const chordTimeMs = (moves: readonly FingerMove[], ownPressMs = pressMs): number =>
  Math.max(0, ...moves.map((m) => movementMs(m.distanceMm, m.widthMm, m.msPerBit))) +
  ownPressMs * moves.length

/**
 * Moving the whole hand to a place and closing it there, ms. From the letters to a mouse and back it comes near
 * H = 400 ms of the keystroke-level model.
 * @param targetMm what the hand has to hit: the smaller side of a mouse, the cap of a home key
 */
export const homingTimeMs = (distanceMm: number, targetMm: number): number =>
  movementMs(distanceMm, targetMm) + settleMs
