import {
  activeArrangement,
  maxCsvBytes,
  readCommandCsv,
  readPlacementCsv,
  writeCommandCsv,
  writePlacementCsv,
  writePlan,
} from '@reach-plot/core'
import { writeFileSync } from 'node:fs'
import { loadPlan, readTextFile, usageError, type Outcome } from '../io.js'
import { choice, readOptions } from '../options.js'

export const help = 'csv PLAN.json --what commands|placements [--in FILE.csv --out NEW-PLAN.json]'

/** Commands or placements of a plan as CSV; with --in, a CSV taken into a copy of the plan. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, ['what', 'in', 'out'])
  const plan = loadPlan(files[0])
  const what = choice('what', options['what'], ['commands', 'placements'] as const, 'commands')
  const arrangement = activeArrangement(plan)
  if (options['in'] === undefined) {
    const text = what === 'commands' ? writeCommandCsv(plan) : writePlacementCsv(arrangement.placements, plan)
    return { value: { what, csv: text }, text: text.trimEnd() }
  }
  if (options['out'] === undefined) throw usageError('--out is missing', 'name the plan file to write')
  const csv = readTextFile(options['in'], maxCsvBytes)
  if (what === 'placements' && arrangement.isDefault)
    throw usageError(
      'the active arrangement holds defaults, which are never edited',
      'make a copy active first',
    )
  const read =
    what === 'commands'
      ? readCommandCsv(csv, plan, options['in'])
      : readPlacementCsv(csv, plan, options['in'])
  const changed =
    'commands' in read
      ? { ...plan, programs: [...read.programs], commands: [...read.commands] }
      : {
          ...plan,
          arrangements: plan.arrangements.map((a) =>
            a.id === arrangement.id ? { ...a, placements: [...read.placements] } : a,
          ),
        }
  if (read.bad.length === 0) writeFileSync(options['out'], writePlan(changed))
  return {
    value: { what, written: read.bad.length === 0, bad: read.bad },
    text:
      read.bad.length === 0
        ? `${options['out']} written`
        : ['nothing written', ...read.bad.map((b) => `line ${b.line}, ${b.column}: ${b.message}`)].join('\n'),
    findings: read.bad.length > 0,
  }
}
