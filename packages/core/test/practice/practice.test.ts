import { readFileSync } from 'node:fs'
import { catalogues } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import {
  changesBetween,
  chord,
  placeCommand,
  prepare,
  randomInts,
  readPlan,
  triggerKey,
  type Trigger,
} from '../../src/index.js'
import {
  afterAnswer,
  confusionsOf,
  defaultsToday,
  keptDefaults,
  mostKeptDefaults,
  dayMs,
  Knowledge,
  lessonOfAll,
  measuredTimes,
  oldHabits,
  practiceToday,
  startQueue,
  type Answer,
  type Question,
} from '../../src/practice/index.js'

const demo = readPlan(
  readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
  'demo',
)
const model = prepare(demo, catalogues)
const now = Date.UTC(2026, 4, 4, 8)

const q = (commandId: string, isNew = false): Question => ({ commandId, trigger: chord('KeyA'), isNew })
const answered = (commandId: string, more: Partial<Answer> = {}): Answer => ({
  time: now,
  commandId,
  trigger: chord('KeyA'),
  kind: 'key',
  pressed: chord('KeyA'),
  ms: 600,
  right: true,
  ...more,
})

describe('the questions of a session', () => {
  test('a new one comes after every second that is due', () => {
    const queue = startQueue([q('a'), q('b'), q('c')], [q('x', true), q('y', true)])
    expect(queue.next.map((n) => n.commandId)).toEqual(['a', 'b', 'x', 'c', 'y'])
  })
  test('what was missed comes again after three others, until it was right twice', () => {
    let queue = startQueue([q('a'), q('b'), q('c'), q('d'), q('e')], [])
    queue = afterAnswer(queue, false)
    expect(queue.next.map((n) => n.commandId)).toEqual(['b', 'c', 'd', 'a', 'e'])
    for (let i = 0; i < 4; i++) queue = afterAnswer(queue, true)
    expect(queue.next.map((n) => n.commandId)).toEqual(['e', 'a'])
    queue = afterAnswer(afterAnswer(queue, true), true)
    expect(queue.next).toEqual([])
    expect([...queue.missed]).toHaveLength(1)
  })
})

describe('the programs’ own keys, kept alive', () => {
  const kept = keptDefaults(demo, model.index.triggers)
  const when = { now, zoneMinutes: 0 }
  test('are of the most used commands that have another key here', () => {
    expect(kept.length).toBeGreaterThan(3)
    expect(kept.length).toBeLessThanOrEqual(mostKeptDefaults)
    const uses = kept.map((k) => k.command.usesPerHour)
    expect(uses).toEqual(uses.toSorted((a, b) => b - a))
    for (const { command, trigger } of kept)
      expect((model.index.triggers.get(command.id) ?? []).map(triggerKey)).not.toContain(triggerKey(trigger))
  })
  test('come three new a session, and again when they are due; presses of them are no slips', () => {
    const first = defaultsToday(kept, new Knowledge([]), when)
    expect([first.due.length, first.fresh.length]).toEqual([0, 3])
    const answers = first.fresh.map(({ commandId, trigger }) =>
      answered(commandId, { trigger, kind: 'default', pressed: chord('KeyB'), right: false }),
    )
    const later = defaultsToday(kept, new Knowledge(answers), { ...when, now: now + 30 * dayMs })
    expect(later.due.map((q) => q.commandId).sort()).toEqual(first.fresh.map((q) => q.commandId).sort())
    expect(later.fresh.map((q) => q.commandId)).not.toContain(first.fresh[0]!.commandId)
    expect(confusionsOf(answers)).toEqual([])
  })
})

describe('a day of practice', () => {
  const lesson = lessonOfAll(model, 5)
  const today = (answers: readonly Answer[], at = now) =>
    practiceToday(lesson, model, new Knowledge(answers), { now: at, zoneMinutes: 0 })

  test('begins with the most used, five a day', () => {
    const day = today([])
    expect([day.day, day.fresh.length, day.due.length]).toEqual([1, 5, 0])
    const used = demo.commands.find((c) => c.id === day.fresh[0]!.commandId)!
    expect(used.usesPerHour).toBe(
      Math.max(...demo.commands.filter((c) => model.index.triggers.has(c.id)).map((c) => c.usesPerHour)),
    )
  })
  test('what was met today leaves fewer new ones, and the next day brings five more', () => {
    const met = today([]).fresh.map(({ commandId, trigger }) =>
      answered(commandId, { trigger, pressed: trigger }),
    )
    expect(today(met).fresh).toHaveLength(0)
    expect(today(met, now + dayMs)).toMatchObject({ day: 2, fresh: { length: 5 } })
    expect(today(met.slice(0, 2)).fresh).toHaveLength(3)
  })
  test('a key that its command has no more is forgotten', () => {
    const [first] = today([]).fresh
    const elsewhere = [answered(first!.commandId, { trigger: chord('F9', ['Control']) })]
    expect(today(elsewhere, now + 9 * dayMs).due).toEqual([])
  })
})

test('what is pressed for what is counted, with its range', () => {
  const wrong = answered('a', { right: false, pressed: chord('KeyS') })
  const [found] = confusionsOf([wrong, wrong, wrong, ...Array.from({ length: 15 }, () => answered('a'))])
  expect(found).toMatchObject({ times: 3, of: 18, pressed: chord('KeyS') })
  expect(found!.chance.low).toBeLessThan(found!.chance.mean)
  expect(found!.chance.mean).toBeLessThan(3 / 18)
  expect(found!.chance.high).toBeGreaterThan(3 / 18 / 2)
})

describe('measured times', () => {
  test('a person’s own recall and pace come back within a tenth', () => {
    const next = randomInts(11)
    const codes = 'QWERTASDFGZXCVBYUIOPHJKLNM'.split('').map((c) => chord(`Key${c}`))
    const predicted = new Map<Trigger, number>(codes.map((t, i) => [t, 180 + i * 14]))
    const answers = codes.flatMap((trigger, i) =>
      Array.from({ length: 8 }, () =>
        answered(`c${i}`, {
          trigger,
          ms: 620 + 1.2 * predicted.get(trigger)! + (next(81) - 40),
        }),
      ),
    )
    const found = measuredTimes(answers, (t) => predicted.get(t))
    expect(found.recallMs).toBeGreaterThan(620 * 0.9)
    expect(found.recallMs).toBeLessThan(620 * 1.1)
    expect(found.longer!.mean).toBeGreaterThan(0.08)
    expect(found.longer!.mean).toBeLessThan(0.32)
    expect(found.longer!.low).toBeLessThan(0.2)
    expect(found.longer!.high).toBeGreaterThan(0.2)
  })
  test('a few answers say nothing of a pace', () => {
    expect(measuredTimes([answered('a'), answered('a'), answered('a')], () => 200)).toMatchObject({
      longer: null,
      triggers: [{ answers: 3 }],
    })
  })
})

test('an old key says what it does now, harm first', () => {
  const harmful = demo.commands.find(
    (c) => c.damage !== undefined && (model.index.triggers.get(c.id) ?? []).some((t) => t.kind === 'chord'),
  )!
  const other = demo.commands.find(
    (c) =>
      c.programId === harmful.programId &&
      c.id !== harmful.id &&
      c.contextIds.length === 0 &&
      model.index.triggers.has(c.id),
  )!
  const trigger = model.index.triggers.get(harmful.id)!.find((t) => t.kind === 'chord')!
  const after = placeCommand(demo, { commandId: other.id, trigger: chord('F9', ['Control', 'Alt']) })
  const before = placeCommand(demo, { commandId: other.id, trigger })
  const changes = changesBetween(
    before.arrangements.find((a) => a.id === before.activeArrangementId)!.placements,
    after.arrangements.find((a) => a.id === after.activeArrangementId)!.placements,
    demo.commands,
  )
  const habit = oldHabits(changes, prepare(after, catalogues).index).find((h) => h.command.id === other.id)!
  expect(habit.isHarmful).toBe(true)
  expect(habit.runs.map((c) => c.id)).toContain(harmful.id)
})
