import fc from 'fast-check'
import { expect, test } from 'vitest'
import { layouts } from '@reach-plot/data'
import {
  characterAt,
  chord,
  codeOfCharacter,
  keyLegend,
  modifiers,
  parseTrigger,
  triggerKey,
  triggerName,
} from '../../src/index.js'
import { layout } from '../build.js'

test('a trigger reads back from its string, whatever the order of its modifiers', () => {
  const held = fc.subarray([...modifiers])
  fc.assert(
    fc.property(held, fc.constantFrom('KeyA', 'F12', 'NumpadAdd', 'Backquote'), (m, code) => {
      const trigger = chord(code, m)
      expect(parseTrigger(triggerKey(trigger))).toEqual(trigger)
      expect(
        parseTrigger(
          [...m]
            .reverse()
            .concat(code as never)
            .join('+'),
        ),
      ).toEqual(trigger)
    }),
  )
})

test.each([
  '',
  'Control',
  'Control+',
  'Ctrl+KeyA',
  'Control+Shift',
  'KeyA+KeyB',
  'keya',
  '+KeyA',
  'Control+KeyÄ',
])('%j is refused with an example', (text) => {
  expect(() => parseTrigger(text)).toThrow(/Control\+Shift\+KeyU/)
})

test('letters stand where the national layouts have them', () => {
  // Source: xkb-data 2.35.1 through libxkbcommon; the same facts are printed on the keys sold in these countries
  expect(characterAt(layout('de'), 'KeyY', 1)).toBe('z')
  expect(characterAt(layout('fr'), 'KeyQ', 1)).toBe('a')
  expect(characterAt(layout('de'), 'KeyQ', 3)).toBe('@')
  expect(characterAt(layout('us'), 'KeyQ', 3)).toBeNull()
  expect(codeOfCharacter(layout('de'), 'z')).toBe('KeyY')
  expect(codeOfCharacter(layout('us-dvorak'), 'S')).toBe('Semicolon')
})

test('every layout has a letter or a sign on each letter key', () => {
  for (const l of layouts)
    for (const letter of 'ABCDEFGHIJKLMNOPQRSTUVWXYZ')
      expect(characterAt(l, `Key${letter}`, 1), `${l.id} Key${letter}`).not.toBeNull()
})

test('names follow the layout and the system', () => {
  expect(triggerName(chord('KeyY', ['Control', 'Meta']), { layout: layout('de'), systemId: 'windows' })).toBe(
    'Ctrl+Win+Z',
  )
  expect(triggerName(chord('KeyE', ['Alt', 'Meta']), { layout: layout('us'), systemId: 'macos' })).toBe(
    'Option+Command+E',
  )
  expect(keyLegend('Minus', layout('de'), 'gnome')).toBe('ß')
  expect(keyLegend('Equal', layout('de'), 'gnome')).toBe('´')
  expect(keyLegend('AltRight', layout('de'), 'gnome')).toBe('AltGr')
  expect(keyLegend('AltRight', layout('us'), 'gnome')).toBe('Alt')
})
