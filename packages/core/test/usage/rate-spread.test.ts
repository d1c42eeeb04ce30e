/** How sure a rate is: counting error, width of a pile, an order alone. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  answered,
  beginComparing,
  editCommand,
  orderedRates,
  pileSpread,
  questionOf,
  talliedRate,
} from '../../src/index.js'
import { rateSpreadOf } from '../../src/usage/index.js'
import { command, plan, program } from '../build.js'

describe('the spread of a rate', () => {
  test('of a count it is the counting error of Poisson, of nothing a guess', () => {
    expect(rateSpreadOf({}, 100)).toBeCloseTo(0.1)
    expect(rateSpreadOf({}, 1_000_000)).toBe(0.05)
    expect(rateSpreadOf({}, 0)).toBe(0.5)
    expect(rateSpreadOf({ rateSpread: 0.3 }, 0)).toBe(0.3)
    expect(rateSpreadOf({ rateSpread: 0.3 }, 400)).toBe(0.05)
  })
  test('of a pile it is its width over √12, and piles far apart are wide', () => {
    // from half way to 1 up to half way to 100: a hundredth of the way is ln 10
    expect(pileSpread([1, 10, 100], 1)).toBeCloseTo(Math.log(10) / Math.sqrt(12))
    expect(pileSpread([1, 1.2, 1.5], 1)).toBe(0.3)
    expect(pileSpread([5], 0)).toBe(0.5)
    expect(pileSpread([1, 10, 1000], 0)).toBeCloseTo(Math.log(10) / Math.sqrt(12))
  })
  test('a tally of 18 uses in 20 minutes is 54 an hour, give or take a quarter', () => {
    expect(talliedRate(18, 20)).toEqual({ usesPerHour: 54, rateSpread: 1 / Math.sqrt(18) })
    expect(talliedRate(0, 20)).toBeNull()
    expect(talliedRate(5, 0.5)).toBeNull()
  })
  test('a rate that is typed over is a guess again', () => {
    const before = plan({ programs: [program()], commands: [command('Hide', { rateSpread: 0.1 })] })
    expect(editCommand(before, 'hide', { usesPerHour: 3 }).commands[0]!.rateSpread).toBeUndefined()
    expect(editCommand(before, 'hide', { name: 'Hide it' }).commands[0]!.rateSpread).toBe(0.1)
    expect(editCommand(before, 'hide', { usesPerHour: 3, rateSpread: 0.2 }).commands[0]!.rateSpread).toBe(0.2)
  })
})

describe('comparing two by two', () => {
  test('any order is found, with no more questions than halving needs', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer(), { minLength: 1, maxLength: 40 }), (uses) => {
        let state = beginComparing(uses)
        let asked = 0
        for (let q = questionOf(state); q; q = questionOf(state)) {
          state = answered(state, q[0] > q[1])
          asked++
        }
        expect(state.order).toEqual([...uses].sort((a, b) => b - a))
        const most = uses.reduce((sum, _, i) => sum + (i === 0 ? 0 : Math.floor(Math.log2(i)) + 1), 0)
        expect(asked).toBeLessThanOrEqual(most)
      }),
    )
  })
  test('rates of an order run evenly in their logarithm from the most to the least', () => {
    const rates = orderedRates(5, 16, 1)
    expect(rates.map((r) => r.usesPerHour)).toEqual([16, 8, 4, 2, 1])
    expect(rates[0]!.rateSpread).toBeCloseTo(Math.log(2), 2)
    expect(orderedRates(1, 5, 1)).toHaveLength(1)
  })
})
