import { anneal, bestSteps } from './anneal.js'
import type { SearchTables } from './mover.js'
import { movesTo, type MoveList } from './moves.js'
import type { ArrangementProblem } from './problem.js'
import type { ProblemInput } from './rows.js'
import { slotCost } from './slots.js'
import { barClashing, lastOf, withoutBarred } from './whole-answer.js'

/** The best answer that moves at most so many commands. */
export interface CurvePoint {
  readonly moves: number
  /** ms an hour */
  readonly gainMs: number
}

/** Numbers of moves for which the best answer is found. */
const curveCounts = [1, 2, 3, 5, 8, 12, 18, 25, 40, 60, 90, 130, 180, 250, 350, 500]
const curveMoves = 25_000
const mendRounds = 6

export interface FewMoves {
  /** cost of the best answer of each number of moves, fewest first, ms an hour */
  readonly costs: readonly { readonly moves: number; readonly cost: number }[]
  /** the best answer within the limit, where the whole one has more moves */
  readonly atLimit: Int32Array | null
}

/**
 * The best answers of few moves on the way to `whole`. Yields how far it is; `next(true)` leaves all out but the one of
 * the limit, which has to be kept whatever is stopped.
 * @param wanted.limit     most moves that are wanted
 * @param wanted.isWanted  whether the curve is, too
 * @param wanted.isStopped the search was stopped already
 * @param wanted.wholeMs   cost of the whole answer, ms an hour
 * @param wanted.tables    what the search tries
 */
export function* curveOf(
  built: ArrangementProblem,
  input: ProblemInput,
  whole: Int32Array,
  wanted: {
    readonly limit: number
    readonly isWanted: boolean
    readonly isStopped: boolean
    readonly seed: number
    readonly wholeMs: number
    readonly tables: SearchTables
  },
): Generator<{ readonly done: number; readonly cost: number }, FewMoves, boolean | undefined> {
  const { problem } = built
  const { initialSlot } = problem
  const { limit, isWanted, isStopped, seed, wholeMs, tables } = wanted
  const moved = initialSlot.reduce((n, p, i) => n + Number(p !== whole[i]), 0)
  if (!isWanted && limit >= moved) return { costs: [], atLimit: null }
  const costs: { moves: number; cost: number }[] = []
  let start: Int32Array = initialSlot.slice()
  let atLimit: Int32Array | null = null
  let stopped = isStopped
  const route = movesTo(built, whole)
  const counts = [...new Set([...curveCounts, ...(limit < moved ? [limit] : [])])]
    // beyond the most moves that are wanted nobody asks
    .filter((n) => n < moved && n <= limit)
    .sort((a, b) => a - b)
  for (const [k, n] of counts.entries()) {
    if (stopped && n !== limit) continue
    if ((yield { done: k / counts.length, cost: slotCost(problem, start) }) === true) stopped = true
    const prefix = afterMoves(initialSlot, whole, route, n)
    const step = fewMovesFrom(built, input, start, n, seed, tables)
    // step by step is better at first; close to the whole answer the way to it may be
    const isBehind = slotCost(problem, prefix) < slotCost(problem, step)
    start = isBehind ? fewMovesFrom(built, input, prefix, n, seed, tables) : step
    if (n === limit) atLimit = start
    costs.push({ moves: n, cost: slotCost(problem, start) })
  }
  costs.push({ moves: moved, cost: wholeMs })
  return { costs, atLimit }
}

/** The first n moves on the way to an answer, as far as all that they need is among them. */
function afterMoves(initialSlot: Int32Array, slotOf: Int32Array, { moves }: MoveList, n: number): Int32Array {
  const out = initialSlot.slice()
  const first = new Set(moves.slice(0, n).map((m) => m.id))
  for (const { row, needs } of moves.slice(0, n))
    if (needs.every((id) => first.has(id))) out[row] = slotOf[row] as number
  return out
}

/** The best answer of at most n moves, from that of fewer; without clashes above caution of what moves. */
function fewMovesFrom(
  built: ArrangementProblem,
  input: ProblemInput,
  start: Int32Array,
  mostMoved: number,
  seed: number,
  tables: SearchTables,
): Int32Array {
  let found = bestSteps(built.problem, start, mostMoved, tables.rows)
  for (let round = 0; round < mendRounds; round++) {
    const options = { seed: seed + round, moves: curveMoves, start: found, mostMoved, tables }
    found = lastOf(anneal(built.problem, options)).best.slice()
    if (!barClashing(built, input, found)) break
    found = withoutBarred(built, found, (i) => built.problem.initialSlot[i] as number)
  }
  return found
}
