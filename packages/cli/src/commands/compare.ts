import {
  activeArrangement,
  compareArrangements,
  comparisonSheet,
  figureList,
  sheetRows,
  triggerKey,
  type Arrangement,
} from '@reach-plot/core'
import { catalogues, loadPlan, rounded, usageError, type Outcome } from '../io.js'
import { readOptions } from '../options.js'

export const help = 'compare PLAN.json [OTHER.json …] [--arrangements ID,ID]'

/**
 * Arrangements side by side on the first plan's bench, each against the first: the active ones of several files, or
 * those of one file.
 */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, ['arrangements'])
  const plan = loadPlan(files[0])
  const ids = options['arrangements']?.split(',')
  const named = (id: string): Arrangement => {
    const found = plan.arrangements.find((a) => a.id === id)
    if (found) return found
    throw usageError(
      `there is no arrangement "${id.slice(0, 40)}"`,
      `choose from ${plan.arrangements.map((a) => a.id).join(', ')}`,
    )
  }
  const arrangements: readonly Arrangement[] =
    files.length > 1
      ? [activeArrangement(plan), ...files.slice(1).map((file) => activeArrangement(loadPlan(file)))]
      : ids
        ? ids.map(named)
        : plan.arrangements
  if (arrangements.length < 2)
    throw usageError('there is only one arrangement to compare', 'name a second plan file')
  const compared = compareArrangements(plan, arrangements, catalogues)
  return {
    value: compared.map((c) => ({
      arrangement: c.report.desk.arrangement.id,
      name: c.report.desk.arrangement.name,
      figures: Object.fromEntries(
        figureList.map((f) => {
          const value = f.value(c, plan)
          return [f.id, value === null ? null : rounded(value, 3)]
        }),
      ),
      reach: c.report.reachCounts,
      clashes: c.report.clashCounts,
      pressesPerHour: c.report.day.pressesPerHour,
      routines: c.report.day.parts
        .filter((p) => p.kind === 'routine')
        .map((p) => ({ name: p.name, seconds: rounded(p.work.ms / 1000, 3) })),
      changes: c.changes.map((x) => ({
        command: x.command.id,
        kind: x.kind,
        from: x.from.map(triggerKey),
        to: x.to.map(triggerKey),
      })),
      paysAfterDays: c.paysAfterDays === null ? null : rounded(c.paysAfterDays, 2),
    })),
    text: sheetRows(comparisonSheet(compared, plan), plan)
      .map(([name = '', unit = '', ...values]) =>
        [name.padEnd(44), unit.padEnd(5), ...values.map((v) => v.padStart(24))].join(' '),
      )
      .join('\n'),
  }
}
