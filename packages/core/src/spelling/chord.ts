import { table } from '../table.js'
import {
  chord,
  codeOfCharacter,
  isModifierCode,
  keyLegend,
  keyTrigger,
  keyWords,
  modifierName,
  modifiers,
  type Act,
  type Chord,
  type Modifier,
  type NationalLayout,
  type Naming,
  type Trigger,
} from '../triggers/index.js'
import { hasEscapes, pressesOf, type Press } from './escapes.js'
import { plainStyle, type Speller, type SpellingStyle } from './style.js'

const english = keyWords()

/** Letters that stand for a modifier before a hyphen. */
const prefixes = table<Modifier>({
  C: 'Control',
  S: 'Shift',
  M: 'Alt',
  A: 'Alt',
  W: 'Meta',
  s: 'Meta',
  D: 'Meta',
  c: 'Control',
  m: 'Alt',
  a: 'Alt',
})
const signModifiers = table<Modifier>({
  '⌘': 'Meta',
  '⌥': 'Alt',
  '⌃': 'Control',
  '⇧': 'Shift',
  '^': 'Control',
  '@': 'Meta',
  '~': 'Alt',
  $: 'Shift',
})

/** One or several chords that are pressed one after another, from a text without alternatives; null for none. */
export function chordsOf(text: string, speller: Speller, style: SpellingStyle): Chord[] | null {
  const plain = chordOf(text, speller, style)
  if (plain) return [plain]
  if (!hasEscapes(text)) return null
  const presses = pressesOf(text)
  const chords = presses?.map((press) => ofPress(press, speller)) ?? []
  return chords.length > 0 && chords.length <= 4 && !chords.includes(null) ? (chords as Chord[]) : null
}

function ofPress({ held, code, char }: Press, { naming: { layout } }: Speller): Chord | null {
  if (code !== undefined) return chord(code, held)
  const at = keyTyping(char ?? '', layout)
  return at && chord(at.code, [...held, ...at.held])
}

/** One chord in any of the spellings, or null. */
export function chordOf(text: string, speller: Speller, style: SpellingStyle = plainStyle): Chord | null {
  const trimmed = text.trim().replace(/[‐‑−]/g, '-')
  if (trimmed === '' || trimmed.length > 80) return null
  return (
    inBrackets(trimmed, speller, style) ??
    bySigns(trimmed, speller, style) ??
    byWords(trimmed, [], speller, style)
  )
}

/** `<Control><Shift>a`, `<F5>`, `<C-x>`. */
function inBrackets(text: string, speller: Speller, style: SpellingStyle): Chord | null {
  if (!text.startsWith('<') || text.length < 3) return null
  const held: Modifier[] = []
  let rest = text
  for (let found = /^<([^<>\s]+)>/.exec(rest); found; found = /^<([^<>\s]+)>/.exec(rest)) {
    const inner = found[1] as string
    const after = rest.slice(found[0].length)
    const modifier = modifierOf(inner, speller)
    if (!modifier) {
      const key = after === '' ? (chordOf(inner, speller, style) ?? null) : null
      return key && chord(key.code, [...held, ...key.modifiers])
    }
    held.push(modifier)
    rest = after
  }
  return held.length > 0 && rest !== '' ? keyWith(rest, held, speller, style) : null
}

/** Signs of modifiers stand before a key without anything between: `⌘⇧A`, `^A`, `@~f`. */
function bySigns(text: string, speller: Speller, style: SpellingStyle): Chord | null {
  const lead =
    (style.signsAreModifiers ? /^[@~^$⌘⌥⌃⇧]+(?=.)/u : /^(?:[⌘⌥⌃⇧]|\^(?=.+))+/u).exec(text)?.[0] ?? ''
  const rest = text.slice(lead.length).replace(/^\+/, '').trim()
  // as terminals show the erase key
  if (lead === '' || rest === '' || text === '^?') return null
  const held = [...lead].map((sign) => signModifiers[sign] as Modifier)
  // without signs of modifiers, a caret before more than a character is none
  if (lead === '^' && [...rest].length > 1 && characterWord(rest, speller, true) === null) return null
  return byWords(rest, held, speller, style)
}

/** Modifiers in words or letters with a plus sign, a hyphen or blanks between, then the key. */
function byWords(
  text: string,
  before: readonly Modifier[],
  speller: Speller,
  style: SpellingStyle,
): Chord | null {
  const whole = keyWith(text, before, speller, style)
  if (whole) return whole
  // two words may be one modifier: Alt Gr, Windows key
  for (const pattern of [/^(\S+?)(\s*[+-]\s*|\s+|_)(?=\S)/, /^(\S+\s+\S+?)(\s*[+-]\s*|\s+)(?=\S)/]) {
    const found = pattern.exec(text)
    if (!found) continue
    const [all, word = '', between = ''] = found
    const modifier = modifierOf(word, speller) ?? (between === '-' ? (prefixes[word] ?? null) : null)
    if (!modifier) continue
    // Meta before a hyphen is what keyboards of terminals had, and Alt today
    const held = between === '-' && word.toLowerCase() === 'meta' ? 'Alt' : modifier
    const read = byWords(text.slice(all.length), [...before, held], speller, style)
    if (read) return read
  }
  return null
}

/** A modifier by its name in any language, the system's name of it, or a key file's variable. */
function modifierOf(word: string, { naming, variables }: Speller): Modifier | null {
  const named = variables?.get(word) ?? word
  const small = named.toLocaleLowerCase()
  if (small === 'primary' || small === 'mod' || small === 'cmdorctrl' || small === 'commandorcontrol')
    return naming.systemId === 'macos' ? 'Meta' : 'Control'
  return (
    (naming.keyWords ?? english).modifiers.get(small.replace(/_/g, ' ')) ??
    (naming.keyWords ?? english).modifiers.get(small) ??
    modifiers.find((m) => modifierName(m, naming.systemId).toLocaleLowerCase() === small) ??
    null
  )
}

function keyWith(
  text: string,
  held: readonly Modifier[],
  speller: Speller,
  style: SpellingStyle,
): Chord | null {
  const key = keyOf(text, speller, held.length > 0 || style.isAfterKey === true)
  if (!key || (isModifierCode(key.code) && held.length > 0)) return null
  const isCapital =
    style.capitalIsShift &&
    [...text].length === 1 &&
    text !== text.toLocaleLowerCase() &&
    key.held.length === 0
  return chord(key.code, [...held, ...key.held, ...(isCapital ? ['Shift' as const] : [])])
}

interface Key {
  readonly code: string
  readonly held: readonly Modifier[]
}

interface Lookups {
  readonly codes: readonly string[]
  /** codes by what is printed on their keys, in small letters */
  readonly legends: ReadonlyMap<string, string>
  /** codes by themselves in small letters, but for those of letters, which are words in small letters */
  readonly names: ReadonlyMap<string, string>
}
const lookups = new WeakMap<Naming, Lookups>()

function lookupsOf({ naming, codes }: Speller): Lookups {
  const known = lookups.get(naming)
  if (known?.codes === codes) return known
  const legends = new Map<string, string>()
  const names = new Map<string, string>()
  for (const code of codes) {
    const legend = keyLegend(code, naming.layout, naming.systemId).toLocaleLowerCase()
    if (!legends.has(legend)) legends.set(legend, code)
    if (!/^Key[A-Z]$/.test(code)) names.set(code.toLowerCase(), code)
  }
  const made = { codes, legends, names }
  lookups.set(naming, made)
  return made
}
const legendsOf = (speller: Speller): Lookups['legends'] => lookupsOf(speller).legends
const codesOf = (speller: Speller): Lookups['names'] => lookupsOf(speller).names

const bare = (code: string): Key => ({ code, held: [] })

/** A key by its character, legend, name or code. */
function keyOf(text: string, speller: Speller, isHeld: boolean): Key | null {
  const { naming } = speller
  const words = naming.keyWords ?? english
  const char = [...text].length === 1 ? keyTyping(text, naming.layout) : null
  if (char) return char
  const small = text
    .toLocaleLowerCase()
    .replace(/[\s_]+/g, ' ')
    .replace(/^the /, '')
    .trim()
  // a keysym: with a blank it is the modifier and a letter
  const side = /^(Shift|Control|Alt|Super|Meta)_([LR])$/i.exec(text)
  if (side) return bare(`${sideNames[small.split(' ')[0] ?? ''] ?? ''}${/l$/i.test(text) ? 'Left' : 'Right'}`)
  const numpad = numpadCode(small)
  if (numpad !== null) return bare(numpad)
  const code =
    legendsOf(speller).get(small) ??
    words.codes.get(small) ??
    words.codes.get(small.replace(/ key$/, '')) ??
    words.codes.get(text.toLocaleLowerCase()) ??
    (/^Key[A-Z]$/.test(text) ? text : codesOf(speller).get(text.toLowerCase()))
  if (code !== undefined) return bare(code)
  if (small === 'iso left tab') return { code: 'Tab', held: ['Shift'] }
  // in tables of commands these are commands
  const also = isHeld ? alsoCommands[small] : undefined
  if (also !== undefined) return bare(also)
  const named = characterWord(text, speller, isHeld)
  return named === null ? null : keyTyping(named, naming.layout)
}

/** Keys whose words are those of commands: only after a modifier or another key. */
const alsoCommands = table<string>({
  prior: 'PageUp',
  next: 'PageDown',
  back: 'BrowserBack',
  forward: 'BrowserForward',
  refresh: 'BrowserRefresh',
  help: 'Help',
  undo: 'Undo',
  again: 'Again',
  copy: 'Copy',
  cut: 'Cut',
  paste: 'Paste',
  open: 'Open',
  find: 'Find',
})

/** Names of characters in English, beside those of configuration files. Common practice, no source. */
const characterWords = table<string>({
  dash: '-',
  hyphen: '-',
  dot: '.',
  'full stop': '.',
  'forward slash': '/',
  'back slash': '\\',
  tilde: '~',
  backquote: '`',
  backtick: '`',
  quote: "'",
  equals: '=',
  'equal sign': '=',
  'plus sign': '+',
  'minus sign': '-',
  'left bracket': '[',
  'right bracket': ']',
  'question mark': '?',
  'exclamation mark': '!',
  pipe: '|',
})
function characterWord(text: string, { naming }: Speller, isHeld: boolean): string | null {
  const names = (naming.keyWords ?? english).characters
  const small = text.toLocaleLowerCase()
  // alone, a word of a language is that word
  const word = isHeld ? characterWords[small.replace(/_/g, ' ')] : undefined
  return names.get(text) ?? names.get(small) ?? word ?? null
}

const sideNames = table<string>({
  shift: 'Shift',
  control: 'Control',
  alt: 'Alt',
  super: 'Meta',
  meta: 'Meta',
})

const numpadSigns = table<string>({
  '+': 'Add',
  add: 'Add',
  plus: 'Add',
  '-': 'Subtract',
  '−': 'Subtract',
  subtract: 'Subtract',
  minus: 'Subtract',
  '*': 'Multiply',
  '×': 'Multiply',
  multiply: 'Multiply',
  asterisk: 'Multiply',
  '/': 'Divide',
  '÷': 'Divide',
  divide: 'Divide',
  slash: 'Divide',
  '.': 'Decimal',
  ',': 'Decimal',
  decimal: 'Decimal',
  separator: 'Decimal',
  period: 'Decimal',
  del: 'Decimal',
  delete: 'Decimal',
  enter: 'Enter',
  return: 'Enter',
  equal: 'Equal',
  '=': 'Equal',
  end: '1',
  down: '2',
  'page down': '3',
  pagedown: '3',
  next: '3',
  left: '4',
  begin: '5',
  center: '5',
  right: '6',
  home: '7',
  up: '8',
  'page up': '9',
  pageup: '9',
  prior: '9',
  ins: '0',
  insert: '0',
})
function numpadCode(small: string): string | null {
  const found =
    /^(?:num|numpad|num pad|numeric keypad|number pad|keypad|kp|key pad|ziffernblock|pavé num|zahlenblock)\s?(.+)$/.exec(
      small,
    )
  const rest = found?.[1]?.trim()
  if (rest === undefined || rest === 'lock') return null
  if (rest === 'space' || rest === 'tab') return rest === 'tab' ? 'Tab' : 'Space'
  if (/^\d$/.test(rest)) return `Numpad${rest}`
  const sign = numpadSigns[rest]
  return sign === undefined ? null : `Numpad${sign}`
}

/** Characters that dead keys make by themselves. */
const deadSigns = table<string>({
  '^': 'circumflex',
  '`': 'grave',
  '´': 'acute',
  "'": 'acute',
  '~': 'tilde',
  '¨': 'diaeresis',
  '"': 'diaeresis',
  '¸': 'cedilla',
  '°': 'abovering',
})
const levels: readonly (readonly Modifier[])[] = [[], ['Shift'], ['AltGraph'], ['Shift', 'AltGraph']]

/** The key that types a character on a layout, with what is held for it; null where none does. */
export function keyTyping(char: string, layout: NationalLayout): Key | null {
  const code = codeOfCharacter(layout, char)
  if (code !== null) return bare(code)
  const small = char.toLocaleLowerCase()
  const dead = deadSigns[char]
  for (const wanted of [char, small, ...(dead === undefined ? [] : [`dead:${dead}`])])
    for (const [level, held] of levels.entries())
      for (const [at, chars] of Object.entries(layout.keys))
        if (chars[level] === wanted && !(level > 1 && !layout.altGraph)) return { code: at, held }
  return char === ' ' ? bare('Space') : null
}

const actPatterns: readonly [RegExp, Act][] = [
  [/\s*(?:\((?:hold|held|long press)\)|\b(?:hold|held|long press))$/i, 'hold'],
  [/\s*(?:\((?:twice|double(?: tap| press)?|x2)\)|\b(?:twice|x2|double tap|double press))$/i, 'tap2'],
]

/** A key worked otherwise than by one press: `F5 hold`, `Shift twice`. */
export function workedKey(text: string, speller: Speller, style: SpellingStyle): Trigger | null {
  for (const [pattern, act] of actPatterns) {
    const rest = text.replace(pattern, '')
    if (rest === text || rest.trim() === '') continue
    const read = chordOf(rest, speller, style)
    if (read) return keyTrigger(read.code, act, read.modifiers)
  }
  return null
}
