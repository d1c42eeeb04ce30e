import type { ChordTable } from '../hand/index.js'
import type { Arrangement, Catalogues, Plan } from '../plan/index.js'
import { changesBetween, learningMs, type Change } from './changes.js'
import { benchTable, reportOf, workDesk, type ArrangementReport } from './report.js'

/** One arrangement beside the first of a comparison. */
export interface Compared {
  readonly report: ArrangementReport
  /** what changes from the first one; none for the first itself */
  readonly changes: readonly Change[]
  /** what it costs once to learn the new places, ms */
  readonly learningMs: number
  /** days of work until what is saved has paid for the learning; null when nothing is saved */
  readonly paysAfterDays: number | null
}

/**
 * Arrangements side by side on the active bench, each against the first.
 * @param step  told of each arrangement that is done, for progress
 */
export function compareArrangements(
  plan: Plan,
  arrangements: readonly Arrangement[],
  catalogues: Catalogues,
  table: ChordTable = benchTable(plan, catalogues),
  step: (done: number) => void = () => undefined,
): Compared[] {
  const [base] = arrangements
  if (!base) return []
  const out: Compared[] = []
  let first: ArrangementReport | null = null
  for (const arrangement of arrangements) {
    const report = reportOf(plan, workDesk(plan, arrangement, catalogues, table))
    first ??= report
    const changes = changesBetween(base.placements, arrangement.placements, plan.commands)
    const learning = learningMs(
      changes,
      (command, trigger) => report.desk.survey.readerOf(command).score(trigger).score,
    )
    const savedPerDay = (first.day.msPerHour - report.day.msPerHour) * plan.hoursPerDay
    out.push({
      report,
      changes,
      learningMs: learning,
      paysAfterDays: learning === 0 ? 0 : savedPerDay > 0 ? learning / savedPerDay : null,
    })
    step(out.length)
  }
  return out
}
