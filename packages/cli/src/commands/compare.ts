import {
  activeArrangement,
  compareArrangements,
  comparisonSheet,
  figureList,
  sheetRows,
  triggerKey,
  type Arrangement,
  prepare,
} from '@reach-plot/core'
import { catalogues, loadPlan, rounded, usageError } from '../io.js'
import { arrangementOf } from '../loaded-plan.js'
import { defineVerb, text } from '../verb.js'

/**
 * Arrangements side by side on the first plan's bench, each against the first: the active ones of several files, or
 * those of one file.
 */
export const verb = defineVerb({
  name: 'compare',
  summary: 'arrangements side by side, each against the first',
  files: 'PLAN.json [OTHER.json …]',
  options: {
    arrangements: text('ID,ID', 'which of the plan’s; all where left out'),
  },
  run({ files, options }) {
    const plan = loadPlan(files[0])
    const ids = options.arrangements?.split(',')
    const arrangements: readonly Arrangement[] =
      files.length > 1
        ? [activeArrangement(plan), ...files.slice(1).map((file) => activeArrangement(loadPlan(file)))]
        : ids
          ? ids.map((id) => arrangementOf(plan, id))
          : plan.arrangements
    if (arrangements.length < 2)
      throw usageError('there is only one arrangement to compare', 'name a second plan file')
    const model = prepare(plan, catalogues)
    const compared = compareArrangements(arrangements.map((a) => model.withArrangement(a)))
    return {
      value: compared.map((c) => ({
        arrangement: c.report.work.model.arrangement.id,
        name: c.report.work.model.arrangement.name,
        figures: Object.fromEntries(
          figureList.map((f) => {
            const value = f.value(c, plan)
            return [f.id, value === null ? null : rounded(value, 3)]
          }),
        ),
        saved: c.saved && {
          minutesPerDay: rounded(c.saved.minutes, 2),
          least: rounded(c.saved.leastMinutes, 2),
          most: rounded(c.saved.mostMinutes, 2),
          fromCommandsWithoutKey: rounded(c.saved.fromUnkeyedMinutes, 2),
        },
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
  },
})
