import { readKeys, type Speller } from '../spelling/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'
import { styleOf, withVariables } from './columns.js'
import type { Columns } from './roles.js'
import { readRate } from '../usage/index.js'
import type { KeyTable } from './table.js'

/** A row as it is understood. */
export interface Entry {
  readonly line: number
  readonly program: string
  readonly context: readonly string[]
  readonly menu: readonly string[]
  readonly name: string
  /** uses an hour; null where the row tells none */
  readonly uses: number | null
  readonly note: string
  readonly triggers: readonly Trigger[]
}

/** What of a row cannot be read. */
export interface Unreadable {
  readonly line: number
  readonly text: string
  readonly why: string
}

export interface Entries {
  readonly entries: readonly Entry[]
  readonly unreadable: readonly Unreadable[]
  /** keys that were read, in all rows */
  readonly keysRead: number
}

const path = /\s*(?:>|›|→|»|▸)\s*/

/** Below this share of readable cells a column holds other settings too, and what looks like no key is none of ours. */
const mixedShare = 0.5
const looksLikeKey = /[+⌘⌥⌃⇧]|<\w+>|\\[eCM]|^F\d|^[CMSA]-/

/**
 * Rows as commands with their keys, by what the columns mean.
 * @param hoursPerDay  active hours of a day, for rates that are a day
 */
export function entriesOf(table: KeyTable, columns: Columns, speller: Speller, hoursPerDay: number): Entries {
  const style = styleOf(table, columns, speller)
  const spells = withVariables(speller, table)
  const at = (role: Columns[number]): number => columns.indexOf(role)
  const keyColumns = columns.flatMap((role, i) => (role === 'keys' ? [i] : []))
  const [command, menu, context, program, uses, note] = (
    ['command', 'menu', 'context', 'program', 'uses', 'note'] as const
  ).map(at) as [number, number, number, number, number, number]
  const names = table.rows.map((r) => r.cells[command] ?? '')
  const parameters = parametersOf(table, columns, command, names)
  const namesArePaths = menu < 0 && names.filter((n) => path.test(n)).length > names.length / 2
  const unreadable: Unreadable[] = []
  const odd: Unreadable[] = []
  let keysRead = 0
  const entries = table.rows.flatMap(({ line, cells }): Entry[] => {
    const cell = (i: number): string => (cells[i] ?? '').trim()
    const texts = keyColumns.map(cell).filter(Boolean)
    const parts = namesArePaths ? cell(command).split(path) : [cell(command)]
    const name = [plainText(parts.at(-1) ?? ''), ...(parameters.length > 0 ? parameters.map(cell) : [])]
      .filter(Boolean)
      .join(' ')
    if (name === '') {
      // a heading inside the table has no name, and a row without a key says nothing
      if (texts.length > 0 && keyColumns.some((i) => isReadable(cell(i))))
        unreadable.push({ line, text: texts.join(', '), why: 'the row has keys, and no name' })
      return []
    }
    if (name.length > 120) {
      unreadable.push({ line, text: `${name.slice(0, 40)}…`, why: 'the name is longer than 120 characters' })
      return []
    }
    const triggers = new Map<string, Trigger>()
    for (const text of texts) {
      const read = readKeys(text, spells, style)
      if ('why' in read) {
        ;(looksLikeKey.test(text) ? unreadable : odd).push({ line, text: text.slice(0, 120), why: read.why })
        continue
      }
      keysRead += read.triggers.length
      for (const trigger of read.triggers) triggers.set(triggerKey(trigger), trigger)
    }
    const rate = cell(uses)
    const rated = rate === '' ? null : readRate(rate, hoursPerDay)
    if (rate !== '' && rated === null)
      unreadable.push({
        line,
        text: rate.slice(0, 40),
        why: 'it is no number of uses; write 12, 5/h or 300 a day',
      })
    return [
      {
        line,
        program: plainText(cell(program)),
        context: cell(context)
          .split(/\s*[;,]\s*|\s+\/\s+|\n/)
          .map(plainText)
          .filter((word) => word !== '' && !/^(?:everywhere|global|all|any|\*)$/i.test(word))
          .slice(0, 20),
        menu: [...cell(menu).split(path), ...(menu < 0 ? parts.slice(0, -1) : [])]
          .map(plainText)
          .filter(Boolean)
          .slice(0, 8),
        name,
        uses: rated,
        note: cell(note).slice(0, 2000),
        triggers: [...triggers.values()],
      },
    ]
  })
  // of a column that is all keys, what cannot be read is told; of one that holds other settings, only what looks like a key
  if (keysRead >= odd.length * (mixedShare / (1 - mixedShare))) unreadable.push(...odd)
  return { entries, unreadable: unreadable.sort((a, b) => a.line - b.line), keysRead }

  function isReadable(text: string): boolean {
    const read = readKeys(text, spells, style)
    return 'triggers' in read && read.triggers.length > 0
  }
}

/** Columns that tell rows of one action apart, where a nested form has the action and what it is given beside each other. */
function parametersOf(
  table: KeyTable,
  columns: Columns,
  command: number,
  names: readonly string[],
): readonly number[] {
  const around = /^(.*\.)[^.]*$/.exec(table.columns[command] ?? '')?.[1]
  if (around === undefined || new Set(names).size > names.length * 0.8) return []
  return table.columns.flatMap((name, i) =>
    i !== command && columns[i] === 'ignore' && name.startsWith(around) ? [i] : [],
  )
}

/** A name without marks of its form and ends that are only typography. */
const plainText = (text: string): string =>
  text
    .replace(/<[^>]{1,60}>/g, '')
    .replace(/[*_`]{1,2}([^*_`]+)[*_`]{1,2}/g, '$1')
    .replace(/\s+/g, ' ')
    .replace(/\s*(?:…|\.{3}|:)$/, '')
    .trim()
