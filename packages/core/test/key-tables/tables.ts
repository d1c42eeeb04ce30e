import { readFileSync } from 'node:fs'
import { strToU8 } from 'fflate'
import { catalogues } from '@reach-plot/data'
import { environmentOf, readPlan, triggerKey, type Plan } from '../../src/index.js'
import { entriesOf, readTables, spellerOf, type FoundTable } from '../../src/key-tables/index.js'

export const demoPlan: Plan = readPlan(
  readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
)
/** The demo's desk with an American layout, as the outside files are written for. */
export const usPlan: Plan = { ...demoPlan, layoutId: 'us' }
export const speller = spellerOf(environmentOf(usPlan, catalogues))
export const decode = (bytes: Uint8Array, encoding: string): string => new TextDecoder(encoding).decode(bytes)

export const read = async (file: string | Uint8Array, by = speller): Promise<FoundTable> => {
  const bytes = typeof file === 'string' ? strToU8(file) : file
  return (await readTables(bytes, 'file', by, decode))[0]!
}

/** Names with their keys, as `triggerKey` writes them, and what could not be read. */
export async function keysOf(
  file: string | Uint8Array,
  by = speller,
): Promise<{ form: string; keys: Record<string, string>; unreadable: string[] }> {
  const { table, columns } = await read(file, by)
  const { entries, unreadable } = entriesOf(table, columns, by, 2)
  const keys: Record<string, string> = {}
  for (const { name, triggers } of entries)
    keys[name] = [keys[name] ?? '', ...triggers.map(triggerKey)].filter(Boolean).join(' | ')
  return { form: table.form, keys, unreadable: unreadable.map((u) => u.text) }
}

export { xlsx } from './xlsx.js'
