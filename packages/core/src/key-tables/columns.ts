import { readKeys, settleStyle, type Speller, type SpellingStyle } from '../spelling/index.js'
import { readRate } from '../usage/index.js'
import { isNamedForSystem, rolesNamed, systemsNamed, wordsOf } from './headings.js'
import type { Columns, Role } from './roles.js'
import type { KeyTable } from './table.js'

const sampleRows = 400

interface ColumnFacts {
  readonly filled: number
  /** shares of the filled cells, 0 to 1 */
  readonly keys: number
  readonly words: number
  readonly paths: number
  readonly rates: number
  readonly distinct: number
  readonly length: number
}

/** Rows that tell what columns hold, spread over the whole table. */
function sampleOf({ rows }: KeyTable): KeyTable['rows'] {
  const step = Math.max(1, Math.floor(rows.length / sampleRows))
  return rows.filter((_, i) => i % step === 0).slice(0, sampleRows)
}

function factsOf(cells: readonly string[], speller: Speller): ColumnFacts {
  const filled = cells.filter((c) => c.trim() !== '')
  const share = (is: (cell: string) => boolean): number =>
    filled.length === 0 ? 0 : filled.filter(is).length / filled.length
  return {
    filled: cells.length === 0 ? 0 : filled.length / cells.length,
    keys: share((cell) => isKey(cell, speller)),
    words: share((cell) => /\p{L}{2}/u.test(cell)),
    paths: share((cell) => /\S\s*(?:>|›|→|»|▸|\|)\s*\S|^[^/\s]+(?:\/[^/\s]+)+$/.test(cell)),
    rates: share((cell) => readRate(cell, 2) !== null),
    distinct: filled.length === 0 ? 0 : new Set(filled.map((c) => c.toLowerCase())).size / filled.length,
    length: filled.reduce((sum, c) => sum + c.length, 0) / Math.max(1, filled.length),
  }
}

/** Whether a cell has keys in it. */
export const isKey = (cell: string, speller: Speller): boolean => {
  const read = readKeys(cell, speller)
  return 'triggers' in read && read.triggers.length > 0
}

/** Whether a cell has keys in it that are no words of a name as well: held ones, function keys, several. */
const isPlainWord = (cell: string): boolean => /^(?:\p{L}{3,}|[a-z\d])$/u.test(cell.trim())

/** Buttons of a mouse are called left, up and so on, as keys are. */
const isButton = (heading: string): boolean => /\bbutton\b/i.test(wordsOf(heading))

/** Can be nothing but keys. */
const isMarked = (cell: string): boolean => /\S[+-]\S|[⌘⌥⌃⇧]|<\w+>|\\[eCM]|\bF\d{1,2}\b/.test(cell)

/** What the columns of a table mean, by their headings and by what stands in them. */
export function guessColumns(table: KeyTable, speller: Speller): Columns {
  const rows = sampleOf(table)
  const with_ = withVariables(speller, table)
  const facts = table.columns.map((_, i) =>
    factsOf(
      rows.map((r) => r.cells[i] ?? ''),
      with_,
    ),
  )
  const named = table.columns.map((heading) => (table.isHeaded ? rolesNamed(wordsOf(heading)) : []))
  const out: Role[] = table.columns.map(() => 'ignore')
  const keyColumns = keyColumnsOf(table, facts, named, rows, with_)
  for (const i of keyColumns) out[i] = 'keys'
  take(
    'uses',
    (i) => (named[i]?.includes('uses') ? 1 : 0) + (facts[i]?.rates ?? 0) - 0.5 + (table.isHeaded ? 0 : 0.2),
    0.6,
  )
  take('menu', (i) => (named[i]?.includes('menu') ? 0.6 : 0) + (facts[i]?.paths ?? 0), 0.55)
  /** share of a column's cells that are names of the plan's */
  const knownShare = (i: number, names: ReadonlySet<string> | undefined): number => {
    const cells = rows.map((r) => (r.cells[i] ?? '').trim().toLowerCase()).filter(Boolean)
    return names && cells.length > 0 ? cells.filter((c) => names.has(c)).length / cells.length : 0
  }
  take(
    'program',
    (i) => (named[i]?.includes('program') ? 1 : 0) + knownShare(i, speller.known?.programs),
    0.9,
  )
  take('context', (i) => knownShare(i, speller.known?.contexts), 0.9)
  take(
    'command',
    (i) => {
      const { words = 0, distinct = 0, filled = 0, length = 0, keys = 0 } = facts[i] ?? {}
      const rank = named[i]?.indexOf('command') ?? -1
      return (
        words * filled * (0.4 + 0.6 * distinct) -
        keys * 0.5 -
        (length > 60 ? 0.4 : 0) +
        (distinct < 0.1 && rows.length > 10 ? 0 : rank === 0 ? 0.8 : rank > 0 ? 0.3 : 0) +
        // among several with such a heading, a name rather than a description
        (distinct >= 0.1 &&
        /\b(?:name|command|title|label|befehl|commande|comando)\b/i.test(wordsOf(table.columns[i] ?? ''))
          ? 0.15
          : 0)
      )
    },
    0.2,
  )
  // names may read as keys (Command A), keys do not read as names: of several columns the least like keys has the names
  if (!out.includes('command') && keyColumns.length > 1) {
    const share = (i: number): number => rows.filter((r) => isMarked(r.cells[i] ?? '')).length
    const least = keyColumns.toSorted((x, y) => share(x) - share(y))[0]
    if (least !== undefined) out[least] = 'command'
  }
  if (!out.includes('context')) take('context', (i) => (named[i]?.includes('context') ? 1 : 0), 0.9)
  take('note', (i) => (named[i]?.includes('note') ? 1 : 0), 0.9)
  return out

  function take(role: Role, score: (i: number) => number, least: number): void {
    const free = out.flatMap((r, i) => (r === 'ignore' ? [[i, score(i)] as const] : []))
    const best = free.sort(([, a], [, b]) => b - a)[0]
    if (best && best[1] >= least && (facts[best[0]]?.filled ?? 0) > 0) out[best[0]] = role
  }
}

/** Columns that hold keys; of those for several systems, the plan's. */
function keyColumnsOf(
  table: KeyTable,
  facts: readonly ColumnFacts[],
  named: readonly (readonly Role[])[],
  rows: KeyTable['rows'],
  speller: Speller,
): number[] {
  const scores = table.columns.map((heading, i) => {
    const { keys = 0, filled = 0, distinct = 0, rates = 0 } = facts[i] ?? {}
    const cells = rows.map((r) => r.cells[i] ?? '').filter((c) => c.trim() !== '')
    // a column of names may have “Delete” and “Home” in it
    const plain = cells.length === 0 ? 0 : cells.filter(isPlainWord).length / cells.length
    const isNamed = named[i]?.includes('keys') === true || isNamedForSystem(heading)
    // numbers alone are how often, unless a heading says that they are keys
    return filled === 0 || (rates > 0.9 && !isNamed)
      ? 0
      : (keys - plain * 0.3) * (0.4 + 0.6 * Math.min(1, distinct * 2)) +
          (isNamed ? 0.4 : 0) -
          (isButton(heading) ? 0.5 : 0)
  })
  const best = Math.max(...scores)
  if (best < 0.35) {
    // settings of every kind: the column with the most that can be nothing but keys
    const marked = table.columns.map((heading, i) =>
      isButton(heading)
        ? 0
        : rows.filter((r) => isMarked(r.cells[i] ?? '') && isKey(r.cells[i] ?? '', speller)).length,
    )
    const most = Math.max(...marked)
    return most >= 3 ? [marked.indexOf(most)] : []
  }
  const found = scores.flatMap((score, i) =>
    score >= 0.55 &&
    score >= best * 0.6 &&
    (facts[i]?.keys ?? 0) >= 0.3 &&
    (score === best || (facts[i]?.distinct ?? 0) >= 0.3)
      ? [i]
      : [],
  )
  const some = found.length > 0 ? found : [scores.indexOf(best)]
  const forSystems = some.filter((i) => isNamedForSystem(table.columns[i] ?? ''))
  if (forSystems.length < 2 && forSystems.length !== some.length) return some
  const ours = forSystems.filter((i) => systemsNamed(table.columns[i] ?? '', speller.naming.systemId))
  if (ours.length > 0) return ours
  // a desktop's programs are keyed as on Windows, where no column is its own
  const near = forSystems.filter((i) => !/\bmac|\bos ?x/i.test(wordsOf(table.columns[i] ?? '')))
  return near.length > 0 ? near.slice(0, 1) : some.slice(0, 1)
}

/** A speller that knows the names of a key file. */
export const withVariables = (speller: Speller, { variables }: Pick<KeyTable, 'variables'>): Speller =>
  variables && variables.size > 0 ? { ...speller, variables } : speller

/** How the columns of keys write what one cell cannot tell. */
export const styleOf = (table: KeyTable, columns: Columns, speller: Speller): SpellingStyle =>
  settleStyle(
    table.rows.flatMap((r) => columns.flatMap((role, i) => (role === 'keys' ? (r.cells[i] ?? '') : []))),
    withVariables(speller, table),
  )

/** Forms that fit only what is meant so count for more than those that fit any text. */
const formWorth = ({ form, fit = 1 }: KeyTable): number =>
  form === 'key-file' ? 0.92 + 0.1 * fit : form === 'list' ? 0.96 : 1.1

/** How much of a table is commands with keys: rows that have both, more where a heading says that it is keys. */
export function worth(table: KeyTable, columns: Columns, speller: Speller): number {
  const command = columns.indexOf('command')
  const keys = columns.flatMap((role, i) => (role === 'keys' ? [i] : []))
  const with_ = withVariables(speller, table)
  const rows = sampleOf(table)
  const good = rows.filter(
    (r) => (r.cells[command] ?? '') !== '' && keys.some((i) => isKey(r.cells[i] ?? '', with_)),
  ).length
  if (rows.length === 0) return 0
  // the columns of key files and lists have their names from here
  const isNamed =
    table.form !== 'key-file' &&
    table.form !== 'list' &&
    keys.some((i) => table.isHeaded && rolesNamed(wordsOf(table.columns[i] ?? '')).includes('keys'))
  const share = good / rows.length
  return share * table.rows.length * (0.9 + 0.1 * share) * (isNamed ? 1.3 : 1) * formWorth(table)
}
