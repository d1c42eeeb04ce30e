import Papa from 'papaparse'
import { z } from '../zod.js'
import type { Command, Program } from '../commands/index.js'
import { csvSeparator } from '../csv-separator.js'
import { CoreError } from '../errors.js'
import { parseJson } from '../json.js'
import { UsageCollector, type UsageReport } from './collect.js'

/** Largest log that is read, in bytes: several million rows. */
export const maxUsageBytes = 400_000_000

const columns = ['time', 'program', 'context', 'command', 'how'] as const
const needed = ['time', 'program', 'command', 'how'] as const
/** A single row is never longer than this: a quotation mark is open then. */
const maxRowLength = 1_000_000

/** Pieces are cut to this length, so that their rows are garbage before they grow old: three times as fast. */
const pieceLength = 100_000

const jsonRow = z.object({
  time: z.string(),
  program: z.string(),
  context: z.string().optional(),
  command: z.string(),
  how: z.string(),
})

export interface UsageReader {
  /** rows read so far */
  readonly rows: number
  /**
   * Takes the next piece of the file, of any length.
   * @throws CoreError `CSV_COLUMN_MISSING`, `CSV_UNREADABLE` for faults of the whole file
   */
  push(text: string): void
  /** @throws CoreError `USAGE_EMPTY` when there was no row */
  finish(): UsageReport
}

/**
 * Reads a usage log: CSV with the columns time, program, context, command, how; or JSON Lines with the same fields.
 * Which of the two it is shows in its first character.
 */
export function usageReader(
  plan: { readonly programs: readonly Program[]; readonly commands: readonly Command[] },
  fileName: string,
): UsageReader {
  const collector = new UsageCollector(plan)
  let format: Format | null = null
  let rest = ''
  const take = (piece: string): void => {
    rest += piece
    if (!format) {
      rest = rest.replace(/^\uFEFF/, '').trimStart()
      if (rest === '') return
      format = rest.startsWith('{') ? jsonLines(collector) : csv(collector, fileName)
    }
    rest = rest.slice(format.take(rest, false))
    if (rest.length > maxRowLength) format.take(rest, true)
  }
  return {
    get rows() {
      return collector.rows
    },
    push(text) {
      for (let from = 0; from < text.length; from += pieceLength) take(text.slice(from, from + pieceLength))
    },
    finish() {
      if (format && rest !== '') format.take(rest, true)
      if (collector.rows === 0) {
        throw new CoreError('USAGE_EMPTY', {
          where: [fileName],
          what: 'the log has no rows',
          remedy: `begin it with the heading ${columns.join(',')}, or write one JSON object a line`,
        })
      }
      return collector.finish(fileName)
    },
  }
}

interface Format {
  /** takes whole rows from the front of `text`; gives back how many characters were used */
  take(text: string, isLast: boolean): number
}

function csv(collector: UsageCollector, fileName: string): Format {
  let at: number[] | null = null
  let line = 1
  let delimiter = ','
  return {
    take(text, isLast) {
      if (at === null) {
        const end = text.indexOf('\n')
        if (end === -1 && !isLast) return 0
        delimiter = csvSeparator(end === -1 ? text : text.slice(0, end), columns)
      }
      const parsed = new Papa.Parser({ delimiter, newline: '\n' }).parse(text, 0, !isLast)
      const rows = parsed.data as string[][]
      if (isLast && parsed.errors.some((e: Papa.ParseError) => e.type === 'Quotes')) {
        throw new CoreError('CSV_UNREADABLE', {
          where: [fileName, `line ${line + rows.length - 1}`],
          what: 'a quotation mark is not closed',
          remedy: 'put cells with quotation marks in quotation marks and double the inner ones',
        })
      }
      // a quoted cell may hold line breaks: then there are more of them than rows
      const hasBreaks = breaksIn(text, parsed.meta.cursor) > rows.length
      for (const cells of rows) {
        const lines = hasBreaks ? lineCount(cells) : 1
        if (at === null) at = headingOf(cells, fileName)
        else if (cells.length > 1 || (cells[0] as string).trim() !== '') {
          collector.add(
            line,
            trimmed(cells[at[0] as number]),
            trimmed(cells[at[1] as number]),
            trimmed(cells[at[2] as number]),
            trimmed(cells[at[3] as number]),
            trimmed(cells[at[4] as number]),
          )
        }
        line += lines
      }
      return parsed.meta.cursor
    },
  }
}

/** A cell without the blanks around it; a column that the file does not have is empty. */
const trimmed = (cell: string | undefined): string => (cell === undefined ? '' : cell.trim())

function breaksIn(text: string, end: number): number {
  let count = 0
  for (let at = text.indexOf('\n'); at !== -1 && at < end; at = text.indexOf('\n', at + 1)) count++
  return count
}

/** Lines that a row covers: one more for each line break inside its cells. */
function lineCount(cells: readonly string[]): number {
  let count = 1
  for (const cell of cells) if (cell.includes('\n')) count += cell.split('\n').length - 1
  return count
}

function headingOf(cells: readonly string[], fileName: string): number[] {
  const names = cells.map((cell) => cell.trim().toLowerCase())
  const missing = needed.find((column) => !names.includes(column))
  if (missing !== undefined) {
    throw new CoreError('CSV_COLUMN_MISSING', {
      where: [fileName, 'line 1'],
      what: `the column "${missing}" is missing`,
      remedy: `begin the file with the heading ${columns.join(',')}`,
    })
  }
  return columns.map((column) => names.indexOf(column))
}

function jsonLines(collector: UsageCollector): Format {
  let line = 0
  return {
    take(text, isLast) {
      let from = 0
      for (;;) {
        const end = text.indexOf('\n', from)
        if (end === -1 && !isLast) return from
        const row = text.slice(from, end === -1 ? undefined : end).trim()
        line++
        if (row !== '') addJson(collector, line, row)
        if (end === -1) return text.length
        from = end + 1
      }
    },
  }
}

function addJson(collector: UsageCollector, line: number, text: string): void {
  const parsed = parseJson(text)
  if ('what' in parsed) {
    collector.addBad(line, 'The line is not JSON.')
    return
  }
  const row = jsonRow.safeParse(parsed.value)
  if (!row.success) {
    collector.addBad(line, `The field “${String(row.error.issues[0]?.path[0] ?? '')}” is missing or no text.`)
    return
  }
  const { time, program, context, command, how } = row.data
  collector.add(line, time, program, context ?? '', command, how)
}
