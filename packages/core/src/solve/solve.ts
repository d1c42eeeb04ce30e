import { findClashes, type Clash } from '../clashes/index.js'
import type { Placed } from '../plan/index.js'
import { anneal } from './anneal.js'
import { curveOf, type CurvePoint, type FewMoves } from './few-moves.js'
import { drawsOf, usualDraws } from '../doubt/index.js'
import { dayHours, defaultPayBackDays } from '../plan/index.js'
import { learnerOf, payBackCurve, relearnUses, type PayBackPoint } from '../work/index.js'
import { loadCurve, type LoadPoint } from './load-curve.js'
import { moveDoubts, type MoveDoubt } from './move-doubt.js'
import { searchTables, type SearchTables } from './mover.js'
import { movesTo, type MoveList, type ProposedMove } from './moves.js'
import { arrangementProblem, type ArrangementProblem } from './problem.js'
import type { ProblemInput, SolveScope } from './rows.js'
import { defaultMoves, searchSlots } from './search.js'
import { slotCost } from './slots.js'
import { barClashing, isAboveCaution, lastOf, placementsOf, withoutBarred } from './whole-answer.js'

/** How long and how widely Solve looks. */
export interface SolveOptions {
  readonly seed: number
  /** moves of the search; more take longer and find a little more */
  readonly moves: number
  readonly scope: SolveScope
  /** whether to find the best answers of few moves, too */
  readonly curve: boolean
  /** how often all assumed constants are drawn to tell how sure each move is; 0 leaves that out */
  readonly draws: number
}

/** What Solve does where nothing is asked for. */
export const defaultSolveOptions: SolveOptions = {
  seed: 1,
  moves: defaultMoves,
  scope: { what: 'everything' },
  curve: true,
  draws: usualDraws,
}

/** How far Solve has come. */
export interface SolveProgress {
  readonly phase:
    | 'first answer'
    | 'improving'
    | 'mending clashes'
    | 'answers of few moves'
    | 'busy fingers'
    | 'how sure it is'
  /** 0 to 1 */
  readonly done: number
  /** gain of the best answer so far, ms an hour */
  readonly gainMs: number
  /** the first moves of an answer that is not checked as a whole yet; once, after about a third of the time */
  readonly first?: readonly ProposedMove[]
}

/** The answer of Solve: the problem, the assignment, the list of moves and their gain. */
export interface SolveAnswer {
  readonly problem: ArrangementProblem
  readonly list: MoveList
  /** how sure each move is, by its id; none for those that were not looked at */
  readonly doubts: ReadonlyMap<number, MoveDoubt>
  /** what the moves have gained after days, learning first and saving after */
  readonly payBack: readonly PayBackPoint[]
  /** saving against the busiest finger, by how much busy fingers weigh */
  readonly load: readonly LoadPoint[]
  readonly placements: readonly Placed[]
  /** cost of the arrangement as it is, and of the answer, ms an hour */
  readonly beforeMs: number
  readonly afterMs: number
  /** clashes of the answer above caution, which are those of what must not move */
  readonly clashesLeft: readonly Clash[]
  /** gain against number of moves, fewest first */
  readonly curve: readonly CurvePoint[]
}

/** Moves that are shown before the answer is checked as a whole. */
const firstMoves = 25
const mendRounds = 6
const mendMoves = 30_000

/** The search as it stands: the best answer so far and what it costs, ms an hour. */
interface Search {
  readonly built: ArrangementProblem
  readonly beforeMs: number
  slotOf: Int32Array
  cost: number
  /** the person has asked for the best so far */
  stopped: boolean
  /** what the searches after the first one try */
  readonly tables: SearchTables
}

type Steps<R> = Generator<SolveProgress, R, boolean | undefined>

/**
 * Proposes a better arrangement; a generator, so that the caller can show progress. `next(true)` ends the search and
 * gives the best so far. The same seed gives the same answer, when it is not stopped. What is locked does not move, and
 * nothing goes where it would have a clash above caution.
 */
export function* solveArrangement(
  input: ProblemInput,
  options: SolveOptions = defaultSolveOptions,
): Steps<SolveAnswer> {
  const built = arrangementProblem(input, options.scope)
  const { problem } = built
  const beforeMs = slotCost(problem, problem.initialSlot)
  const search: Search = {
    built,
    beforeMs,
    slotOf: problem.initialSlot.slice(),
    cost: beforeMs,
    stopped: false,
    tables: searchTables(problem),
  }
  yield* improve(search, options)
  yield* mendClashes(search, input, options.seed)
  const curve = yield* fewMoves(search, input, options)
  const list = movesTo(built, search.slotOf)
  const load = options.curve ? yield* fingers(search, options) : []
  const doubts = yield* howSure(search, list, input, options)
  const placements = placementsOf(built, input, list)
  return {
    problem: built,
    list,
    doubts,
    payBack: payBackOf(built, list, input),
    load,
    placements,
    beforeMs,
    afterMs: search.cost,
    clashesLeft: findClashes(placements, input.model.env).filter(isAboveCaution),
    curve,
  }
}

/** Tells how far it is, and takes the answer whether to stop. */
function* tell(search: Search, phase: SolveProgress['phase'], done: number, cost = search.cost): Steps<void> {
  const progress: SolveProgress = { phase, done, gainMs: Math.max(0, search.beforeMs - cost) }
  if ((yield progress) === true) search.stopped = true
}

/** Searches, and shows the first moves once a quarter of the search is done: another start of it changes few of them. */
function* improve(search: Search, { seed, moves }: SolveOptions): Steps<void> {
  const { problem, groups, weight } = search.built
  yield* tell(search, 'first answer', 0)
  let isShown = false
  const steps = searchSlots(problem, { seed, moves, groups, weight })
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.value.bestCost < search.cost) {
      search.slotOf = step.value.best.slice()
      search.cost = step.value.bestCost
    }
    if (step.done === true || search.stopped) return
    const done = step.value.moves / moves
    if (isShown || done < 1 / 4) {
      yield* tell(search, 'improving', done)
      continue
    }
    isShown = true
    const first = movesTo(search.built, search.slotOf).moves.slice(0, firstMoves)
    const gainMs = Math.max(0, search.beforeMs - search.cost)
    if ((yield { phase: 'improving', done, gainMs, first }) === true) search.stopped = true
  }
}

/** Checks the whole answer and searches on without what clashes, until nothing does. */
function* mendClashes(search: Search, input: ProblemInput, seed: number): Steps<void> {
  const { built } = search
  for (let round = 0; round < mendRounds; round++) {
    yield* tell(search, 'mending clashes', round / mendRounds)
    if (!barClashing(built, input, search.slotOf)) return
    const start = withoutBarred(built, search.slotOf, () => -1)
    const found = lastOf(
      anneal(built.problem, { seed: seed + round, moves: mendMoves, start, tables: search.tables }),
    )
    search.slotOf = found.best.slice()
    search.cost = found.bestCost
  }
}

/** Finds the best answers of few moves, and keeps to the most moves that are wanted. */
function* fewMoves(search: Search, input: ProblemInput, options: SolveOptions): Steps<readonly CurvePoint[]> {
  const { built, beforeMs } = search
  const limit = options.scope.mostMoves ?? Infinity
  const steps = curveOf(built, input, search.slotOf, {
    limit,
    seed: options.seed,
    isWanted: options.curve && !search.stopped,
    isStopped: search.stopped,
    wholeMs: search.cost,
    tables: search.tables,
  })
  let found: FewMoves | undefined
  for (let step = steps.next(search.stopped); ; step = steps.next(search.stopped)) {
    if (step.done === true) {
      found = step.value
      break
    }
    yield* tell(search, 'answers of few moves', step.value.done, step.value.cost)
  }
  if (found.atLimit) {
    search.slotOf = found.atLimit
    search.cost = slotCost(built.problem, found.atLimit)
  }
  return found.costs.map(({ moves, cost }) => ({ moves, gainMs: beforeMs - cost })).reduce(rising, [])
}

/** What other weights of busy fingers would save, and spare the busiest one. */
function* fingers(search: Search, { seed, scope }: SolveOptions): Steps<readonly LoadPoint[]> {
  const steps = loadCurve(search.built, search.slotOf, seed, scope.mostMoves ?? Infinity, search.tables)
  for (let step = steps.next(search.stopped); ; step = steps.next(search.stopped)) {
    if (step.done === true) return step.value
    yield* tell(search, 'busy fingers', step.value)
  }
}

/** Tells how sure each move is, when all that is assumed is drawn anew. */
function* howSure(
  search: Search,
  { moves }: MoveList,
  { model }: ProblemInput,
  { draws, seed }: SolveOptions,
): Steps<ReadonlyMap<number, MoveDoubt>> {
  const counted = model.plan.usage?.commands ?? {}
  const steps = moveDoubts(
    moves,
    search.built,
    search.slotOf,
    model,
    (id) => counted[id]?.uses ?? 0,
    drawsOf(draws, seed),
  )
  for (let step = steps.next(); ; step = steps.next(search.stopped)) {
    if (step.done === true) return step.value
    yield* tell(search, 'how sure it is', step.value)
  }
}

/** Learning each command that moves, and what its time then saves, over days. */
function payBackOf(
  { rows, problem, weight }: ArrangementProblem,
  list: MoveList,
  { model: { plan, index } }: ProblemInput,
): PayBackPoint[] {
  const { hours } = dayHours(plan)
  const inDays = (plan.payBackDays ?? defaultPayBackDays) * hours
  const learned = list.moves.flatMap(({ row, to, command }) => {
    const uses = weight[row] as number
    if (!to || rows[row]?.role !== 'main' || problem.fixed[row] === 1) return []
    const { score } = index.readerOf(command).score(to)
    return [{ usesPerDay: uses * hours, looks: relearnUses(score, uses * inDays, learnerOf(plan)) }]
  })
  const savedPerDay = hours * list.moves.reduce((sum, m) => sum + m.ownTimeGainMs, 0)
  return payBackCurve(learned, savedPerDay, learnerOf(plan))
}

/** No answer is worse than one of fewer moves. */
const rising = (curve: readonly CurvePoint[], point: CurvePoint): CurvePoint[] => [
  ...curve,
  { ...point, gainMs: Math.max(point.gainMs, curve.at(-1)?.gainMs ?? 0) },
]
