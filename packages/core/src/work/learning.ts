import { operatorMs } from './operators.js'

/** Uses until a new place is known by heart, when it has no link to the name. Assumed. */
const usesToLearn = 20
/** What a use costs more until then, ms: M of the keystroke-level model. */
export const relearnMs = operatorMs.M

/**
 * Uses of a new place that are looked for before it is known by heart: half of them where the place recalls the name, and
 * no more than there are within the days in which it should pay.
 * @param score  how well the place recalls the command, 0 to 1
 */
export const relearnUses = (score: number, usesInDays: number): number =>
  Math.min(usesToLearn * (1 - score / 2), usesInDays)
