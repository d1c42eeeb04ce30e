import { describe, expect, test } from 'vitest'
import { keyOf } from '../build.js'
import { browserCombos, browserKeys, handSpan, layouts, systems, w3cCodes } from '@reach-plot/data'
import { boardControls, boardIds, isModifier, systemActions } from '../../src/index.js'

describe('key codes', () => {
  // Source: HID Usage Tables, page 7, and Linux input-event-codes.h; a few well-known rows by hand (from memory)
  test.each([
    ['KeyA', 4, 30],
    ['KeyZ', 29, 44],
    ['Digit1', 30, 2],
    ['Enter', 40, 28],
    ['Escape', 41, 1],
    ['Space', 44, 57],
    ['F1', 58, 59],
    ['ArrowUp', 82, 103],
    ['NumpadEnter', 88, 96],
    ['IntlBackslash', 100, 86],
    ['ControlLeft', 224, 29],
    ['MetaRight', 231, 126],
  ])('%s is HID usage %i and evdev %i', (code, hid, evdev) => {
    expect(w3cCodes[code]).toMatchObject({ hid, evdev })
  })
  test('no two keys of a full board share a HID usage or an evdev number', () => {
    for (const board of boardIds) {
      const codes = boardControls(board, 'windows').flatMap((c) => c.code ?? [])
      expect(new Set(codes.map((c) => w3cCodes[c]!.hid)).size).toBe(codes.length)
      expect(new Set(codes.map((c) => w3cCodes[c]!.evdev)).size).toBe(codes.length)
    }
  })
})

describe('national layouts', () => {
  test('name a source and only W3C codes', () => {
    for (const layout of layouts) {
      expect(layout.source).toContain('xkb-data')
      expect(Object.keys(layout.keys).filter((code) => !(code in w3cCodes))).toEqual([])
    }
  })
  test('have at most four levels, each one character, a dead key or nothing', () => {
    for (const layout of layouts) {
      for (const [code, levels] of Object.entries(layout.keys)) {
        expect(levels.length, `${layout.id} ${code}`).toBeLessThanOrEqual(4)
        for (const char of levels)
          expect(
            char === null || char.startsWith('dead:') || [...char].length === 1,
            `${layout.id} ${code} ${char}`,
          ).toBe(true)
      }
    }
  })
  test('those with a third-level key have characters there, those without have none', () => {
    for (const layout of layouts) {
      const third = Object.values(layout.keys).filter((levels) => (levels[2] ?? null) !== null).length
      if (!layout.altGraph) expect(third, layout.id).toBeLessThan(20)
      else expect(third, layout.id).toBeGreaterThan(5)
    }
  })
  test('the Latin letters stand once each at the first level', () => {
    for (const layout of layouts) {
      const letters = Object.values(layout.keys).flatMap((levels) =>
        /^[a-z]$/.test(levels[0] ?? '') ? [levels[0]] : [],
      )
      expect(new Set(letters).size, layout.id).toBe(letters.length)
      expect(letters.length, layout.id).toBe(26)
    }
  })
})

describe('system keys', () => {
  test('each has an action, known modifiers, and a code or a character', () => {
    for (const system of systems) {
      for (const key of system.keys) {
        expect(key.action.length).toBeGreaterThan(2)
        expect(key.modifiers.filter((m) => !isModifier(m))).toEqual([])
        expect((key.code === undefined) !== (key.char === undefined), `${system.id} ${key.action}`).toBe(true)
        if (key.code !== undefined) expect(key.code in w3cCodes, key.code).toBe(true)
      }
    }
  })
  test('GNOME spells Control three ways; all are one here', () => {
    const gnome = systems.find((s) => s.id === 'gnome')!
    const actions = systemActions(
      gnome,
      layouts.find((l) => l.id === 'us')!,
    )
    expect(actions.get(keyOf('Control+Alt+F1'))).toBe('Switch to VT 1')
    expect(actions.get(keyOf('Control+Alt+Delete'))).toBe('Log out')
    expect(actions.get(keyOf('Control+Shift+Alt+KeyR'))).toMatch(/screencast/)
    expect(actions.get(keyOf('MetaLeft'))).toBe('Open the overview')
  })
})

test('the survey’s quantiles rise, and its size is that of the source', () => {
  // survey data of Venables and Ripley: 237 students, one without a span
  const spans = Object.entries(handSpan.quantilesMm)
    .sort(([a], [b]) => Number(a) - Number(b))
    .map(([, mm]) => mm)
  expect(spans).toEqual([...spans].sort((a, b) => a - b))
  expect(handSpan.n).toBe(236)
  expect(handSpan.meanMm).toBeCloseTo(186.7, 0)
})

test('the browser’s keys have those that every browser keeps', () => {
  // common practice, no source
  for (const combo of ['Control+t', 'Control+w', 'Control+n', 'Control+l', 'F5', 'F11'])
    expect(browserCombos).toContain(combo)
  // the source marks those that no page can take; six or so
  expect(browserKeys.filter((k) => k.reserved).map((k) => k.keys)).toEqual(
    expect.arrayContaining(['accel+n', 'accel+t', 'accel+w', 'accel+Shift+w', 'accel+q']),
  )
})
