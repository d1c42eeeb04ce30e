import { table } from '../table.js'
import type { Modifier } from '../triggers/index.js'
import type { SystemKey } from './system-keys.js'

/** Keysyms of places; letters and signs are looked up on the layout instead. */
const namedCodes = table<string>({
  Page_Up: 'PageUp',
  Prior: 'PageUp',
  Page_Down: 'PageDown',
  Next: 'PageDown',
  Left: 'ArrowLeft',
  Right: 'ArrowRight',
  Up: 'ArrowUp',
  Down: 'ArrowDown',
  space: 'Space',
  Print: 'PrintScreen',
  Above_Tab: 'Backquote',
  Tab: 'Tab',
  Escape: 'Escape',
  Delete: 'Delete',
  Home: 'Home',
  End: 'End',
  Insert: 'Insert',
  Return: 'Enter',
  BackSpace: 'Backspace',
  Pause: 'Pause',
  Menu: 'ContextMenu',
  Super_L: 'MetaLeft',
  Super_R: 'MetaRight',
  Super: 'MetaLeft',
  Alt_L: 'AltLeft',
  Alt_R: 'AltRight',
  Shift_L: 'ShiftLeft',
  Shift_R: 'ShiftRight',
  Control_L: 'ControlLeft',
  Control_R: 'ControlRight',
  Caps_Lock: 'CapsLock',
  KP_Enter: 'NumpadEnter',
  KP_Add: 'NumpadAdd',
  KP_Subtract: 'NumpadSubtract',
  KP_Multiply: 'NumpadMultiply',
  KP_Divide: 'NumpadDivide',
  KP_Home: 'Numpad7',
  KP_Up: 'Numpad8',
  KP_Page_Up: 'Numpad9',
  KP_Prior: 'Numpad9',
  KP_Left: 'Numpad4',
  KP_Begin: 'Numpad5',
  KP_Right: 'Numpad6',
  KP_End: 'Numpad1',
  KP_Down: 'Numpad2',
  KP_Page_Down: 'Numpad3',
  KP_Next: 'Numpad3',
  KP_Insert: 'Numpad0',
  KP_Delete: 'NumpadDecimal',
})
const namedChars = table<string>({
  equal: '=',
  minus: '-',
  plus: '+',
  comma: ',',
  period: '.',
  slash: '/',
  semicolon: ';',
  apostrophe: "'",
  grave: '`',
  backslash: '\\',
  bracketleft: '[',
  bracketright: ']',
  question: '?',
})
/** Words for modifiers in configurations. Control is spelled three ways in one desktop's settings; all mean the same. */
const modifierOf = table<Modifier>({
  control: 'Control',
  ctrl: 'Control',
  primary: 'Control',
  alt: 'Alt',
  mod1: 'Alt',
  shift: 'Shift',
  super: 'Meta',
  meta: 'Meta',
  mod4: 'Meta',
})
/** One-letter modifiers, as in `C-A-Left`. */
const letterModifierOf = table<Modifier>({ C: 'Control', A: 'Alt', S: 'Shift', W: 'Meta' })

/** `<Super><Shift>Home`, `Mod4+Shift+q` or `C-A-Left` cut into words of modifiers and the key; null when it is none of them. */
function partsOf(
  text: string,
): { readonly held: readonly (Modifier | undefined)[]; readonly key: string } | null {
  if (text.includes('<')) {
    const held = [...text.matchAll(/<([^<>]+)>/g)].map((m) => modifierOf[(m[1] as string).toLowerCase()])
    return { held, key: text.replace(/<[^<>]+>/g, '') }
  }
  if (/^(?:[CASW]-)+[^-\s]/.test(text)) {
    const parts = text.split('-')
    return { held: parts.slice(0, -1).map((m) => letterModifierOf[m]), key: parts.at(-1) ?? '' }
  }
  const parts = text.split(/\+(?!$)/)
  return {
    held: parts.slice(0, -1).map((m) => modifierOf[m.toLowerCase()]),
    key: parts.at(-1) ?? '',
  }
}

/**
 * An accelerator as desktops and window managers write it, such as `<Super><Shift>Home`, `Mod4+Shift+q` or `C-A-Left`,
 * as a system key; null for keys that no board of the catalogue has.
 */
export function readAccelerator(text: string): Pick<SystemKey, 'modifiers' | 'code' | 'char'> | null {
  const parts = partsOf(text.trim())
  if (!parts || parts.held.includes(undefined) || parts.key === '') return null
  const { key } = parts
  const modifiers = [...new Set(parts.held as Modifier[])].sort()
  const keypad = /^KP_(\d)$/.exec(key)
  const code = keypad ? `Numpad${keypad[1]}` : (namedCodes[key] ?? (/^F\d{1,2}$/.test(key) ? key : undefined))
  if (code !== undefined) return { modifiers, code }
  const char = namedChars[key] ?? ([...key].length === 1 ? key.toLowerCase() : undefined)
  return char === undefined ? null : { modifiers, char }
}

/** One name for each place: where several are read, the first of the table. */
const nameOfCode = new Map(
  Object.entries(namedCodes)
    .toReversed()
    .map(([name, code]) => [code, name]),
)
const nameOfChar = new Map(Object.entries(namedChars).map(([name, char]) => [char, name]))
const heldWords: Readonly<Record<string, string>> = {
  Control: '<Control>',
  Shift: '<Shift>',
  Alt: '<Alt>',
  Meta: '<Super>',
}

/** A combination as desktops write it: `<Super><Shift>Page_Up`. */
export function writeAccelerator({
  modifiers,
  code,
  char,
}: Pick<SystemKey, 'modifiers' | 'code' | 'char'>): string {
  const keypad = /^Numpad(\d)$/.exec(code ?? '')
  const key =
    code === undefined
      ? (nameOfChar.get(char ?? '') ?? char ?? '')
      : keypad
        ? `KP_${keypad[1]}`
        : (nameOfCode.get(code) ?? code)
  return modifiers.map((m) => heldWords[m] ?? `<${m}>`).join('') + key
}
