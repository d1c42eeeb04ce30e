import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  acts,
  chord,
  keyTrigger,
  modifiers,
  parseTrigger,
  readTrigger,
  controlRefOf,
  strokeCounts,
  strokeName,
  triggerKey,
  triggerName,
  triggerSchema,
  turns,
  withAct,
  withHeld,
  type Trigger,
} from '../../src/index.js'
import { layout } from '../build.js'

// dots alone would be a folder where ids stand in the names of files
const id = fc.stringMatching(/^[A-Za-z0-9_.-]{1,12}$/).filter((text) => !/^\.+$/.test(text))
const held = fc.subarray([...modifiers])
const code = fc.constantFrom('KeyA', 'F13', 'Numpad7', 'ArrowUp')
const place = fc.record({ modifiers: held, deviceId: id, controlId: id })

/** Any trigger that the schema takes. */
const anyTrigger: fc.Arbitrary<Trigger> = fc.oneof(
  fc.tuple(code, held).map(([c, h]) => chord(c, h)),
  fc.tuple(code, fc.constantFrom(...acts), held).map(([c, a, h]) => keyTrigger(c, a, h)),
  fc
    .tuple(
      place,
      fc.constantFrom(...acts),
      fc.option(id, { nil: undefined }),
      fc.option(id, { nil: undefined }),
    )
    .map(([p, act, pageId, withId]) => ({
      kind: 'button' as const,
      ...p,
      act,
      ...(pageId !== undefined && { pageId }),
      ...(withId !== undefined && { withId }),
    })),
  fc.tuple(place, fc.constantFrom(...turns)).map(([p, turn]) => ({ kind: 'turn' as const, ...p, turn })),
  fc
    .tuple(place, fc.constantFrom(...strokeCounts), fc.nat(11))
    .map(([p, of, n]) => ({ kind: 'stroke' as const, ...p, of, direction: n % of })),
  fc
    .tuple(id, fc.integer({ min: 1, max: 12 }))
    .map(([setId, n]) => ({ kind: 'popup' as const, setId, entry: n })),
)

describe('the text of a trigger', () => {
  test('reads back to the same trigger, for every kind', () => {
    fc.assert(
      fc.property(anyTrigger, (trigger) => {
        expect(triggerSchema.safeParse(trigger).success).toBe(true)
        expect(triggerKey(parseTrigger(triggerKey(trigger)))).toBe(triggerKey(trigger))
      }),
    )
  })
  test('is the same only for the same trigger', () => {
    fc.assert(
      fc.property(anyTrigger, anyTrigger, (a, b) => {
        if (triggerKey(a) === triggerKey(b)) expect(withHeld(a, [])).toEqual(withHeld(b, []))
      }),
    )
  })
  test.each([
    ['Control+KeyU x2', { kind: 'key', act: 'tap2' }],
    ['KeyU hold', { kind: 'key', act: 'hold' }],
    ['pad/k1+pad/k3', { kind: 'button', withId: 'k1', controlId: 'k3' }],
    ['deck@tracing/b3', { kind: 'button', pageId: 'tracing', act: 'press' }],
    ['Shift + pad/dial left', { kind: 'turn', turn: 'left', modifiers: ['Shift'] }],
    ['mouse/field stroke 1/8', { kind: 'stroke', direction: 1, of: 8 }],
    ['popup/shapes 3', { kind: 'popup', setId: 'shapes', entry: 3 }],
  ])('%s', (text, expected) => {
    expect(parseTrigger(text)).toMatchObject(expected)
  })
  test.each([
    'pad/k1+deck/k3',
    'KeyU x7',
    'mouse/field stroke 9/8',
    'a/b/c',
    'pad/k1+pad/k2+pad/k3',
    'popup/x 0',
    '+',
    'KeyU sideways',
  ])('%j is refused', (text) => expect(() => parseTrigger(text)).toThrow(/cannot be read as a shortcut/))
})

test('acts change on keys and buttons and nowhere else', () => {
  expect(withAct(chord('KeyA'), 'hold')).toEqual({ kind: 'key', modifiers: [], code: 'KeyA', act: 'hold' })
  expect(withAct(keyTrigger('KeyA', 'tap3'), 'press')).toEqual(chord('KeyA'))
  const dial = parseTrigger('pad/dial left')
  expect(withAct(dial, 'hold')).toBe(dial)
  expect(controlRefOf(parseTrigger('popup/x 1'))).toBeNull()
  expect(controlRefOf(dial)).toBe('pad/dial')
})

const naming = {
  layout: layout('de'),
  systemId: 'gnome' as const,
  legends: new Map([
    ['pad/k3', 'pad key 3'],
    ['pad/k1', 'pad key 1'],
    ['pad/dial', 'dial'],
    ['deck/b3', 'deck 3'],
    ['deck@p', 'Tracing'],
    ['popup/s', 'Shapes'],
  ]),
}

test.each([
  ['Control+KeyZ x2', 'Ctrl+Y twice'],
  ['KeyU hold', 'U held'],
  ['pad/k1+pad/k3', 'pad key 1+pad key 3'],
  ['Shift+pad/dial right', 'Shift+dial ↻'],
  ['deck@p/b3', 'Tracing · deck 3'],
  ['mouse/field stroke 1/8', 'stroke ↗'],
  ['popup/s 3', 'Shapes 3'],
  ['gone/x9', 'x9'],
])('%s is read as %s', (text, name) => {
  expect(triggerName(parseTrigger(text), naming)).toBe(name)
})

test('every direction has a name of its own', () => {
  for (const of of strokeCounts)
    expect(new Set(Array.from({ length: of }, (_, i) => strokeName(i, of))).size).toBe(of)
})

describe('a trigger as people write it', () => {
  const codes = ['KeyY', 'KeyZ', 'Space', 'F9', 'Minus', 'Equal', 'ArrowUp', 'BracketRight', 'NumpadAdd']
  test.each([
    ['ctrl+z', 'Control+KeyY'],
    ['Ctrl Shift Z', 'Control+Shift+KeyY'],
    ['Super+F9', 'Meta+F9'],
    ['alt ß', 'Alt+Minus'],
    ['ctrl++', 'Control+BracketRight'],
    ['Space', 'Space'],
    ['Control+KeyZ', 'Control+KeyZ'],
    ['pad/k3', 'pad/k3'],
  ])('%s is %s on a German board', (text, key) => {
    expect(triggerKey(readTrigger(text, naming, codes))).toBe(key)
  })
  test('nonsense is refused with an example', () => {
    expect(() => readTrigger('press it', naming, codes)).toThrow(/Ctrl\+Shift\+U/)
  })
})
