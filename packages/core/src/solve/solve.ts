import { findClashes, severities, type Clash } from '../clashes/index.js'
import type { Placed } from '../model/index.js'
import { triggerKey } from '../triggers/index.js'
import { anneal, bestSteps } from './anneal.js'
import { applyMoves, movesTo, type MoveList } from './moves.js'
import { arrangementProblem, type ArrangementProblem } from './problem.js'
import type { ProblemInput, SolveScope } from './rows.js'
import { defaultMoves, searchSlots } from './search.js'
import { slotCost } from './slots.js'

export interface SolveOptions {
  readonly seed: number
  /** moves of the search; more take longer and find a little more */
  readonly moves: number
  readonly scope: SolveScope
  /** whether to find the best answers of few moves, too */
  readonly curve: boolean
}

export const defaultSolveOptions: SolveOptions = {
  seed: 1,
  moves: defaultMoves,
  scope: { what: 'everything' },
  curve: true,
}

export interface SolveProgress {
  readonly phase: 'first answer' | 'improving' | 'mending clashes' | 'answers of few moves'
  /** 0 to 1 */
  readonly done: number
  /** gain of the best answer so far, ms an hour */
  readonly gainMs: number
}

/** The best answer that moves at most so many commands. */
export interface CurvePoint {
  readonly moves: number
  readonly gainMs: number
}

export interface SolveAnswer {
  readonly problem: ArrangementProblem
  readonly list: MoveList
  readonly placements: readonly Placed[]
  /** cost of the arrangement as it is, and of the answer, ms an hour */
  readonly beforeMs: number
  readonly afterMs: number
  /** clashes of the answer above caution, which are those of what must not move */
  readonly clashesLeft: readonly Clash[]
  /** gain against number of moves, fewest first */
  readonly curve: readonly CurvePoint[]
}

/** Numbers of moves for which the best answer is found. */
const curveCounts = [1, 2, 3, 5, 8, 12, 18, 25, 40, 60, 90, 130, 180, 250, 350, 500]
const curveMoves = 40_000
const mendRounds = 6
const mendMoves = 30_000

const isAboveCaution = (clash: Clash): boolean =>
  severities.indexOf(clash.severity) < severities.indexOf('caution')

/**
 * Proposes a better arrangement; a generator, so that the caller can show progress. `next(true)` ends the search and
 * gives the best so far. The same seed gives the same answer, when it is not stopped. What is kept does not move, and nothing goes where it would have a clash above caution.
 */
export function* solveArrangement(
  input: ProblemInput,
  options: SolveOptions = defaultSolveOptions,
): Generator<SolveProgress, SolveAnswer, boolean | undefined> {
  const { scope, seed } = options
  const built = arrangementProblem(input, scope)
  const { problem } = built
  const beforeMs = slotCost(problem, problem.home)
  const limit = scope.mostMoves ?? Infinity
  const progress = (phase: SolveProgress['phase'], done: number, cost: number): SolveProgress => ({
    phase,
    done,
    gainMs: Math.max(0, beforeMs - cost),
  })
  let slotOf: Int32Array = problem.home.slice()
  let cost = beforeMs

  let stopped = (yield progress('first answer', 0, cost)) === true
  const steps = searchSlots(problem, {
    seed,
    moves: options.moves,
    groups: built.groups,
    weight: built.weight,
  })
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.value.bestCost < cost) {
      slotOf = step.value.best.slice()
      cost = step.value.bestCost
    }
    if (step.done === true || stopped) break
    stopped = (yield progress('improving', step.value.moves / options.moves, cost)) === true
  }
  for (let round = 0; round < mendRounds; round++) {
    if ((yield progress('mending clashes', round / mendRounds, cost)) === true) stopped = true
    if (!bar(built, input, slotOf)) break
    const start = withoutBarred(built, slotOf, () => -1)
    const found = last(anneal(problem, { seed: seed + round, moves: mendMoves, start }))
    slotOf = found.best.slice()
    cost = found.bestCost
  }
  const curve: CurvePoint[] = []
  const whole = countMoved(problem.home, slotOf)
  if ((options.curve && !stopped) || limit < whole) {
    let start: Int32Array = problem.home.slice()
    let few: Int32Array = start
    const route = movesTo(built, slotOf, () => 0)
    const counts = [...new Set([...curveCounts, ...(limit < whole ? [limit] : [])])]
      .filter((n) => n < whole)
      .sort((a, b) => a - b)
    for (const [k, n] of counts.entries()) {
      // a limit has to be kept, whatever is stopped
      if (stopped && n !== limit) continue
      if ((yield progress('answers of few moves', k / counts.length, slotCost(problem, start))) === true)
        stopped = true
      const prefix = afterMoves(problem.home, slotOf, route, n)
      const better = slotCost(problem, prefix) < slotCost(problem, start) ? prefix : start
      start = fewMoves(built, input, better, n, seed)
      if (n === limit) few = start
      curve.push({ moves: n, gainMs: beforeMs - slotCost(problem, start) })
    }
    curve.push({ moves: whole, gainMs: beforeMs - cost })
    if (limit < whole) {
      slotOf = few
      cost = slotCost(problem, few)
    }
  }
  const counted = input.plan.usage?.commands ?? {}
  const list = movesTo(built, slotOf, (id) => counted[id]?.uses ?? 0)
  const placements = applyMoves(
    input.placements,
    built.rows,
    list,
    list.moves.map((m) => m.id),
  )
  return {
    problem: built,
    list,
    placements,
    beforeMs,
    afterMs: cost,
    clashesLeft: findClashes(placements, input.survey.around).filter(isAboveCaution),
    curve: rising(curve),
  }
}

const countMoved = (home: Int32Array, slotOf: Int32Array): number =>
  home.reduce((n, p, i) => n + Number(p !== slotOf[i]), 0)

function last<T>(steps: Generator<T, T>): T {
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  return step.value
}

/** The first n moves on the way to an answer, as far as all that they need is among them. */
function afterMoves(home: Int32Array, slotOf: Int32Array, { moves }: MoveList, n: number): Int32Array {
  const out = home.slice()
  const first = new Set(moves.slice(0, n).map((m) => m.id))
  for (const { row, needs } of moves.slice(0, n))
    if (needs.every((id) => first.has(id))) out[row] = slotOf[row] as number
  return out
}

/** The best answer of at most n moves, from that of fewer; without clashes above caution of what moves. */
function fewMoves(
  built: ArrangementProblem,
  input: ProblemInput,
  start: Int32Array,
  mostMoved: number,
  seed: number,
): Int32Array {
  let found = bestSteps(built.problem, start, mostMoved)
  for (let round = 0; round < mendRounds; round++) {
    found = last(
      anneal(built.problem, { seed: seed + round, moves: curveMoves, start: found, mostMoved }),
    ).best.slice()
    if (!bar(built, input, found)) break
    found = withoutBarred(built, found, (i) => built.problem.home[i] as number)
  }
  return found
}

/** Rows on slots that are barred now go elsewhere, and the search goes on from there. */
const withoutBarred = (
  { problem: { costs, slots } }: ArrangementProblem,
  slotOf: Int32Array,
  elsewhere: (row: number) => number,
): Int32Array => slotOf.map((p, i) => (p >= 0 && costs[i * slots + p] === Infinity ? elsewhere(i) : p))

/** The last point of each number of moves, none worse than one with fewer. */
const rising = (curve: readonly CurvePoint[]): CurvePoint[] => {
  let most = 0
  return curve.map((point) => ({ ...point, gainMs: (most = Math.max(most, point.gainMs)) }))
}

/**
 * Checks an answer as a whole, and bars what has brought a clash above caution: the rules that look at several commands
 * at once are only known then.
 * @returns whether something was barred
 */
function bar(built: ArrangementProblem, input: ProblemInput, slotOf: Int32Array): boolean {
  const { problem, rows, slots } = built
  const list = movesTo(built, slotOf, () => 0)
  const placements = applyMoves(
    input.placements,
    rows,
    list,
    list.moves.map((m) => m.id),
  )
  let barred = false
  for (const clash of findClashes(placements, input.survey.around)) {
    if (!isAboveCaution(clash)) continue
    const key = triggerKey(clash.trigger)
    rows.forEach(({ command, role }, i) => {
      const p = slotOf[i] as number
      if (role !== 'main' || problem.fixed[i] === 1 || p < 0 || p === problem.home[i]) return
      if (!clash.commandIds.includes(command.id) || slots[p]?.key !== key) return
      problem.costs[i * problem.slots + p] = Infinity
      barred = true
    })
  }
  return barred
}
