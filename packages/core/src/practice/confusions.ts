import { deviations90 } from '../deviates.js'
import { triggerKey, type Trigger } from '../triggers/index.js'
import { isOwnPress, type Answer } from './answer.js'
import { cardKey } from './cards.js'

/** One trigger pressed for another. */
export interface Confusion {
  readonly commandId: string
  readonly asked: Trigger
  readonly pressed: Trigger
  readonly times: number
  /** answers that asked for the command on this trigger */
  readonly of: number
  /** chance of it, with the range in which it lies nine times of ten */
  readonly chance: { readonly mean: number; readonly low: number; readonly high: number }
}

/** Chance of a wrong press before anything was measured, and how many answers that weighs. Assumed. */
const assumedSlip = 0.002
const priorAnswers = 20

/** The mean and a range of a Beta distribution with the prior of the assumed slip; the range by its deviation. */
function chanceOf(times: number, of: number): Confusion['chance'] {
  const a = times + assumedSlip * priorAnswers
  const n = of + priorAnswers
  const mean = a / n
  const deviation = Math.sqrt((mean * (1 - mean)) / (n + 1))
  return {
    mean,
    low: Math.max(0, mean - deviations90 * deviation),
    high: Math.min(1, mean + deviations90 * deviation),
  }
}

/** What was pressed for what, the likeliest first. Only presses of one's own keys say something of it. */
export function confusionsOf(answers: readonly Answer[]): Confusion[] {
  const asked = new Map<string, number>()
  const wrong = new Map<string, { readonly answer: Answer; readonly pressed: Trigger; times: number }>()
  for (const answer of answers) {
    if (!isOwnPress(answer)) continue
    const key = cardKey(answer.commandId, answer.trigger)
    asked.set(key, (asked.get(key) ?? 0) + 1)
    if (answer.right || answer.pressed === null) continue
    const pair = `${key} ${triggerKey(answer.pressed)}`
    const known = wrong.get(pair)
    if (known) known.times++
    else wrong.set(pair, { answer, pressed: answer.pressed, times: 1 })
  }
  return [...wrong.values()]
    .map(({ answer, pressed, times }) => {
      const of = asked.get(cardKey(answer.commandId, answer.trigger)) ?? times
      return {
        commandId: answer.commandId,
        asked: answer.trigger,
        pressed,
        times,
        of,
        chance: chanceOf(times, of),
      }
    })
    .sort((a, b) => b.times - a.times || b.chance.mean - a.chance.mean)
}
