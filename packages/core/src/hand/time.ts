import { fittsMsPerBit, pressMs } from './constants.js'

/** Fitts's index of difficulty, Shannon form, in bits. */
export const indexOfDifficultyBits = (distanceMm: number, widthMm: number): number =>
  Math.log2(distanceMm / widthMm + 1)

/** Movement time of a finger or hand to a target, ms. */
export const movementMs = (distanceMm: number, widthMm: number): number =>
  fittsMsPerBit * indexOfDifficultyBits(distanceMm, widthMm)

/**
 * Time of a chord from rest, ms: the fingers move together, so the longest movement counts; then the keys go down
 * one after another. A neighbouring key comes to 204 ms, beside K = 200 ms for the average skilled typist.
 * @param moves distance and target width of each key, mm
 */
export const chordTimeMs = (
  moves: readonly { readonly distanceMm: number; readonly widthMm: number }[],
): number => Math.max(0, ...moves.map((m) => movementMs(m.distanceMm, m.widthMm))) + pressMs * moves.length
