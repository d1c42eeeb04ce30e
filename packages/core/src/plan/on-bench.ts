import type { Arrangement, Placed } from './plan.js'

/** Whether a placement holds on a bench: on any, or on this one alone. */
export const isOnBench = ({ benchId }: Pick<Placed, 'benchId'>, id: string): boolean =>
  benchId === undefined || benchId === id

const known = new WeakMap<Arrangement, Map<string, Arrangement>>()

/** An arrangement as it holds on a bench: without what other benches have as their own. The same object where that is all. */
export function onBench(arrangement: Arrangement, benchId: string): Arrangement {
  if (arrangement.placements.every((p) => isOnBench(p, benchId))) return arrangement
  const seen = known.get(arrangement) ?? new Map<string, Arrangement>()
  known.set(arrangement, seen)
  const before = seen.get(benchId)
  if (before) return before
  const here = { ...arrangement, placements: arrangement.placements.filter((p) => isOnBench(p, benchId)) }
  seen.set(benchId, here)
  return here
}
