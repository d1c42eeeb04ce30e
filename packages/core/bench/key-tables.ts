import { readFileSync } from 'node:fs'
import Papa from 'papaparse'
import { catalogues } from '@reach-plot/data'
import { environmentOf, foresight, placeGains, prepare, prepareWork, readPlan } from '../src/index.js'
import { entriesOf, readTextTables, spellerOf, takeTable } from '../src/key-tables/index.js'
import { median, per, timed } from './timing.js'

const rows = 5000

/** A table of so many commands with keys, menus and rates, beside the parser of its rows alone; and what to do next. */
export function benchKeyTables(): void {
  const plan = readPlan(readFileSync(new URL('../../../demo/demo.reachplot.json', import.meta.url), 'utf8'))
  const held = ['Ctrl', 'Alt', 'Ctrl+Shift', 'Ctrl+Alt', 'Shift', 'Super']
  const text = [
    'Action,Shortcut,Menu,Context,Uses',
    ...Array.from(
      { length: rows },
      (_, i) =>
        `Command ${i + 1},${held[i % 6]}+${'ABCDEFGHIJKLMNOPQRSTUVWXYZ'[i % 26]},Part ${i % 40} > Entry ${i},Mode ${i % 7},${i % 50} a day`,
    ),
  ].join('\n')
  const speller = spellerOf(environmentOf(plan, catalogues))
  const parser = median([0, 1, 2].map(() => timed(() => Papa.parse(text)).ms))
  const read = timed(() => readTextTables(text, 'bench', speller))
  const [found] = read.value
  if (!found) return
  const taken = timed(() =>
    takeTable(plan, entriesOf(found.table, found.columns, speller, 2), {
      programName: 'Bench',
      mode: 'merge',
      as: 'arrangement',
    }),
  )
  const clashes = timed(() => foresight(prepare(plan, catalogues), prepare(taken.value.plan, catalogues)))
  console.log(
    `${rows} rows of a key table: read ${per(read.ms)}, taken ${per(taken.ms)}, ${((read.ms + taken.ms) / parser).toFixed(0)} times the parser of its rows alone (${per(parser)}); clashes ${per(clashes.ms)}`,
  )
  const gains = timed(() => {
    const model = prepare(plan, catalogues)
    let first = 0
    let n = 0
    const start = performance.now()
    for (const _ of placeGains(model, prepareWork(model).context.triggersOf))
      if (++n === 20) first = performance.now() - start
    return first
  })
  console.log(
    `what to do next, of ${plan.commands.length} commands: first twenty ${per(gains.value)}, all ${per(gains.ms)}`,
  )
}
