/** Dates against the published formula of FSRS-6 (the project "open-spaced-repetition", its wiki page "The Algorithm", from memory), worked out apart. */
import { default_w } from 'ts-fsrs'
import { describe, expect, test } from 'vitest'
import { chord } from '../../src/index.js'
import { dayMs, forecast, Knowledge, type Answer } from '../../src/practice/index.js'

const w = default_w as readonly number[]
const start = Date.UTC(2026, 2, 2, 9)
const trigger = chord('KeyH')

const answer = (day: number, right: boolean, ms = 700): Answer => ({
  time: start + day * dayMs,
  commandId: 'hide',
  trigger,
  kind: 'key',
  pressed: trigger,
  ms,
  right,
})

/** 1 missed, 3 right. */
type Rated = 1 | 3
const clamp = (d: number): number => Math.min(10, Math.max(1, d))
const d0 = (g: number): number => w[4]! - Math.exp(w[5]! * (g - 1)) + 1
const decay = -w[20]!
const factor = 0.9 ** (1 / decay) - 1

/** Stability in days after answers, each with the days since the one before. */
function byFormula(history: readonly { readonly after: number; readonly g: Rated }[]): number {
  const [first, ...rest] = history
  let s = w[first!.g - 1]!
  let d = clamp(d0(first!.g))
  for (const { after, g } of rest) {
    const r = (1 + (factor * after) / s) ** decay
    if (after === 0) {
      const grows = Math.exp(w[17]! * (g - 3 + w[18]!)) * s ** -w[19]!
      s *= g >= 3 ? Math.max(1, grows) : grows
    } else if (g === 1)
      s = Math.min(
        s / Math.exp(w[17]! * w[18]!),
        w[11]! * d ** -w[12]! * ((s + 1) ** w[13]! - 1) * Math.exp(w[14]! * (1 - r)),
      )
    else s *= 1 + Math.exp(w[8]!) * (11 - d) * s ** -w[9]! * (Math.exp(w[10]! * (1 - r)) - 1)
    const moved = d - (w[6]! * (g - 3) * (10 - d)) / 9
    d = clamp(w[7]! * d0(4) + (1 - w[7]!) * moved)
  }
  return s
}

describe('the day on which a key comes again', () => {
  test.each([
    ['three right in a row', [0, 3, 13], [true, true, true]],
    ['missed, then right twice', [0, 1, 4], [false, true, true]],
    ['right, lapsed, right', [0, 2, 10, 13], [true, true, false, true]],
  ] as const)('%s', (_, days, rights) => {
    const answers = days.map((day, i) => answer(day, rights[i]!))
    const [known] = new Knowledge(answers).cards.values()
    const stability = byFormula(
      days.map((day, i) => ({ after: i === 0 ? 0 : day - days[i - 1]!, g: rights[i] === true ? 3 : 1 })),
    )
    expect(known!.stabilityDays).toBeCloseTo(stability, 2)
    expect((known!.dueTime - answers.at(-1)!.time) / dayMs).toBe(Math.max(1, Math.round(stability)))
  })
  test('the same record gives the same days', () => {
    const answers = [answer(0, true), answer(2, false), answer(3, true)]
    expect([...new Knowledge(answers).cards.values()]).toEqual([...new Knowledge(answers).cards.values()])
  })
})

test('what is slow or quick for the person comes sooner or later than what is right', () => {
  const before = Array.from({ length: 30 }, (_, i): Answer => ({
    ...answer(0, true, 500 + i * 10),
    commandId: `c${i}`,
  }))
  const due = (ms: number): number =>
    [...new Knowledge([...before, answer(1, true, ms)]).cards.values()].at(-1)!.dueTime
  expect(due(2000)).toBeLessThan(due(600))
  expect(due(400)).toBeGreaterThan(due(600))
})

test('a clock that was set back loses no answer and turns no time round', () => {
  const answers = [answer(0, true), answer(5, true), answer(2, true)]
  const [known] = new Knowledge(answers).cards.values()
  expect(known!.answers).toBe(3)
  expect(known!.lastTime).toBe(start + 5 * dayMs)
})

test('the forecast counts by the person’s own days, what is overdue for today', () => {
  const cards = [
    ...new Knowledge([answer(0, true), { ...answer(0, true), commandId: 'show' }]).cards.values(),
  ]
  const interval = Math.round((cards[0]!.dueTime - start) / dayMs)
  expect(forecast(cards, start, 0)[interval]).toBe(2)
  expect(forecast(cards, start + 10 * dayMs, 0)[0]).toBe(2)
  // 16 hours to the east both lie in the next day; 8 hours to the east only the later does
  expect(forecast(cards, start, 16 * 60)[interval]).toBe(2)
  expect(forecast(cards, start + 7 * 3_600_000, 8 * 60)[interval - 1]).toBe(2)
})
