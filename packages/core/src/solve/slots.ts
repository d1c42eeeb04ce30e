import { loadCost, type FingerLoad } from './finger-load.js'

/** Sparse slots x slots matrix: row p is `to[start[p]..start[p+1])` with `value` beside it. */
export interface Relation {
  readonly start: Int32Array
  readonly to: Int32Array
  readonly value: Float64Array
}

/** What two rows gain from the relation of their slots. */
export interface PairTerm {
  readonly a: number
  readonly b: number
  readonly relation: number
  /** gain of each for a relation of 1; negative for what is better kept apart */
  readonly gainA: number
  readonly gainB: number
  /** whether a slot's own score counts against the relation: the better of the two links counts, not their sum */
  readonly scored: boolean
}

/** Travel between slots: by the spots under the fingers, and what is saved when the same modifiers stay held. */
export interface Travel {
  readonly controlRefOf: Int32Array
  readonly controlRefs: number
  /** row-major, spots x spots */
  readonly table: Float64Array
  /** number of the held set of a slot; 0 for none */
  readonly heldOf: Int32Array
  readonly heldSaves: Float64Array
}

/**
 * Rows (commands) to be put on slots (triggers): least Σ costs + pair terms + Σ flow × travel, where rows that exclude
 * each other have different slots. A row may also have none.
 */
export interface SlotProblem {
  readonly rows: number
  readonly slots: number
  /** row-major, rows x slots; Infinity where a row must not stand */
  readonly costs: Float64Array
  /** cost of a row without a slot; Infinity when it must have one */
  readonly unassignedCost: Float64Array
  /** row-major, rows x rows: what two rows on one slot, or on rival slots, cost; 0 when they may share it */
  readonly overlap: Float64Array
  /** slots that rows which exclude each other must not have both: rows of a sparse matrix without values */
  readonly rivals: Pick<Relation, 'start' | 'to'>
  /** how well a slot recalls a row by itself, 0 to 1, row-major; none where left out */
  readonly scores?: Float32Array
  readonly pairs: readonly PairTerm[]
  readonly relations: readonly Relation[]
  readonly flows: readonly { readonly a: number; readonly b: number; readonly uses: number }[]
  readonly travel?: Travel
  /** what fingers over their fair share cost; nothing where left out */
  readonly load?: FingerLoad
  /** slot of each row now, -1 for none */
  readonly initialSlot: Int32Array
  /** 1 for rows that must not move */
  readonly fixed: Uint8Array
}

/** A relation from its entries. */
export function relationOf(
  slots: number,
  entries: readonly { readonly p: number; readonly q: number; readonly value: number }[],
): Relation {
  const sorted = [...entries].sort((x, y) => x.p - y.p || x.q - y.q)
  const start = new Int32Array(slots + 1)
  for (const { p } of sorted) start[p + 1] = (start[p + 1] as number) + 1
  for (let p = 0; p < slots; p++) start[p + 1] = (start[p + 1] as number) + (start[p] as number)
  return {
    start,
    to: Int32Array.from(sorted, (e) => e.q),
    value: Float64Array.from(sorted, (e) => e.value),
  }
}

/** The value of two slots, 0 where they have none; columns of a row stand in order. */
export function relationAt({ start, to, value }: Relation, p: number, q: number): number {
  const end = start[p + 1] as number
  let low = start[p] as number
  for (let high = end; low < high;) {
    const middle = (low + high) >> 1
    if ((to[middle] as number) < q) low = middle + 1
    else high = middle
  }
  return low < end && to[low] === q ? (value[low] as number) : 0
}

/** The pair terms and flows of each row, as lists that the inner loop walks. */
interface Links {
  readonly pairStart: Int32Array
  /** the other row of a pair, and whether the row itself is its first */
  readonly pairTo: Int32Array
  readonly isFirst: Uint8Array
  readonly relationOf: Int32Array
  readonly isScored: Uint8Array
  readonly ownGain: Float64Array
  readonly theirGain: Float64Array
  readonly flowStart: Int32Array
  readonly flowTo: Int32Array
  /** uses from the row to the other, and from the other to the row */
  readonly flowOut: Float64Array
  readonly flowIn: Float64Array
}

function linksOf({ rows, pairs, flows }: SlotProblem): Links {
  const byRow: PairTerm[][] = Array.from({ length: rows }, () => [])
  for (const pair of pairs) {
    byRow[pair.a]?.push(pair)
    byRow[pair.b]?.push(pair)
  }
  const flowBy: Map<number, [number, number]>[] = Array.from({ length: rows }, () => new Map())
  for (const { a, b, uses } of flows) {
    if (a === b) continue
    const out = flowBy[a]?.get(b) ?? [0, 0]
    flowBy[a]?.set(b, [out[0] + uses, out[1]])
    const back = flowBy[b]?.get(a) ?? [0, 0]
    flowBy[b]?.set(a, [back[0], back[1] + uses])
  }
  const starts = (lengths: readonly number[]): Int32Array => {
    const start = new Int32Array(rows + 1)
    lengths.forEach((n, i) => (start[i + 1] = (start[i] as number) + n))
    return start
  }
  const flat = flowBy.flatMap((m) => [...m])
  const ends = byRow.flatMap((list, row) => list.map((pair) => ({ pair, isA: pair.a === row })))
  return {
    pairStart: starts(byRow.map((l) => l.length)),
    pairTo: Int32Array.from(ends, ({ pair, isA }) => (isA ? pair.b : pair.a)),
    isFirst: Uint8Array.from(ends, ({ isA }) => Number(isA)),
    relationOf: Int32Array.from(ends, ({ pair }) => pair.relation),
    isScored: Uint8Array.from(ends, ({ pair }) => Number(pair.scored)),
    ownGain: Float64Array.from(ends, ({ pair, isA }) => (isA ? pair.gainA : pair.gainB)),
    theirGain: Float64Array.from(ends, ({ pair, isA }) => (isA ? pair.gainB : pair.gainA)),
    flowStart: starts(flowBy.map((m) => m.size)),
    flowTo: Int32Array.from(flat, ([to]) => to),
    flowOut: Float64Array.from(flat, ([, [out]]) => out),
    flowIn: Float64Array.from(flat, ([, [, back]]) => back),
  }
}

/** Where every row stands, with the cost of it kept up to date from move to move. */
export class SlotState {
  readonly slotOf: Int32Array
  /** first row on a slot, and the next row on the same slot; -1 at the end */
  readonly first: Int32Array
  readonly next: Int32Array
  cost = 0
  /** rows that do not stand where they stood at home */
  moved = 0
  /** presses an hour of each finger */
  private readonly presses: Float64Array
  readonly problem: SlotProblem
  private readonly links: Links

  constructor(problem: SlotProblem, slotOf: ArrayLike<number> = problem.initialSlot) {
    this.problem = problem
    this.links = linksOf(problem)
    this.slotOf = new Int32Array(problem.rows).fill(-1)
    this.first = new Int32Array(problem.slots).fill(-1)
    this.next = new Int32Array(problem.rows).fill(-1)
    this.presses = new Float64Array(problem.load?.fair.length ?? 0)
    this.reset(slotOf)
  }

  /** Puts every row anew and sums the cost from the beginning. */
  reset(slotOf: ArrayLike<number>): void {
    const { rows, unassignedCost, initialSlot } = this.problem
    this.slotOf.fill(-1)
    this.first.fill(-1)
    this.presses.fill(0)
    this.moved = 0
    this.cost = 0
    for (let i = 0; i < rows; i++) {
      this.cost += unassignedCost[i] as number
      if (initialSlot[i] !== -1) this.moved++
    }
    // rows without a slot cost Infinity where they must have one: the sum is only kept once all of them have
    let cost = 0
    for (let i = 0; i < rows; i++) {
      const slot = slotOf[i] as number
      if (slot < 0) continue
      cost += this.place(i, slot) - finiteOrZero(unassignedCost[i] as number)
    }
    this.cost = cost + sumFinite(unassignedCost)
  }

  /**
   * Cost of row i standing on slot p, all others as they stand; p may be -1.
   * @param alone  whether rows that exclude it there are passed over
   */
  costAt(i: number, p: number, alone = false): number {
    const { problem, links, slotOf } = this
    if (p < 0) return problem.unassignedCost[i] as number
    const { slots, rows, costs, scores, relations, travel, overlap, rivals } = problem
    let cost = costs[i * slots + p] as number
    const lastPair = links.pairStart[i + 1] as number
    for (let k = links.pairStart[i] as number; k < lastPair; k++) {
      const other = links.pairTo[k] as number
      const q = slotOf[other] as number
      if (q < 0) continue
      const relation = relations[links.relationOf[k] as number] as Relation
      const value = links.isFirst[k] === 1 ? relationAt(relation, p, q) : relationAt(relation, q, p)
      if (value === 0) continue
      const ownGain = links.ownGain[k] as number
      const theirGain = links.theirGain[k] as number
      if (scores && links.isScored[k] === 1) {
        const own = value - (scores[i * slots + p] as number)
        const theirs = value - (scores[other * slots + q] as number)
        if (own > 0) cost -= ownGain * own
        if (theirs > 0) cost -= theirGain * theirs
      } else cost -= (ownGain + theirGain) * value
    }
    if (travel)
      for (let k = links.flowStart[i] as number; k < (links.flowStart[i + 1] as number); k++) {
        const q = slotOf[links.flowTo[k] as number] as number
        if (q < 0) continue
        const x = travel.controlRefOf[p] as number
        const y = travel.controlRefOf[q] as number
        const out = links.flowOut[k] as number
        const back = links.flowIn[k] as number
        cost +=
          out * (travel.table[x * travel.controlRefs + y] as number) +
          back * (travel.table[y * travel.controlRefs + x] as number)
        const held = travel.heldOf[p] as number
        if (held !== 0 && held === travel.heldOf[q]) cost -= (out + back) * (travel.heldSaves[held] as number)
      }
    if (problem.load) cost += this.loadAt(problem.load, i, p)
    if (alone) return cost
    for (let j = this.first[p] as number; j !== -1; j = this.next[j] as number)
      if (j !== i) cost += overlap[i * rows + j] as number
    for (let k = rivals.start[p] as number; k < (rivals.start[p + 1] as number); k++)
      for (let j = this.first[rivals.to[k] as number] as number; j !== -1; j = this.next[j] as number)
        if (j !== i) cost += overlap[i * rows + j] as number
    return cost
  }

  /** What the presses of row i on slot p add to the load of its fingers, ms an hour. */
  private loadAt(load: FingerLoad, i: number, p: number): number {
    const uses = load.uses[i] as number
    if (uses === 0) return 0
    const now = this.slotOf[i] as number
    let cost = 0
    for (let k = load.start[p] as number; k < (load.start[p + 1] as number); k++) {
      const finger = load.finger[k] as number
      let base = this.presses[finger] as number
      if (now >= 0)
        for (let n = load.start[now] as number; n < (load.start[now + 1] as number); n++)
          if (load.finger[n] === finger) base -= uses * (load.presses[n] as number)
      cost += loadCost(load, finger, base + uses * (load.presses[k] as number)) - loadCost(load, finger, base)
    }
    return cost
  }

  private addLoad(i: number, p: number, times: 1 | -1): void {
    const { load } = this.problem
    if (!load) return
    const uses = times * (load.uses[i] as number)
    for (let k = load.start[p] as number; k < (load.start[p + 1] as number); k++) {
      const finger = load.finger[k] as number
      this.presses[finger] = (this.presses[finger] as number) + uses * (load.presses[k] as number)
    }
  }

  /** Whether what row i costs on a slot depends on where other rows stand, rows in its way left aside. */
  isLinked(i: number): boolean {
    const { pairStart, flowStart } = this.links
    return (
      pairStart[i] !== pairStart[i + 1] ||
      (this.problem.travel !== undefined && flowStart[i] !== flowStart[i + 1])
    )
  }

  /** Calls `act` for each row whose cost depends on where row i stands. */
  forLinked(i: number, act: (other: number) => void): void {
    const { pairStart, pairTo, flowStart, flowTo } = this.links
    for (let k = pairStart[i] as number; k < (pairStart[i + 1] as number); k++) act(pairTo[k] as number)
    for (let k = flowStart[i] as number; k < (flowStart[i + 1] as number); k++) act(flowTo[k] as number)
  }

  /** Whether nobody stands on slot p or on one of its rivals. */
  isBare(p: number): boolean {
    const { rivals } = this.problem
    if (this.first[p] !== -1) return false
    for (let k = rivals.start[p] as number; k < (rivals.start[p + 1] as number); k++)
      if (this.first[rivals.to[k] as number] !== -1) return false
    return true
  }

  /**
   * What moving row i to slot p (-1 for none) adds to the cost; nobody moves.
   * @param alone  whether rows that exclude it there are passed over
   */
  deltaOf(i: number, p: number, alone = false): number {
    const from = this.slotOf[i] as number
    return from === p ? 0 : this.costAt(i, p, alone) - this.costAt(i, from, alone)
  }

  /** Moves row i to slot p (-1 for none) and gives back what that adds to the cost. */
  shift(i: number, p: number): number {
    const delta = this.deltaOf(i, p)
    this.shiftBy(i, p, delta)
    return delta
  }

  /** Moves row i to slot p, which is known to add `delta` to the cost. */
  shiftBy(i: number, p: number, delta: number): void {
    const from = this.slotOf[i] as number
    if (from === p) return
    if (from >= 0) this.unlink(i, from)
    this.slotOf[i] = -1
    if (p >= 0) this.link(i, p)
    this.moved += this.movedBy(i, from, p)
    this.cost += delta
  }

  /** How many more rows stand elsewhere than at home when row i goes from one slot to another. */
  movedBy(i: number, from: number, to: number): -1 | 0 | 1 {
    const home = this.problem.initialSlot[i] as number
    return from === to ? 0 : from === home ? 1 : to === home ? -1 : 0
  }

  /** The first of the rows that exclude row i on slot p and its rivals, or -1. */
  inTheWay(i: number, p: number): number {
    const { rows, overlap, rivals } = this.problem
    for (let j = this.first[p] as number; j !== -1; j = this.next[j] as number)
      if (j !== i && (overlap[i * rows + j] as number) > 0) return j
    for (let k = rivals.start[p] as number; k < (rivals.start[p + 1] as number); k++)
      for (let j = this.first[rivals.to[k] as number] as number; j !== -1; j = this.next[j] as number)
        if (j !== i && (overlap[i * rows + j] as number) > 0) return j
    return -1
  }

  private place(i: number, p: number): number {
    const cost = this.costAt(i, p)
    this.link(i, p)
    if (p === this.problem.initialSlot[i]) this.moved--
    else if (this.problem.initialSlot[i] === -1) this.moved++
    return cost
  }

  private link(i: number, p: number): void {
    this.addLoad(i, p, 1)
    this.slotOf[i] = p
    this.next[i] = this.first[p] as number
    this.first[p] = i
  }

  private unlink(i: number, p: number): void {
    this.addLoad(i, p, -1)
    let at = this.first[p] as number
    if (at === i) {
      this.first[p] = this.next[i] as number
      return
    }
    while (this.next[at] !== i) at = this.next[at] as number
    this.next[at] = this.next[i] as number
  }
}

const finiteOrZero = (value: number): number => (Number.isFinite(value) ? value : 0)
const sumFinite = (values: Float64Array): number => values.reduce((sum, v) => sum + finiteOrZero(v), 0)

/** Cost of an answer, from the beginning; Infinity where a row has no slot though it must have one. */
export function slotCost(problem: SlotProblem, slotOf: ArrayLike<number>): number {
  for (let i = 0; i < problem.rows; i++)
    if ((slotOf[i] as number) < 0 && problem.unassignedCost[i] === Infinity) return Infinity
  return new SlotState(problem, slotOf).cost
}
