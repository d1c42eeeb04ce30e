import type { PreparedModel } from '../model/index.js'
import { changesBetween, learningMs, type Change } from './changes.js'
import { prepareWork, reportOf, type ArrangementReport } from './report.js'

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
 * Arrangements side by side over one bench, each against the first.
 * @param models  one for each arrangement, of one plan and one bench
 * @param step  told of each arrangement that is done, for progress
 */
export function compareArrangements(
  models: readonly PreparedModel[],
  step: (done: number) => void = () => undefined,
): Compared[] {
  const [base] = models
  if (!base) return []
  const out: Compared[] = []
  let first: ArrangementReport | null = null
  for (const model of models) {
    const { plan, index, arrangement } = model
    const report = reportOf(prepareWork(model))
    first ??= report
    const changes = changesBetween(base.arrangement.placements, arrangement.placements, plan.commands)
    const learning = learningMs(changes, (command, trigger) => index.readerOf(command).score(trigger).score)
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
