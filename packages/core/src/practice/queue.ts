import type { Trigger } from '../triggers/index.js'
import { cardKey } from './cards.js'

/** One question of a session. */
export interface Question {
  readonly commandId: string
  readonly trigger: Trigger
  readonly isNew: boolean
}

/** What a session still asks, the next first, and what was missed in it. */
export interface PracticeQueue {
  readonly next: readonly Question[]
  readonly missed: ReadonlySet<string>
}

/** A missed key comes again after this many others; a new one once more after as many, so that it was right twice. Assumed. */
const comesAgainAfter = 3

const insertAt = (list: readonly Question[], at: number, q: Question): Question[] =>
  list.toSpliced(Math.min(at, list.length), 0, q)

/** Old and new in turn: what is due, with a new one after every second, so that new keys are met while the session is fresh. */
export function startQueue(due: readonly Question[], fresh: readonly Question[]): PracticeQueue {
  const [old, unseen] = [[...due], [...fresh]]
  const next: Question[] = []
  while (old.length + unseen.length > 0) {
    next.push(...old.splice(0, 2))
    next.push(...unseen.splice(0, 1))
  }
  return { next, missed: new Set() }
}

/** The queue after its first question was answered. */
export function afterAnswer(queue: PracticeQueue, isRight: boolean): PracticeQueue {
  const [asked, ...rest] = queue.next
  if (!asked) return queue
  const key = cardKey(asked.commandId, asked.trigger)
  if (!isRight)
    return {
      next: insertAt(rest, comesAgainAfter, { ...asked, isNew: true }),
      missed: new Set([...queue.missed, key]),
    }
  return { ...queue, next: asked.isNew ? insertAt(rest, comesAgainAfter, { ...asked, isNew: false }) : rest }
}
