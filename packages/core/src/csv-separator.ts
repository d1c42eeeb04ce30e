import Papa from 'papaparse'

/**
 * The separator (comma, semicolon or tab) by which the heading of a CSV has the most known columns.
 * Only the heading can tell: cells further down may hold any of the three.
 */
export function csvSeparator(text: string, columns: readonly string[]): string {
  const known = new Set(columns.map((c) => c.toLowerCase()))
  const hits = (delimiter: string): number =>
    (Papa.parse<string[]>(text, { delimiter, preview: 1 }).data[0] ?? []).filter((cell) =>
      known.has(cell.trim().toLowerCase()),
    ).length
  return [',', ';', '\t'].reduce((best, next) => (hits(next) > hits(best) ? next : best))
}
