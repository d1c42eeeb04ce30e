import { triggerKey, type Chord, type Modifier, type Trigger } from '../triggers/index.js'
import { writeAccelerator } from '../systems/index.js'

/** A cell of a file that reads as a chord. */
export interface SpeltChord {
  readonly text: string
  readonly chord: Chord
}

/** How the modifiers of a chord are joined to its key. */
type Joint =
  | { readonly kind: 'sign'; readonly sign: string }
  | { readonly kind: 'brackets' }
  | { readonly kind: 'escapes' }

interface Parts {
  readonly joint: Joint
  readonly words: readonly string[]
  readonly key: string
}

/** A chord's text cut at its joints; null where it has none. */
function partsOf(text: string): Parts | null {
  const brackets = /^((?:<[A-Za-z]\w*>)+)(.+)$/.exec(text)
  if (brackets)
    return {
      joint: { kind: 'brackets' },
      words: [...(brackets[1] as string).matchAll(/<([^>]+)>/g)].map((m) => m[1] as string),
      key: brackets[2] as string,
    }
  const escapes = /^((?:\\[A-Z]-)+)(.+)$/.exec(text)
  if (escapes)
    return {
      joint: { kind: 'escapes' },
      words: [...(escapes[1] as string).matchAll(/\\([A-Z])-/g)].map((m) => m[1] as string),
      key: escapes[2] as string,
    }
  for (const sign of ['+', '-', ' ', '_']) {
    const parts = text.split(sign)
    if (parts.length < 2) continue
    // the sign itself is pressed: `Ctrl++`
    const key = parts.at(-1) === '' ? sign : (parts.at(-1) as string)
    const words = parts.slice(0, parts.at(-1) === '' ? -2 : -1)
    if (words.length > 0 && words.every((w) => /^\S+$/.test(w)))
      return { joint: { kind: 'sign', sign }, words, key }
  }
  return null
}

/** Words for modifiers where the file shows none, in the order in which they are tried. */
const otherWords: Readonly<Record<Modifier, readonly string[]>> = {
  Control: ['Ctrl', 'Control', 'ctrl', 'control', 'C', 'Primary'],
  Shift: ['Shift', 'shift', 'S'],
  Alt: ['Alt', 'alt', 'M', 'A', 'Mod1', 'meta'],
  AltGraph: ['AltGr', 'altgr', 'Mod5'],
  Meta: ['Super', 'super', 'Meta', 'Mod4', 'Win', 's', 'W', 'cmd'],
}
const usualOrder: readonly Modifier[] = ['Control', 'Shift', 'Alt', 'AltGraph', 'Meta']

/** Names of a key that files use, the likeliest first: its symbol, its code, plain words. */
function namesOf(code: string, isUpper: boolean): string[] {
  const letter = /^Key([A-Z])$/.exec(code)?.[1]
  const digit = /^Digit(\d)$/.exec(code)?.[1]
  const symbol = writeAccelerator({ modifiers: [], code })
  const plain: Readonly<Record<string, readonly string[]>> = {
    ArrowLeft: ['Left', 'left'],
    ArrowRight: ['Right', 'right'],
    ArrowUp: ['Up', 'up'],
    ArrowDown: ['Down', 'down'],
    PageUp: ['PageUp', 'PgUp', 'pageup'],
    PageDown: ['PageDown', 'PgDn', 'pagedown'],
    Enter: ['Return', 'Enter', 'RET', 'enter'],
    Escape: ['Escape', 'Esc', 'ESC', 'escape', String.raw`\e`],
    Backspace: ['BackSpace', 'Backspace', 'DEL', 'backspace'],
    Delete: ['Delete', 'Del', 'delete'],
    Space: ['space', 'Space', 'SPC'],
    Tab: ['Tab', 'tab', 'TAB', String.raw`\t`],
  }
  return [
    ...(letter ? (isUpper ? [letter, letter.toLowerCase()] : [letter.toLowerCase(), letter]) : []),
    ...(digit ? [digit] : []),
    ...(plain[code] ?? []),
    ...(/^[A-Z]/.test(symbol) || symbol !== code ? [symbol] : []),
    ...(/^F\d+$/.test(code) ? [code, code.toLowerCase()] : []),
    code,
  ]
}

/** Writes chords as a file writes them. */
export interface KeyWriter {
  /** the text of a trigger, or null where this form cannot say it */
  write(trigger: Trigger): string | null
}

const most = <T>(counts: ReadonlyMap<T, number>): T | undefined =>
  [...counts].sort(([, a], [, b]) => b - a)[0]?.[0]

const count = <T>(counts: Map<T, number>, item: T): void => void counts.set(item, (counts.get(item) ?? 0) + 1)

/** What chords of a file show of how it writes them. */
interface Habits {
  readonly joint: Joint
  readonly words: ReadonlyMap<Modifier, string>
  readonly order: readonly Modifier[]
  readonly keys: ReadonlyMap<string, string>
  readonly isUpper: boolean
  readonly between: string
}

function habitsOf(
  samples: readonly SpeltChord[],
  sequences: readonly string[],
  modifierOf: (word: string) => Modifier | null,
): Habits {
  const joints = new Map<string, number>()
  const words = new Map<Modifier, Map<string, number>>()
  const orders = new Map<string, number>()
  const keys = new Map<string, Map<string, number>>()
  let [upper, lower] = [0, 0]
  for (const { text, chord } of samples) {
    const parts = chord.modifiers.length > 0 ? partsOf(text) : null
    const key = parts?.key ?? (chord.modifiers.length === 0 ? text : null)
    if (parts) count(joints, JSON.stringify(parts.joint))
    const known = parts?.words.flatMap((w) => modifierOf(w) ?? []) ?? []
    if (parts && known.length === parts.words.length) {
      known.forEach((m, i) => {
        const own = words.get(m) ?? new Map<string, number>()
        count(own, parts.words[i] as string)
        words.set(m, own)
      })
      if (known.length > 1) count(orders, known.join())
    }
    if (key === null) continue
    if (/^[A-Za-z]$/.test(key)) {
      if (/[A-Z]/.test(key)) upper++
      else lower++
      continue
    }
    const own = keys.get(chord.code) ?? new Map<string, number>()
    count(own, key)
    keys.set(chord.code, own)
  }
  const joint = JSON.parse(most(joints) ?? '{"kind":"sign","sign":"+"}') as Joint
  const firstOrder = (most(orders)?.split(',') ?? []) as Modifier[]
  return {
    joint,
    words: new Map([...words].map(([m, own]) => [m, most(own) as string])),
    order: [...firstOrder, ...usualOrder.filter((m) => !firstOrder.includes(m))],
    keys: new Map([...keys].map(([code, own]) => [code, most(own) as string])),
    isUpper: upper > lower,
    between: sequences.some((s) => s.includes(', ')) ? ', ' : joint.kind === 'escapes' ? '' : ' ',
  }
}

const joined = (joint: Joint, words: readonly string[], key: string): string =>
  joint.kind === 'brackets'
    ? words.map((w) => `<${w}>`).join('') + key
    : joint.kind === 'escapes'
      ? words.map((w) => `\\${w}-`).join('') + key
      : [...words, key].join(joint.sign)

/**
 * Learns from chords of a file how it writes them: what joins them, which words it has for modifiers, in which order, what it calls keys. What it does
 * not show is tried in usual spellings. Every text is read back before it counts.
 * @param reads  the trigger that a text reads as in this file, or null
 */
export function keyWriter(
  samples: readonly SpeltChord[],
  sequences: readonly string[],
  reads: (text: string) => Trigger | null,
): KeyWriter {
  const modifierOf = (word: string): Modifier | null => {
    for (const text of [`${word}+a`, `<${word}>a`, `${word}-a`, `\\${word}-a`]) {
      const read = reads(text)
      const [only] = read?.kind === 'chord' ? read.modifiers : []
      if (read?.kind === 'chord' && read.modifiers.length === 1 && only) return only
    }
    return null
  }
  const habits = habitsOf(samples, sequences, modifierOf)
  const known = new Map(samples.map((s) => [triggerKey(s.chord) as string, s.text]))
  const chordText = (chord: Chord): string | null => {
    const key = triggerKey(chord)
    const seen = known.get(key)
    if (seen !== undefined) return seen
    const names = namesOf(chord.code, habits.isUpper)
    const keyNames = [
      ...new Set([...(habits.keys.has(chord.code) ? [habits.keys.get(chord.code) as string] : []), ...names]),
    ]
    const mods = habits.order.filter((m) => chord.modifiers.includes(m))
    let wordings: string[][] = [[]]
    for (const m of mods) {
      const words = habits.words.has(m) ? [habits.words.get(m) as string] : otherWords[m]
      wordings = wordings.flatMap((w) => words.map((word) => [...w, word]))
    }
    for (const words of wordings)
      for (const name of keyNames) {
        const text = words.length === 0 ? name : joined(habits.joint, words, name)
        const read = reads(text)
        if (read && triggerKey(read) === key) return text
      }
    return null
  }
  return {
    write(trigger) {
      if (trigger.kind === 'chord') return chordText(trigger)
      if (trigger.kind !== 'sequence') return null
      const texts = trigger.chords.map(chordText)
      if (texts.includes(null)) return null
      const text = texts.join(habits.between)
      const read = reads(text)
      return read && triggerKey(read) === triggerKey(trigger) ? text : null
    },
  }
}
