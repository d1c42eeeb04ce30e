import { deviations90 } from '../deviates.js'
import { middleOf } from '../middle.js'
import type { Trigger } from '../triggers/index.js'
import { isOwnPress, longestAnswerMs, type Answer } from './answer.js'
import { cardKey } from './cards.js'

/** A trigger's predicted time beside what was measured. */
export interface Measured {
  readonly commandId: string
  readonly trigger: Trigger
  readonly predictedMs: number
  /** middle of its right answers, without what reading and recalling takes the person */
  readonly measuredMs: number
  readonly answers: number
}

/** Measured times against predicted ones. */
export interface MeasuredTimes {
  readonly triggers: readonly Measured[]
  /** what reading the name and recalling the key takes this person: the middle of what the presses do not explain */
  readonly recallMs: number
  /** measured over predicted, less 1: 0.09 is nine in a hundred longer. null with too few triggers */
  readonly longer: { readonly mean: number; readonly low: number; readonly high: number } | null
}

/** Right answers of a trigger before its time is shown, and the latest that count: early ones measure learning. Assumed. */
const enoughAnswers = 3
const latestAnswers = 8
const enoughTriggers = 8

/**
 * A line of measured on predicted times through the middles of all pairs (Theil 1950, Sen 1968, from memory): its height at 0 is what reading
 * and recalling take, its slope how much longer presses take than predicted.
 */
export function measuredTimes(
  answers: readonly Answer[],
  predictedMs: (trigger: Trigger) => number | undefined,
): MeasuredTimes {
  const byCard = new Map<string, Answer[]>()
  for (const answer of answers) {
    if (!answer.right || !isOwnPress(answer) || answer.ms > longestAnswerMs) continue
    const key = cardKey(answer.commandId, answer.trigger)
    const own = byCard.get(key)
    if (own) own.push(answer)
    else byCard.set(key, [answer])
  }
  const raw = [...byCard.values()].flatMap((own) => {
    const [first] = own
    const predicted = first && predictedMs(first.trigger)
    if (!first || predicted === undefined || own.length < enoughAnswers) return []
    return [
      {
        commandId: first.commandId,
        trigger: first.trigger,
        predictedMs: predicted,
        wholeMs: middleOf(own.slice(-latestAnswers).map((a) => a.ms)),
        answers: own.length,
      },
    ]
  })
  const slopes = raw.flatMap((a, i) =>
    raw.slice(i + 1).flatMap((b) => {
      const run = b.predictedMs - a.predictedMs
      return Math.abs(run) < 1 ? [] : [(b.wholeMs - a.wholeMs) / run]
    }),
  )
  const isEnough = raw.length >= enoughTriggers && slopes.length > 0
  const slope = isEnough ? middleOf(slopes) : 1
  const recallMs = raw.length > 0 ? middleOf(raw.map((r) => r.wholeMs - slope * r.predictedMs)) : 0
  return {
    triggers: raw.map(({ wholeMs, ...r }) => ({ ...r, measuredMs: wholeMs - recallMs })),
    recallMs,
    longer: isEnough ? { mean: slope - 1, ...slopeRange(slopes, raw.length) } : null,
  }
}

/** Range of the middle slope nine times of ten: ranks by Kendall's deviation (Sen 1968, from memory). */
function slopeRange(slopes: readonly number[], n: number): { readonly low: number; readonly high: number } {
  const sorted = slopes.toSorted((a, b) => a - b)
  const spread = deviations90 * Math.sqrt((n * (n - 1) * (2 * n + 5)) / 18)
  const at = (rank: number): number =>
    (sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(rank)))] as number) - 1
  return { low: at((sorted.length - spread) / 2), high: at((sorted.length + spread) / 2) }
}
