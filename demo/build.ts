/** Builds demo/demo.reachplot.json from the CSV sources beside this file. Everything in it is invented. */
import { readFileSync, writeFileSync } from 'node:fs'
import Papa from 'papaparse'
import {
  emptyPlan,
  parseTrigger,
  readCommandCsv,
  readPlan,
  writePlan,
  type Placement,
  type Plan,
} from '@reach-plot/core'

interface Source {
  readonly program: string
  readonly contexts: string
  readonly command: string
  readonly menu: string
  readonly default: string
  readonly draft: string
}

const here = (name: string): URL => new URL(name, import.meta.url)
const sources = ['fenmap.csv', 'reedcall.csv'].flatMap(
  (name) => Papa.parse<Source>(readFileSync(here(name), 'utf8'), { header: true, skipEmptyLines: true }).data,
)
const commandCsv = Papa.unparse(sources.map(({ default: _default, draft: _draft, ...rest }) => rest))
const read = readCommandCsv(commandCsv, { programs: [], commands: [] }, 'demo')
if (read.bad.length > 0) throw new Error(JSON.stringify(read.bad, null, 1))

/** Contexts in which text can be typed, and those that can be live together. */
const typing = new Set(['Labelling'])
const overlapping: readonly (readonly [string, string])[] = [
  ['overview', 'tracing'],
  ['browse', 'tag'],
]
const programs = read.programs.map((program) => ({
  ...program,
  contexts: program.contexts.map((context) => ({
    ...context,
    typing: typing.has(context.name),
    overlaps: overlapping.flatMap(([a, b]) =>
      context.id === a && program.contexts.some((c) => c.id === b) ? [b] : [],
    ),
  })),
}))

const placements = (column: 'default' | 'draft'): Placement[] =>
  sources.flatMap((source, i) =>
    source[column] === ''
      ? []
      : [
          {
            commandId: (read.rows[i] as (typeof read.rows)[number]).command.id,
            trigger: parseTrigger(source[column]),
          },
        ],
  )

const base = emptyPlan()
const plan: Plan = {
  ...base,
  name: 'Coastal survey desk',
  layoutId: 'de',
  devices: base.devices.map((d) => ({ ...d, board: 'iso-105' })),
  programs,
  commands: [...read.commands],
  arrangements: [
    { id: 'defaults', name: 'Program defaults', isDefault: true, placements: placements('default') },
    { id: 'draft-1', name: 'Field season, draft 1', isDefault: false, placements: placements('draft') },
  ],
  activeArrangementId: 'draft-1',
}

const text = writePlan(plan)
readPlan(text, 'demo.reachplot.json')
writeFileSync(here('demo.reachplot.json'), text)
console.log(
  `${plan.commands.length} commands, ${plan.arrangements.map((a) => `${a.name}: ${a.placements.length}`).join(', ')}`,
)
