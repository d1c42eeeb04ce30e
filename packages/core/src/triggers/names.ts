import { table } from '../table.js'
import type { KeyWords } from './key-words.js'
import { characterAt, type NationalLayout } from './layout.js'
import { sortModifiers, type Modifier } from './modifiers.js'
import { systemIds, type SystemId } from './system.js'
import { actOf, heldOf, controlRef, type Act, type Trigger, type Turn } from './trigger.js'

const keyNames = table<string>({
  Escape: 'Esc',
  Backspace: 'Backspace',
  Tab: 'Tab',
  CapsLock: 'Caps',
  Enter: 'Enter',
  Space: 'Space',
  ShiftLeft: 'Shift',
  ShiftRight: 'Shift',
  ControlLeft: 'Ctrl',
  ControlRight: 'Ctrl',
  ContextMenu: 'Menu',
  Fn: 'Fn',
  PrintScreen: 'Print',
  ScrollLock: 'Scroll',
  Pause: 'Pause',
  Insert: 'Insert',
  Delete: 'Delete',
  Home: 'Home',
  End: 'End',
  PageUp: 'PgUp',
  PageDown: 'PgDn',
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  NumLock: 'Num',
  NumpadDivide: 'Num /',
  NumpadMultiply: 'Num *',
  NumpadSubtract: 'Num −',
  NumpadAdd: 'Num +',
  NumpadEnter: 'Num ↵',
  NumpadDecimal: 'Num .',
})

const linuxModifiers: Readonly<Record<Modifier, string>> = {
  Control: 'Ctrl',
  Shift: 'Shift',
  Alt: 'Alt',
  AltGraph: 'AltGr',
  Meta: 'Super',
}

function modifierNamesOf(system: SystemId): Readonly<Record<Modifier, string>> {
  if (system === 'macos')
    return { Control: 'Control', Shift: 'Shift', Alt: 'Option', AltGraph: 'Option (right)', Meta: 'Command' }
  if (system === 'windows') return { ...linuxModifiers, Meta: 'Win' }
  return system === 'kde' ? { ...linuxModifiers, Meta: 'Meta' } : linuxModifiers
}

const modifierNames = Object.fromEntries(systemIds.map((id) => [id, modifierNamesOf(id)])) as Readonly<
  Record<SystemId, Readonly<Record<Modifier, string>>>
>

/** Spacing form of a dead key, for legends. */
const deadSigns = table<string>({
  circumflex: '^',
  acute: '´',
  grave: '`',
  tilde: '~',
  diaeresis: '¨',
  cedilla: '¸',
  caron: 'ˇ',
  breve: '˘',
  abovering: '°',
  macron: '¯',
  doubleacute: '˝',
  ogonek: '˛',
  abovedot: '˙',
  stroke: '/',
})

/** The character as a legend: upper-case letters, dead keys by their sign. */
export function characterLegend(char: string): string {
  if (char.startsWith('dead:')) return deadSigns[char.slice(5)] ?? '◌'
  if (char === ' ') return 'Space'
  // 'ß' would become 'SS', which no key top shows.
  const upper = char.toUpperCase()
  return [...upper].length === 1 ? upper : char
}

/** What the system calls a modifier: Alt is Option on macOS. */
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

/** What triggers are read with: the national layout, the system, and the names of controls that have no code. */
export interface Naming {
  readonly layout: NationalLayout
  readonly systemId: SystemId
  /** `device/control` → its name; `device@page` and `popup/set` too */
  readonly legends?: ReadonlyMap<string, string>
  /** words for keys that people write; English ones where left out */
  readonly keyWords?: KeyWords
}

const actNames: Readonly<Record<Act, string>> = {
  press: '',
  tap2: 'twice',
  tap3: '3 times',
  tap4: '4 times',
  tap5: '5 times',
  hold: 'held',
  during: 'while held',
}

/** How a key or button is worked, in words: `twice`, `held`; empty for a plain press. */
export const actName = (act: Act): string => actNames[act]

const compass = ['↑', '↗', '→', '↘', '↓', '↙', '←', '↖'] as const

/** The direction of a stroke as an arrow, or as on a clock face where arrows are too few. */
export function strokeName(direction: number, of: number): string {
  if (of === 12) return `${direction === 0 ? 12 : direction} o’clock`
  if (of === 6) return ['↑', '2 o’clock', '4 o’clock', '↓', '8 o’clock', '10 o’clock'][direction] as string
  return compass[(direction * 8) / of] as string
}

/** What stands for the key or control itself, without what is held and how it is worked. */
export function controlName(trigger: Trigger, naming: Naming): string {
  const legend = (id: string, fallback: string): string => naming.legends?.get(id) ?? fallback
  if (trigger.kind === 'popup') return `${legend(`popup/${trigger.setId}`, trigger.setId)} ${trigger.entry}`
  if (trigger.kind === 'sequence') return trigger.chords.map((c) => controlName(c, naming)).join(', ')
  if ('code' in trigger) return keyLegend(trigger.code, naming.layout, naming.systemId)
  const name = legend(controlRef(trigger.deviceId, trigger.controlId), trigger.controlId)
  const page =
    'pageId' in trigger && trigger.pageId !== undefined
      ? `${legend(`${trigger.deviceId}@${trigger.pageId}`, trigger.pageId)} · `
      : ''
  if (trigger.kind === 'stroke') return `stroke ${strokeName(trigger.direction, trigger.of)}`
  if (trigger.kind === 'turn') return `${page}${name} ${turnNames[trigger.turn]}`
  return `${page}${name}`
}

const turnNames: Readonly<Record<Turn, string>> = { left: '↺', right: '↻', up: '↑', down: '↓' }

/** A trigger as a person reads it: `Ctrl+Shift+U`, `A twice`, `Shift+Dial ↻`, `Ctrl+K, then C`. */
export function triggerName(trigger: Trigger, naming: Naming): string {
  if (trigger.kind === 'sequence') return trigger.chords.map((c) => triggerName(c, naming)).join(', then ')
  const held: string[] = sortModifiers(heldOf(trigger)).map((m) => modifierName(m, naming.systemId))
  if (trigger.kind === 'button' && trigger.withId !== undefined)
    held.push(naming.legends?.get(controlRef(trigger.deviceId, trigger.withId)) ?? trigger.withId)
  const place = [...held, controlName(trigger, naming)].join('+')
  const how = actName(actOf(trigger))
  return how === '' ? place : `${place} ${how}`
}
