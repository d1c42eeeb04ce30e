/** A plan of days against all at once and against a random order, with a learner that forgets by another law than the scheduler's. */
import { readFileSync } from 'node:fs'
import { catalogues } from '@reach-plot/data'
import { beforeAll, describe, expect, test } from 'vitest'
import {
  planDays,
  prepare,
  randomInts,
  readPlan,
  type DayPlan,
  type LearningDay,
  type Plan,
} from '../../src/index.js'
import {
  afterAnswer,
  cardKey,
  dayMs,
  Knowledge,
  lessonOf,
  practiceToday,
  startQueue,
  type Lesson,
} from '../../src/practice/index.js'
import { Learner } from './learner.js'

const demo = readPlan(
  readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
  'demo',
)
const days = 40
const hours = 3
const practiceLimitS = 600
/** Uses of a command that are lived through in a day; more of them weigh more. */
const mostUses = 6

interface Item {
  readonly key: string
  readonly commandId: string
  readonly usesPerDay: number
  readonly gainSPerUse: number
}

/** What a change brings a use, from the plan of days itself: its gain an hour by its uses. */
const itemsOf = (day: LearningDay, gainOf: (id: string) => number): Item[] =>
  day.changes.flatMap(({ command, to }) =>
    to.slice(0, 1).map((trigger) => ({
      key: cardKey(command.id, trigger),
      commandId: command.id,
      usesPerDay: command.usesPerHour * hours,
      gainSPerUse: gainOf(command.id),
    })),
  )

interface Run {
  readonly breakEvenDay: number
  readonly deepestLossS: number
  readonly rightAtLast: number
}

/** Lives with changes that come into use by day: practice in the morning, then work in which every use of a changed command is recalled or looked for. */
function live(byDay: readonly (readonly Item[])[], lesson: Lesson, seed: number): Run {
  const learner = new Learner(seed)
  const next = randomInts(seed + 1000)
  const knowledge = new Knowledge()
  let balance = 0
  let deepest = 0
  let breakEvenDay = Infinity
  let [right, asked] = [0, 0]
  const index = { triggers: new Map() }
  const start = Date.UTC(2026, 0, 5, 8)
  for (let day = 0; day < days; day++) {
    const inUse = byDay.slice(0, day + 1).flat()
    const today = practiceToday(lesson, { index } as never, knowledge, {
      now: start + day * dayMs,
      zoneMinutes: 0,
    })
    let queue = startQueue(today.due, today.fresh)
    let spentS = 0
    while (queue.next[0] && spentS < practiceLimitS) {
      const q = queue.next[0]
      const { isRight, extraS } = learner.meet(cardKey(q.commandId, q.trigger))
      const seconds = 2 + extraS
      learner.pass(seconds)
      spentS += seconds
      knowledge.add({
        time: start + day * dayMs + Math.round(spentS * 1000),
        commandId: q.commandId,
        trigger: q.trigger,
        kind: 'key',
        pressed: null,
        ms: Math.round(600 + extraS * 1000),
        right: isRight,
      })
      queue = afterAnswer(queue, isRight)
    }
    balance -= spentS
    // the day's uses, spread over its hours
    const uses = inUse
      .flatMap((item) => {
        const whole = Math.floor(item.usesPerDay)
        const more = next(1000) / 1000 < item.usesPerDay - whole ? 1 : 0
        return Array.from({ length: Math.min(mostUses, whole + more) }, () => ({
          item,
          weight: Math.max(1, (whole + more) / mostUses),
          at: next(1_000_000),
        }))
      })
      .sort((a, b) => a.at - b.at)
    for (const [i, { item, weight }] of uses.entries()) {
      const { isRight, extraS } = learner.meet(item.key)
      learner.rest((hours * 3600) / Math.max(1, uses.length))
      balance += weight * item.gainSPerUse - extraS
      if (day === days - 1) {
        asked += weight
        if (isRight) right += weight
      }
      deepest = Math.min(deepest, balance)
      if (balance < 0) breakEvenDay = Infinity
      else breakEvenDay = Math.min(breakEvenDay, day + (i + 1) / uses.length)
    }
    learner.rest(16 * 3600)
  }
  return { breakEvenDay, deepestLossS: -deepest, rightAtLast: asked === 0 ? 1 : right / asked }
}

/** Three arrangements that are not the defaults: the draft, the draft with every seventh placement left as it was, and with every fifth. */
function arrangements(plan: Plan): Plan['arrangements'] {
  const draft = plan.arrangements.find((a) => a.id === plan.activeArrangementId)!
  const defaults = plan.arrangements.find((a) => a.isDefault)!
  const without = (n: number) => {
    const kept = new Set(plan.commands.filter((_, i) => i % n === 0).map((c) => c.id as string))
    return {
      ...draft,
      placements: [
        ...draft.placements.filter((p) => !kept.has(p.commandId)),
        ...defaults.placements.filter((p) => kept.has(p.commandId)),
      ],
    }
  }
  return [draft, without(7), without(5)]
}

const seeds = Array.from({ length: Number(process.env['SEEDS'] ?? 20) }, (_, i) => i + 1)
const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length

describe('a simulated learner', () => {
  const plans: DayPlan[] = []
  beforeAll(() => {
    const defaults = demo.arrangements.find((a) => a.isDefault)!
    const from = prepare(demo, catalogues, { arrangement: defaults })
    for (const arrangement of arrangements(demo))
      plans.push(planDays(from, from.withArrangement(arrangement), 8))
  }, 120_000)

  test.each([0, 1, 2])(
    'loses less with the plan of days than with all at once or in random order, arrangement %i',
    (n) => {
      const plan = plans[n]!
      const changes = [...plan.days.flatMap((d) => d.changes), ...plan.notWorth]
      const perChange = new Map(
        plan.days.flatMap((d) => {
          const uses = d.changes.reduce((s, c) => s + c.command.usesPerHour, 0)
          return d.changes.map(
            (c) => [c.command.id as string, uses > 0 ? d.gainMsPerHour / 1000 / uses : 0] as const,
          )
        }),
      )
      const gainOf = (id: string): number => perChange.get(id) ?? 0
      const planned = plan.days.map((d) => itemsOf(d, gainOf))
      const all: LearningDay = { ...plan.days[0]!, changes }
      const runs = seeds.map((seed) => {
        const next = randomInts(seed)
        const mixed = changes
          .map((c) => ({ c, at: next(1_000_000) }))
          .sort((a, b) => a.at - b.at)
          .map(({ c }) => c)
        const random = Array.from({ length: Math.ceil(mixed.length / 8) }, (_, i): LearningDay => ({
          ...all,
          day: i + 1,
          changes: mixed.slice(8 * i, 8 * i + 8),
        }))
        return {
          planned: live(planned, lessonOf(plan.days), seed),
          atOnce: live([itemsOf(all, gainOf)], lessonOf([all]), seed),
          random: live(
            random.map((d) => itemsOf(d, gainOf)),
            lessonOf(random),
            seed,
          ),
        }
      })
      const of = (kind: 'planned' | 'atOnce' | 'random', what: keyof Run): number =>
        mean(runs.map((r) => Math.min(days + 1, r[kind][what])))
      const report = (['planned', 'atOnce', 'random'] as const).map(
        (k) =>
          `${k}: break-even ${of(k, 'breakEvenDay').toFixed(2)}, deepest ${mean(runs.map((r) => r[k].deepestLossS)).toFixed(0)} s, right ${of(k, 'rightAtLast').toFixed(3)}`,
      )
      console.log(report.join('; '))
      expect(of('planned', 'breakEvenDay')).toBeLessThan(of('atOnce', 'breakEvenDay'))
      expect(of('planned', 'breakEvenDay')).toBeLessThan(of('random', 'breakEvenDay'))
      for (const r of runs) expect(r.planned.deepestLossS).toBeLessThanOrEqual(r.atOnce.deepestLossS)
      expect(mean(runs.map((r) => r.planned.deepestLossS))).toBeLessThan(
        mean(runs.map((r) => r.random.deepestLossS)),
      )
      expect(of('planned', 'rightAtLast')).toBeGreaterThanOrEqual(0.95)
    },
    // twenty people, three ways of learning; on two busy cores longer than a minute
    120_000,
  )
})
