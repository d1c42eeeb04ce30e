import { randomInts } from './random.js'
import { SlotState, type PairTerm, type Relation, type SlotProblem } from './slots.js'

export interface AnnealOptions {
  readonly seed: number
  /** moves in all; work is bounded by moves and never by the clock, so that a seed repeats exactly */
  readonly moves: number
  /** at most this many rows may stand elsewhere than at home */
  readonly mostMoved?: number
  /** where the search starts; at home where left out */
  readonly start?: ArrayLike<number>
  /** added to the cost of each slot when the slots of a row are ranked: what they are worth to others */
  readonly slotPrice?: Float64Array
}

export interface AnnealStep {
  readonly moves: number
  readonly best: Int32Array
  readonly bestCost: number
}

/** Slots that a row is tried on: its cheapest, counting what they are worth to others. */
export const candidateCount = 24
const epochMoves = 2000
/** Temperatures over the median uphill step at the beginning and the end; found with the prototype. */
const startHeat = 0.7
const endHeat = 0.03
/** A move that pushes out more rows than this is not tried. */
const mostEvicted = 3

/** −ln of evenly spread numbers from 0 to 1, so that no logarithm is taken in the acceptance. */
const minusLog = Float64Array.from({ length: 4096 }, (_, k) => -Math.log((k + 0.5) / 4096))

/** The cheapest allowed slots of each row, as one table; -1 at the end of short lists. */
export function candidateTable(
  { rows, slots, costs }: SlotProblem,
  slotPrice?: Float64Array,
  most: number = candidateCount,
): Int32Array {
  const table = new Int32Array(rows * most).fill(-1)
  const value = new Float64Array(most)
  for (let i = 0; i < rows; i++) {
    let count = 0
    for (let p = 0; p < slots; p++) {
      const cost = (costs[i * slots + p] as number) + (slotPrice ? (slotPrice[p] as number) : 0)
      if (cost === Infinity || (count === most && cost >= (value[most - 1] as number))) continue
      let k = count < most ? count++ : most - 1
      while (k > 0 && (value[k - 1] as number) > cost) {
        value[k] = value[k - 1] as number
        table[i * most + k] = table[i * most + k - 1] as number
        k--
      }
      value[k] = cost
      table[i * most + k] = p
    }
  }
  return table
}

/** Slot pairs that a pair of rows is tried on. */
export const pairCandidates = 40

/**
 * The cheapest slot pairs of each pair term, as one table of slots p and q by turns; -1 at the end of short lists.
 * The gain of the pair counts, and so does what the slots are worth to others.
 */
export function pairTable(
  problem: SlotProblem,
  terms: readonly PairTerm[],
  slotPrice?: Float64Array,
): Int32Array {
  const { slots, costs, relations, scores } = problem
  const table = new Int32Array(terms.length * pairCandidates * 2).fill(-1)
  const price = (p: number): number => (slotPrice ? (slotPrice[p] as number) : 0)
  terms.forEach(({ a, b, relation, gainA, gainB, scored }, t) => {
    const { start, to, value } = relations[relation] as Relation
    const found: { p: number; q: number; cost: number }[] = []
    for (let p = 0; p < slots; p++) {
      const own = costs[a * slots + p] as number
      if (own === Infinity) continue
      for (let k = start[p] as number; k < (start[p + 1] as number); k++) {
        const q = to[k] as number
        const theirs = costs[b * slots + q] as number
        if (theirs === Infinity) continue
        const link = value[k] as number
        const scoreOf = (i: number, at: number): number =>
          scored && scores ? (scores[i * slots + at] as number) : 0
        const gain = gainA * Math.max(0, link - scoreOf(a, p)) + gainB * Math.max(0, link - scoreOf(b, q))
        found.push({ p, q, cost: own + theirs + price(p) + price(q) - gain })
      }
    }
    found.sort((x, y) => x.cost - y.cost || x.p - y.p || x.q - y.q)
    found.slice(0, pairCandidates).forEach(({ p, q }, k) => {
      table[(t * pairCandidates + k) * 2] = p
      table[(t * pairCandidates + k) * 2 + 1] = q
    })
  })
  return table
}

/** One move of the search, with what it shifted, so that it can be taken back. */
export class Mover {
  readonly rows: number[] = []
  readonly from: number[] = []
  readonly state: SlotState
  readonly table: Int32Array

  constructor(state: SlotState, table: Int32Array) {
    this.state = state
    this.table = table
  }

  begin(): void {
    this.rows.length = 0
    this.from.length = 0
  }

  undo(): void {
    for (let k = this.rows.length - 1; k >= 0; k--)
      this.state.shift(this.rows[k] as number, this.from[k] as number)
    this.begin()
  }

  private shift(i: number, p: number): number {
    this.rows.push(i)
    this.from.push(this.state.slotOf[i] as number)
    return this.state.shift(i, p)
  }

  /**
   * Puts row i on slot p; rows in its way go to the slot that it leaves, to their best free one, or have none.
   * @returns what that adds to the cost, or Infinity when it cannot be done (the caller then takes it back)
   */
  put(i: number, p: number): number {
    const { state } = this
    const { problem } = state
    const { slots, costs, fixed, without } = problem
    if (fixed[i] === 1 || (p >= 0 && costs[i * slots + p] === Infinity)) return Infinity
    const left = state.slotOf[i] as number
    if (left === p) return 0
    let delta = this.shift(i, p)
    if (p < 0) return delta
    for (let evicted = 0; ; evicted++) {
      const j = state.inTheWay(i, p)
      if (j === -1) return delta
      if (evicted >= mostEvicted || fixed[j] === 1) return Infinity
      let to = -2
      if (left >= 0 && costs[j * slots + left] !== Infinity && state.inTheWay(j, left) === -1) to = left
      else to = this.freeFor(j, p)
      if (to === -2) {
        if (without[j] === Infinity) return Infinity
        to = -1
      }
      delta += this.shift(j, to)
    }
  }

  /** The cheapest candidate of row j that nobody holds, other than slot p; -2 when there is none. */
  private freeFor(j: number, p: number): number {
    const { state, table } = this
    for (let k = 0; k < candidateCount; k++) {
      const q = table[j * candidateCount + k] as number
      if (q === -1) return -2
      if (q !== p && state.inTheWay(j, q) === -1) return q
    }
    return -2
  }
}

/**
 * Simulated annealing from a start, then descent over the candidates of each row; a generator, so that the caller may
 * show the best so far and stop. Moves put a row on one of its candidates, or both rows of a pair on slots that suit
 * the pair; rows in the way trade places or find a free one. The same seed gives the same answer.
 */
export function* anneal(problem: SlotProblem, options: AnnealOptions): Generator<AnnealStep, AnnealStep> {
  const { rows, home, pairs, fixed } = problem
  const random = randomInts(options.seed)
  const most = options.mostMoved ?? Infinity
  const state = new SlotState(problem, options.start ?? home)
  const table = candidateTable(problem, options.slotPrice)
  const mover = new Mover(state, table)
  const movable = Array.from({ length: rows }, (_, i) => i).filter((i) => fixed[i] === 0)
  // what is better kept apart needs no moves of its own
  const movablePairs = pairs.filter((p) => (fixed[p.a] === 0 || fixed[p.b] === 0) && p.gainA + p.gainB > 0)
  const places = pairTable(problem, movablePairs, options.slotPrice)
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
    if (movablePairs.length > 0 && random(4) === 0) {
      const term = random(movablePairs.length)
      delta += pairMove(movablePairs[term] as PairTerm, term, places, mover, random)
    } else {
      const i = movable[random(movable.length)] as number
      delta += mover.put(i, targetOf(i, state, table, random))
    }
    return state.moved > most ? Infinity : delta
  }

  let heat = startHeat * medianUphill(tryMove, mover)
  const epochs = Math.max(1, Math.floor(options.moves / epochMoves))
  const cooling = rootOf(endHeat / startHeat, epochs)
  for (let epoch = 0; epoch < epochs; epoch++) {
    for (let k = 0; k < epochMoves; k++) {
      const delta = tryMove()
      if (delta <= 0 || delta < heat * (minusLog[random(4096)] as number)) {
        if (delta < 0) keep()
      } else mover.undo()
    }
    heat *= cooling
    yield step((epoch + 1) * epochMoves)
  }
  state.reset(best.slotOf)
  descend(state, mover, movable, movablePairs, places, most)
  keep()
  return step(epochs * epochMoves)
}

function targetOf(i: number, state: SlotState, table: Int32Array, random: (below: number) => number): number {
  const { home, without } = state.problem
  const pick = random(candidateCount + 2)
  if (pick === candidateCount) return home[i] as number
  if (pick > candidateCount) return without[i] === Infinity ? (state.slotOf[i] as number) : -1
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
  const { home } = state.problem
  const from = random(movable.length)
  for (let k = 0; k < movable.length; k++) {
    const i = movable[(from + k) % movable.length] as number
    if (state.slotOf[i] !== home[i]) return mover.put(i, home[i] as number)
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
 * a row to one of its candidates, what is in its way included.
 */
export function bestSteps(problem: SlotProblem, start: ArrayLike<number>, most: number): Int32Array {
  const state = new SlotState(problem, start)
  const mover = new Mover(state, candidateTable(problem))
  const rows = Array.from({ length: problem.rows }, (_, i) => i).filter((i) => problem.fixed[i] === 0)
  for (let step = 0; step <= most && state.moved < most; step++) {
    let best = { gain: 1e-9, row: -1, slot: -1 }
    const left = most - state.moved
    for (const i of rows)
      for (let k = -1; k < candidateCount; k++) {
        const p = k === -1 ? -1 : (mover.table[i * candidateCount + k] as number)
        if (k >= 0 && p === -1) break
        if (p === -1 && problem.without[i] === Infinity) continue
        const before = state.moved
        mover.begin()
        const delta = mover.put(i, p)
        const used = state.moved - before
        // of a chain each move counts
        if (delta < Infinity && used <= left && -delta / Math.max(1, used) > best.gain)
          best = { gain: -delta / Math.max(1, used), row: i, slot: p }
        mover.undo()
      }
    if (best.row === -1) break
    mover.begin()
    mover.put(best.row, best.slot)
  }
  return state.slotOf.slice()
}

/** Takes every move over the candidates, and every pair onto suiting slots, as long as one of them gains. */
function descend(
  state: SlotState,
  mover: Mover,
  movable: readonly number[],
  pairs: readonly PairTerm[],
  places: Int32Array,
  most: number,
): void {
  const accept = (delta: number): boolean => {
    if (delta < -1e-9 && state.moved <= most) return true
    mover.undo()
    return false
  }
  for (let round = 0; round < 20; round++) {
    let better = false
    for (const i of movable) {
      const options = [...mover.table.subarray(i * candidateCount, (i + 1) * candidateCount)]
      for (const p of [...options, state.problem.home[i] as number]) {
        if (p < 0) continue
        mover.begin()
        better = accept(mover.put(i, p)) || better
      }
    }
    pairs.forEach(({ a, b }, term) => {
      for (let k = 0; k < pairCandidates; k++) {
        const at = (term * pairCandidates + k) * 2
        if (places[at] === -1) break
        mover.begin()
        const first = mover.put(a, places[at] as number)
        better = accept(first === Infinity ? first : first + mover.put(b, places[at + 1] as number)) || better
      }
    })
    if (!better) return
  }
}
