import Papa from 'papaparse'
import { isHeading } from './headings.js'
import type { FormId, KeyTable, TableRow } from './table.js'

const blank = (cells: readonly string[]): boolean => cells.every((cell) => cell.trim() === '')

/** A table from rows of cells; whether the first row is a heading is told by what stands below it. */
export function tableOfGrid(
  form: FormId,
  grid: readonly TableRow[],
  reads: (cell: string) => boolean,
): KeyTable | null {
  const rows = grid.filter((r) => !blank(r.cells))
  const width = Math.max(0, ...rows.map((r) => r.cells.length))
  if (width < 2 || rows.length < 1) return null
  const padded = rows.map(({ line, cells }) => ({
    line,
    cells: Array.from({ length: width }, (_, i) => (cells[i] ?? '').trim()),
  }))
  const at = headingAt(padded, reads)
  const heading = at === null ? null : padded[at]
  return {
    form,
    columns: Array.from(
      { length: width },
      (_, i) => heading?.cells[i]?.replace(/\s+/g, ' ').slice(0, 80) || `column ${i + 1}`,
    ),
    rows: at === null ? padded : padded.slice(at + 1),
    isHeaded: heading !== null,
  }
}

/** The row of headings: the last of the first rows that has no key where most rows below have one; null for none. */
function headingAt(rows: readonly TableRow[], reads: (cell: string) => boolean): number | null {
  const width = rows[0]?.cells.length ?? 0
  const sample = rows.slice(0, 200)
  const shares = Array.from(
    { length: width },
    (_, i) => sample.filter((r) => r.cells[i] !== '' && reads(r.cells[i] ?? '')).length / sample.length,
  )
  const best = shares.indexOf(Math.max(...shares))
  if ((shares[best] ?? 0) < 0.2)
    // without keys, a heading is told by its words alone
    return rows.length > 1 && rows[0]?.cells.some((cell) => isHeading(cell)) === true ? 0 : null
  // titles above a table have one cell; a heading fills most of them
  for (const [i, { cells }] of rows.slice(0, 6).entries()) {
    const filled = cells.filter((c) => c !== '').length
    if (cells[best] !== '' && reads(cells[best] ?? '')) return null
    if (filled >= 2 && (cells[best] ?? '') !== '') return i
  }
  return null
}

const separators = [',', ';', '\t', '|'] as const

/** Rows with separators; the separator is the one by which the rows are the most alike. */
export function csvGrids(text: string): readonly (readonly TableRow[])[] {
  return separators
    .filter((separator) => text.includes(separator))
    .map((delimiter) => {
      const { data } = Papa.parse<string[]>(text, { header: false, delimiter, skipEmptyLines: false })
      let line = 1
      return data.map((cells) => {
        const row = { line, cells }
        line += 1 + cells.reduce((sum, cell) => sum + (cell.match(/\n/g)?.length ?? 0), 0)
        return row
      })
    })
    .filter((rows) => {
      const filled = rows.filter((r) => !blank(r.cells))
      const most = mode(filled.map((r) => r.cells.length))
      return most > 1 && filled.filter((r) => r.cells.length === most).length >= filled.length * 0.6
    })
}

function mode(numbers: readonly number[]): number {
  const counts = new Map<number, number>()
  for (const n of numbers) counts.set(n, (counts.get(n) ?? 0) + 1)
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0] ?? 0
}
