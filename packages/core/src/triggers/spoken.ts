import { distance } from 'fastest-levenshtein'
import { CoreError } from '../errors.js'
import { keyWords, type KeyWords } from './key-words.js'
import { codeOfCharacter } from './layout.js'
import { modifiers, type Modifier } from './modifiers.js'
import { keyLegend, modifierName, type Naming } from './names.js'
import { chord, parseTrigger, type Trigger } from './trigger.js'

const english = keyWords()

/**
 * Reads a trigger as a person writes it: the text of `triggerKey`, or names and legends such as `Ctrl+Shift+U`, `alt ü`,
 * `⌘⇧A`, `Strg+Umschalt+M`, `PgDn`, and names of own controls. Legends are those of the national layout.
 * @param codes  keys that there are, for legends that are no characters
 * @throws CoreError `TRIGGER_UNREADABLE` with the nearest that is one
 */
export function readTrigger(text: string, naming: Naming, codes: readonly string[]): Trigger {
  const parsed = parsedTrigger(text, codes)
  if (parsed) return parsed
  const named = byControlName(text, naming) ?? byNames(text, naming, codes)
  if (named) return named
  const near = nearest(text, naming, codes)
  throw new CoreError('TRIGGER_UNREADABLE', {
    where: ['trigger'],
    what: `"${text.slice(0, 60)}" is no key, and cannot be read as a shortcut`,
    remedy:
      near === null
        ? 'write it as Ctrl+Shift+U, or as Control+Shift+KeyU, or as a control such as pad/k3'
        : `did you mean ${near}? Else write it as Ctrl+Shift+U, or as a control such as pad/k3`,
  })
}

/** The text of `triggerKey`; a word in the form of a code that no key has is none. */
function parsedTrigger(text: string, codes: readonly string[]): Trigger | null {
  try {
    const trigger = parseTrigger(text)
    const isCode = !('code' in trigger) || codes.includes(trigger.code) || looksLikeCode(trigger.code)
    return isCode ? trigger : null
  } catch {
    return null
  }
}

/** Codes that boards of other benches have: letters, digits, function keys and the number block. */
const looksLikeCode = (code: string): boolean =>
  /^(Key[A-Z]|Digit\d|F\d{1,2}|Numpad\w+|Intl\w+|(Meta|Control|Shift|Alt)(Left|Right)|Audio\w+|Media\w+|Browser\w+|Launch\w+|Lang\d)$/.test(
    code,
  ) || [...english.codes.values()].includes(code)

function byControlName(text: string, naming: Naming): Trigger | null {
  const wanted = text.trim().toLocaleLowerCase()
  for (const [ref, name] of naming.legends ?? [])
    if (
      /^[^@/]+\/[^/]+$/.test(ref) &&
      !/^(device|popup)\//.test(ref) &&
      name.toLocaleLowerCase() === wanted
    ) {
      const found = parsedTrigger(ref, [])
      if (found) return found
    }
  return null
}

/** Signs of modifiers stand before a key without anything between. */
const signs = /^[⌘⌥⌃⇧]+/

function wordsOf(text: string): string[] {
  const trimmed = text.trim()
  const lead = signs.exec(trimmed)?.[0] ?? ''
  const rest = trimmed.slice(lead.length).trim()
  // a plus sign at the end is the key itself
  const parts = rest.split(/\+(?!$)/).map((part) => part.trim())
  return [...lead, ...parts].filter(Boolean)
}

function byNames(text: string, naming: Naming, codes: readonly string[]): Trigger | null {
  const words = naming.keyWords ?? english
  const held: Modifier[] = []
  let parts = wordsOf(text)
  while (parts.length > 1) {
    const modifier = modifierOf(parts[0] as string, naming, words)
    if (!modifier) return null
    held.push(modifier)
    parts = parts.slice(1)
  }
  const [last] = parts
  if (last === undefined) return null
  const whole = codeOf(last, naming, codes, words)
  if (whole !== null) return chord(whole, held)
  // modifiers with blanks or hyphens between: `ctrl shift u`, `Ctrl-U`
  const split = last.split(/[\s-]+(?!$)/)
  for (let count = 1; count < split.length; count++) {
    const more = split.slice(0, count).map((word) => modifierOf(word, naming, words))
    if (more.includes(null)) return null
    const code = codeOf(split.slice(count).join(' '), naming, codes, words)
    if (code !== null) return chord(code, [...held, ...(more as Modifier[])])
  }
  return null
}

const modifierOf = (word: string, naming: Naming, words: KeyWords): Modifier | null =>
  words.modifiers.get(word.toLocaleLowerCase()) ??
  modifiers.find((m) => modifierName(m, naming.systemId).toLowerCase() === word.toLowerCase()) ??
  null

/** Legends and characters of the layout before words: "Ü" is a key, and "End" is too. */
function codeOf(word: string, naming: Naming, codes: readonly string[], words: KeyWords): string | null {
  const small = word.toLocaleLowerCase()
  return (
    codes.find((c) => keyLegend(c, naming.layout, naming.systemId).toLocaleLowerCase() === small) ??
    codeOfCharacter(naming.layout, word) ??
    words.codes.get(small) ??
    codes.find((c) => c.toLowerCase() === small) ??
    null
  )
}

/** The word that is nearest to what was written, with its modifiers; null where none is near. */
function nearest(text: string, naming: Naming, codes: readonly string[]): string | null {
  const words = naming.keyWords ?? english
  const parts = wordsOf(text)
  const known = new Set([
    ...words.modifiers.keys(),
    ...words.codes.keys(),
    ...codes.map((c) => keyLegend(c, naming.layout, naming.systemId).toLocaleLowerCase()),
    ...[...(naming.legends?.values() ?? [])].map((name) => name.toLocaleLowerCase()),
  ])
  const mended = parts.map((part) => {
    const small = part.toLocaleLowerCase()
    if (known.has(small) || codeOf(part, naming, codes, words) !== null) return part
    const best = [...known]
      .map((word) => ({ word, far: distance(word, small) }))
      .sort((a, b) => a.far - b.far || (a.word < b.word ? -1 : 1))[0]
    return best && best.far <= (small.length < 4 ? 1 : Math.ceil(small.length / 3))
      ? capital(best.word)
      : null
  })
  return mended.length === 0 || mended.includes(null) ? null : mended.join('+')
}

const capital = (word: string): string => word.charAt(0).toLocaleUpperCase() + word.slice(1)
