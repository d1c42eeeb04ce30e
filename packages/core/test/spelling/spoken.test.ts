import { describe, expect, test } from 'vitest'
import { keyWords as data } from '@reach-plot/data'
import { boardControls, readTrigger, triggerKey } from '../../src/index.js'
import { keyWords, type Naming } from '../../src/triggers/index.js'
import { layout } from '../build.js'

const codes = boardControls('iso-105', 'windows').flatMap((c) => c.code ?? [])
const naming = (id: string, change: Partial<Naming> = {}): Naming => ({
  layout: layout(id),
  systemId: 'gnome',
  keyWords: keyWords(data),
  legends: new Map([
    ['pad/k3', 'pad key 3'],
    ['device/pad', 'Pad'],
  ]),
  ...change,
})
const read = (text: string, id = 'us', change: Partial<Naming> = {}): string =>
  triggerKey(readTrigger(text, naming(id, change), codes))

describe('a key as people spell it', () => {
  test.each([
    ['M', 'KeyM'],
    ['Esc', 'Escape'],
    ['PgDn', 'PageDown'],
    ['page up', 'PageUp'],
    ['Ctrl+Shift+M', 'Control+Shift+KeyM'],
    ['Ctrl-Shift-M', 'Control+Shift+KeyM'],
    ['ctrl shift page down', 'Control+Shift+PageDown'],
    ['⌘⇧A', 'Shift+Meta+KeyA'],
    ['⌥⏎', 'Alt+Enter'],
    ['pad key 3', 'pad/k3'],
    ['Control+Shift+KeyU', 'Control+Shift+KeyU'],
    ['Ctrl+-', 'Control+Minus'],
  ])('%s is %s', (text, key) => {
    expect(read(text)).toBe(key)
  })
  // words of libgtk-3-common and qttranslations5-l10n
  test.each([
    ['Strg+Umschalt+M', 'de', 'Control+Shift+KeyM'],
    ['Bild ab', 'de', 'PageDown'],
    ['Umschalt+Entf', 'de', 'Shift+Delete'],
    ['Maj+Suppr', 'fr', 'Shift+Delete'],
    ['Ctrl+Échap', 'fr', 'Control+Escape'],
    ['Mayús+Supr', 'es', 'Shift+Delete'],
  ])('%s on a board of %s is %s', (text, id, key) => {
    expect(read(text, id)).toBe(key)
  })
  test('a word that is no key says so, with the nearest', () => {
    expect(() => read('Ctlr+Escpe')).toThrow(/is no key.*did you mean Ctrl\+Esc/)
    expect(() => read('Bild abb', 'de')).toThrow(/did you mean Bild ab/i)
    expect(() => read('Umbrella')).toThrow(/is no key/)
  })
})
