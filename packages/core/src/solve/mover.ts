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
    // setting the length of a list takes longer than taking its few entries off
    while (this.rows.length > 0) {
      this.rows.pop()
      this.from.pop()
    }
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
    const { slots, costs, fixed, unassignedCost } = problem
    if (fixed[i] === 1 || (p >= 0 && costs[i * slots + p] === Infinity)) return Infinity
    const left = state.slotOf[i] as number
    if (left === p) return 0
    let delta = this.shift(i, p)
    if (p < 0) return delta
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
