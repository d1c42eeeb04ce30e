/** The whole objective against every possible answer, on problems small enough to try them all. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { anneal, randomInts, relationOf, searchSlots, slotCost, type SlotProblem } from '../../src/index.js'
import { bestSteps } from '../../src/solve/anneal.js'
import { SlotState } from '../../src/solve/index.js'

const rows = 5
const slots = 6

/** Everything that a problem can have: pairs of both kinds, flows, held modifiers, rivals, a fixed row, barred slots. */
function tiny(seed: number): SlotProblem {
  const next = randomInts(seed)
  const costs = Float64Array.from({ length: rows * slots }, () =>
    next(9) === 0 ? Infinity : 100 + next(900),
  )
  const initialSlot = Int32Array.from({ length: rows }, (_, i) => (i < 3 ? i : -1))
  const fixed = Uint8Array.from({ length: rows }, (_, i) => Number(i === 0 && next(2) === 0))
  for (let i = 0; i < 3; i++) costs[i * slots + i] = 100 + next(900)
  const together = Array.from({ length: rows * rows }, () => next(4) > 0)
  return {
    rows,
    slots,
    costs,
    unassignedCost: Float64Array.from({ length: rows }, () => 800 + next(1200)),
    overlap: Float64Array.from({ length: rows * rows }, (_, k) => {
      const [i, j] = [Math.floor(k / rows), k % rows]
      return i !== j && together[Math.min(i, j) * rows + Math.max(i, j)] === true ? 50_000 : 0
    }),
    rivals: { start: Int32Array.from([0, 1, 2, 2, 2, 2, 2]), to: Int32Array.from([1, 0]) },
    scores: Float32Array.from({ length: rows * slots }, () => next(10) / 10),
    pairs: [
      { a: 0, b: 1, relation: 0, gainA: next(500), gainB: next(500), scored: true },
      { a: 2, b: 3, relation: 0, gainA: next(500), gainB: next(500), scored: false },
      { a: 1, b: 4, relation: 1, gainA: -next(400), gainB: 0, scored: false },
    ],
    relations: [
      relationOf(
        slots,
        [0, 1, 2, 3, 4].map((p) => ({ p, q: p + 1, value: 0.9 })),
      ),
      relationOf(
        slots,
        [0, 2, 4].flatMap((p) => [
          { p, q: p + 1, value: 1 },
          { p: p + 1, q: p, value: 1 },
        ]),
      ),
    ],
    flows: [
      { a: 0, b: 2, uses: next(5) },
      { a: 3, b: 4, uses: next(5) },
      { a: 4, b: 3, uses: next(5) },
    ],
    travel: {
      controlRefOf: Int32Array.from([0, 1, 2, 0, 1, 2]),
      controlRefs: 3,
      table: Float64Array.from({ length: 9 }, () => next(120) - 60),
      heldOf: Int32Array.from([0, 0, 0, 1, 1, 1]),
      heldSaves: Float64Array.from([0, 40]),
    },
    initialSlot,
    fixed,
  }
}

/** Every answer in which no two rows that exclude each other meet. */
function* answers(problem: SlotProblem): Generator<Int32Array> {
  const slotOf = new Int32Array(rows).fill(-1)
  function* from(i: number): Generator<Int32Array> {
    if (i === rows) {
      const state = new SlotState(problem, slotOf)
      if (slotOf.every((p, r) => p < 0 || state.inTheWay(r, p) === -1)) yield slotOf
      return
    }
    const choices =
      problem.fixed[i] === 1
        ? [problem.initialSlot[i]!]
        : [
            -1,
            ...Array.from({ length: slots }, (_, p) => p).filter(
              (p) => problem.costs[i * slots + p] !== Infinity,
            ),
          ]
    for (const p of choices) {
      slotOf[i] = p
      yield* from(i + 1)
    }
  }
  yield* from(0)
}
const movedIn = (problem: SlotProblem, slotOf: ArrayLike<number>): number =>
  Array.from(slotOf).filter((p, i) => p !== problem.initialSlot[i]).length

/** The cost of an answer, written out from the definition, with nothing kept up to date. */
function costByHand(problem: SlotProblem, slotOf: ArrayLike<number>): number {
  const { costs, unassignedCost, pairs, relations, scores, flows, travel, overlap, rivals } = problem
  let cost = 0
  for (let i = 0; i < rows; i++) {
    const p = slotOf[i]!
    cost += p < 0 ? unassignedCost[i]! : costs[i * slots + p]!
    for (let j = 0; j < i; j++) {
      const q = slotOf[j]!
      if (p < 0 || q < 0) continue
      const isRival = Array.from(rivals.to.subarray(rivals.start[p], rivals.start[p + 1])).includes(q)
      if (p === q || isRival) cost += overlap[i * rows + j]!
    }
  }
  for (const { a, b, relation, gainA, gainB, scored } of pairs) {
    const [p, q] = [slotOf[a]!, slotOf[b]!]
    if (p < 0 || q < 0) continue
    const { start, to, value } = relations[relation]!
    for (let k = start[p]!; k < start[p + 1]!; k++) {
      if (to[k] !== q) continue
      const beyond = (row: number, at: number): number =>
        scored ? Math.max(0, value[k]! - scores![row * slots + at]!) : value[k]!
      cost -= gainA * beyond(a, p) + gainB * beyond(b, q)
    }
  }
  for (const { a, b, uses } of flows) {
    const [p, q] = [slotOf[a]!, slotOf[b]!]
    if (p < 0 || q < 0) continue
    cost += uses * travel!.table[travel!.controlRefOf[p]! * 3 + travel!.controlRefOf[q]!]!
    const held = travel!.heldOf[p]!
    if (held !== 0 && held === travel!.heldOf[q]) cost -= uses * travel!.heldSaves[held]!
  }
  return cost
}

const ended = <T>(steps: Generator<T, T>): T => {
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  return step.value
}

describe('the objective', () => {
  test('is what its definition says, for any answer', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 10_000 }),
        fc.array(fc.integer({ min: -1, max: slots - 1 }), { minLength: rows, maxLength: rows }),
        (seed, slotOf) => {
          const problem = tiny(seed)
          const allowed = slotOf.map((p, i) => (p >= 0 && problem.costs[i * slots + p] === Infinity ? -1 : p))
          expect(slotCost(problem, allowed)).toBeCloseTo(costByHand(problem, allowed), 4)
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('against every answer', () => {
  test('the search finds the best one', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const problem = tiny(seed)
      let best = Infinity
      for (const slotOf of answers(problem)) best = Math.min(best, slotCost(problem, slotOf))
      const found = ended(
        searchSlots(problem, { seed: 1, moves: 8_000, weight: Float64Array.from({ length: rows }, () => 1) }),
      )
      expect(found.bestCost, `seed ${seed}`).toBeCloseTo(best, 3)
    }
  })
  test('with few moves it finds the best of those', () => {
    for (let seed = 1; seed <= 25; seed++) {
      const problem = tiny(seed)
      for (const most of [1, 2, 3]) {
        let best = slotCost(problem, problem.initialSlot)
        for (const slotOf of answers(problem))
          if (movedIn(problem, slotOf) <= most) best = Math.min(best, slotCost(problem, slotOf))
        const start = bestSteps(problem, problem.initialSlot, most)
        expect(movedIn(problem, start)).toBeLessThanOrEqual(most)
        const found = ended(anneal(problem, { seed: 1, moves: 8_000, mostMoved: most, start }))
        expect(movedIn(problem, found.best)).toBeLessThanOrEqual(most)
        expect(found.bestCost, `seed ${seed}, ${most} moves`).toBeCloseTo(best, 3)
      }
    }
  })
})
