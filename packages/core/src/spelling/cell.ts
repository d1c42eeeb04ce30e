import { parseTrigger, triggerKey, type Chord, type Trigger } from '../triggers/index.js'
import { buttonOf, namedControl } from './controls.js'
import { chordOf, chordsOf, workedKey } from './chord.js'
import { isLetterPair, plainStyle, type Speller, type SpellingStyle } from './style.js'

/** What a cell of keys says: triggers, none, or why it cannot be read. */
export type KeysRead = { readonly triggers: readonly Trigger[] } | { readonly why: string }

/** Longer cells are no keys. */
const mostChars = 300
const mostAlternatives = 24

/** Words and signs that say "no key". */
const noKey =
  /^(?:none|no key|n\/a|unassigned|unbound|unset|not set|not assigned|no shortcut|disabled|nil|null|[–—]|\(none\)|@as \[\]|\[\]|nop|noop|no[- ]?op)$/i

/** Reads a cell as a table of commands has it: one key or several, sequences, controls, or none. */
export function readKeys(cell: string, speller: Speller, style: SpellingStyle = plainStyle): KeysRead {
  const text = named(unwrapped(cell), speller)
  if (text === '' || noKey.test(text) || (style.dashIsNone && text === '-')) return { triggers: [] }
  if (text.length > mostChars) return { why: `it is longer than ${mostChars} characters` }
  const listed = listOf(text)
  if (listed) {
    const triggers: Trigger[] = []
    for (const item of listed) {
      const read = readKeys(item, speller, style)
      if ('why' in read) return read
      triggers.push(...read.triggers)
    }
    return { triggers: distinct(triggers) }
  }
  const found = alternatives(text, speller, style, mostAlternatives)
  return found ? { triggers: distinct(found) } : { why: whyNot(text, speller) }
}

/** The text with what the key file's own names stand for. */
const named = (text: string, { variables }: Speller): string =>
  variables === undefined || !text.includes('$')
    ? text
    : text.replace(/\$[\w-]+/g, (name) => variables.get(name) ?? name)

/** Several quoted keys in one cell, as configuration files write lists; null for another cell. */
function listOf(text: string): string[] | null {
  const inner = /^\[(.*)\]$/s.exec(text)?.[1]
  if (inner === undefined) return null
  const items = [...inner.matchAll(/'((?:[^'\\]|\\.)*)'|"((?:[^"\\]|\\.)*)"/g)].map((m) => m[1] ?? m[2] ?? '')
  return items.length > 0 ? items.filter((item) => item !== '') : null
}

/** Quotation marks, typewriter marks and tags around the whole. */
function unwrapped(cell: string): string {
  let text = cell
    .replace(/<\/?(?:kbd|code|b|strong|span|em|i|tt)(?:\s[^>]*)?>/gi, '')
    .replace(/\u00a0/g, ' ')
    .trim()
    .replace(/^(?:''|"")$/, '')
  for (;;) {
    const inner = /^(["'`]|\*\*|__)(.+)\1$/s.exec(text)?.[2]
    if (inner === undefined || (inner.includes(text[0] as string) && !/^['"]$/.test(inner))) break
    text = inner.trim() === '' ? inner : inner.trim()
  }
  return text.replace(/`([^`]+)`/g, '$1').trim()
}

/** Ways to write "or", the clearest first. */
const separators = [
  /\r?\n|<br\s*\/?>/i,
  /\s+(?:or|oder|ou|o|eller|of|lub|または)\s+/i,
  /;\s*/,
  /\s*\|\s*/,
  /\s+\/\s+/,
  /,\s*/,
  /\//,
  /\s{2,}/,
]

function alternatives(
  text: string,
  speller: Speller,
  style: SpellingStyle,
  budget: number,
): Trigger[] | null {
  const one = oneTrigger(text, speller, style)
  if (one) return [one]
  if (budget <= 0) return null
  if (style.commaIsSequence) {
    const chords = sequenceOf(text.split(/,\s+|,(?=\S)/), speller, style)
    if (chords) return [chords]
  }
  for (const separator of separators) {
    const every = new RegExp(separator.source, `${separator.flags.replace('g', '')}g`)
    for (const found of text.matchAll(every)) {
      const [left, right] = [text.slice(0, found.index), text.slice(found.index + found[0].length)]
      const first = left.trim() === '' ? null : oneTrigger(left, speller, style)
      if (!first) continue
      if (right.trim() === '') return [first]
      const rest = alternatives(right, speller, { ...style, isAfterKey: true }, budget - 1)
      if (rest) return [first, ...sharing(first, rest, separator)]
    }
  }
  return spaced(text, speller, style)
}

/** `Ctrl+Up/Down`: what stands after a stroke without blanks shares what is held. */
function sharing(first: Trigger, rest: readonly Trigger[], separator: RegExp): readonly Trigger[] {
  if (separator.source !== '\\/' || first.kind !== 'chord') return rest
  return rest.map((t) =>
    t.kind === 'chord' && t.modifiers.length === 0 ? { ...t, modifiers: first.modifiers } : t,
  )
}

/** Chords with blanks between: one after another. */
const spaced = (text: string, speller: Speller, style: SpellingStyle): Trigger[] | null => {
  const chords = sequenceOf(text.split(/\s+(?:then\s+)?/), speller, style)
  return chords && [chords]
}

function sequenceOf(parts: readonly string[], speller: Speller, style: SpellingStyle): Trigger | null {
  if (parts.length < 2) return null
  const chords: Chord[] = []
  for (let at = 0; at < parts.length;) {
    let read: Chord | null = null
    let used = 0
    // a chord may have blanks itself: Ctrl + K, Page Up
    for (let to = Math.min(parts.length, at + 5); to > at && !read; to--) {
      read = chordOf(parts.slice(at, to).join(' '), speller, style)
      used = to - at
    }
    if (!read) return null
    chords.push(read)
    at += used
  }
  return chords.length > 1 && chords.length <= 4 ? { kind: 'sequence', chords } : null
}

/** One trigger in any spelling: the text of `triggerKey`, a chord, a sequence, a key worked otherwise, a control. */
export function oneTrigger(
  text: string,
  speller: Speller,
  style: SpellingStyle = plainStyle,
): Trigger | null {
  if (style.wordsAreButtons) return buttonOf(text, speller)
  if (style.lettersAreSequence && isLetterPair(text))
    return sequenceOf([...text], speller, { ...style, lettersAreSequence: false })
  const chords = chordsOf(text, speller, style)
  if (chords) return chords.length === 1 ? (chords[0] as Chord) : { kind: 'sequence', chords }
  return (
    angled(text, speller, style) ??
    namedControl(text, speller) ??
    workedKey(text, speller, style) ??
    parsed(text, speller)
  )
}

/** Chords in angle brackets and characters without anything between: `<C-w>h`. */
function angled(text: string, speller: Speller, style: SpellingStyle): Trigger | null {
  const parts = text.trim().match(/<[^<>\s]+>|[^<>\s]/gu) ?? []
  if (parts.length < 2 || parts.length > 4 || parts.join('') !== text.trim()) return null
  if (!parts.some((p) => p.length > 1)) return null
  const chords = parts.map((part) => chordOf(part, speller, { ...style, capitalIsShift: true }))
  return chords.includes(null) ? null : { kind: 'sequence', chords: chords as Chord[] }
}

/** The text of a control of a device that there is, or of another trigger, as plans write it. */
function parsed(text: string, { naming: { legends } }: Speller): Trigger | null {
  const device = /^(?:[^/\s]*\+)?([^@/+\s]+)(?:@[^/\s]+)?\/[^/\s]+/.exec(text)?.[1]
  if (device === undefined || (device !== 'popup' && legends?.has(`device/${device}`) !== true)) return null
  try {
    return parseTrigger(text)
  } catch {
    return null
  }
}

function distinct(triggers: readonly Trigger[]): Trigger[] {
  const found = new Map(triggers.map((t) => [triggerKey(t) as string, t]))
  return [...found.values()]
}

/** Why a text is no key, in a sentence without its end. */
function whyNot(text: string, { naming: { layout } }: Speller): string {
  const short = text.length > 40 ? `${text.slice(0, 40)}…` : text
  if (/(^|[\s+<-])fn([\s+>-]|$)/i.test(text)) return `“${short}” needs Fn, which no program is told of`
  if (/^<?leader>?/i.test(text)) return `“${short}” begins with a key that the program’s settings name`
  if (/\[?\d-\d\]?$|[A-Z]-[A-Z]$|…|\.\.\./.test(text)) return `“${short}” is a range; write each key`
  if (/click|drag|mouse|button|scroll|wheel/i.test(text))
    return `“${short}” is worked by a pointer that is not on the desk`
  const char = /(?:^|[+\s-])(\S)$/u.exec(text)?.[1]
  if (char !== undefined && !/[a-z0-9]/i.test(char)) return `“${char}” is not on the layout ${layout.name}`
  return `“${short}” is no key that is known here`
}
