import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  boardControls,
  fingers,
  fitDrill,
  fitHand,
  homeKeys,
  indexOfDifficultyBits,
  reachSolver,
  type Finger,
  type FitTrial,
} from '../../src/index.js'

type Truth = { readonly pressMs: number; readonly slopes: Readonly<Partial<Record<Finger, number>>> }

/** Presses of a person with known constants, with noise that is the same in every run. */
function presses(truth: Truth, noiseMs: number, rounds = 4): FitTrial[] {
  let seed = 7
  const noise = (): number => {
    seed = (seed * 1103515245 + 12345) % 2147483648
    return (seed / 2147483648 - 0.5) * 2 * noiseMs
  }
  return Array.from({ length: rounds }, () =>
    Object.entries(truth.slopes).flatMap(([finger, slope]) =>
      [0, 19, 24, 38].map((distanceMm): FitTrial => ({
        finger: finger as Finger,
        distanceMm,
        widthMm: 18,
        timeMs: truth.pressMs + slope * indexOfDifficultyBits(distanceMm, 18) + noise(),
      })),
    ),
  ).flat()
}

describe('a fitted hand', () => {
  test('known constants come back exactly from presses without noise', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 300, noNaN: true }),
        fc.array(fc.double({ min: 40, max: 250, noNaN: true }), { minLength: 4, maxLength: 4 }),
        (pressMs, [index, middle, ring, little]) => {
          const slopes = { index: index!, middle: middle!, ring: ring!, little: little! }
          const { fit, explained, leftOut } = fitHand(presses({ pressMs, slopes }, 0))
          const mean = (index! + middle! + ring! + little!) / 4
          expect(fit.pressMs).toBeCloseTo(pressMs, 6)
          expect(fit.msPerBit).toBeCloseTo(mean, 6)
          for (const [finger, slope] of Object.entries(slopes))
            expect(fit.fingerFactors[finger]! * fit.msPerBit).toBeCloseTo(slope, 6)
          expect(leftOut).toEqual([])
          expect(explained).toBeGreaterThan(0.999)
        },
      ),
    )
  })
  test('and within a few per cent from presses with noise and a pause now and then', () => {
    const truth = { pressMs: 95, slopes: { index: 90, middle: 95, ring: 120, little: 140 } }
    const noisy = presses(truth, 15, 6)
    const { fit, leftOut } = fitHand([
      ...noisy,
      { ...noisy[1]!, timeMs: 1900 },
      { ...noisy[5]!, timeMs: 1400 },
    ])
    expect(leftOut.map((t) => t.timeMs).sort((a, b) => a - b)).toEqual([1400, 1900])
    expect(Math.abs(fit.pressMs / 95 - 1)).toBeLessThan(0.06)
    for (const [finger, slope] of Object.entries(truth.slopes))
      expect(Math.abs((fit.fingerFactors[finger]! * fit.msPerBit) / slope - 1)).toBeLessThan(0.08)
    expect(fit.residualMs).toBeLessThan(15)
    expect(fit.presses).toBe(noisy.length)
  })
  test('too few presses, or of one distance only, are refused with what to do', () => {
    const few = presses({ pressMs: 100, slopes: { index: 100 } }, 0, 1)
    expect(() => fitHand(few)).toThrow(/at least 8/)
    const one = Array.from({ length: 20 }, (): FitTrial => ({
      finger: 'index',
      distanceMm: 0,
      widthMm: 18,
      timeMs: 90,
    }))
    expect(() => fitHand(one)).toThrow(/FIT_TOO_FEW|farther off/)
  })
  test('a slower little finger slows its keys and no others', () => {
    const controls = boardControls('ansi-104', 'windows')
    const hand = { side: 'left', spanMm: 190, rests: homeKeys.left } as const
    const fingerFactors = Object.fromEntries(fingers.map((f) => [f, f === 'little' ? 2 : 1]))
    const fit = { pressMs: 100, msPerBit: 100, fingerFactors, presses: 40, residualMs: 5 }
    const [average, own] = [reachSolver(hand, controls), reachSolver({ ...hand, fit }, controls)]
    const ms = (solver: typeof own, key: string) => solver.reachControls([key]).timeMs
    expect(own.reachControls(['KeyQ']).fingers['KeyQ']).toBe('little')
    expect(ms(own, 'KeyQ') - 100).toBeCloseTo(2 * (ms(average, 'KeyQ') - 100))
    expect(ms(own, 'KeyR')).toBeCloseTo(ms(average, 'KeyR'))
    expect(own.reachControls(['KeyQ']).effort).toBe(average.reachControls(['KeyQ']).effort)
  })
})

describe('the guided test', () => {
  const controls = boardControls('ansi-104', 'windows')
  const drill = fitDrill({ side: 'left', spanMm: 190, rests: homeKeys.left }, controls)
  test('asks each finger for its own key and others that are its own, near and far, about two minutes long', () => {
    expect(drill.length).toBeGreaterThan(40)
    expect(drill.length).toBeLessThan(80)
    for (const finger of ['index', 'middle', 'ring', 'little'] as const) {
      const own = drill.filter((p) => p.finger === finger)
      expect(own.some((p) => p.code === p.restCode && p.distanceMm === 0)).toBe(true)
      expect(new Set(own.map((p) => p.code)).size).toBeGreaterThan(2)
      for (const p of own) expect(p.restCode).toBe(homeKeys.left[finger])
    }
    expect(drill.some((p) => /^(Caps|Tab|Shift|Escape)/.test(p.code))).toBe(false)
  })
  test('never asks for the same press twice in a row, and gives a fit for the constants of who presses', () => {
    for (const [i, p] of drill.entries()) if (i > 0) expect(p).not.toEqual(drill[i - 1])
    const trials = drill.map((p) => ({
      ...p,
      timeMs: 80 + (p.finger === 'little' ? 150 : 90) * indexOfDifficultyBits(p.distanceMm, p.widthMm),
    }))
    const { fit } = fitHand(trials)
    expect(fit.pressMs).toBeCloseTo(80, 6)
    expect(fit.fingerFactors['little']! * fit.msPerBit).toBeCloseTo(150, 6)
  })
  test('a hand at home on a pad without codes has none', () => {
    const pad = controls.map((c) => ({ ...c, code: null }))
    expect(fitDrill({ side: 'left', spanMm: 190, rests: homeKeys.left }, pad)).toEqual([])
  })
})
