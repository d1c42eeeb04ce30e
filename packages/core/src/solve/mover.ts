import type { PairTerm, Relation, SlotProblem, SlotState } from './slots.js'

/** Slots that a row is tried on: its cheapest, counting what they are worth to others. */
export const candidateCount = 24
/** A move that pushes out more rows than this is not tried. */
const mostEvicted = 3

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
  const priceOf = (p: number): number => (slotPrice ? (slotPrice[p] as number) : 0)
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
        found.push({ p, q, cost: own + theirs + priceOf(p) + priceOf(q) - gain })
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

/**
 * One move of the search, with what it shifted, so that it can be taken back. A move that pushes nobody out is only
 * worked out, and made when it is accepted: most are not.
 */
export class Mover {
  private readonly rows: number[] = []
  private readonly from: number[] = []
  private readonly deltas: number[] = []
  /** the move that is worked out and not made; -1 for none */
  private row = -1
  private slot = -1
  private delta = 0
  readonly state: SlotState
  readonly table: Int32Array

  constructor(state: SlotState, table: Int32Array) {
    this.state = state
    this.table = table
  }

  begin(): void {
    this.row = -1
    // setting the length of a list takes longer than taking its few entries off
    while (this.rows.length > 0) {
      this.rows.pop()
      this.from.pop()
      this.deltas.pop()
    }
  }

  /** Rows that stand elsewhere than at home once the move is made. */
  get moved(): number {
    const { state, row, slot } = this
    return row < 0 ? state.moved : state.moved + state.movedBy(row, state.slotOf[row] as number, slot)
  }

  /** Rows that the move has shifted so far. */
  get shifted(): readonly number[] {
    return this.rows
  }

  /** Makes the move. */
  accept(): void {
    if (this.row >= 0) {
      const { row, slot, delta } = this
      this.row = -1
      this.record(row, delta)
      this.state.shiftBy(row, slot, delta)
    }
  }

  undo(): void {
    this.row = -1
    for (let k = this.rows.length - 1; k >= 0; k--)
      this.state.shiftBy(this.rows[k] as number, this.from[k] as number, -(this.deltas[k] as number))
    this.begin()
  }

  private record(i: number, delta: number): void {
    this.rows.push(i)
    this.from.push(this.state.slotOf[i] as number)
    this.deltas.push(delta)
  }

  private shift(i: number, p: number): number {
    const delta = this.state.deltaOf(i, p)
    this.record(i, delta)
    this.state.shiftBy(i, p, delta)
    return delta
  }

  /**
   * Puts row i on slot p; rows in its way go to the slot that it leaves, to their best free one, or have none.
   * @param ownMost  nobody is pushed out when the row by itself would cost so much more, or as much
   * @returns what that adds to the cost, or Infinity when it cannot be done (the caller then takes it back)
   */
  put(i: number, p: number, ownMost = Infinity): number {
    this.accept()
    const { state } = this
    const { problem } = state
    const { slots, costs, fixed } = problem
    if (fixed[i] === 1 || (p >= 0 && costs[i * slots + p] === Infinity)) return Infinity
    if (state.slotOf[i] === p) return 0
    if (p >= 0 && state.inTheWay(i, p) !== -1) {
      const isDear = ownMost < Infinity && state.deltaOf(i, p, true) >= ownMost
      return isDear ? Infinity : this.pushOut(i, p)
    }
    this.row = i
    this.slot = p
    this.delta = state.deltaOf(i, p)
    return this.delta
  }

  private pushOut(i: number, p: number): number {
    const { state } = this
    const { slots, costs, fixed, unassignedCost } = state.problem
    const left = state.slotOf[i] as number
    // with one who must not move in the way, nothing need be worked out
    if (fixed[state.inTheWay(i, p)] === 1) return Infinity
    let delta = this.shift(i, p)
    for (let evicted = 0; ; evicted++) {
      const j = state.inTheWay(i, p)
      if (j === -1) return delta
      if (evicted >= mostEvicted || fixed[j] === 1) return Infinity
      const takesLeft = left >= 0 && costs[j * slots + left] !== Infinity && state.inTheWay(j, left) === -1
      let to = takesLeft ? left : this.freeFor(j, p)
      if (to === -2) {
        if (unassignedCost[j] === Infinity) return Infinity
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

/** What a search tries: the candidates of each row, and those of the pairs that may move. */
export interface SearchTables {
  readonly rows: Int32Array
  readonly pairs: readonly PairTerm[]
  readonly places: Int32Array
}

/**
 * The candidates of a problem; they take a while, and serve every search in it. Costs that become Infinity later are heeded.
 * @param slotPrice  added to the cost of each slot when the slots of a row are ranked: what they are worth to others
 */
export function searchTables(problem: SlotProblem, slotPrice?: Float64Array): SearchTables {
  const { fixed } = problem
  // what is better kept apart needs no moves of its own
  const pairs = problem.pairs.filter((p) => (fixed[p.a] === 0 || fixed[p.b] === 0) && p.gainA + p.gainB > 0)
  return { rows: candidateTable(problem, slotPrice), pairs, places: pairTable(problem, pairs, slotPrice) }
}
