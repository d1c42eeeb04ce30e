import type { KeyTable } from './table.js'
import { tableOfRecords, type FormId } from './table.js'

/** Nested deeper than this, a file is none of a person's. */
const mostDepth = 40
const mostRecords = 20_000

interface Found {
  readonly line: number
  readonly values: Map<string, string>
}

type Reads = (text: string) => boolean

const isScalar = (value: unknown): boolean => value === null || typeof value !== 'object'
const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** A plain value, or several of them, as one cell; null for what is nested. */
function cellOf(value: unknown): string | null {
  if (value === null || value === undefined) return ''
  if (Array.isArray(value)) {
    return value.every(isScalar) ? value.map(String).join('\n') : null
  }
  if (typeof value === 'object') return value instanceof Date ? value.toISOString() : null
  return String(value as string | number | boolean)
}

/**
 * The records of a nested document, as a table for each column that holds keys: every object with plain values, with those
 * of the objects around it. Where the names in an object are themselves keys, or the object is a long list of names with
 * keys, each of its entries is a record.
 */
export function recordsOf(form: FormId, document: unknown, reads: Reads): KeyTable[] {
  const found: Found[] = []
  walk(document, new Map(), '', 0)
  return byKeyColumn(found, reads).map((records) => tableOfRecords(form, records))

  function walk(node: unknown, above: ReadonlyMap<string, string>, tag: string, depth: number): void {
    if (depth > mostDepth || found.length >= mostRecords) return
    if (Array.isArray(node)) {
      for (const item of node) walk(item, above, tag, depth + 1)
      return
    }
    if (!isObject(node)) return
    const entries = Object.entries(node).filter(([name]) => !name.startsWith('?'))
    if (isMap(entries, reads)) {
      for (const [name, value] of entries) {
        const cell = cellOf(value)
        const named = new Map([...above, ['name', name] as const])
        if (cell === null) walk(value, named, tag, depth + 1)
        else found.push({ line: found.length + 1, values: new Map([...named, ['value', cell]]) })
      }
      return
    }
    const own = new Map<string, string>()
    const nested: [string, unknown][] = []
    for (const [name, value] of entries) {
      const cell = cellOf(value)
      if (cell === null) nested.push([name, value])
      else own.set(columnOf(tag, name), cell)
    }
    const isFlat = ([name, value]: readonly [string, unknown]): boolean =>
      name !== tag && isObject(value) && !isMap(Object.entries(value), reads) && flat(value, name) !== null
    // small objects belong to their record, where nothing larger does
    const children = nested.every(isFlat) ? [] : nested
    if (children.length === 0)
      for (const [name, value] of nested)
        for (const [path, cell] of flat(value as Readonly<Record<string, unknown>>, name) ?? [])
          own.set(path, cell)
    const merged = merge(above, own, reads)
    // what stands in a key's own object under the same name, and is no key, is a detail of it
    const isDetail = [...own].some(([name, value]) => {
      const before = above.get(name)
      return before !== undefined && value !== '' && reads(before) && !reads(value)
    })
    if (own.size > 0 && !isDetail && children.length === 0)
      found.push({ line: found.length + 1, values: merged })
    else if (
      own.size > 0 &&
      !isDetail &&
      !isFrame(own, reads) &&
      ![...own].every(([n]) => n.endsWith('@key'))
    )
      found.push({ line: found.length + 1, values: merged })
    for (const [name, value] of children) {
      const named =
        Array.isArray(value) || entries.length < 2 ? merged : new Map([...merged, ['part', name] as const])
      walk(value, named, name, depth + 1)
    }
  }
}

/** The column of a value: by its own name, and that of the object around it. */
const columnOf = (tag: string, name: string): string => (tag === '' ? name : `${tag}.${name}`)

/** Records that have something in the same column of keys; all of them, where there is no such column. */
function byKeyColumn(records: readonly Found[], reads: Reads): (readonly Found[])[] {
  const columns = new Map<string, { readonly rows: Found[]; keys: number; marked: number }>()
  for (const record of records)
    for (const [name, value] of record.values) {
      if (value === '') continue
      const known = columns.get(name) ?? { rows: [], keys: 0, marked: 0 }
      known.rows.push(record)
      if (reads(value)) {
        known.keys++
        if (/[+<>⌘⌥⌃⇧\\-]|F\d/.test(value)) known.marked++
      }
      columns.set(name, known)
    }
  const found = new Map<string, readonly Found[]>()
  for (const { rows, keys, marked } of columns.values())
    if (marked >= 2 || (keys >= 2 && keys >= rows.length * 0.5))
      found.set(`${rows.length} ${rows[0]?.line ?? 0} ${rows.at(-1)?.line ?? 0}`, rows)
  return found.size > 0 ? [...found.values()] : records.length > 0 ? [records] : []
}

/** What is around records has no key of its own. */
const isFrame = (own: ReadonlyMap<string, string>, reads: Reads): boolean =>
  ![...own.values()].some((v) => v !== '' && reads(v))

/** A small object of plain values, by path; null where it is more than that. */
function flat(node: Readonly<Record<string, unknown>>, path: string): [string, string][] | null {
  const cells = Object.entries(node).map(([name, value]) => [`${path}.${name}`, cellOf(value)] as const)
  return cells.length === 0 || cells.length > 12 || cells.some(([, cell]) => cell === null)
    ? null
    : (cells as [string, string][])
}

/** The same name further in is another column; a key inside a key's object is pressed after it. */
function merge(
  above: ReadonlyMap<string, string>,
  own: ReadonlyMap<string, string>,
  reads: Reads,
): Map<string, string> {
  const out = new Map(above)
  for (const [name, value] of own) {
    const before = above.get(name)
    out.set(name, before !== undefined && reads(before) && reads(value) ? `${before} ${value}` : value)
  }
  return out
}

/** Whether the names in an object are data: keys themselves, or many names whose values are keys. */
function isMap(entries: readonly (readonly [string, unknown])[], reads: Reads): boolean {
  if (entries.length === 0) return false
  const named = entries.filter(([name]) => reads(name)).length
  if (named >= Math.max(1, entries.length * 0.6)) return true
  const keyed = entries.filter(([, value]) => {
    const cell = cellOf(value)
    return cell !== null && cell !== '' && reads(cell)
  }).length
  return keyed >= 3 && keyed >= entries.length * 0.5
}
