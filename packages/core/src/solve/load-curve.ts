import { anneal } from './anneal.js'
import { busiestShare } from './finger-load.js'
import type { ArrangementProblem } from './problem.js'
import type { SearchTables } from './mover.js'
import { slotCost, type SlotProblem } from './slots.js'
import { lastOf } from './whole-answer.js'

/** What an answer gains when busy fingers weigh as much. */
export interface LoadPoint {
  /** weight of a finger with twice its share, ms */
  readonly weightMs: number
  /** presses of the busiest finger over its fair share; 1 is fair */
  readonly busiest: number
  /** gain without what busy fingers cost, ms an hour */
  readonly gainMs: number
}

const weightsMs = [0, 20, 50, 100, 200, 400] as const
const moves = 15_000

/** What is saved without the cost of busy fingers. */
const withoutLoad = ({ load: _, ...problem }: SlotProblem): SlotProblem => problem

/**
 * Saving against the busiest finger: the answer, searched on from with other weights of busy fingers; the lightest first.
 * Yields how far it is.
 * @param mostMoved  most rows that move
 * @param tables     what the search tries
 */
export function* loadCurve(
  { problem }: ArrangementProblem,
  answer: Int32Array,
  seed: number,
  mostMoved: number,
  tables: SearchTables,
): Generator<number, readonly LoadPoint[], boolean | undefined> {
  const { load } = problem
  if (!load) return []
  const plain = withoutLoad(problem)
  const before = slotCost(plain, problem.initialSlot)
  const pointOf = (weightMs: number, slotOf: ArrayLike<number>): LoadPoint => ({
    weightMs,
    busiest: busiestShare(load, slotOf),
    gainMs: before - slotCost(plain, slotOf),
  })
  const out: LoadPoint[] = [pointOf(load.weightMs, answer)]
  for (const [k, weightMs] of weightsMs.entries()) {
    if ((yield k / weightsMs.length) === true) break
    if (weightMs === load.weightMs) continue
    const weighed = { ...problem, load: { ...load, weightMs } }
    const found = lastOf(anneal(weighed, { seed, moves, start: answer, mostMoved, tables })).best
    out.push(pointOf(weightMs, found))
  }
  return out.sort((a, b) => a.weightMs - b.weightMs)
}
