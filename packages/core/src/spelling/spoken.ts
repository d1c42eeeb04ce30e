import { distance } from 'fastest-levenshtein'
import { CoreError } from '../errors.js'
import { keyLegend, keyWords, parseTrigger, type Naming, type Trigger } from '../triggers/index.js'
import { oneTrigger } from './cell.js'
import { chordOf } from './chord.js'

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
  const named = oneTrigger(text, { naming, codes })
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

/** The word that is nearest to what was written, with its modifiers; null where none is near. */
function nearest(text: string, naming: Naming, codes: readonly string[]): string | null {
  const words = naming.keyWords ?? english
  const parts = wordsOf(text)
  const held = new Set(words.modifiers.keys())
  const known = new Set([
    ...held,
    ...words.codes.keys(),
    ...codes.map((c) => keyLegend(c, naming.layout, naming.systemId).toLocaleLowerCase()),
    ...[...(naming.legends?.values() ?? [])].map((name) => name.toLocaleLowerCase()),
  ])
  const mended = parts.map((part, i) => {
    const small = part.toLocaleLowerCase()
    if (known.has(small) || chordOf(part, { naming, codes }) !== null) return part
    // before the key stand modifiers
    const best = [...(i < parts.length - 1 ? held : known)]
      .map((word) => ({ word, far: distance(word, small) }))
      .sort((a, b) => a.far - b.far || (a.word < b.word ? -1 : 1))[0]
    return best && best.far <= (small.length < 4 ? 1 : Math.ceil(small.length / 3))
      ? capital(best.word)
      : null
  })
  return mended.length === 0 || mended.includes(null) ? null : mended.join('+')
}

const capital = (word: string): string => word.charAt(0).toLocaleUpperCase() + word.slice(1)
