import { readFileSync } from 'node:fs'
import { catalogues } from '@reach-plot/data'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { chord, prepare, readPlan, triggerKey, type Trigger } from '@reach-plot/core'
import { meantBy, sentFor, strokeDirection, swallowed, wayOf } from '../src/features/learn/asked.js'

const plan = readPlan(
  readFileSync(new URL('../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
  'demo',
)
const { index, env, arrangement } = prepare(plan, catalogues)
const pad = {
  kind: 'button',
  modifiers: [],
  deviceId: 'pad',
  controlId: 'k2',
  act: 'press',
} as const satisfies Trigger

describe('how an answer can be given', () => {
  test('a pad that sends one key is answered by that key, a stroke is drawn whatever it sends', () => {
    const sent = sentFor(arrangement.placements, 'fenmap-smooth', { ...pad, modifiers: [] })
    expect(sent.map(triggerKey)).toEqual(['Digit5'])
    expect(wayOf({ ...pad, modifiers: [] }, sent)).toBe('chord')
    expect(wayOf({ ...pad, modifiers: [] }, [])).toBe('drawn')
    const stroke: Trigger = {
      kind: 'stroke',
      modifiers: [],
      deviceId: 'mouse',
      controlId: 'field',
      direction: 0,
      of: 8,
    }
    expect(wayOf(stroke, sentFor(arrangement.placements, 'fenmap-fit-chart', stroke))).toBe('drawn')
    expect(wayOf(chord('KeyA'), [])).toBe('chord')
  })
  test('what the system or the browser takes is said', () => {
    expect(swallowed(chord('KeyL', ['Meta']), index)).toMatch(/^Used by the system/)
    expect(swallowed(chord('KeyT', ['Control']), index)).toBe('The browser keeps this combination.')
    expect(swallowed(chord('KeyG'), index)).toBeNull()
  })
  test('a dial can mean several things, a key one', () => {
    const dial = env.controls.find((c) => c.id === 'pad/dial')!
    expect(meantBy(dial, [], undefined, pad).length).toBeGreaterThan(1)
    const key = env.controls.find((c) => c.code === 'KeyG')!
    expect(meantBy(key, ['Shift'], undefined, chord('KeyG')).map(triggerKey)).toEqual([
      triggerKey(chord('KeyG', ['Shift'])),
    ])
  })
})

test('a stroke is the direction that it is drawn in, and a jerk is none', () => {
  expect(strokeDirection(3, 4, 8)).toBeNull()
  fc.assert(
    fc.property(
      fc.constantFrom(2, 4, 6, 8, 12),
      fc.nat(11),
      fc.double({ min: -0.49, max: 0.49, noNaN: true }),
      (of, n, off) => {
        const angle = (2 * Math.PI * ((n % of) + off)) / of
        expect(strokeDirection(100 * Math.sin(angle), -100 * Math.cos(angle), of)).toBe(n % of)
      },
    ),
  )
})
