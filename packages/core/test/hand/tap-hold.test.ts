/** Against log-normal times drawn by a generator, so that the formula is checked by what it stands for. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { tapHoldChances, usualTypingPace } from '../../src/index.js'

/** Normal deviates of a seeded generator: Box and Muller. */
function deviates(seed: number, count: number): number[] {
  let state = seed
  const uniform = (): number => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return (state + 0.5) / 2 ** 32
  }
  return Array.from(
    { length: count },
    () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform()),
  )
}

test.each([60, 100, 150, 200, 260])('after %i ms: as often as drawn times say', (holdMs) => {
  const drawn = deviates(7, 200_000)
  const share = (mean: number, sd: number, passes: (ms: number) => boolean): number => {
    const variance = Math.log(1 + (sd / mean) ** 2)
    const times = drawn.map((z) => mean * Math.exp(z * Math.sqrt(variance) - variance / 2))
    return times.filter(passes).length / times.length
  }
  const { dwellMs, dwellSdMs, overlapMs, overlapSdMs } = usualTypingPace
  const { falseHold, falseTap } = tapHoldChances(holdMs)
  expect(falseHold).toBeCloseTo(
    share(dwellMs, dwellSdMs, (ms) => ms > holdMs),
    2,
  )
  expect(falseTap).toBeCloseTo(
    share(overlapMs, overlapSdMs, (ms) => ms < holdMs),
    2,
  )
})

test('a longer time makes false holds rarer and false taps commoner; both are shares', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 900, noNaN: true }),
      fc.double({ min: 1, max: 100, noNaN: true }),
      (ms, more) => {
        const [short, long] = [tapHoldChances(ms), tapHoldChances(ms + more)]
        expect(long.falseHold).toBeLessThanOrEqual(short.falseHold + 1e-6)
        expect(long.falseTap).toBeGreaterThanOrEqual(short.falseTap - 1e-6)
        for (const share of Object.values(short)) expect(share).toBeGreaterThanOrEqual(-1e-6)
        for (const share of Object.values(long)) expect(share).toBeLessThanOrEqual(1 + 1e-6)
      },
    ),
  )
})
