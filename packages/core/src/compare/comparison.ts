import { dayHours, defaultPayBackDays, menuKnowledges } from '../plan/index.js'
import { entryOf } from '../table.js'
import { rateSpreadOf } from '../usage/index.js'
import {
  learnerOf,
  payBackCurve,
  paysFromDay,
  timeCommand,
  type DayPart,
  type PayBackPoint,
} from '../work/index.js'
import type { PreparedModel } from '../model/index.js'
import { changesBetween, learningOf, type Change, type Learning } from './changes.js'
import { prepareWork, reportOf, type ArrangementReport } from './report.js'

/** What a day of an arrangement saves against another, min. */
export interface Saving {
  readonly minutes: number
  /** over how well menus are known (by heart, as usual, seldom used), and 90 % of how sure the rates are */
  readonly leastMinutes: number
  readonly mostMinutes: number
  /** of it from commands that had no key */
  readonly fromUnkeyedMinutes: number
}

/** One arrangement beside the first of a comparison. */
export interface Compared {
  readonly report: ArrangementReport
  /** what changes from the first one; none for the first itself */
  readonly changes: readonly Change[]
  /** what a day saves against the first one; null for the first itself */
  readonly saved: Saving | null
  /** what it costs once to learn the new places, ms: in all, and for each command */
  readonly learningMs: number
  readonly learning: readonly Learning[]
  /** days of work until what is saved has paid for the learning, by the curve; null when it never does */
  readonly paysAfterDays: number | null
  /** what the new places have gained after days, learning first and saving after */
  readonly payBack: readonly PayBackPoint[]
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
    const { hours } = dayHours(plan)
    const days = plan.payBackDays ?? defaultPayBackDays
    const learnings = learningOf(
      changes,
      (command, trigger) => index.readerOf(command).score(trigger).score,
      ({ usesPerHour }) => usesPerHour * hours * days,
      learnerOf(plan),
    )
    const learning = learnings.reduce((sum, l) => sum + l.ms, 0)
    const savedPerDay = (first.day.msPerHour - report.day.msPerHour) * hours
    const payBack = payBackCurve(
      learnings.map((l) => ({ usesPerDay: l.command.usesPerHour * hours, looks: l.uses })),
      savedPerDay,
      learnerOf(plan),
    )
    out.push({
      report,
      saved: report === first ? null : savingOf(first, report),
      changes,
      learningMs: learning,
      learning: learnings,
      paysAfterDays: paysFromDay(payBack),
      payBack,
    })
    step(out.length)
  }
  return out
}

/** What a day saves, with its range, and how much of it comes from commands that had no key. */
function savingOf(before: ArrangementReport, after: ArrangementReport): Saving {
  const { plan, index } = after.work.model
  const minutesOf = (msPerHour: number): number => (msPerHour * dayHours(plan).hours) / 60_000
  const all = menuKnowledges.map((k) => minutesOf(before.day.msByMenus[k] - after.day.msByMenus[k]))
  const unkeyed = [...index.commands.values()]
    .filter((c) => c.usesPerHour > 0 && before.work.context.triggersOf(c.id).length === 0)
    .filter((c) => after.work.context.triggersOf(c.id).length > 0)
    .map(
      (c) => (timeCommand(c, before.work.context).ms - timeCommand(c, after.work.context).ms) * c.usesPerHour,
    )
  const spread = quantile95 * minutesOf(deviationOf(before, after))
  return {
    minutes: minutesOf(before.day.msPerHour - after.day.msPerHour),
    leastMinutes: Math.min(...all) - spread,
    mostMinutes: Math.max(...all) + spread,
    fromUnkeyedMinutes: minutesOf(unkeyed.reduce((sum, ms) => sum + ms, 0)),
  }
}

/** 95 % of a normal distribution lie below so many deviations: between the two ends lie 90 %. */
const quantile95 = 1.645

/** Standard deviation of a saving by how sure each rate is, ms an hour: each command and routine for itself. */
function deviationOf(before: ArrangementReport, after: ArrangementReport): number {
  const { plan, index } = after.work.model
  const saved = new Map<string, { readonly part: DayPart; ms: number }>()
  const add = (parts: readonly DayPart[], sign: 1 | -1): void => {
    for (const part of parts) {
      const key = `${part.kind} ${part.id}`
      const found = saved.get(key) ?? { part, ms: 0 }
      saved.set(key, found)
      found.ms += sign * part.timesPerHour * part.work.ms
    }
  }
  add(before.day.parts, 1)
  add(after.day.parts, -1)
  const hoursLogged = plan.usage?.activeHours ?? 0
  const spreadOf = ({ kind, id, timesPerHour }: DayPart): number =>
    kind === 'command'
      ? rateSpreadOf(index.commands.get(id) ?? {}, entryOf(plan.usage?.commands ?? {}, id)?.uses ?? 0)
      : rateSpreadOf({}, timesPerHour * hoursLogged)
  return Math.sqrt([...saved.values()].reduce((sum, { part, ms }) => sum + (ms * spreadOf(part)) ** 2, 0))
}
