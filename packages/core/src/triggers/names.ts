import type { SystemId } from './system.js'
import { characterAt, type NationalLayout } from './layout.js'
import { sortModifiers, type Modifier } from './modifiers.js'
import type { Trigger } from './trigger.js'

const keyNames: Readonly<Record<string, string>> = {
  Escape: 'Esc', Backspace: 'Backspace', Tab: 'Tab', CapsLock: 'Caps', Enter: 'Enter', Space: 'Space',
  ShiftLeft: 'Shift', ShiftRight: 'Shift', ControlLeft: 'Ctrl', ControlRight: 'Ctrl', ContextMenu: 'Menu', Fn: 'Fn',
  PrintScreen: 'Print', ScrollLock: 'Scroll', Pause: 'Pause', Insert: 'Insert', Delete: 'Delete', Home: 'Home',
  End: 'End', PageUp: 'PgUp', PageDown: 'PgDn', ArrowUp: '↑', ArrowDown: '↓', ArrowLeft: '←',
  ArrowRight: '→', NumLock: 'Num', NumpadDivide: 'Num /', NumpadMultiply: 'Num *', NumpadSubtract: 'Num −',
  NumpadAdd: 'Num +', NumpadEnter: 'Num ↵', NumpadDecimal: 'Num .',
} // prettier-ignore

const modifierNames: Readonly<Record<SystemId, Readonly<Record<Modifier, string>>>> = {
  gnome: { Control: 'Ctrl', Shift: 'Shift', Alt: 'Alt', AltGraph: 'AltGr', Meta: 'Super' },
  windows: { Control: 'Ctrl', Shift: 'Shift', Alt: 'Alt', AltGraph: 'AltGr', Meta: 'Win' },
  macos: { Control: 'Control', Shift: 'Shift', Alt: 'Option', AltGraph: 'Option (right)', Meta: 'Command' },
}

/** Spacing form of a dead key, for legends. */
const deadSigns: Readonly<Record<string, string>> = {
  circumflex: '^', acute: '´', grave: '`', tilde: '~', diaeresis: '¨', cedilla: '¸', caron: 'ˇ', breve: '˘',
  abovering: '°', macron: '¯', doubleacute: '˝', ogonek: '˛', abovedot: '˙', stroke: '/',
} // prettier-ignore

/** The character as a legend: upper-case letters, dead keys by their sign. */
export function characterLegend(char: string): string {
  if (char.startsWith('dead:')) return deadSigns[char.slice(5)] ?? '◌'
  if (char === ' ') return 'Space'
  // 'ß' would become 'SS', which no key top shows.
  const upper = char.toUpperCase()
  return [...upper].length === 1 ? upper : char
}

export const modifierName = (modifier: Modifier, system: SystemId): string => modifierNames[system][modifier]

/** What is printed on a key: the letter of the national layout, or the key's usual name. */
export function keyLegend(code: string, layout: NationalLayout, system: SystemId): string {
  if (code.startsWith('Meta')) return modifierName('Meta', system)
  // macOS prints the same on both
  if (code === 'AltRight' && layout.altGraph && system !== 'macos') return modifierName('AltGraph', system)
  if (code.startsWith('Alt')) return modifierName('Alt', system)
  if (system === 'macos' && code.startsWith('Control')) return 'Control'
  const named = keyNames[code]
  if (named !== undefined) return named
  const char = characterAt(layout, code, 1)
  if (char !== null) return characterLegend(char)
  if (/^Numpad\d$/.test(code)) return `Num ${code.slice(6)}`
  return code.replace(/^(Key|Digit)/, '')
}

/** A trigger as a person reads it: `Ctrl+Shift+U`. */
export const triggerName = (trigger: Trigger, layout: NationalLayout, system: SystemId): string =>
  [
    ...sortModifiers(trigger.modifiers).map((m) => modifierName(m, system)),
    keyLegend(trigger.code, layout, system),
  ].join('+')
