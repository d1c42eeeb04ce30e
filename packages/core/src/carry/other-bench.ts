import { lossOfMove } from '../compare/index.js'
import type { PreparedModel } from '../model/index.js'
import { activeArrangement, isOnBench } from '../plan/index.js'
import { nearestPlaces, type LostTrigger, type NearestPlace } from './nearest.js'

/**
 * Places on another bench for the commands that would be left without a key there, each nearest to the idea of the key that it
 * loses. A command that keeps another key needs none.
 * @param from  the plan on the bench in front
 * @param to    the same plan on the other bench
 */
export function* placesOnBench(
  from: PreparedModel,
  to: PreparedModel,
): Generator<number, readonly NearestPlace[], void> {
  const { placements } = activeArrangement(from.plan)
  const { lost, without } = lossOfMove(
    placements.filter((p) => isOnBench(p, to.bench.id)),
    from.env,
    to.env,
  )
  const wanted = without.flatMap((command): LostTrigger[] => {
    const first = lost.find((l) => l.command.id === command.id)
    return first ? [{ command, trigger: first.placement.trigger }] : []
  })
  return yield* nearestPlaces(wanted, from, to)
}
