import { fsrs, Rating, type FSRSState, type Grade as Rated } from 'ts-fsrs'
import { triggerKey, type Trigger } from '../triggers/index.js'
import type { Answer } from './answer.js'
import { Grader, type Grade, type OwnTimes } from './grade.js'

/** What is known of one command on one trigger. */
export interface Known {
  readonly commandId: string
  readonly trigger: Trigger
  /** ms since 1970 when it was first asked for, and when it should come again */
  readonly firstTime: number
  readonly dueTime: number
  /** days until nine of ten are still right */
  readonly stabilityDays: number
  readonly answers: number
  readonly lastTime: number
  readonly lastRight: boolean
}

export const cardKey = (commandId: string, trigger: Trigger): string => `${commandId} ${triggerKey(trigger)}`

/**
 * Free Spaced Repetition Scheduler, FSRS-6, with its published weights (ts-fsrs): its memory states, in whole days. What is missed comes again
 * within the session by the queue, so that steps of minutes are not needed; dates are exact, so that the same record gives the same days.
 */
const scheduler = fsrs({ enable_fuzz: false, learning_steps: [], relearning_steps: [] })

const ratings: Readonly<Record<Grade, Rated>> = {
  missed: Rating.Again,
  slow: Rating.Hard,
  right: Rating.Good,
  quick: Rating.Easy,
}

export const dayMs = 86_400_000

/**
 * What a record says of each command on each trigger, answer by answer. Answers that asked for a name teach no key and count for none.
 * A clock that was set back makes no answer earlier than the one before: the time stands still until it has passed.
 */
export class Knowledge {
  readonly #grader = new Grader()
  readonly #states = new Map<string, FSRSState>()
  readonly #known = new Map<string, Known>()

  constructor(answers: Iterable<Answer> = []) {
    for (const answer of answers) this.add(answer)
  }

  /** by `cardKey` */
  get cards(): ReadonlyMap<string, Known> {
    return this.#known
  }

  /** the person's own times of right answers of a kind; null until there are enough */
  timesOf(kind: Answer['kind']): OwnTimes | null {
    return this.#grader.timesOf(kind)
  }

  add(answer: Answer): void {
    const grade = this.#grader.grade(answer)
    if (answer.kind === 'name') return
    const key = cardKey(answer.commandId, answer.trigger)
    const before = this.#known.get(key)
    const time = Math.max(answer.time, before?.lastTime ?? answer.time)
    const days = before ? Math.floor(time / dayMs) - Math.floor(before.lastTime / dayMs) : 0
    const state = scheduler.next_state(this.#states.get(key) ?? null, days, ratings[grade])
    this.#states.set(key, state)
    const inDays = Math.max(1, scheduler.next_interval(state.stability, days))
    this.#known.set(key, {
      commandId: answer.commandId,
      trigger: answer.trigger,
      firstTime: before?.firstTime ?? time,
      dueTime: time + inDays * dayMs,
      stabilityDays: state.stability,
      answers: (before?.answers ?? 0) + 1,
      lastTime: time,
      lastRight: answer.right,
    })
  }
}

/** The day of a moment in the person's own time. */
export const dayOf = (time: number, zoneMinutes: number): number =>
  Math.floor((time + zoneMinutes * 60_000) / dayMs)

/** How many come due on each of the next days; what is overdue counts for today. @param zoneMinutes  east of UTC */
export function forecast(
  cards: Iterable<Known>,
  now: number,
  zoneMinutes: number,
  days = 14,
): readonly number[] {
  const out = Array<number>(days).fill(0)
  const today = dayOf(now, zoneMinutes)
  for (const { dueTime } of cards) {
    const at = Math.max(0, dayOf(dueTime, zoneMinutes) - today)
    if (at < days) out[at] = (out[at] as number) + 1
  }
  return out
}

/** Cards that come today, what is most overdue for its stability first. */
export const dueToday = (cards: Iterable<Known>, now: number, zoneMinutes: number): Known[] => {
  const today = dayOf(now, zoneMinutes)
  const overdue = (k: Known): number => (now - k.lastTime) / Math.max(1, k.stabilityDays * dayMs)
  return [...cards]
    .filter((k) => dayOf(k.dueTime, zoneMinutes) <= today)
    .sort(
      (a, b) =>
        overdue(b) - overdue(a) ||
        (cardKey(a.commandId, a.trigger) < cardKey(b.commandId, b.trigger) ? -1 : 1),
    )
}
