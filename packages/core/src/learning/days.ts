import { deviations90 } from '../deviates.js'
import { assumedSpread } from '../doubt/index.js'
import { changesBetween, learningOf, prepareWork, reportOf, type Change } from '../compare/index.js'
import type { PreparedModel } from '../model/index.js'
import { dayHours, defaultPayBackDays, type Arrangement } from '../plan/index.js'
import { learnerOf, timeCommand } from '../work/index.js'
import { bundlesOf, type Bundle } from './bundles.js'

/** Changes of one day, and what the day is then. */
export interface LearningDay {
  /** from 1 */
  readonly day: number
  readonly changes: readonly Change[]
  /** what these gain an hour, ms, and what they cost once to learn, ms */
  readonly gainMsPerHour: number
  readonly learningMs: number
  /** command time of a day with all that is in use by then, without the learning, min */
  readonly minutesPerDay: number
}

/** Which changes to bring in on which day. */
export interface DayPlan {
  readonly days: readonly LearningDay[]
  /** command time of a day before, and after the last day, min */
  readonly nowMinutes: number
  readonly afterMinutes: number
  /** day from which all that was saved exceeds all that was learned; null when it does not within a year */
  readonly breakEvenDay: number | null
  /** the same with learning and saving as far off as what is assumed leaves open, nine times of ten */
  readonly breakEvenRange: readonly [early: number | null, late: number | null]
  /** changes that do not pay within the days of pay-back, and are not brought in */
  readonly notWorth: readonly Change[]
  /** what is learned lies between so many times its cost nine times of ten: by one's own practice, or by what is assumed */
  readonly learningRange: readonly [low: number, high: number]
}

/** New commands a day, where nobody says how many. Assumed. */
export const usualNewPerDay = 5
const yearDays = 365

interface Weighed extends Bundle {
  readonly gainMsPerHour: number
  readonly learningMs: number
}

/**
 * A plan of days from one arrangement to another: what gains most for its learning first, `newPerDay` changes a day, bundles whole. Until
 * its day a command keeps its old key.
 * @param models  of one plan and one bench
 */
export function planDays(
  from: PreparedModel,
  to: PreparedModel,
  newPerDay: number = usualNewPerDay,
): DayPlan {
  const { plan } = from
  const { hours } = dayHours(plan)
  const payBackDays = plan.payBackDays ?? defaultPayBackDays
  const changes = changesBetween(from.arrangement.placements, to.arrangement.placements, plan.commands)
  const weighed = weigh(changes, from, to, hours, payBackDays)
  const { order, notWorth } = ordered(weighed, hours * payBackDays)
  const nowMinutes = minutesOf(from, hours)
  const days: LearningDay[] = []
  let done: Change[] = []
  for (const bundles of shared(order, newPerDay)) {
    const today = bundles.flatMap((b) => b.changes)
    done = [...done, ...today]
    days.push({
      day: days.length + 1,
      changes: today,
      gainMsPerHour: bundles.reduce((sum, b) => sum + b.gainMsPerHour, 0),
      learningMs: bundles.reduce((sum, b) => sum + b.learningMs, 0),
      minutesPerDay: minutesOf(
        from.withArrangement(arrangementWith(from.arrangement, to.arrangement, done)),
        hours,
      ),
    })
  }
  const afterMinutes = days.at(-1)?.minutesPerDay ?? nowMinutes
  const { low, high } = plan.own?.learning ?? { low: 1 / offBy, high: offBy }
  const learningRange = [low, high] as const
  const balance = dayBalance({ days, nowMinutes, learningRange }, Math.max(yearDays, days.length))
  return {
    days,
    nowMinutes,
    afterMinutes,
    breakEvenDay: paidFrom(balance.mean, days),
    breakEvenRange: [paidFrom(balance.high, days), paidFrom(balance.low, days)],
    notWorth: notWorth.flatMap((b) => b.changes),
    learningRange,
  }
}

const minutesOf = (model: PreparedModel, hours: number): number =>
  (reportOf(prepareWork(model)).day.msPerHour * hours) / 60_000

/** An arrangement in which some commands are where they go, and all others where they were. */
export function arrangementWith(from: Arrangement, to: Arrangement, done: readonly Change[]): Arrangement {
  const moved = new Set<string>(done.map((c) => c.command.id))
  return {
    ...from,
    placements: [
      ...from.placements.filter((p) => !moved.has(p.commandId)),
      ...to.placements.filter((p) => moved.has(p.commandId)),
    ],
    popups: [...new Map([...from.popups, ...to.popups].map((p) => [p.id, p])).values()],
  }
}

function weigh(
  changes: readonly Change[],
  from: PreparedModel,
  to: PreparedModel,
  hours: number,
  payBackDays: number,
): Weighed[] {
  const [before, after] = [prepareWork(from).context, prepareWork(to).context]
  const learning = new Map(
    learningOf(
      changes,
      (command, trigger) => to.index.readerOf(command).score(trigger).score,
      ({ usesPerHour }) => usesPerHour * hours * payBackDays,
      learnerOf(from.plan),
    ).map((l) => [l.command.id as string, l.ms]),
  )
  return bundlesOf(changes).map((bundle) => ({
    ...bundle,
    gainMsPerHour: bundle.changes.reduce(
      (sum, { command }) =>
        sum + command.usesPerHour * (timeCommand(command, before).ms - timeCommand(command, after).ms),
      0,
    ),
    learningMs: bundle.changes.reduce((sum, { command }) => sum + (learning.get(command.id) ?? 0), 0),
  }))
}

/**
 * The order in which bundles are brought in: each next one with what it waits for, by gain over learning; what does not gain its learning
 * back within `hoursToPay` is left out.
 */
function ordered(
  bundles: readonly Weighed[],
  hoursToPay: number,
): { readonly order: Weighed[]; readonly notWorth: Weighed[] } {
  const left = new Set(bundles.keys())
  const order: Weighed[] = []
  const waitedFor = (b: number, seen = new Set<number>()): Set<number> => {
    if (!left.has(b) || seen.has(b)) return seen
    for (const other of (bundles[b] as Weighed).after) waitedFor(other, seen)
    return seen.add(b)
  }
  for (;;) {
    let best: { readonly with: readonly number[]; readonly ratio: number } | null = null
    for (const b of left) {
      const with_ = [...waitedFor(b)]
      const sum = (of: (w: Weighed) => number): number =>
        with_.reduce((total, i) => total + of(bundles[i] as Weighed), 0)
      const gain = sum((w) => w.gainMsPerHour)
      const learning = sum((w) => w.learningMs)
      if (gain * hoursToPay <= learning) continue
      const ratio = gain / Math.max(1, learning)
      if (!best || ratio > best.ratio) best = { with: with_, ratio }
    }
    if (!best) break
    for (const b of best.with) {
      left.delete(b)
      order.push(bundles[b] as Weighed)
    }
  }
  return { order, notWorth: [...left].map((b) => bundles[b] as Weighed) }
}

/** Bundles in days of at most `newPerDay` changes; a larger bundle has a day of its own. */
function shared(order: readonly Weighed[], newPerDay: number): Weighed[][] {
  const days: Weighed[][] = []
  let count = Infinity
  for (const bundle of order) {
    if (count + bundle.changes.length > newPerDay) {
      days.push([])
      count = 0
    }
    days.at(-1)?.push(bundle)
    count += bundle.changes.length
  }
  return days
}

/** Nine times of ten a log-normal constant that is assumed lies within this factor. */
const offBy = Math.exp(deviations90 * assumedSpread)

/** What was saved less what was learned in all, min: at 0 days, and after each of the next. */
export interface DayBalance {
  readonly mean: readonly number[]
  /** with learning as much dearer, and as much cheaper, as what is assumed leaves open nine times of ten */
  readonly low: readonly number[]
  readonly high: readonly number[]
}

/** What a plan of days has won by each day, with its range; learning is paid on the day of the change. */
export const dayBalance = (
  plan: Pick<DayPlan, 'days' | 'nowMinutes' | 'learningRange'>,
  count: number,
): DayBalance => ({
  mean: balances(plan, count, 1),
  low: balances(plan, count, plan.learningRange[1]),
  high: balances(plan, count, plan.learningRange[0]),
})

function balances(
  { days, nowMinutes }: Pick<DayPlan, 'days' | 'nowMinutes'>,
  count: number,
  learningFactor: number,
): number[] {
  const out = [0]
  for (let n = 1; n <= count; n++) {
    const today = days[n - 1] ?? days.at(-1)
    const saved = today ? nowMinutes - today.minutesPerDay : 0
    const learned = n <= days.length && today ? (learningFactor * today.learningMs) / 60_000 : 0
    out.push((out[n - 1] as number) + saved - learned)
  }
  return out
}

/** The first day from which a balance is never below nothing; null where it is at the end, or nothing changes. */
function paidFrom(balance: readonly number[], days: readonly LearningDay[]): number | null {
  const last = balance.findLastIndex((minutes) => minutes < 0)
  return days.length === 0 || last === balance.length - 1 ? null : Math.max(1, last + 1)
}
