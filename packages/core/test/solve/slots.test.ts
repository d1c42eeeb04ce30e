import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  anneal,
  greedyAnswer,
  linearAnswer,
  randomInts,
  searchSlots,
  slotCost,
  type SlotProblem,
} from '../../src/index.js'
import { relationOf, SlotState } from '../../src/solve/index.js'
import { madeUp, usesOf } from './slot-problems.js'

const last = <T>(steps: Generator<T, T>): T => {
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  return step.value
}

/** Adds travel, flows, rivals and rows without a slot to a made-up instance. */
function full(seed: number): SlotProblem {
  const base = madeUp(14, 30, 4, seed)
  const next = randomInts(seed + 99)
  const controlRefs = 10
  const start = new Int32Array(31)
  const to: number[] = []
  for (let p = 0; p < 30; p++) {
    if (p % 7 === 0 && p + 1 < 30) to.push(p + 1)
    if (p % 7 === 1) to.push(p - 1)
    start[p + 1] = to.length
  }
  return {
    ...base,
    unassignedCost: new Float64Array(14).fill(90_000),
    rivals: { start, to: Int32Array.from(to) },
    scores: Float32Array.from({ length: 14 * 30 }, () => next(10) / 10),
    pairs: base.pairs.map((p, i) => ({ ...p, scored: i % 2 === 0 })),
    flows: Array.from({ length: 12 }, () => ({ a: next(14), b: next(14), uses: next(20) })),
    travel: {
      controlRefOf: Int32Array.from({ length: 30 }, (_, p) => p % controlRefs),
      controlRefs,
      table: Float64Array.from({ length: controlRefs * controlRefs }, () => next(200) - 100),
      heldOf: Int32Array.from({ length: 30 }, (_, p) => (p < 20 ? 0 : 1)),
      heldSaves: Float64Array.from([0, 100]),
    },
    initialSlot: Int32Array.from({ length: 14 }, (_, i) => (i < 10 ? i * 2 : -1)),
  }
}

describe('the state of a search', () => {
  test('keeps the cost of any run of shifts as if it were summed anew', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 200 }),
        fc.array(fc.tuple(fc.nat(13), fc.integer({ min: -1, max: 29 })), { maxLength: 40 }),
        (seed, shifts) => {
          const problem = full(seed)
          const state = new SlotState(problem)
          for (const [i, p] of shifts) state.shift(i, p)
          expect(state.cost).toBeCloseTo(slotCost(problem, state.slotOf), 3)
          expect(state.moved).toBe(state.slotOf.filter((p, i) => p !== problem.initialSlot[i]).length)
        },
      ),
      { numRuns: 100 },
    )
  })
})

const sharesNothing = (problem: SlotProblem, slotOf: Int32Array): boolean => {
  const state = new SlotState(problem, slotOf)
  return slotOf.every((p, i) => p < 0 || state.inTheWay(i, p) === -1)
}

describe('answers', () => {
  test('greedy, linear and searched ones never put two rows on a slot or on rivals', () => {
    for (let seed = 1; seed <= 10; seed++) {
      const problem = full(seed)
      const weight = usesOf(problem)
      expect(sharesNothing(problem, greedyAnswer(problem, weight))).toBe(true)
      expect(sharesNothing(problem, linearAnswer(problem, [[...weight.keys()]]).slotOf)).toBe(true)
      expect(sharesNothing(problem, last(searchSlots(problem, { seed, moves: 20_000, weight })).best)).toBe(
        true,
      )
    }
  })
  test('fixed rows stay, barred slots stay empty, and no more than wanted move', () => {
    for (let seed = 1; seed <= 10; seed++) {
      const base = full(seed)
      const costs = base.costs.slice()
      for (let i = 0; i < 14; i++) costs[i * 30 + 5] = Infinity
      const fixed = Uint8Array.from({ length: 14 }, (_, i) => Number(i % 5 === 0))
      const problem = { ...base, costs, fixed }
      const found = last(anneal(problem, { seed, moves: 20_000, mostMoved: 4 }))
      expect(found.best.every((p, i) => fixed[i] === 0 || p === problem.initialSlot[i])).toBe(true)
      expect([...found.best]).not.toContain(5)
      expect(found.best.filter((p, i) => p !== problem.initialSlot[i]).length).toBeLessThanOrEqual(4)
      expect(found.bestCost).toBeLessThanOrEqual(slotCost(problem, problem.initialSlot))
    }
  })
  test('the same seed gives the same answer, and more moves none that is worse', () => {
    const problem = full(3)
    const solve = (seed: number, moves: number) =>
      last(searchSlots(problem, { seed, moves, weight: usesOf(problem) }))
    expect(solve(5, 20_000).best).toEqual(solve(5, 20_000).best)
    expect(solve(5, 200_000).bestCost).toBeLessThanOrEqual(solve(5, 20_000).bestCost * 1.01)
  })
  test('the first step has an answer, and none of the following is worse', () => {
    const problem = madeUp(20, 50, 5, 4)
    let before = Infinity
    for (const step of searchSlots(problem, { seed: 1, moves: 20_000, weight: usesOf(problem) })) {
      expect(step.bestCost).toBeLessThanOrEqual(before)
      before = step.bestCost
    }
    expect(before).toBeLessThan(Infinity)
  })
})

test('a relation finds its entries in any order', () => {
  const relation = relationOf(4, [
    { p: 2, q: 1, value: 3 },
    { p: 0, q: 3, value: 1 },
    { p: 2, q: 0, value: 2 },
  ])
  expect([...relation.start]).toEqual([0, 1, 1, 3, 3])
  expect([...relation.to]).toEqual([3, 0, 1])
})
