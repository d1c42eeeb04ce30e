import { describe, expect, test } from 'vitest'
import type { DrillPress } from '@reach-plot/core'
import { drillStep, idleDrill, type DrillEvent, type DrillState } from '../src/features/hand/use-drill.js'

const presses: readonly DrillPress[] = [
  { finger: 'index', restCode: 'KeyF', code: 'KeyR', distanceMm: 20, widthMm: 18 },
  { finger: 'index', restCode: 'KeyF', code: 'KeyF', distanceMm: 0, widthMm: 18 },
]
const down = (code: string, timeMs: number): DrillEvent => ({ type: 'down', code, timeMs })
const up = (code: string, timeMs: number): DrillEvent => ({ type: 'up', code, timeMs })
const run = (events: readonly DrillEvent[], from: DrillState = idleDrill): DrillState =>
  events.reduce((state, event) => drillStep(presses, state, event), from)
const started = run([{ type: 'start' }])

describe('the guided test', () => {
  test('times a press from the release of the resting key', () => {
    const state = run([down('KeyF', 0), up('KeyF', 1000), down('KeyR', 1180)], started)
    expect(state).toMatchObject({ running: true, at: 1, fault: null })
    expect(state.trials).toEqual([{ finger: 'index', distanceMm: 20, widthMm: 18, timeMs: 180 }])
  })
  test('a press on the resting key itself is its second press, and the last one ends the test', () => {
    const first = run([down('KeyF', 0), up('KeyF', 10), down('KeyR', 200)], started)
    const state = run([up('KeyR', 220), down('KeyF', 500), up('KeyF', 560), down('KeyF', 650)], first)
    expect(state).toMatchObject({ running: false, at: 2 })
    expect(state.trials.map((t) => t.timeMs)).toEqual([190, 90])
  })
  test.each([
    ['another finger while the key is still held', [down('KeyF', 0), down('KeyR', 100)], /Let go/],
    ['a press without resting first', [down('KeyR', 0)], /Rest the finger/],
    ['another key', [down('KeyF', 0), up('KeyF', 10), down('KeyT', 90)], /another key/],
    ['a pause', [down('KeyF', 0), up('KeyF', 10), down('KeyR', 9000)], /took a while/],
  ])('%s is asked for again and not counted', (_what, events, fault) => {
    const state = run(events, started)
    expect(state).toMatchObject({ running: true, at: 0, trials: [] })
    expect(state.fault).toMatch(fault)
    expect(run([down('KeyF', 9100), up('KeyF', 9200), down('KeyR', 9350)], state).trials.length).toBe(1)
  })
  test('stopping keeps what was pressed; nothing counts afterwards; starting begins anew', () => {
    const one = run([down('KeyF', 0), up('KeyF', 10), down('KeyR', 200), { type: 'stop' }], started)
    expect(one).toMatchObject({ running: false })
    expect(one.trials.length).toBe(1)
    expect(run([down('KeyF', 300)], one)).toBe(one)
    expect(run([{ type: 'start' }], one).trials).toEqual([])
  })
  test('a drill without presses never runs', () => {
    expect(drillStep([], idleDrill, { type: 'start' }).running).toBe(false)
  })
})
