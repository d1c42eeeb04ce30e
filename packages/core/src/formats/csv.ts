import Papa from 'papaparse'
import { csvSeparator } from '../csv-separator.js'
import { CoreError, type CoreErrorCode } from '../errors.js'

/** Largest CSV that is read, in bytes. */
export const maxCsvBytes = 20_000_000
/** Most rows that are read. */
export const maxCsvRows = 20_000

/** A line that cannot be used, and why. */
export interface BadLine {
  /** line of the file, the heading being line 1 */
  readonly line: number
  readonly column: string
  readonly message: string
}

export interface CsvRow<Column extends string> {
  readonly line: number
  /** trimmed cells; '' for a column that the file does not have */
  readonly cells: Readonly<Record<Column, string>>
}

/**
 * Rows of a CSV (RFC 4180; comma, semicolon or tab) with a heading line, by column name.
 * @throws CoreError `CSV_EMPTY`, `CSV_COLUMN_UNKNOWN`, `CSV_COLUMN_MISSING`, `CSV_TOO_LONG`, `CSV_UNREADABLE`
 */
export function readCsv<Column extends string>(
  text: string,
  columns: readonly Column[],
  required: readonly Column[],
  fileName: string,
): CsvRow<Column>[] {
  const fail = (code: CoreErrorCode, where: string, what: string, remedy: string): never => {
    throw new CoreError(code, { where: [fileName, where], what, remedy })
  }
  const clean = text.replace(/^\uFEFF/, '')
  if (clean.trim() === '')
    fail('CSV_EMPTY', 'line 1', 'the file is empty', `begin it with the heading ${columns.join(',')}`)
  const parsed = Papa.parse<string[]>(clean, {
    header: false,
    skipEmptyLines: false,
    delimiter: csvSeparator(clean, columns),
  })
  const broken = parsed.errors.find((e) => e.type === 'Quotes')
  if (broken)
    fail(
      'CSV_UNREADABLE',
      `row ${(broken.row ?? 0) + 1}`,
      'a quotation mark is not closed or stands inside a cell',
      'put cells with quotation marks in quotation marks and double the inner ones',
    )
  const [heading = [], ...body] = parsed.data
  const at = new Map<string, number>()
  heading.forEach((cell, i) => {
    const column = columns.find((c) => c.toLowerCase() === cell.trim().toLowerCase())
    if (column === undefined)
      fail(
        'CSV_COLUMN_UNKNOWN',
        'line 1',
        `there is no column "${cell.slice(0, 40)}"`,
        `use only ${columns.join(', ')}`,
      )
    else at.set(column, i)
  })
  const missing = required.find((c) => !at.has(c))
  if (missing !== undefined)
    fail(
      'CSV_COLUMN_MISSING',
      'line 1',
      `the column "${missing}" is missing`,
      `add it to the heading; needed are ${required.join(', ')}`,
    )
  const rows: CsvRow<Column>[] = []
  const lineBreaks = (cells: readonly string[]): number =>
    cells.reduce((s, cell) => s + (cell.match(/\n/g)?.length ?? 0), 0)
  let line = 2 + lineBreaks(heading)
  for (const cells of body) {
    if (cells.some((cell) => cell.trim() !== '')) {
      const named = Object.fromEntries(columns.map((c) => [c, unguarded(cells[at.get(c) ?? -1] ?? '')]))
      rows.push({ line, cells: named as Record<Column, string> })
    }
    line += 1 + lineBreaks(cells)
  }
  if (rows.length > maxCsvRows) {
    fail(
      'CSV_TOO_LONG',
      `line ${(rows[maxCsvRows] as CsvRow<Column>).line}`,
      `the file has ${rows.length} rows; at most ${maxCsvRows} are read`,
      'split it',
    )
  }
  return rows
}

/**
 * Signs with which spreadsheets begin a formula, full-width ones too, also behind blanks; and blanks at an end, which
 * would be lost.
 */
const risky = /^\s*[=+\-@＝＋－＠]|^\s|\s$/u

/** Whether a cell is written with an apostrophe before it: where it is risky, or reading would take it for guarded. */
const isGuarded = (cell: string): boolean => {
  const inner = cell.replace(/^'+/, '')
  return risky.test(inner) || risky.test(cell)
}

const guarded = (cell: string): string => (isGuarded(cell) ? `'${cell}` : cell)

/** The cell as it was before it was guarded; blanks around other cells do not count. */
const unguarded = (cell: string): string =>
  cell.startsWith("'") && isGuarded(cell.slice(1)) ? cell.slice(1) : cell.trim()

/** Names in one cell, with a separator between them; where a name has the separator itself, a backslash stands before it. */
export const joinedCell = (names: readonly string[], separator: '>' | ';'): string =>
  names
    .map((name) => name.replace(separator === '>' ? /[\\>›]/g : /[\\;]/g, '\\$&'))
    .join(separator === '>' ? ' > ' : ';')

/** The names of a cell that `joinedCell` wrote, or a person; blanks around them do not count. */
export function splitCell(cell: string, separators: string): string[] {
  const names = ['']
  for (let i = 0; i < cell.length; i++) {
    const char = cell[i] as string
    const next = cell[i + 1]
    if (char === '\\' && next !== undefined && (separators.includes(next) || next === '\\')) {
      names.push((names.pop() as string) + next)
      i++
    } else if (separators.includes(char)) names.push('')
    else names.push((names.pop() as string) + char)
  }
  return names.map((name) => name.trim()).filter(Boolean)
}

/** A CSV file as a spreadsheet opens it: quoted where needed, cells that would be formulas guarded. */
export const writeCsv = (
  columns: readonly string[],
  rows: readonly (readonly (string | number)[])[],
): string =>
  `${Papa.unparse(
    {
      fields: [...columns],
      data: rows.map((row) => row.map((cell) => (typeof cell === 'string' ? guarded(cell) : cell))),
    },
    { newline: '\r\n' },
  )}\r\n`
