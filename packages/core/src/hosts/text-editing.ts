import {
  chord,
  codeOfCharacter,
  isModifier,
  triggerKey,
  type Chord,
  type NationalLayout,
  type SystemId,
  type TriggerKey,
} from '../triggers/index.js'
import { table } from '../table.js'

interface StandardKey {
  readonly modifiers: readonly string[]
  readonly key: string
}

/** A standard action with its keys on each system, as the published table has it. */
export interface StandardAction {
  readonly action: string
  readonly windows: readonly StandardKey[]
  readonly macos: readonly StandardKey[]
  readonly kde: readonly StandardKey[]
  readonly gnome: readonly StandardKey[]
}

/** Actions of a text field: moving, selecting, deleting, and what is cut and pasted there. */
const isOfText = (action: string): boolean =>
  /^(MoveTo|Select|DeleteStart|DeleteEnd|DeleteComplete|Insert)/.test(action) ||
  ['Cut', 'Copy', 'Paste', 'Undo', 'Redo', 'Delete', 'Backspace'].includes(action)

/** The table's words for keys that are no characters. */
const codes = table<string>({
  Ins: 'Insert',
  Insert: 'Insert',
  Del: 'Delete',
  Delete: 'Delete',
  Backspace: 'Backspace',
  Left: 'ArrowLeft',
  Right: 'ArrowRight',
  Up: 'ArrowUp',
  Down: 'ArrowDown',
  Home: 'Home',
  End: 'End',
  PgUp: 'PageUp',
  PgDown: 'PageDown',
  PgDn: 'PageDown',
  Enter: 'Enter',
  Return: 'Enter',
  Esc: 'Escape',
  Escape: 'Escape',
  Tab: 'Tab',
  Space: 'Space',
  Help: 'Help',
})

const signs = table<string>({ Plus: '+', Minus: '-', Comma: ',', Period: '.' })

/** Systems of the table; desktops without a column of their own work as GNOME does. */
const columnOf = (systemId: SystemId): 'windows' | 'macos' | 'kde' | 'gnome' =>
  systemId === 'windows' || systemId === 'macos' || systemId === 'kde' ? systemId : 'gnome'

/** The chord of a key of the table on a layout; null for a key that no board has. */
export function standardChord({ modifiers: held, key }: StandardKey, layout: NationalLayout): Chord | null {
  const code =
    codes[key] ?? (/^F\d+$/.test(key) ? key : codeOfCharacter(layout, signs[key] ?? key.toLowerCase()))
  return code === null || !held.every(isModifier) ? null : chord(code, held)
}

/** The keys of each standard action on a system. */
export const standardChords = (
  actions: readonly StandardAction[],
  layout: NationalLayout,
  systemId: SystemId,
): readonly { readonly action: string; readonly chords: readonly Chord[] }[] =>
  actions.map((row) => ({
    action: row.action,
    chords: row[columnOf(systemId)].flatMap((key) => standardChord(key, layout) ?? []),
  }))

/** An identifier of the table in words: `DeleteStartOfWord` → `delete start of word`. */
export const actionInWords = (action: string): string =>
  action.replace(/(?<=[a-z])(?=[A-Z])/g, ' ').toLowerCase()

/** Trigger key → what it does in a text field, in words of the table. */
export function textActions(
  actions: readonly StandardAction[],
  layout: NationalLayout,
  systemId: SystemId,
): ReadonlyMap<TriggerKey, string> {
  const out = new Map<TriggerKey, string>()
  for (const { action, chords } of standardChords(actions, layout, systemId)) {
    if (!isOfText(action)) continue
    for (const sent of chords)
      if (!out.has(triggerKey(sent))) out.set(triggerKey(sent), actionInWords(action))
  }
  return out
}
