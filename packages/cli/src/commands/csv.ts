import {
  activeArrangement,
  onBench,
  foresight,
  maxCsvBytes,
  prepare,
  readCommandCsv,
  readPlacementCsv,
  severityWords,
  writeCommandCsv,
  writePlacementCsv,
  writePlan,
  takeCommands,
  takeModes,
  takePlacements,
} from '@reach-plot/core'
import { catalogues } from '@reach-plot/data'
import { loadPlan, readTextFile, usageError, writeOut } from '../io.js'
import { defineVerb, choiceOr, text } from '../verb.js'

/** Commands or placements of a plan as CSV; with --in, a CSV taken into a copy of the plan. */
export const verb = defineVerb({
  name: 'csv',
  summary: 'commands or placements as CSV, out and in',
  files: 'PLAN.json',
  options: {
    what: choiceOr(['commands', 'placements'], 'commands', 'which'),
    in: text('FILE.csv', 'a CSV to take into the plan'),
    out: text('NEW-PLAN.json', 'where the plan is written'),
    how: choiceOr(
      takeModes,
      'merge',
      'placements in place of those of the same commands, as further ones, or of all in the program',
    ),
  },
  run({ files, options }) {
    const plan = loadPlan(files[0])
    const { what } = options
    const arrangement = onBench(activeArrangement(plan), plan.activeBenchId)
    if (options.in === undefined) {
      const text =
        what === 'commands' ? writeCommandCsv(plan) : writePlacementCsv(arrangement.placements, plan)
      return { value: { what, csv: text }, text: text.trimEnd() }
    }
    if (options.out === undefined) throw usageError('--out is missing', 'name the plan file to write')
    const csv = readTextFile(options.in, maxCsvBytes)
    if (what === 'placements' && arrangement.isDefault)
      throw usageError(
        'the active arrangement holds defaults, which are never edited',
        'make a copy active first',
      )
    const read =
      what === 'commands' ? readCommandCsv(csv, plan, options.in) : readPlacementCsv(csv, plan, options.in)
    const changed =
      'commands' in read ? takeCommands(plan, read) : takePlacements(plan, read.placements, options.how)
    const { brings, ends } = foresight(prepare(plan, catalogues), prepare(changed, catalogues))
    if (read.bad.length === 0) writeOut(options.out, writePlan(changed))
    return {
      value: { what, written: read.bad.length === 0, bad: read.bad, brings, ends },
      text:
        read.bad.length === 0
          ? [
              `${options.out} written; ${brings.length} clashes come, ${ends.length} go`,
              ...brings.map((c) => `${severityWords[c.severity]}: ${c.message}`),
            ].join('\n')
          : ['nothing written', ...read.bad.map((b) => `line ${b.line}, ${b.column}: ${b.message}`)].join(
              '\n',
            ),
      findings: read.bad.length > 0,
    }
  },
})
