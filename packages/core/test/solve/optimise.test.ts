/** The assignment against every permutation and its dual proof, and the quadratic search against published optima. */
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { assign, randomInts } from '../../src/index.js'
import {
  defaultQuadraticOptions,
  quadraticCost,
  readQap,
  solveQuadratic,
  type QuadraticProblem,
} from '../../bench/qap/index.js'

const numbers = (seed: number, count: number, below = 1000): Float64Array => {
  const next = randomInts(seed)
  return Float64Array.from({ length: count }, () => next(below))
}

/** The least cost by trying every choice of columns. */
function bruteForce(costs: Float64Array, rows: number, columns: number): number {
  const used = new Array<boolean>(columns).fill(false)
  const from = (row: number): number => {
    if (row === rows) return 0
    let least = Infinity
    for (let j = 0; j < columns; j++) {
      if (used[j]) continue
      used[j] = true
      least = Math.min(least, costs[row * columns + j]! + from(row + 1))
      used[j] = false
    }
    return least
  }
  return from(0)
}

const shape = fc.record({
  rows: fc.integer({ min: 1, max: 6 }),
  more: fc.integer({ min: 0, max: 3 }),
  seed: fc.nat(100_000),
  below: fc.constantFrom(2, 10, 1000),
})

describe('the linear assignment', () => {
  test('is never dearer than any other choice of columns', () => {
    fc.assert(
      fc.property(shape, ({ rows, more, seed, below }) => {
        const columns = rows + more
        const costs = numbers(seed, rows * columns, below)
        const { columnOf, cost } = assign(costs, rows, columns)
        expect(new Set(columnOf).size).toBe(rows)
        expect(cost).toBeCloseTo(bruteForce(costs, rows, columns), 9)
      }),
      { numRuns: 200 },
    )
  })
  test('proves itself by its dual values, on large use × effort matrices too', () => {
    for (const [rows, columns, seed] of [
      [40, 40, 1],
      [60, 200, 2],
      [150, 400, 3],
      [1, 9, 4],
    ] as const) {
      const uses = numbers(seed, rows, 240)
      const efforts = numbers(seed + 50, columns, 700)
      const costs = Float64Array.from(
        { length: rows * columns },
        (_, k) => uses[Math.floor(k / columns)]! * efforts[k % columns]! + ((k * 7919) % 13),
      )
      const { columnOf, cost, rowDual, columnDual } = assign(costs, rows, columns)
      let dual = 0
      for (let i = 0; i < rows; i++) {
        dual += rowDual[i]!
        for (let j = 0; j < columns; j++)
          expect(rowDual[i]! + columnDual[j]!).toBeLessThanOrEqual(costs[i * columns + j]! + 1e-6)
      }
      const taken = new Set(columnOf)
      for (let j = 0; j < columns; j++) {
        dual += columnDual[j]!
        if (!taken.has(j)) expect(columnDual[j]).toBe(0)
      }
      expect(dual).toBeCloseTo(cost, 4)
    }
  })
  test('negative costs and ties are no trouble', () => {
    expect(assign(Float64Array.from([-5, 1, 1, -5]), 2, 2).cost).toBe(-10)
    expect(assign(new Float64Array(12), 3, 4).cost).toBe(0)
  })
  test('shapes that do not fit are refused', () => {
    expect(() => assign(new Float64Array(6), 3, 2)).toThrow(/at least as many columns/)
    expect(() => assign(new Float64Array(5), 2, 3)).toThrow(/do not fit/)
  })
})

const file = (name: string): string => readFileSync(new URL(`qaplib/${name}`, import.meta.url), 'utf8')

describe('the quadratic search', () => {
  // QAPLIB (Burkard, Karisch and Rendl 1997): optimum and permutation in the .sln files
  const published = ['nug12', 'chr12a', 'had20', 'bur26a'] as const
  test.each(published)('reads %s, whose published answer has its published cost', (name) => {
    const problem = readQap(file(`${name}.dat`), name)
    const [size, optimum, ...places] = file(`${name}.sln`)
      .trim()
      .split(/[\s,]+/)
      .map(Number)
    expect(problem.size).toBe(size)
    const placeOf = places.map((p) => p - 1)
    const inverse = placeOf.map((_, i) => placeOf.indexOf(i))
    // files differ in which way round the permutation is meant
    expect([quadraticCost(problem, placeOf), quadraticCost(problem, inverse)]).toContain(optimum)
  })
  test.each(published.flatMap((name) => [1, 2, 3, 4, 5].map((seed) => [name, seed] as const)))(
    'finds the optimum of %s from seed %i',
    (name, seed) => {
      const optimum = Number(file(`${name}.sln`).trim().split(/\s+/)[1])
      const problem = readQap(file(`${name}.dat`), name)
      const { cost, placeOf } = solveQuadratic(problem, { ...defaultQuadraticOptions, seed })
      expect(cost).toBe(optimum)
      expect(quadraticCost(problem, placeOf)).toBe(cost)
      expect(new Set(placeOf).size).toBe(problem.size)
    },
  )
  test('the same seed gives the same answer to the last place', () => {
    const problem = readQap(file('had20.dat'))
    const [a, b] = [
      solveQuadratic(problem, { seed: 7, moves: 3000 }),
      solveQuadratic(problem, { seed: 7, moves: 3000 }),
    ]
    expect([...a.placeOf]).toEqual([...b.placeOf])
  })
  test('with linear costs alone it is the linear assignment', () => {
    for (const seed of [1, 2, 3]) {
      const size = 9
      const linear = numbers(seed, size * size, 500)
      const problem: QuadraticProblem = {
        size,
        flow: new Float64Array(81),
        distance: new Float64Array(81),
        linear,
      }
      expect(solveQuadratic(problem, { seed, moves: 20_000 }).cost).toBe(assign(linear, size, size).cost)
    }
  })
  test('with linear and quadratic costs it finds what trying all finds', () => {
    const size = 6
    const problem: QuadraticProblem = {
      size,
      flow: numbers(3, 36, 20),
      distance: numbers(4, 36, 20),
      linear: numbers(5, 36, 900),
    }
    let least = Infinity
    const permute = (head: number[]): void => {
      if (head.length === size) least = Math.min(least, quadraticCost(problem, head))
      else for (let i = 0; i < size; i++) if (!head.includes(i)) permute([...head, i])
    }
    permute([])
    expect(solveQuadratic(problem, { seed: 1, moves: 5000 }).cost).toBe(least)
  })
  test.each([
    ['', /size must be from 1/],
    ['2 1 2 3', /needs 8 numbers, not 3/],
    ['2 1 2 3 4 5 6 7 x', /"x" is no number/],
    ['900', /from 1 to 256/],
  ])('%j is refused with what to do', (text, message) => {
    expect(() => readQap(text, 'bad.dat')).toThrow(message)
  })
  test('one thing has one place', () => {
    expect(solveQuadratic(readQap('1 3 4'))).toMatchObject({ cost: 12 })
  })
})
