import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  activeBench,
  prepare,
  changesBetween,
  chord,
  mirrorBench,
  parseTrigger,
  strainIndex,
  timeWork,
  prepareWork,
  type Plan,
} from '../../src/index.js'
import { command } from '../build.js'
import { catalogues, demoModel, demoPlan, draft, step } from './desk.js'

const bench = activeBench(demoPlan)
const mirrored: Plan = {
  ...demoPlan,
  benches: demoPlan.benches.map((b) => (b === bench ? mirrorBench(bench, demoPlan.devices) : b)),
}

describe('a desk in the mirror', () => {
  const here = prepareWork(demoModel).context
  const there = prepareWork(prepare(mirrored, catalogues, { arrangement: draft })).context
  test('belongs to the other hand', () => {
    expect([here.side, there.side]).toEqual(['left', 'right'])
  })
  test('takes as long for all that the pointing hand does alone', () => {
    const pointed = ['mouse/back', 'mouse/field stroke 2/8', 'mouse/field stroke 0/8'] as const
    for (const trigger of pointed) {
      const [a, b] = [here, there].map((context) =>
        timeWork([step('fenmap-undo'), { kind: 'drag' }], {
          ...context,
          triggersOf: () => [parseTrigger(trigger, [])],
        }),
      )
      expect(b!.ms, trigger).toBeCloseTo(a!.ms, 6)
      expect(a!.operators.every((o) => o.hand === 'right')).toBe(true)
      expect(b!.operators.every((o) => o.hand === 'left')).toBe(true)
    }
  })
  test('takes as long through menus', () => {
    const [a, b] = [here, there].map((context) =>
      timeWork([step('fenmap-undo')], { ...context, triggersOf: () => [] }),
    )
    expect(b!.ms).toBe(a!.ms)
  })
})

describe('the Strain Index', () => {
  const percent = fc.double({ min: 0, max: 100, noNaN: true })
  const efforts = fc.double({ min: 0, max: 60, noNaN: true })
  const hours = fc.double({ min: 0.25, max: 12, noNaN: true })
  test('never falls when one of its factors grows', () => {
    fc.assert(
      fc.property(percent, percent, efforts, efforts, hours, hours, (p1, p2, e1, e2, h1, h2) => {
        const index = (exertionPercent: number, effortsPerMinute: number, hoursPerDay: number): number =>
          strainIndex({
            intensity: 'light',
            exertionPercent,
            effortsPerMinute,
            posture: 'fair',
            speed: 'fair',
            hoursPerDay,
          }).index
        const low = index(Math.min(p1, p2), Math.min(e1, e2), Math.min(h1, h2))
        const high = index(Math.max(p1, p2), Math.max(e1, e2), Math.max(h1, h2))
        expect(high).toBeGreaterThanOrEqual(low)
      }),
    )
  })
})

describe('changes', () => {
  const commands = ['a', 'b', 'c', 'd'].map((id) => command(id, { id }))
  const anyPlacements = fc.array(
    fc.record({
      commandId: fc.constantFrom('a', 'b', 'c', 'd'),
      trigger: fc.constantFrom('KeyA', 'KeyB', 'KeyC', 'KeyD', 'KeyE').map((code) => chord(code)),
    }),
    { maxLength: 6 },
  )
  const back = { added: 'removed', removed: 'added', moved: 'moved', swapped: 'swapped' } as const
  test('are the same seen from the other side: what comes goes, and what goes comes', () => {
    fc.assert(
      fc.property(anyPlacements, anyPlacements, (before, after) => {
        const there = changesBetween(before, after, commands)
        const again = changesBetween(after, before, commands)
        expect(again.map((c) => [c.command.id, c.kind, c.to, c.from])).toEqual(
          there.map((c) => [c.command.id, back[c.kind], c.from, c.to]),
        )
        expect(changesBetween(before, before, commands)).toEqual([])
      }),
    )
  })
})
