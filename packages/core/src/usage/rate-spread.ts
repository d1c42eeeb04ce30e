import type { Command } from '../commands/index.js'

/** Spread of a rate that was guessed, in its logarithm. Assumed. */
export const guessedSpread = 0.5
/** No rate is surer than this: days differ, however many uses were counted. Assumed. */
const leastSpread = 0.05
/** People put commands of one use into neighbouring piles: no pile is surer than this. Assumed. */
const leastPileSpread = 0.3

/** Spread of the logarithm of a rate that so many counted uses give: their counting error (Poisson). */
export const countedSpread = (uses: number): number =>
  uses > 0 ? Math.min(guessedSpread, Math.max(leastSpread, 1 / Math.sqrt(uses))) : guessedSpread

/** How sure a command's rate is, as the spread of its logarithm: by a log, a tally or a pile, else a guess. */
export const rateSpreadOf = (command: Pick<Command, 'rateSpread'>, counted: number): number =>
  counted > 0 ? countedSpread(counted) : (command.rateSpread ?? guessedSpread)

/**
 * The spread that the width of a pile gives: a rate anywhere from half way to the pile below to half way to the one above,
 * in logarithms, each alike.
 * @param rates  uses an hour that the piles stand for, in any order; those at the ends reach as far outwards as inwards
 */
export function pileSpread(rates: readonly number[], at: number): number {
  const own = Math.log(Math.max(1e-6, rates[at] ?? 0))
  const others = rates.filter((_, i) => i !== at).map((rate) => Math.log(Math.max(1e-6, rate)))
  const below = Math.min(...others.filter((v) => v < own).map((v) => own - v))
  const above = Math.min(...others.filter((v) => v > own).map((v) => v - own))
  const [down, up] = [below, above].map((gap) => (Number.isFinite(gap) ? gap : Math.min(below, above)))
  const width = ((down as number) + (up as number)) / 2
  // of numbers spread evenly over a width, the standard deviation is that over √12
  return Number.isFinite(width)
    ? Math.min(1, Math.max(leastPileSpread, width / Math.sqrt(12)))
    : guessedSpread
}

/** A shorter count says nothing, min. Assumed. */
const leastMinutes = 1

/** The rate that a tally gives, with its spread; null where nothing was counted or not for long, which says little. */
export function talliedRate(
  uses: number,
  minutes: number,
): { readonly usesPerHour: number; readonly rateSpread: number } | null {
  if (uses <= 0 || minutes < leastMinutes) return null
  return {
    usesPerHour: Math.min(100_000, Math.round(((60 * uses) / minutes) * 100) / 100),
    rateSpread: countedSpread(uses),
  }
}

/**
 * Rates of commands that were only put into an order, most used first: from the most to the least by even steps of their
 * logarithm, each as uncertain as a step is large.
 * @param most   uses an hour of the first
 * @param least  of the last
 */
export function orderedRates(
  count: number,
  most: number,
  least: number,
): readonly { readonly usesPerHour: number; readonly rateSpread: number }[] {
  const [top, bottom] = [
    Math.log(Math.max(most, least, 1e-6)),
    Math.log(Math.max(1e-6, Math.min(most, least))),
  ]
  const step = count > 1 ? (top - bottom) / (count - 1) : 0
  return Array.from({ length: count }, (_, i) => ({
    usesPerHour: Math.round(Math.exp(top - i * step) * 1000) / 1000,
    rateSpread: Math.min(1, Math.max(leastPileSpread, step)),
  }))
}
