import { findClashes, type Clash } from '../clashes/index.js'
import type { Placed } from '../plan/index.js'
import { anneal } from './anneal.js'
import { curveOf, type CurvePoint, type FewMoves } from './few-moves.js'
import { movesTo, type MoveList } from './moves.js'
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
}

/** What Solve does where nothing is asked for. */
export const defaultSolveOptions: SolveOptions = {
  seed: 1,
  moves: defaultMoves,
  scope: { what: 'everything' },
  curve: true,
}

/** How far Solve has come. */
export interface SolveProgress {
  readonly phase: 'first answer' | 'improving' | 'mending clashes' | 'answers of few moves'
  /** 0 to 1 */
  readonly done: number
  /** gain of the best answer so far, ms an hour */
  readonly gainMs: number
}

/** The answer of Solve: the problem, the assignment, the list of moves and their gain. */
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
  }
  yield* improve(search, options)
  yield* mendClashes(search, input, options.seed)
  const curve = yield* fewMoves(search, input, options)
  const counted = input.model.plan.usage?.commands ?? {}
  const list = movesTo(built, search.slotOf, (id) => counted[id]?.uses ?? 0)
  const placements = placementsOf(built, input, list)
  return {
    problem: built,
    list,
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

function* improve(search: Search, { seed, moves }: SolveOptions): Steps<void> {
  const { problem, groups, weight } = search.built
  yield* tell(search, 'first answer', 0)
  const steps = searchSlots(problem, { seed, moves, groups, weight })
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.value.bestCost < search.cost) {
      search.slotOf = step.value.best.slice()
      search.cost = step.value.bestCost
    }
    if (step.done === true || search.stopped) return
    yield* tell(search, 'improving', step.value.moves / moves)
  }
}

/** Checks the whole answer and searches on without what clashes, until nothing does. */
function* mendClashes(search: Search, input: ProblemInput, seed: number): Steps<void> {
  const { built } = search
  for (let round = 0; round < mendRounds; round++) {
    yield* tell(search, 'mending clashes', round / mendRounds)
    if (!barClashing(built, input, search.slotOf)) return
    const start = withoutBarred(built, search.slotOf, () => -1)
    const found = lastOf(anneal(built.problem, { seed: seed + round, moves: mendMoves, start }))
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

/** No answer is worse than one of fewer moves. */
const rising = (curve: readonly CurvePoint[], point: CurvePoint): CurvePoint[] => [
  ...curve,
  { ...point, gainMs: Math.max(point.gainMs, curve.at(-1)?.gainMs ?? 0) },
]
