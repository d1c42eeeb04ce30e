import { analyse } from 'chardet'
import JSON5 from 'json5'
import { parse as parseIni } from 'ini'
import * as plist from 'plist'
import readSheets from 'read-excel-file/universal'
import { parse as parseToml } from 'smol-toml'
import { parseAllDocuments } from 'yaml'
import { CoreError } from '../errors.js'
import type { Speller } from '../spelling/index.js'
import { guessColumns, isKey, worth } from './columns.js'
import type { Columns } from './roles.js'
import { csvGrids, tableOfGrid } from './grid.js'
import { keyFileTable, listTable } from './lines.js'
import { htmlGrids, markdownGrids, xmlTree } from './markup.js'
import { formNames, mostBytes, mostRows, type FormId, type KeyTable, type TableRow } from './table.js'
import { recordsOf } from './tree.js'

/** A table that a file holds, with what its columns are taken for. */
export interface FoundTable {
  readonly table: KeyTable
  readonly columns: Columns
}

/** Turns bytes into text by the name of an encoding, as `TextDecoder` does. */
export type Decode = (bytes: Uint8Array, encoding: string) => string

/** Text of a file: by its mark, else as UTF-8, else by what its bytes look like. */
export function textOf(bytes: Uint8Array, decode: Decode): string {
  const [a, b, c] = bytes
  if (a === 0xff && b === 0xfe) return decode(bytes.subarray(2), 'utf-16le')
  if (a === 0xfe && b === 0xff) return decode(bytes.subarray(2), 'utf-16be')
  if (a === 0xef && b === 0xbb && c === 0xbf) return decode(bytes.subarray(3), 'utf-8')
  const zeros = bytes
    .subarray(0, 200)
    .reduce((n, byte, i) => (byte === 0 ? n + (i % 2 === 0 ? 1 : 1000) : n), 0)
  if (zeros >= 1000) return decode(bytes, zeros % 1000 === 0 ? 'utf-16le' : 'utf-16be')
  const text = decode(bytes, 'utf-8')
  if (!text.includes('\ufffd')) return text
  const guess = analyse(bytes.subarray(0, 64_000)).find(({ name }) => !/^UTF/i.test(name))
  for (const encoding of [guess?.name ?? 'windows-1252', 'windows-1252'])
    try {
      return decode(bytes, encoding)
    } catch {
      // an encoding that this machine lacks; the next one reads all bytes
    }
  return text
}

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b

/**
 * The tables of a file, the one with the most commands and keys first. The form is told by the content.
 * @throws CoreError `TABLE_TOO_LARGE`, `TABLE_EMPTY`, `TABLE_UNREADABLE`
 */
export async function readTables(
  bytes: Uint8Array,
  fileName: string,
  speller: Speller,
  decode: Decode,
): Promise<readonly FoundTable[]> {
  if (bytes.length > mostBytes)
    throw fault(
      'TABLE_TOO_LARGE',
      fileName,
      `it has more than ${mostBytes / 1e6} MB`,
      'take out what has no keys in it',
    )
  if (isZip(bytes)) return chosen(await sheetTables(bytes, fileName, speller), fileName, speller)
  return readTextTables(textOf(bytes, decode), fileName, speller)
}

/** As `readTables`, for text that was pasted. */
export function readTextTables(text: string, fileName: string, speller: Speller): readonly FoundTable[] {
  if (text.trim() === '')
    throw fault('TABLE_EMPTY', fileName, 'there is nothing in it', 'choose a file with names and keys')
  return chosen(textTables(text.replace(/^\ufeff/, ''), speller), fileName, speller)
}

async function sheetTables(
  bytes: Uint8Array,
  fileName: string,
  speller: Speller,
): Promise<(KeyTable | null)[]> {
  const reads = (cell: string): boolean => isKey(cell, speller)
  try {
    const copy = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer
    const sheets = await readSheets(copy)
    return sheets.map(({ data }) =>
      tableOfGrid(
        'sheet',
        data.map((row, i): TableRow => ({
          line: i + 1,
          cells: row.map((c) => (c === null ? '' : String(c as string))),
        })),
        reads,
      ),
    )
  } catch {
    throw fault(
      'TABLE_UNREADABLE',
      fileName,
      'it is no spreadsheet that can be read',
      'save it as .xlsx or .csv',
    )
  }
}

/** Every table that a text can be read as. */
function textTables(text: string, speller: Speller): (KeyTable | null)[] {
  const reads = reader(speller)
  const grids = (form: FormId, found: readonly (readonly TableRow[])[]): (KeyTable | null)[] =>
    found.map((grid) => tableOfGrid(form, grid, reads))
  const trees = (form: FormId, parse: () => unknown): (KeyTable | null)[] => {
    try {
      return recordsOf(form, parse(), reads)
    } catch {
      return []
    }
  }
  const start = text.trimStart()
  if (start.startsWith('<')) {
    if (/<table|<dl[\s>]/i.test(text)) {
      const html = grids('html', htmlGrids(text))
      if (html.some((t) => t !== null)) return joined(html)
    }
    if (/<plist[\s>]/.test(text)) return trees('plist', () => plist.parse(text))
    return trees('xml', () => xmlTree(text))
  }
  const all: (KeyTable | null)[] = []
  if (/^[[{]/.test(start)) {
    all.push(...trees('json', () => JSON5.parse(text) as unknown))
    if (start.startsWith('{')) all.push(...trees('plist', () => plist.parseOpenStep(text)))
  }
  if (/^(?:\/\/|\/\*)/.test(start)) all.push(...trees('json', () => JSON5.parse(text) as unknown))
  all.push(...joined(grids('markdown', markdownGrids(text))))
  if (/^\s*\[[^\]\n]+\]\s*$/m.test(text) && /^[^=\n]+=/m.test(text)) {
    all.push(...trees('toml', () => parseToml(text)))
    all.push(...trees('ini', () => iniTree(text)))
  } else if (/^[\w."-]+\s*=\s*["'[{]/m.test(text)) all.push(...trees('toml', () => parseToml(text)))
  if (/^\s*(?:- |[\w "'<>+.-]+:(?:\s|$))/m.test(text))
    all.push(
      ...trees('yaml', () =>
        parseAllDocuments(text).map((d) => {
          if (d.errors.length > 0) throw new Error('no YAML')
          return d.toJS({ maxAliasCount: 100 }) as unknown
        }),
      ),
    )
  all.push(...grids('csv', csvGrids(text)))
  // lines are looked at one by one only where nothing is a table already
  if (all.some((table) => table !== null && isClear(table, speller))) return all
  all.push(keyFileTable(text, reader(speller)), listTable(text, reads))
  return all
}

/** Most rows have a name and keys: no other form will fit better. */
function isClear(table: KeyTable, speller: Speller): boolean {
  const columns = guessColumns(table, speller)
  return table.rows.length > 2 && worth(table, columns, speller) > table.rows.length * 0.8
}

/** Whether cells have keys in them; what was read once is known. */
function reader(speller: Speller): (cell: string, variables?: ReadonlyMap<string, string>) => boolean {
  const known = new Map<string, boolean>()
  return (cell, variables) => {
    let answer = known.get(cell)
    if (answer === undefined) {
      answer = isKey(cell, variables === undefined ? speller : { ...speller, variables })
      known.set(cell, answer)
    }
    return answer
  }
}

/** INI as a tree; a point in the name of a section is a point, and names that a program has encoded are read. */
const iniTree = (text: string): unknown =>
  parseIni(
    text.replace(/^\s*\[([^\]\n]+)\]\s*$/gm, (_, name: string) => {
      const plain = /%[0-9A-F]{2}/.test(name)
        ? name.replace(/%([0-9A-F]{2})/g, (_all, hex: string) => String.fromCharCode(parseInt(hex, 16)))
        : name
      // entries of one key are numbered
      return `[${plain.replace(/\.\d+$/, '').replace(/\./g, '\\.')}]`
    }),
  )

/** Tables of one page with the same columns are one. */
function joined(tables: readonly (KeyTable | null)[]): KeyTable[] {
  const out = new Map<string, KeyTable>()
  for (const table of tables) {
    if (!table) continue
    const shape = table.columns.join('\n')
    const known = out.get(shape)
    out.set(shape, known ? { ...known, rows: [...known.rows, ...table.rows] } : table)
  }
  return [...out.values()]
}

/** The tables that have something to tell, the best first. */
function chosen(
  tables: readonly (KeyTable | null)[],
  fileName: string,
  speller: Speller,
): readonly FoundTable[] {
  const found = tables
    .flatMap((table) => (table && table.rows.length > 0 ? [table] : []))
    .map((table) => {
      if (table.rows.length > mostRows)
        throw fault('TABLE_TOO_LARGE', fileName, `it has more than ${mostRows} rows`, 'split it')
      const columns = guessColumns(table, speller)
      return { table, columns, worth: worth(table, columns, speller) }
    })
    .sort((a, b) => b.worth - a.worth)
  const good = found.filter((f) => f.worth > 0)
  if (good.length > 0) return good
  // a list of commands without keys is worth reading too
  const named = found.filter(
    (f) => f.columns.includes('command') && !['list', 'key-file'].includes(f.table.form),
  )
  if (named.length > 0) return named
  throw fault(
    'TABLE_UNREADABLE',
    fileName,
    'no names with keys were found in it',
    `bring ${Object.values(formNames).slice(0, 4).join(', ')} or another table in which each command has a row`,
  )
}

const fault = (
  code: 'TABLE_TOO_LARGE' | 'TABLE_EMPTY' | 'TABLE_UNREADABLE',
  fileName: string,
  what: string,
  remedy: string,
): CoreError => new CoreError(code, { where: [fileName], what, remedy })
