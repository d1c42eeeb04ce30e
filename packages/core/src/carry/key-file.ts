import { escapeUTF8 } from 'entities'
import { entriesOf, readTextTables, styleOf, withVariables, type FoundTable } from '../key-tables/index.js'
import type { Command } from '../commands/index.js'
import type { Placed } from '../plan/index.js'
import { readKeys, type Speller } from '../spelling/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'
import { keyWriter, type KeyWriter, type SpeltChord } from './key-writer.js'

/** A line that changes: what it was, and what it becomes; null where it comes or goes. */
export interface ChangedLine {
  /** of the file as it was, from 1 */
  readonly line: number
  readonly was: string | null
  readonly becomes: string | null
}

/** A trigger that the file cannot say, and why. */
export interface Unsaid {
  readonly command: Command
  readonly trigger: Trigger
  readonly why:
    | 'no key of a keyboard'
    | 'this form has no word for it'
    | 'its action is not in the file'
    | 'it reads otherwise'
}

/** A key file written over for an arrangement. */
export interface RewrittenFile {
  readonly text: string
  readonly changes: readonly ChangedLine[]
  readonly unsaid: readonly Unsaid[]
  /** commands of the program that the file names */
  readonly found: number
}

interface Row {
  /** of the file, from 1 */
  readonly line: number
  /** the key as it stands there */
  readonly cell: string
  /** signs of markup are written as entities there */
  readonly isMarkup: boolean
  readonly command: Command
  readonly triggers: readonly Trigger[]
}

const plain = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

/**
 * Writes an arrangement over a program's own key file, in the form and spelling of the file, changing only lines whose keys change.
 * Comments, order, quotes and line ends stay as they are.
 * @param commands  of the program; they are found in the file by their names
 * @throws CoreError `TABLE_EMPTY` or `TABLE_UNREADABLE` when no keys are found in the file
 */
export function rewriteKeyFile(
  text: string,
  fileName: string,
  commands: readonly Command[],
  placements: readonly Placed[],
  speller: Speller,
): RewrittenFile {
  const found = readTextTables(text, fileName, speller)[0] as FoundTable
  const lines = text.split('\n')
  const rows = rowsOf(found, commands, speller, lines)
  const writer = writerOf(found, speller)
  const edits = new Map<number, { becomes: string | null; added: string[] }>()
  const unsaid: Unsaid[] = []
  const editOf = (line: number) => {
    const known = edits.get(line)
    if (known) return known
    const made = { becomes: lines[line - 1] ?? '', added: [] as string[] } as {
      becomes: string | null
      added: string[]
    }
    edits.set(line, made)
    return made
  }
  for (const command of commands) {
    const own = rows.filter((r) => r.command.id === command.id)
    const wanted = wantedOf(command, placements)
    const sayable = wanted.filter((t) => {
      const why = whyUnsaid(t, own, writer)
      if (why) unsaid.push({ command, trigger: t, why })
      return why === null
    })
    writeCommand(own, sayable, writer, editOf)
  }
  const out = lines.flatMap((line, i) => {
    const change = edits.get(i + 1)
    if (!change) return [line]
    return [...(change.becomes === null ? [] : [change.becomes]), ...change.added]
  })
  const rewritten = out.join('\n')
  const changes = [...edits]
    .sort(([a], [b]) => a - b)
    .flatMap(([line, { becomes, added }]): ChangedLine[] => [
      ...(becomes === lines[line - 1] ? [] : [{ line, was: lines[line - 1] ?? '', becomes }]),
      ...added.map((text_) => ({ line, was: null, becomes: text_ })),
    ])
  return {
    text: rewritten,
    changes,
    unsaid: [...unsaid, ...misread(rewritten, fileName, commands, placements, speller, unsaid)],
    found: new Set(rows.map((r) => r.command.id)).size,
  }
}

const wantedOf = (command: Command, placements: readonly Placed[]): Trigger[] => [
  ...new Map(
    placements.filter((p) => p.commandId === command.id).map((p) => [triggerKey(p.trigger), p.trigger]),
  ).values(),
]

function whyUnsaid(trigger: Trigger, own: readonly Row[], writer: KeyWriter): Unsaid['why'] | null {
  if (trigger.kind !== 'chord' && trigger.kind !== 'sequence') return 'no key of a keyboard'
  if (own.length === 0) return 'its action is not in the file'
  return writer.write(trigger) === null ? 'this form has no word for it' : null
}

/** Rows of the file whose names are those of commands, with the lines on which their keys stand. */
function rowsOf(
  { table, columns }: FoundTable,
  commands: readonly Command[],
  speller: Speller,
  lines: readonly string[],
): Row[] {
  const named = byName(commands)
  const keys = columns.indexOf('keys')
  const placeOf = new Map<number, Pick<Row, 'line' | 'cell' | 'isMarkup'>>()
  let from = 0
  for (const { line, cells } of table.rows) {
    const place = placeIn(lines, line, cells[keys] ?? '', from)
    if (!place) continue
    placeOf.set(line, place)
    from = place.line - 1
  }
  return entriesOf(table, columns, speller, 1).entries.flatMap((e): Row[] => {
    const command = named(e.name)
    const place = placeOf.get(e.line)
    // what cannot be read is left alone
    return command && place && e.triggers.length > 0 ? [{ ...place, command, triggers: e.triggers }] : []
  })
}

/** A command by its name as it stands, else by its words alone where only one has them. */
function byName(commands: readonly Command[]): (name: string) => Command | undefined {
  const exact = new Map<string, Command>()
  const loose = new Map<string, Command | null>()
  for (const c of commands)
    for (const name of new Set([c.name, c.id, [c.name, c.parameter].filter(Boolean).join(' ')])) {
      exact.set(name.toLowerCase(), c)
      const known = loose.get(plain(name))
      loose.set(plain(name), known === undefined || known === c ? c : null)
    }
  return (name) => exact.get(name.toLowerCase()) ?? loose.get(plain(name)) ?? undefined
}

/** Where a row's key stands: on its own line, or, in forms whose rows have none, on the next line that has it. */
function placeIn(
  lines: readonly string[],
  line: number,
  cell: string,
  from: number,
): Pick<Row, 'line' | 'cell' | 'isMarkup'> | null {
  if (cell === '') return null
  if (lines[line - 1]?.includes(cell) === true) return { line, cell, isMarkup: false }
  const escaped = escapeUTF8(cell)
  const at = lines.findIndex((l, i) => i >= from && (l.includes(cell) || l.includes(escaped)))
  if (at < 0) return null
  const isMarkup = !(lines[at] as string).includes(cell)
  return { line: at + 1, cell: isMarkup ? escaped : cell, isMarkup }
}

/** Learns the file's spelling from all its rows. */
function writerOf({ table, columns }: FoundTable, speller: Speller): KeyWriter {
  const style = styleOf(table, columns, speller)
  const spells = withVariables(speller, table)
  const reads = (cell: string): Trigger | null => {
    const read = readKeys(cell, spells, style)
    return 'triggers' in read && read.triggers.length === 1 ? (read.triggers[0] as Trigger) : null
  }
  const keys = columns.indexOf('keys')
  const samples: SpeltChord[] = []
  const sequences: string[] = []
  for (const { cells } of table.rows)
    for (const text of [cells[keys] ?? '', ...(cells[keys] ?? '').split(listSign)]) {
      const read = text.trim() === '' ? null : reads(text.trim())
      if (read?.kind === 'chord') samples.push({ text: text.trim(), chord: read })
      if (read?.kind === 'sequence') sequences.push(text.trim())
    }
  return keyWriter(samples, sequences, reads)
}

const listSign = /\s*[,;|]\s+|\s+or\s+/

/** The rows of one command as it should be: kept where they are right, written over, added after the last, or taken out. */
function writeCommand(
  own: readonly Row[],
  wanted: readonly Trigger[],
  writer: KeyWriter,
  editOf: (line: number) => { becomes: string | null; added: string[] },
): void {
  const [first] = own
  if (!first) return
  const keys = new Set<string>(wanted.map(triggerKey))
  const isRight = (row: Row): boolean => row.triggers.every((t) => keys.has(triggerKey(t)))
  const had = new Set<string>(own.flatMap((r) => r.triggers.map(triggerKey)))
  let missing = wanted.filter((t) => !had.has(triggerKey(t)))
  if (own.every(isRight) && missing.length === 0) return
  const textOf = (t: Trigger): string => {
    const written = writer.write(t) as string
    return first.isMarkup ? escapeUTF8(written) : written
  }
  // a cell that lists several keys is written over as a list
  if (own.some((r) => r.triggers.length > 1) && own.length === 1) {
    const sign = listSign.exec(first.cell)?.[0] ?? ', '
    replaceIn(editOf(first.line), first.cell, wanted.length > 0 ? wanted.map(textOf).join(sign) : null)
    return
  }
  for (const row of own.filter((r) => !isRight(r))) {
    const [next, ...others] = missing
    missing = others
    replaceIn(editOf(row.line), row.cell, next ? textOf(next) : null)
  }
  const last = own.at(-1) as Row
  const edit = editOf(last.line)
  for (const t of missing) {
    const copy = { becomes: edit.becomes ?? '', added: [] }
    replaceIn(copy, edit.becomes?.includes(last.cell) ? last.cell : textOf(wanted[0] as Trigger), textOf(t))
    edit.added.push(copy.becomes)
  }
}

/** Puts a key's text in place of another within a line; null takes the line out. */
function replaceIn(edit: { becomes: string | null }, cell: string, text: string | null): void {
  if (text === null || edit.becomes === null) {
    edit.becomes = null
    return
  }
  const at = keyAt(edit.becomes, cell)
  if (at >= 0) edit.becomes = edit.becomes.slice(0, at) + text + edit.becomes.slice(at + cell.length)
}

/** Where a key's text stands in a line: with no letter or figure beside it, as far as there is such a place. */
function keyAt(line: string, cell: string): number {
  for (let at = line.indexOf(cell); at >= 0; at = line.indexOf(cell, at + 1)) {
    const [before, after] = [line[at - 1] ?? ' ', line[at + cell.length] ?? ' ']
    if (!/[\p{L}\p{N}_]/u.test(before) && !/[\p{L}\p{N}_]/u.test(after)) return at
  }
  return line.indexOf(cell)
}

/** What the written file does not say, although it should. */
function misread(
  text: string,
  fileName: string,
  commands: readonly Command[],
  placements: readonly Placed[],
  speller: Speller,
  known: readonly Unsaid[],
): Unsaid[] {
  const isKnown = new Set(known.map((u) => `${u.command.id} ${triggerKey(u.trigger)}`))
  let rows: readonly Row[]
  try {
    rows = rowsOf(
      readTextTables(text, fileName, speller)[0] as FoundTable,
      commands,
      speller,
      text.split('\n'),
    )
  } catch {
    rows = []
  }
  const says = new Set(rows.flatMap((r) => r.triggers.map((t) => `${r.command.id} ${triggerKey(t)}`)))
  return commands.flatMap((command) =>
    wantedOf(command, placements).flatMap((trigger): Unsaid[] => {
      const key = `${command.id} ${triggerKey(trigger)}`
      return says.has(key) || isKnown.has(key) ? [] : [{ command, trigger, why: 'it reads otherwise' }]
    }),
  )
}
