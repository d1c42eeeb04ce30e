/** Worked examples of the keystroke-level model and of the Strain Index from the literature, from memory. */
import { describe, expect, test } from 'vitest'
import {
  dayLoad,
  operatorMs,
  sequenceMs,
  strainIndex,
  timeWork,
  typistMs,
  type RoutineStep,
} from '../../src/index.js'
import { command } from '../build.js'
import { demoPlan, deskWith } from './desk.js'

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

/**
 * The same examples as plans, timed as the product times everything. Its steps have no M for deciding, so that the
 * published M are taken off; its travel is the distance on the demo's desk instead of H.
 */
describe('published examples as routines', () => {
  const bin = command('Move to the bin', {
    id: 'bin',
    programId: 'fenmap',
    menu: ['File', 'Move to the bin'],
  })
  const plan = { ...demoPlan, menusKnown: 'by heart' as const, commands: [bin] }
  const { context } = deskWith({}, plan)
  const seconds = (steps: readonly RoutineStep[]): number => timeWork(steps, context).ms / 1000
  const point = { kind: 'point' } as const
  test('Kieras: deleting a file by the menu and coming back is 4 P + 4 B = 4.8 s', () => {
    expect(seconds([point, { kind: 'command', commandId: 'bin' }, point])).toBeCloseTo(4.8, 9)
  })
  test('Kieras: dragging it to the bin and coming back is 3 P + 2 B = 3.5 s', () => {
    // coming back ends in a click of its own here
    expect(seconds([{ kind: 'drag' }, point])).toBeCloseTo(3.5 + operatorMs.B / 1000, 9)
  })
  test('Card, Moran and Newell: a word replaced in a display editor is 6.2 s with its 2 M', () => {
    const before = { kind: 'type', characters: 1 } as const
    // hands on the keys, to the mouse, point, select by a button, back to the keys, R word Return
    const own = seconds([before, point, { kind: 'type', characters: 7 }]) - seconds([before])
    const published = 6.2 - (2 * operatorMs.M) / 1000
    expect(Math.abs(own - published) / published).toBeLessThan(0.1)
  })
  test('Enter after typing is one K more, with no travel', () => {
    const typed = { kind: 'type', characters: 5 } as const
    const enter = command('Accept', { id: 'accept', programId: 'fenmap' })
    const { context: keyed } = deskWith({ accept: 'Enter' }, { ...plan, commands: [enter] })
    const both = timeWork([typed, { kind: 'command', commandId: 'accept' }], keyed)
    expect(both.ms - timeWork([typed], keyed).ms).toBeCloseTo(operatorMs.K, 9)
  })
})

describe('H, moving a hand between the keys and the mouse', () => {
  test.each([55, 60, 65, 70, 75, 80])(
    'comes within a fifth of 400 ms there and back on the average, for a mouse %d mm wide',
    (widthMm) => {
      // Card, Moran and Newell (1980), H = 400 ms; the mouse of the demo's desk, scaled
      const devices = demoPlan.devices.map((d) => {
        if (d.id !== 'mouse' || d.kind !== 'drawn') return d
        const [x0, x1] = [3, 60]
        const scale = widthMm / (x1 - x0)
        const buttons = d.controls.map((c) =>
          c.type === 'field' ? c : { ...c, xMm: x0 + (c.xMm - x0) * scale, widthMm: c.widthMm * scale },
        )
        return { ...d, controls: buttons }
      })
      const { context } = deskWith({}, { ...demoPlan, devices })
      const work = timeWork([{ kind: 'type', characters: 1 }], context)
      const travels = work.operators.filter((o) => o.kind === 'H').map((o) => o.ms)
      expect(travels).toHaveLength(2)
      const mean = (travels[0]! + travels[1]!) / 2
      expect(Math.abs(mean - 400)).toBeLessThan(80)
    },
  )
})

describe('both hands at once', () => {
  const { context } = deskWith({ 'fenmap-undo': 'KeyS' })
  const drag = { kind: 'drag' } as const
  const press = { kind: 'command', commandId: 'fenmap-undo' } as const
  test('a press during a drag holds nobody up, and both sums are told', () => {
    const apart = timeWork([drag, press], context)
    const together = timeWork([drag, { ...press, meanwhile: true }], context)
    expect(together.ms).toBeCloseTo(timeWork([drag], context).ms, 9)
    expect(together.oneByOneMs).toBeCloseTo(apart.ms, 9)
    expect(apart.oneByOneMs).toBe(apart.ms)
  })
  test('two steps of one hand come one after the other all the same', () => {
    const apart = timeWork([press, press], context)
    expect(timeWork([press, { ...press, meanwhile: true }], context).ms).toBeCloseTo(apart.ms, 9)
  })
  test('both hands travel at the same time: the longer counts', () => {
    const { context: far } = deskWith({ 'fenmap-undo': 'pad/k8' })
    const work = timeWork([press, { kind: 'type', characters: 3 }], far)
    const beside = work.operators.filter((o) => o.takesMs !== undefined)
    expect(beside.length).toBeGreaterThan(0)
    expect(beside.every((o) => o.ms === 0)).toBe(true)
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
      hoursPerDay: 6,
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
    [7.9, 1],
    [8, 1.5],
  ])('%d hours a day have the multiplier %d', (hoursPerDay, multiplier) => {
    expect(light({ hoursPerDay }).factors[5]!.multiplier).toBe(multiplier)
  })
  // The definitions of the paper with inputs that the product derives itself: from memory.
  test('a key pressed 12 times a minute for 3 hours: light, hardly any of the time, in line', () => {
    const press = command('Press', { id: 'press', programId: 'fenmap', usesPerHour: 12 * 60 })
    const { context } = deskWith({ press: 'KeyF' }, { ...demoPlan, commands: [press] })
    const { left, right } = dayLoad([press], [], 3, context).strain
    // light 1, 12 × 0.1 s of 60 s is under 10 % 0.5, 12 efforts 1.5, good 1, fair 1, 2 to 4 h 0.75
    expect(left.factors.map((f) => f.multiplier)).toEqual([1, 0.5, 1.5, 1, 1, 0.75])
    expect(left.index).toBeCloseTo(0.5625, 9)
    expect(right.index).toBe(0)
  })
  test('the same on a pad that is hard to press, twice as often, for 8 hours', () => {
    const press = command('Press', { id: 'press', programId: 'fenmap', usesPerHour: 24 * 60 })
    const devices = demoPlan.devices.map((d) => (d.id === 'mouse' ? { ...d, force: 'hard' as const } : d))
    const { context } = deskWith({ press: 'mouse/back' }, { ...demoPlan, devices, commands: [press] })
    const { left, right } = dayLoad([press], [], 8, context).strain
    // hard 6, under 10 % 0.5, 24 efforts 3, good 1, fair 1, 8 h or more 1.5
    expect(right.factors.map((f) => f.multiplier)).toEqual([6, 0.5, 3, 1, 1, 1.5])
    expect(right.index).toBeCloseTo(13.5, 9)
    expect(left.index).toBe(0)
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
