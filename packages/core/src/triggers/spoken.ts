import { table } from '../table.js'
import { CoreError } from '../errors.js'
import { codeOfCharacter } from './layout.js'
import { modifiers, type Modifier } from './modifiers.js'
import { keyLegend, modifierName, type Naming } from './names.js'
import { chord, parseTrigger, type Trigger } from './trigger.js'

/** Other names of modifiers that people write, whatever the system. Common practice, no source. */
const modifierWords = table<Modifier>({
  ctrl: 'Control',
  control: 'Control',
  shift: 'Shift',
  alt: 'Alt',
  option: 'Alt',
  altgr: 'AltGraph',
  altgraph: 'AltGraph',
  meta: 'Meta',
  super: 'Meta',
  win: 'Meta',
  windows: 'Meta',
  cmd: 'Meta',
  command: 'Meta',
})

/**
 * Reads a trigger as a person writes it: the text of `triggerKey`, or names and legends such as `Ctrl+Shift+U`, `alt ü`.
 * Legends are those of the national layout.
 * @param codes  keys that there are, for legends that are no characters
 * @throws CoreError `TRIGGER_UNREADABLE`
 */
export function readTrigger(text: string, naming: Naming, codes: readonly string[]): Trigger {
  try {
    return parseTrigger(text)
  } catch (error) {
    const named = byNames(text, naming, codes)
    if (named) return named
    throw error instanceof CoreError
      ? new CoreError('TRIGGER_UNREADABLE', {
          where: error.detail.where,
          what: error.detail.what,
          remedy: 'write it as Ctrl+Shift+U, or as Control+Shift+KeyU, or as a control such as pad/k3',
        })
      : error
  }
}

function byNames(text: string, naming: Naming, codes: readonly string[]): Trigger | null {
  // a plus sign at the end is the key itself
  const parts = text
    .trim()
    .split(/\+(?!$)|\s+(?!$)/)
    .map((part) => part.trim())
    .filter(Boolean)
  const key = parts.at(-1)
  if (key === undefined) return null
  const held: Modifier[] = []
  for (const word of parts.slice(0, -1)) {
    const modifier =
      modifierWords[word.toLowerCase()] ??
      modifiers.find((m) => modifierName(m, naming.systemId).toLowerCase() === word.toLowerCase())
    if (!modifier) return null
    held.push(modifier)
  }
  const code =
    codes.find((c) => keyLegend(c, naming.layout, naming.systemId).toLowerCase() === key.toLowerCase()) ??
    codeOfCharacter(naming.layout, key) ??
    codes.find((c) => c.toLowerCase() === key.toLowerCase())
  return code === undefined || code === null ? null : chord(code, held)
}
