import { assign } from './assignment.js'
import { candidateCount, Mover, pairCandidates, type SearchTables } from './mover.js'
import { SlotState, type PairTerm, type SlotProblem } from './slots.js'

/** More than any real cost, and finite, as the assignment asks. */
const forbidden = 1e12

/**
 * The best places of some rows at once, all others as they stand: an assignment over the slots that these rows have
 * now and their free candidates. What the rows mean to each other counts as if only one of them moved.
 * @returns slots of those rows, in their order
 */
function settled(
  state: SlotState,
  without: SlotState,
  rows: readonly number[],
  table: Int32Array,
): Int32Array {
  const { problem } = state
  const { slots, costs } = problem
  // most open slots are empty then: whether anybody is in the way is asked once for each, not for each row
  const open: number[] = []
  const isIn = new Uint8Array(slots)
  const isBare = new Uint8Array(slots)
  const add = (p: number): void => {
    isIn[p] = 1
    isBare[p] = without.isBare(p) ? 1 : 0
    open.push(p)
  }
  const isFree = (i: number, p: number): boolean => isBare[p] === 1 || without.inTheWay(i, p) === -1
  for (const i of rows) {
    const own = state.slotOf[i] as number
    if (own >= 0 && isIn[own] === 0) add(own)
  }
  for (const i of rows)
    for (let k = 0; k < candidateCount; k++) {
      const p = table[i * candidateCount + k] as number
      if (p >= 0 && isIn[p] === 0 && without.inTheWay(i, p) === -1) add(p)
    }
  const columns = open.length + rows.length
  const matrix = new Float64Array(rows.length * columns).fill(forbidden)
  rows.forEach((i, r) => {
    const linked = state.isLinked(i)
    for (let c = 0; c < open.length; c++) {
      const p = open[c] as number
      const cost = costs[i * slots + p] as number
      if (cost !== Infinity && isFree(i, p))
        matrix[r * columns + c] = linked ? state.costAt(i, p, true) : cost
    }
    const none = problem.unassignedCost[i] as number
    if (none !== Infinity) matrix[r * columns + open.length + r] = none
  })
  const found = assign(matrix, rows.length, columns)
  return Int32Array.from(rows, (i, r) => {
    const column = found.columnOf[r] as number
    if ((matrix[r * columns + column] as number) >= forbidden) return state.slotOf[i] as number
    return column < open.length ? (open[column] as number) : -1
  })
}

/** In a larger group only so many, drawn anew each time, find their places again: the assignment grows with the cube. */
const mostSettled = 150

/** At first an answer may be worse than the one before by this share, to get out of where it is stuck; then less. */
const firstSlack = 0.008

export interface SettleOptions {
  readonly rounds: number
  readonly most: number
  readonly tables: SearchTables
  /** rows that compete for slots */
  readonly groups: readonly (readonly number[])[]
}

/**
 * Improves an answer where annealing is weak: a pair goes to slots that suit it, and then everybody else of its group
 * finds his place anew, all at once. A generator with a step for each round; the state has the best answer.
 */
export function* settlePairs(
  problem: SlotProblem,
  state: SlotState,
  options: SettleOptions,
  random: (below: number) => number,
): Generator<Int32Array> {
  const { rounds } = options
  const { pairs } = options.tables
  const settling = new Settling(problem, state, options, random)
  settling.settleGroups()
  for (let round = 0; round < rounds && pairs.length > 0; round++) {
    settling.tryPair(Math.max(0, 1 - (round + 1) / (0.8 * rounds)))
    yield settling.best
  }
  state.reset(settling.best)
}

class Settling {
  readonly best: Int32Array
  private bestCost: number
  private readonly current: Int32Array
  private currentCost: number
  private readonly wide: number
  private slack = 0
  private readonly mover: Mover
  private readonly scratch: SlotState
  private readonly paired: ReadonlySet<number>
  /** rows of each group that are in no pair and may move */
  private readonly singles: readonly (readonly number[])[]
  private readonly groupOf: ReadonlyMap<number, number>
  /** pairs that a row is in, by their numbers */
  private readonly termsOf = new Map<number, number[]>()

  constructor(
    private readonly problem: SlotProblem,
    private readonly state: SlotState,
    private readonly options: SettleOptions,
    private readonly random: (below: number) => number,
  ) {
    const { groups, tables } = options
    const { pairs } = tables
    this.mover = new Mover(state, tables.rows)
    this.scratch = new SlotState(problem, state.slotOf)
    const paired = new Set(pairs.flatMap(({ a, b }) => [a, b]))
    this.paired = paired
    this.singles = groups.map((group) => group.filter((i) => problem.fixed[i] === 0 && !paired.has(i)))
    this.groupOf = new Map(groups.flatMap((group, g) => group.map((i) => [i, g] as const)))
    pairs.forEach(({ a, b }, t) => {
      for (const i of [a, b]) this.termsOf.set(i, [...(this.termsOf.get(i) ?? []), t])
    })
    this.best = state.slotOf.slice()
    this.bestCost = state.cost
    this.current = state.slotOf.slice()
    this.currentCost = state.cost
    this.wide = firstSlack * Math.abs(state.cost)
  }

  settleGroups(): void {
    for (const rows of this.singles) {
      this.settle(rows)
      this.judge()
    }
  }

  /** @param share  how much worse an answer may be than the one before, as a share of what it may be at first */
  tryPair(share: number): void {
    const { random, mover } = this
    const { pairs } = this.options.tables
    this.slack = this.wide * share
    const term = random(pairs.length)
    const pair = pairs[term] as PairTerm
    mover.begin()
    // apart: one goes where it is best off alone; else both go to slots that suit them together
    const isMoved = random(4) === 0 ? this.part(pair, term) : this.join(pair, term)
    if (isMoved) this.judge()
    else mover.undo()
  }

  private part({ a, b }: PairTerm, term: number): boolean {
    const { random, mover, problem } = this
    const [one, other] = random(2) === 0 ? [a, b] : [b, a]
    const slot = one * candidateCount + random(1 + random(candidateCount))
    const p = this.options.tables.rows[slot] as number
    if (p < 0 || mover.put(one, p) === Infinity) return false
    const rest = this.singles[this.groupOf.get(a) ?? 0] ?? []
    const same = this.groupOf.get(a) === this.groupOf.get(b)
    this.rejoinPushed(term)
    // the other finds its place like everybody else
    this.settle(same && problem.fixed[other] === 0 ? [...rest, other] : rest)
    return true
  }

  private join({ a, b }: PairTerm, term: number): boolean {
    const { random, mover } = this
    const { places } = this.options.tables
    // earlier pairs of slots are cheaper: they are tried more often
    const at = (term * pairCandidates + random(1 + random(pairCandidates))) * 2
    const p = places[at] as number
    if (p < 0 || mover.put(a, p) === Infinity || mover.put(b, places[at + 1] as number) === Infinity)
      return false
    this.rejoinPushed(term)
    this.settle(this.singles[this.groupOf.get(a) ?? 0] ?? [])
    return true
  }

  private rejoinPushed(term: number): void {
    this.mover.accept()
    for (const pushed of new Set(this.mover.shifted)) this.rejoin(this.termsOf.get(pushed), term)
  }

  /** A pair of which one was pushed out goes together to the best slots that no other pair holds. */
  private rejoin(terms: readonly number[] | undefined, but: number): void {
    const { state, mover } = this
    const { pairs, places } = this.options.tables
    const isPaired = (i: number, j: number): boolean => j === -1 || !this.paired.has(j) || i === j
    for (const t of terms ?? []) {
      if (t === but) continue
      const { a, b } = pairs[t] as PairTerm
      for (let k = 0; k < pairCandidates; k++) {
        const at = (t * pairCandidates + k) * 2
        const [p, q] = [places[at] as number, places[at + 1] as number]
        if (p < 0) break
        const [atP, atQ] = [state.inTheWay(a, p), state.inTheWay(b, q)]
        if (!isPaired(b, atP) || !isPaired(a, atQ)) continue
        if (mover.put(a, p) !== Infinity) mover.put(b, q)
        mover.accept()
        break
      }
    }
  }

  private settle(all: readonly number[]): void {
    if (all.length === 0) return
    const { state, scratch } = this
    const rows = all.length <= mostSettled ? all : drawn(all, mostSettled, this.random)
    const others = state.slotOf.slice()
    for (const i of rows) others[i] = -1
    scratch.reset(others)
    const slots = settled(state, scratch, rows, this.options.tables.rows)
    rows.forEach((i, r) => (others[i] = slots[r] as number))
    state.reset(others)
  }

  /** Keeps the answer where it is good enough, or goes back to the one before. */
  private judge(): void {
    const { state } = this
    if (state.cost >= this.currentCost + this.slack - 1e-9 || state.moved > this.options.most) {
      state.reset(this.current)
      return
    }
    this.currentCost = state.cost
    this.current.set(state.slotOf)
    if (this.currentCost >= this.bestCost - 1e-9) return
    this.bestCost = this.currentCost
    this.best.set(this.current)
  }
}

/** Some of a list, drawn without putting back. */
function drawn(list: readonly number[], count: number, random: (below: number) => number): number[] {
  const left = [...list]
  return Array.from({ length: count }, (_, k) => {
    const at = k + random(left.length - k)
    const taken = left[at] as number
    left[at] = left[k] as number
    left[k] = taken
    return taken
  })
}
