import type { Command } from '../commands/index.js'
import type { LearningDay } from '../learning/index.js'
import { dayHours } from '../plan/index.js'
import type { PreparedModel } from '../model/index.js'
import type { Trigger } from '../triggers/index.js'
import { cardKey, dayOf, dueToday, forecast, type Knowledge, type Known } from './cards.js'
import type { Question } from './queue.js'

/** What practice holds for a day. */
export interface PracticeDay {
  /** from 1; one more than `days` when all was met */
  readonly day: number
  readonly days: number
  readonly fresh: readonly Question[]
  readonly due: readonly Question[]
  /** how many come due on each of the next fourteen days */
  readonly forecast: readonly number[]
  /** every key that was practised and still holds */
  readonly known: readonly Known[]
}

/** What is there to be learned: commands on triggers, in the order in which they are brought in, by day. */
export interface Lesson {
  readonly days: readonly (readonly { readonly command: Command; readonly trigger: Trigger }[])[]
}

/** A lesson from a plan of days: every new trigger of every change. */
export const lessonOf = (days: readonly LearningDay[]): Lesson => ({
  days: days.map((d) => d.changes.flatMap(({ command, to }) => to.map((trigger) => ({ command, trigger })))),
})

/** All that has a key, the most used first, so many a day: for an arrangement that brings nothing new. */
export function lessonOfAll(model: Pick<PreparedModel, 'plan' | 'index'>, newPerDay: number): Lesson {
  const { hours } = dayHours(model.plan)
  const all = model.plan.commands
    .filter((c) => c.usesPerHour * hours > 0)
    .sort((a, b) => b.usesPerHour - a.usesPerHour || (a.id < b.id ? -1 : 1))
    .flatMap((command) => {
      const [trigger] = model.index.triggers.get(command.id) ?? []
      return trigger ? [{ command, trigger }] : []
    })
  return {
    days: Array.from({ length: Math.ceil(all.length / newPerDay) }, (_, i) =>
      all.slice(i * newPerDay, (i + 1) * newPerDay),
    ),
  }
}

/**
 * What is new and what is due today. New is what was never asked of the first day of the lesson that has such; when a day of the lesson was
 * finished today, the next one waits for tomorrow. Keys that their command has no more are forgotten.
 * @param zoneMinutes  east of UTC, by which a day begins
 */
export function practiceToday(
  lesson: Lesson,
  model: Pick<PreparedModel, 'index'>,
  { cards }: Pick<Knowledge, 'cards'>,
  { now, zoneMinutes }: { readonly now: number; readonly zoneMinutes: number },
): PracticeDay {
  const holds = new Set(
    [...model.index.triggers].flatMap(([id, triggers]) => triggers.map((t) => cardKey(id, t))),
  )
  for (const { command, trigger } of lesson.days.flat()) holds.add(cardKey(command.id, trigger))
  const known = [...cards].filter(([key]) => holds.has(key)).map(([, k]) => k)
  const today = dayOf(now, zoneMinutes)
  type Item = Lesson['days'][number][number]
  const metOn = ({ command, trigger }: Item): number | undefined =>
    cards.get(cardKey(command.id, trigger))?.firstTime
  const at = lesson.days.findIndex((items) => items.some((item) => metOn(item) === undefined))
  const next = lesson.days[at] ?? []
  const isToday = (item: Item): boolean => {
    const time = metOn(item)
    return time !== undefined && dayOf(time, zoneMinutes) === today
  }
  // a day of the lesson that was finished today is enough for it, unless the next one was begun
  const isDone = !next.some(isToday) && (lesson.days[at - 1]?.some(isToday) ?? false)
  return {
    day: at === -1 ? lesson.days.length + 1 : isDone ? at : at + 1,
    days: lesson.days.length,
    fresh: (isDone ? [] : next)
      .filter((item) => metOn(item) === undefined)
      .map(({ command, trigger }) => ({ commandId: command.id, trigger, isNew: true })),
    due: dueToday(known, now, zoneMinutes).map(({ commandId, trigger }) => ({
      commandId,
      trigger,
      isNew: false,
    })),
    forecast: forecast(known, now, zoneMinutes),
    known,
  }
}
