import { dayHours, environmentOf, foresight, prepare, type Plan } from '@reach-plot/core'
import {
  entriesOf,
  missingKeys,
  readTables,
  readTextTables,
  shapeOf,
  spellerOf,
  takeTable,
  type FoundTable,
} from '@reach-plot/core/key-tables'
import { AppProblem } from './app-problem.js'
import { catalogues } from './catalogues.js'
import type { TableService } from './table-protocol.js'

const firstRows = 6
const decode = (bytes: Uint8Array, encoding: string): string => new TextDecoder(encoding).decode(bytes)

let found: readonly FoundTable[] = []
let previewed: { readonly before: Plan; readonly after: Plan } | null = null

/** Reads files into tables, and says what taking one would do. */
export const tableService: TableService = {
  async read(source, fileName, plan) {
    const speller = spellerOf(environmentOf(plan, catalogues))
    found =
      typeof source === 'string'
        ? readTextTables(source, fileName, speller)
        : await readTables(new Uint8Array(await source.arrayBuffer()), fileName, speller, decode)
    return found.map(({ table, columns }) => ({
      form: table.form,
      shape: shapeOf(table),
      columns: table.columns,
      roles: columns,
      rows: table.rows.length,
      first: table.rows.slice(0, firstRows).map((r) => r.cells),
    }))
  },
  preview({ plan, table: at, roles, options }) {
    const table = found[at]?.table
    if (!table) throw new AppProblem('The file has to be chosen again.')
    const speller = spellerOf(environmentOf(plan, catalogues))
    const taken = takeTable(plan, entriesOf(table, roles, speller, dayHours(plan).hours), options)
    previewed = { before: plan, after: taken.plan }
    return {
      taken,
      missing: missingKeys(taken, new Set(speller.codes)).map(({ code, commandIds }) => ({
        code,
        commands: new Set(commandIds).size,
      })),
    }
  },
  clashes() {
    if (!previewed) return null
    const { before, after } = previewed
    const { brings, ends } = foresight(prepare(before, catalogues), prepare(after, catalogues))
    return { brings, ends: ends.length }
  },
}
