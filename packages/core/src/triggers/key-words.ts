import { table } from '../table.js'
import type { Modifier } from './modifiers.js'

/** Words for keys by language, as the data file has them: `de` → `Shift` → [`Umschalt`]. */
export type KeyWordData = Readonly<Record<string, Readonly<Record<string, readonly string[]>>>>

/** What a word, in small letters, stands for: a modifier, or the key of a code. */
export interface KeyWords {
  readonly modifiers: ReadonlyMap<string, Modifier>
  readonly codes: ReadonlyMap<string, string>
}

/** Names of modifiers that people write, whatever the system. Common practice, no source. */
const modifierWords = table<Modifier>({
  ctrl: 'Control',
  control: 'Control',
  shift: 'Shift',
  alt: 'Alt',
  option: 'Alt',
  opt: 'Alt',
  altgr: 'AltGraph',
  altgraph: 'AltGraph',
  meta: 'Meta',
  super: 'Meta',
  win: 'Meta',
  windows: 'Meta',
  cmd: 'Meta',
  command: 'Meta',
  '⌘': 'Meta',
  '⌥': 'Alt',
  '⌃': 'Control',
  '⇧': 'Shift',
})

/** Names of keys in English, and their signs. */
const codeWords = table<string>({
  esc: 'Escape',
  escape: 'Escape',
  enter: 'Enter',
  return: 'Enter',
  space: 'Space',
  spacebar: 'Space',
  tab: 'Tab',
  backspace: 'Backspace',
  del: 'Delete',
  delete: 'Delete',
  ins: 'Insert',
  insert: 'Insert',
  home: 'Home',
  end: 'End',
  pgup: 'PageUp',
  'page up': 'PageUp',
  pageup: 'PageUp',
  pgdn: 'PageDown',
  pgdown: 'PageDown',
  'page down': 'PageDown',
  pagedown: 'PageDown',
  up: 'ArrowUp',
  down: 'ArrowDown',
  left: 'ArrowLeft',
  right: 'ArrowRight',
  menu: 'ContextMenu',
  pause: 'Pause',
  print: 'PrintScreen',
  'print screen': 'PrintScreen',
  prtsc: 'PrintScreen',
  'caps lock': 'CapsLock',
  capslock: 'CapsLock',
  'num lock': 'NumLock',
  numlock: 'NumLock',
  'scroll lock': 'ScrollLock',
  scrolllock: 'ScrollLock',
  '⏎': 'Enter',
  '↵': 'Enter',
  '⌫': 'Backspace',
  '⌦': 'Delete',
  '⎋': 'Escape',
  '⇥': 'Tab',
  '␣': 'Space',
  '↑': 'ArrowUp',
  '↓': 'ArrowDown',
  '←': 'ArrowLeft',
  '→': 'ArrowRight',
  '⇞': 'PageUp',
  '⇟': 'PageDown',
  '↖': 'Home',
  '↘': 'End',
})

/** The data's names of keys that are codes of ours under another word. */
const dataKeys = table<string>({
  PgUp: 'pgup',
  Page_Up: 'pgup',
  'Page Up': 'pgup',
  PgDown: 'pgdn',
  Page_Down: 'pgdn',
  'Page Down': 'pgdn',
  BackSpace: 'backspace',
})

/** Words of all languages; English first, so that no other language takes an English word for another key. */
export function keyWords(data: KeyWordData = {}): KeyWords {
  const modifiers = new Map<string, Modifier>(Object.entries(modifierWords) as [string, Modifier][])
  const codes = new Map<string, string>(Object.entries(codeWords) as [string, string][])
  for (const words of Object.values(data))
    for (const [key, names] of Object.entries(words)) {
      const english = dataKeys[key] ?? key.toLowerCase()
      const [modifier, code] = [modifierWords[english], codeWords[english]]
      for (const name of names) {
        const word = name.toLocaleLowerCase()
        if (modifiers.has(word) || codes.has(word)) continue
        if (modifier !== undefined) modifiers.set(word, modifier)
        else if (code !== undefined) codes.set(word, code)
      }
    }
  return { modifiers, codes }
}
