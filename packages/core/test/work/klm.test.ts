/** Worked examples of the keystroke-level model and of the Strain Index from the literature, from memory. */
import { describe, expect, test } from 'vitest'
import { operatorMs, sequenceMs, strainIndex, typistMs } from '../../src/index.js'

describe('the keystroke-level model', () => {
  // Card, Moran and Newell (1980): replacing a five-letter word with another, one line below, in two editors.
  test('Card, Moran and Newell: with a line editor 4 M + 15 K = 8.4 s', () => {
    expect(sequenceMs('MK MK 5K MK 5K MK K')).toBe(4 * 1350 + 15 * 200)
    expect(sequenceMs('4M 15K') / 1000).toBeCloseTo(8.4, 2)
  })
  test('Card, Moran and Newell: with a display editor 2 M + 8 K + 2 H + P = 6.2 s', () => {
    const steps = 'H P K H MK 5K MK'
    expect(sequenceMs(steps)).toBe(2 * 1350 + 8 * 200 + 2 * 400 + 1100)
    expect(sequenceMs(steps) / 1000).toBeCloseTo(6.2, 2)
  })
  // Kieras (1993, 2001), "Using the keystroke-level model to estimate execution times": deleting a file.
  test('Kieras: dragging a file to the bin and coming back is 3 P + 2 B = 3.5 s', () => {
    expect(sequenceMs('P B P B P') / 1000).toBeCloseTo(3.5, 3)
  })
  test('Kieras: by the menu it is 4 P + 4 B = 4.8 s', () => {
    expect(sequenceMs('P 2B P B P B P') / 1000).toBeCloseTo(4.8, 3)
  })
  test('a slower typist has another K', () => {
    expect(sequenceMs('10K', { ...operatorMs, K: typistMs.nonSecretary })).toBe(2800)
    expect(sequenceMs('10K', { ...operatorMs, K: typistMs.best })).toBe(1200)
  })
})

describe('the Strain Index', () => {
  // Moore and Garg (1995): somewhat hard, 60 % of the cycle, 12 efforts a minute, fair posture and speed, 4 to 8 h.
  test('Moore and Garg: the worked example comes to 13.5', () => {
    const { index, factors } = strainIndex({
      intensity: 'somewhat hard',
      exertionPercent: 60,
      effortsPerMinute: 12,
      posture: 'fair',
      speed: 'fair',
      hoursPerDay: 8,
    })
    expect(factors.map((f) => f.multiplier)).toEqual([3, 2, 1.5, 1.5, 1, 1])
    expect(index).toBeCloseTo(13.5, 9)
  })
  test.each([
    [9.9, 0.5],
    [10, 1],
    [29.9, 1],
    [30, 1.5],
    [50, 2],
    [80, 3],
  ])('an exertion of %d %% has the multiplier %d', (exertionPercent, multiplier) => {
    expect(light({ exertionPercent }).factors[1]!.multiplier).toBe(multiplier)
  })
  test.each([
    [3.9, 0.5],
    [4, 1],
    [9, 1.5],
    [15, 2],
    [20, 3],
  ])('%d efforts a minute have the multiplier %d', (effortsPerMinute, multiplier) => {
    expect(light({ effortsPerMinute }).factors[2]!.multiplier).toBe(multiplier)
  })
  test.each([
    [1, 0.25],
    [2, 0.5],
    [4, 0.75],
    [8, 1],
    [8.5, 1.5],
  ])('%d hours a day have the multiplier %d', (hoursPerDay, multiplier) => {
    expect(light({ hoursPerDay }).factors[5]!.multiplier).toBe(multiplier)
  })
  test('says what an index means', () => {
    expect(light({}).meaning).toBe('probably safe')
    expect(light({ effortsPerMinute: 30, exertionPercent: 90, posture: 'very bad' }).meaning).toBe(
      'look closer',
    )
  })
})

const light = (change: Partial<Parameters<typeof strainIndex>[0]>) =>
  strainIndex({
    intensity: 'light',
    exertionPercent: 5,
    effortsPerMinute: 2,
    posture: 'good',
    speed: 'fair',
    hoursPerDay: 4,
    ...change,
  })
