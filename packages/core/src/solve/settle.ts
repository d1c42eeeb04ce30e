import { assign } from './assignment.js'
import { candidateCount, Mover, pairCandidates } from './mover.js'
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
  unassignedCost: SlotState,
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
    isBare[p] = unassignedCost.isBare(p) ? 1 : 0
    open.push(p)
  }
  const isFree = (i: number, p: number): boolean => isBare[p] === 1 || unassignedCost.inTheWay(i, p) === -1
  for (const i of rows) {
    const own = state.slotOf[i] as number
    if (own >= 0 && isIn[own] === 0) add(own)
  }
  for (const i of rows)
    for (let k = 0; k < candidateCount; k++) {
      const p = table[i * candidateCount + k] as number
      if (p >= 0 && isIn[p] === 0 && unassignedCost.inTheWay(i, p) === -1) add(p)
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
  readonly table: Int32Array
  readonly pairs: readonly PairTerm[]
  readonly places: Int32Array
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
  { rounds, most, table, pairs, places, groups }: SettleOptions,
  random: (below: number) => number,
): Generator<Int32Array> {
  const mover = new Mover(state, table)
  const scratch = new SlotState(problem, state.slotOf)
  const paired = new Set(pairs.flatMap(({ a, b }) => [a, b]))
  const singles = groups.map((group) => group.filter((i) => problem.fixed[i] === 0 && !paired.has(i)))
  const groupOf = new Map(groups.flatMap((group, g) => group.map((i) => [i, g] as const)))
  const termsOf = new Map<number, number[]>()
  pairs.forEach(({ a, b }, t) => {
    for (const i of [a, b]) termsOf.set(i, [...(termsOf.get(i) ?? []), t])
  })
  const best = state.slotOf.slice()
  let bestCost = state.cost
  const current = state.slotOf.slice()
  let currentCost = state.cost
  const wide = firstSlack * Math.abs(state.cost)
  let slack = 0
  const settle = (all: readonly number[]): void => {
    if (all.length === 0) return
    const rows = all.length <= mostSettled ? all : drawn(all, mostSettled, random)
    const others = state.slotOf.slice()
    for (const i of rows) others[i] = -1
    scratch.reset(others)
    const slots = settled(state, scratch, rows, table)
    rows.forEach((i, r) => (others[i] = slots[r] as number))
    state.reset(others)
  }
  const isPaired = (i: number, j: number): boolean => j === -1 || !paired.has(j) || i === j
  /** A pair of which one was pushed out goes together to the best slots that no other pair holds. */
  const rejoin = (terms: readonly number[] | undefined, but: number): void => {
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
        break
      }
    }
  }
  const judge = (): void => {
    if (state.cost < currentCost + slack - 1e-9 && state.moved <= most) {
      currentCost = state.cost
      current.set(state.slotOf)
      if (currentCost < bestCost - 1e-9) {
        bestCost = currentCost
        best.set(current)
      }
    } else state.reset(current)
  }
  for (const rows of singles) {
    settle(rows)
    judge()
  }
  for (let round = 0; round < rounds && pairs.length > 0; round++) {
    slack = wide * Math.max(0, 1 - (round + 1) / (0.8 * rounds))
    const term = random(pairs.length)
    const { a, b } = pairs[term] as PairTerm
    const rest = singles[groupOf.get(a) ?? 0] ?? []
    mover.begin()
    if (random(4) === 0) {
      // apart: one goes where it is best off alone, the other finds its place like everybody else
      const [one, other] = random(2) === 0 ? [a, b] : [b, a]
      const p = table[one * candidateCount + random(1 + random(candidateCount))] as number
      const same = groupOf.get(a) === groupOf.get(b)
      if (p >= 0 && mover.put(one, p) !== Infinity) {
        for (const pushed of new Set(mover.rows)) rejoin(termsOf.get(pushed), term)
        settle(same && problem.fixed[other] === 0 ? [...rest, other] : rest)
        judge()
      } else mover.undo()
      yield best
      continue
    }
    // earlier pairs of slots are cheaper: they are tried more often
    const at = (term * pairCandidates + random(1 + random(pairCandidates))) * 2
    const p = places[at] as number
    if (p >= 0 && mover.put(a, p) !== Infinity && mover.put(b, places[at + 1] as number) !== Infinity) {
      for (const pushed of new Set(mover.rows)) rejoin(termsOf.get(pushed), term)
      settle(rest)
      judge()
    } else mover.undo()
    yield best
  }
  state.reset(best)
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
