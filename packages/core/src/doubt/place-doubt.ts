import type { PreparedModel } from '../model/index.js'
import { handCostMs, type CandidatePlace } from '../places/index.js'
import type { TriggerKey } from '../triggers/index.js'
import { drawsOf, usualDraws } from './draws.js'
import { drawnHandCosts } from './drawn-hand-cost.js'

/** A place is as good as the first when it comes first in at least this share of the draws. */
export const asGoodShare = 0.1

/** How sure a place is, by its trigger's key: the share of draws in which it comes first, 0 to 1. */
export type PlaceDoubt = ReadonlyMap<TriggerKey, number>

/**
 * How often each of some ranked places comes first when all assumed constants are drawn together.
 * @param places  the first of a ranking, such as its top 20
 */
export function placeDoubt(
  places: readonly CandidatePlace[],
  model: PreparedModel,
  draws = drawsOf(usualDraws),
): PlaceDoubt {
  const firsts = new Map<TriggerKey, number>(places.map((p) => [p.key, 0]))
  const { weights } = model.plan
  const { side } = model.situation.hand
  const rests = places.map((p) => p.totalMs - handCostMs(p.reach, side, weights, p.amounts.pointing))
  const costs = drawnHandCosts(model, draws)
  draws.forEach((draw, n) => {
    let best: TriggerKey | null = null
    let least = Infinity
    places.forEach((place, i) => {
      const ms = (costs[n]?.(place.trigger) ?? Infinity) + (rests[i] as number) * draw.rest
      if (ms < least) {
        least = ms
        best = place.key
      }
    })
    if (best !== null) firsts.set(best, (firsts.get(best) ?? 0) + 1)
  })
  return new Map([...firsts].map(([key, n]) => [key, n / Math.max(1, draws.length)]))
}
