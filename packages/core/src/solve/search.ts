import { anneal, type AnnealStep } from './anneal.js'
import { greedyAnswer, linearAnswer } from './first-answer.js'
import { searchTables } from './mover.js'
import { randomInts } from './random.js'
import { settlePairs } from './settle.js'
import { slotCost, SlotState, type SlotProblem } from './slots.js'

export interface SearchOptions {
  readonly seed: number
  readonly moves: number
  /** rows that compete for slots, for the linear answer; all rows in one where left out */
  readonly groups?: readonly (readonly number[])[]
  /** the order in which rows choose in the first answer, largest first */
  readonly weight: ArrayLike<number>
}

/** Starts of the annealing from the linear answer, each with its share of the moves: the best of them is kept. */
const starts = 4
/** Rounds in which pairs settle after each start: many in small problems, where each is quick. Assumed. */
const settleRounds = ({ rows, slots }: SlotProblem): number =>
  Math.round(Math.min(800, (800 * 9000) / (rows * slots)))

/** Moves of a search where nobody asks for more. */
export const defaultMoves = 400_000

/**
 * A good answer to a slot problem: one at once, then the linear optimum, then annealing from there. A generator: each
 * step has the best answer so far, and the caller may stop at any of them.
 */
export function* searchSlots(
  problem: SlotProblem,
  { seed, moves, groups, weight }: SearchOptions,
): Generator<AnnealStep, AnnealStep> {
  let best: Int32Array = greedyAnswer(problem, weight)
  let bestCost = slotCost(problem, best)
  const take = (slotOf: Int32Array, cost: number): void => {
    if (cost >= bestCost) return
    best = slotOf.slice()
    bestCost = cost
  }
  // where everything stands now may be better than what is found first
  const atHome = slotCost(problem, problem.initialSlot)
  if (problem.initialSlot.every((slot, i) => slot >= 0 || problem.unassignedCost[i] !== Infinity))
    take(problem.initialSlot, atHome)
  yield { moves: 0, best, bestCost }
  const rowGroups = groups ?? [Array.from({ length: problem.rows }, (_, i) => i)]
  const linear = linearAnswer(problem, rowGroups)
  take(linear.slotOf, slotCost(problem, linear.slotOf))
  yield { moves: 0, best, bestCost }
  const tables = searchTables(problem, linear.slotPrice)
  const share = Math.floor(moves / starts)
  const from = best
  for (let k = 0; k < starts; k++) {
    const steps = anneal(problem, {
      seed: seed * starts + k,
      moves: share,
      start: from,
      tables,
    })
    let step = steps.next()
    for (; step.done !== true; step = steps.next()) {
      take(step.value.best, step.value.bestCost)
      yield { moves: k * share + step.value.moves, best, bestCost }
    }
    const state = new SlotState(problem, step.value.best)
    const rounds = settlePairs(
      problem,
      state,
      { rounds: settleRounds(problem), most: Infinity, tables, groups: rowGroups },
      randomInts(seed * starts + k),
    )
    for (const _ of rounds) yield { moves: (k + 1) * share, best, bestCost }
    take(state.slotOf, state.cost)
  }
  return { moves: share * starts, best, bestCost }
}
