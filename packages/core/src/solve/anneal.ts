import {
  candidateCount,
  candidateTable,
  Mover,
  pairCandidates,
  searchTables,
  type SearchTables,
} from './mover.js'
import { randomInts } from './random.js'
import { SlotState, type PairTerm, type SlotProblem } from './slots.js'

export interface AnnealOptions {
  readonly seed: number
  /** moves in all; work is bounded by moves and never by the clock, so that a seed repeats exactly */
  readonly moves: number
  /** at most this many rows may stand elsewhere than at home */
  readonly mostMoved?: number
  /** where the search starts; at home where left out */
  readonly start?: ArrayLike<number>
  /** what is tried, where it is known already */
  readonly tables?: SearchTables
}

export interface AnnealStep {
  readonly moves: number
  readonly best: Int32Array
  readonly bestCost: number
}

const epochMoves = 2000
/** Temperatures over the median uphill step at the beginning and the end. Assumed; tried on made-up instances. */
const startHeat = 0.7
const endHeat = 0.03
/** −ln of evenly spread numbers from 0 to 1, so that no logarithm is taken in the acceptance. */
const minusLog = Float64Array.from({ length: 4096 }, (_, k) => -Math.log((k + 0.5) / 4096))

/**
 * Simulated annealing from a start, then descent over the candidates of each row; a generator, so that the caller may
 * show the best so far and stop. Moves put a row on one of its candidates, or both rows of a pair on slots that suit
 * the pair; rows in the way trade places or find a free one. The same seed gives the same answer.
 */
export function* anneal(problem: SlotProblem, options: AnnealOptions): Generator<AnnealStep, AnnealStep> {
  const { rows, initialSlot, fixed } = problem
  const random = randomInts(options.seed)
  const most = options.mostMoved ?? Infinity
  const state = new SlotState(problem, options.start ?? initialSlot)
  const tables = options.tables ?? searchTables(problem)
  const { rows: table, pairs, places } = tables
  const mover = new Mover(state, table)
  const movable = Array.from({ length: rows }, (_, i) => i).filter((i) => fixed[i] === 0)
  const best = { slotOf: state.slotOf.slice(), cost: state.cost }
  const keep = (): void => {
    if (state.cost < best.cost - 1e-9 && state.moved <= most) {
      best.cost = state.cost
      best.slotOf.set(state.slotOf)
    }
  }
  const step = (moves: number): AnnealStep => ({ moves, best: best.slotOf, bestCost: best.cost })
  if (movable.length === 0) return step(0)

  const tryMove = (): number => {
    mover.begin()
    let delta = 0
    // at the limit something has to come home before something else can leave
    if (state.moved >= most) delta += comeHome(state, mover, movable, random)
    if (pairs.length > 0 && random(4) === 0) {
      const term = random(pairs.length)
      delta += pairMove(pairs[term] as PairTerm, term, places, mover, random)
    } else {
      const i = movable[random(movable.length)] as number
      delta += mover.put(i, targetOf(i, state, table, random))
    }
    return mover.moved > most ? Infinity : delta
  }

  let heat = startHeat * medianUphill(tryMove, mover)
  const epochs = Math.max(1, Math.floor(options.moves / epochMoves))
  const cooling = rootOf(endHeat / startHeat, epochs)
  for (let epoch = 0; epoch < epochs; epoch++) {
    for (let k = 0; k < epochMoves; k++) {
      const delta = tryMove()
      if (delta <= 0 || delta < heat * (minusLog[random(4096)] as number)) {
        mover.accept()
        if (delta < 0) keep()
      } else mover.undo()
    }
    heat *= cooling
    yield step((epoch + 1) * epochMoves)
  }
  state.reset(best.slotOf)
  descend(state, mover, movable, tables, most)
  keep()
  return step(epochs * epochMoves)
}

function targetOf(i: number, state: SlotState, table: Int32Array, random: (below: number) => number): number {
  const { initialSlot, unassignedCost } = state.problem
  const pick = random(candidateCount + 2)
  if (pick === candidateCount) return initialSlot[i] as number
  if (pick > candidateCount) return unassignedCost[i] === Infinity ? (state.slotOf[i] as number) : -1
  // short lists leave the row where it is
  const slot = table[i * candidateCount + pick] as number
  return slot === -1 ? (state.slotOf[i] as number) : slot
}

function comeHome(
  state: SlotState,
  mover: Mover,
  movable: readonly number[],
  random: (below: number) => number,
): number {
  const { initialSlot } = state.problem
  const from = random(movable.length)
  for (let k = 0; k < movable.length; k++) {
    const i = movable[(from + k) % movable.length] as number
    if (state.slotOf[i] !== initialSlot[i]) return mover.put(i, initialSlot[i] as number)
  }
  return 0
}

function pairMove(
  { a, b }: PairTerm,
  term: number,
  places: Int32Array,
  mover: Mover,
  random: (below: number) => number,
): number {
  const at = (term * pairCandidates + random(pairCandidates)) * 2
  const p = places[at] as number
  if (p === -1) return Infinity
  const delta = mover.put(a, p)
  return delta === Infinity ? Infinity : delta + mover.put(b, places[at + 1] as number)
}

/** Half of the uphill steps of a sample are smaller than this. */
function medianUphill(tryMove: () => number, mover: Mover): number {
  const uphill: number[] = []
  for (let k = 0; k < 600; k++) {
    const delta = tryMove()
    if (delta > 0 && delta < Infinity) uphill.push(delta)
    mover.undo()
  }
  uphill.sort((x, y) => x - y)
  return uphill[uphill.length >> 1] ?? 1
}

/** The n-th root of a number between 0 and 1, by halving: products only, the same in every engine. */
export function rootOf(value: number, n: number): number {
  let [low, high] = [0, 1]
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2
    if (power(middle, n) < value) low = middle
    else high = middle
  }
  return high
}

function power(base: number, exponent: number): number {
  let result = 1
  for (let e = exponent, b = base; e > 0; e >>= 1, b *= b) if (e & 1) result *= b
  return result
}

/**
 * The single steps that gain most, one after another, as long as no more than `most` rows stand elsewhere than at home:
 * a row to one of its candidates, what is in its way included. A step mostly makes others gain less, so what a row would
 * gain is worked out again only once it stands first.
 */
export function bestSteps(
  problem: SlotProblem,
  start: ArrayLike<number>,
  most: number,
  table: Int32Array = candidateTable(problem),
): Int32Array {
  const state = new SlotState(problem, start)
  const mover = new Mover(state, table)
  const rows = Array.from({ length: problem.rows }, (_, i) => i).filter((i) => problem.fixed[i] === 0)
  const gains = new Float64Array(problem.rows)
  const slots = new Int32Array(problem.rows)
  /** Finds the step of a row that gains most for each row that it shifts. */
  const look = (i: number): void => {
    const left = most - state.moved
    gains[i] = 0
    for (let k = -1; k < candidateCount; k++) {
      const p = k === -1 ? -1 : (table[i * candidateCount + k] as number)
      if (k >= 0 && p === -1) break
      if (p === -1 && problem.unassignedCost[i] === Infinity) continue
      const before = state.moved
      mover.begin()
      const delta = mover.put(i, p)
      const used = mover.moved - before
      // of a chain each move counts
      const gain = delta < Infinity && used <= left ? -delta / Math.max(1, used) : 0
      if (gain > (gains[i] as number)) [gains[i], slots[i]] = [gain, p]
      mover.undo()
    }
  }
  const firstOf = (): number => {
    let first = -1
    for (const i of rows) if (first < 0 || (gains[i] as number) > (gains[first] as number)) first = i
    return first
  }
  for (const i of rows) look(i)
  for (let step = 0; step <= most && state.moved < most; step++) {
    let first = firstOf()
    for (let looked = -1; first !== looked && first >= 0; first = firstOf()) look((looked = first))
    if (first < 0 || (gains[first] as number) <= 1e-9) break
    mover.begin()
    mover.put(first, slots[first] as number)
    mover.accept()
  }
  return state.slotOf.slice()
}

/** Takes every move over the candidates, and every pair onto suiting slots, as long as one of them gains. */
function descend(
  state: SlotState,
  mover: Mover,
  movable: readonly number[],
  { rows: table, pairs, places }: SearchTables,
  most: number,
): void {
  const rows = state.problem.rows
  /** Tries every move of the rows given; 1 for those that an accepted move may have changed something for. */
  const sweep = (isOpen: Uint8Array<ArrayBuffer>): Uint8Array<ArrayBuffer> => {
    const near = new Uint8Array(rows)
    const accept = (delta: number): void => {
      if (delta < -1e-9 && mover.moved <= most) {
        mover.accept()
        for (const i of mover.shifted) {
          near[i] = 1
          state.forLinked(i, (j) => (near[j] = 1))
        }
      } else mover.undo()
    }
    // at the limit a row that stands at home could only leave when another comes home, which annealing tries
    const stays = (i: number): boolean =>
      state.moved >= most && state.slotOf[i] === state.problem.initialSlot[i]
    for (const i of movable) {
      if (isOpen[i] === 0) continue
      for (let k = 0; k <= candidateCount; k++) {
        const p = (
          k < candidateCount ? table[i * candidateCount + k] : state.problem.initialSlot[i]
        ) as number
        if (p < 0 || stays(i)) continue
        mover.begin()
        // where only the one pushed out would gain, the same is found when its turn comes
        accept(mover.put(i, p, 0))
      }
    }
    pairs.forEach(({ a, b }, term) => {
      if ((isOpen[a] === 0 && isOpen[b] === 0) || (stays(a) && stays(b))) return
      for (let k = 0; k < pairCandidates; k++) {
        const at = (term * pairCandidates + k) * 2
        if (places[at] === -1) break
        mover.begin()
        const first = mover.put(a, places[at] as number)
        accept(first === Infinity ? first : first + mover.put(b, places[at + 1] as number))
      }
    })
    return near
  }
  const all = new Uint8Array(rows).fill(1)
  // after a sweep only the rows near what has moved are tried, and all once more in the end
  for (let round = 0, isOpen = all; round < 20; round++) {
    const near = sweep(isOpen)
    const isSettled = !near.includes(1)
    if (isSettled && isOpen === all) return
    isOpen = isSettled ? all : near
  }
}
