import fc from 'fast-check'
import { catalogues } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import { changesBetween, placeCommand, prepare, triggerKey, type Arrangement } from '../../src/index.js'
import { arrangementWith, planDays } from '../../src/learning/days.js'
import { bundlesOf } from '../../src/learning/bundles.js'
import { demo, draft, shuffled } from '../shuffled.js'

/** Pairs of commands of one program on one trigger. */
function pairs(arrangement: Arrangement): Set<string> {
  const programOf = new Map(demo.commands.map((c) => [c.id as string, c.programId as string]))
  const on = new Map<string, string[]>()
  for (const { commandId, trigger } of arrangement.placements) {
    const key = `${programOf.get(commandId)} ${triggerKey(trigger)}`
    on.set(key, [...(on.get(key) ?? []), commandId])
  }
  return new Set(
    [...on.values()].flatMap((ids) => ids.flatMap((a) => ids.filter((b) => a < b).map((b) => `${a} ${b}`))),
  )
}

describe('bundles', () => {
  test('on the way from one arrangement to another no place carries two that share it in neither', () => {
    fc.assert(
      fc.property(shuffled(14), (to) => {
        const changes = changesBetween(draft.placements, to.placements, demo.commands)
        const bundles = bundlesOf(changes)
        expect(bundles.flatMap((b) => b.changes)).toHaveLength(changes.length)
        const allowed = new Set([...pairs(draft), ...pairs(to)])
        const done = new Set<number>()
        const made: typeof changes = []
        // in the order in which they are given, what is waited for comes first
        bundles.forEach((bundle, b) => {
          for (const other of bundle.after) expect(done.has(other)).toBe(true)
          done.add(b)
          made.push(...bundle.changes)
          for (const pair of pairs(arrangementWith(draft, to, made)))
            expect([pair, allowed.has(pair)]).toEqual([pair, true])
        })
      }),
      { numRuns: 80 },
    )
  })
  test('a swap is one bundle', () => {
    const [one, other] = draft.placements.filter(
      (p) =>
        p.trigger.kind === 'chord' && demo.commands.find((c) => c.id === p.commandId)?.programId === 'fenmap',
    )
    const plan = placeCommand(demo, {
      commandId: one!.commandId,
      trigger: other!.trigger,
      displaced: [other!.commandId],
      swapTo: one!.trigger,
    })
    const to = plan.arrangements.find((a) => a.id === draft.id)!
    const swap = bundlesOf(changesBetween(draft.placements, to.placements, demo.commands)).find((b) =>
      b.changes.some((c) => c.command.id === one!.commandId),
    )
    expect(swap?.changes.map((c) => c.command.id).toSorted()).toEqual(
      [one!.commandId, other!.commandId].toSorted(),
    )
  })
})

describe('the plan of days', () => {
  const arrangement = (id: string): Arrangement => demo.arrangements.find((a) => a.id === id)!
  const model = prepare(demo, catalogues, { arrangement: arrangement('defaults') })
  const days = planDays(model, model.withArrangement(draft), 5)

  test('so many new ones a day, the best for their learning first, each once', () => {
    const all = days.days.flatMap((d) => d.changes.map((c) => c.command.id))
    expect(new Set(all).size).toBe(all.length)
    for (const { changes } of days.days) expect(changes.length).toBeLessThanOrEqual(15)
    expect(days.days.filter((d) => d.changes.length > 5).length).toBeLessThan(days.days.length / 2)
    const [first] = days.days
    expect(first!.gainMsPerHour).toBeGreaterThan(days.days.at(-1)!.gainMsPerHour)
  })
  test('a day costs less than now at last, and the figures of the days are those of the comparison', () => {
    expect(days.afterMinutes).toBeLessThan(days.nowMinutes)
    expect(days.nowMinutes).toBeCloseTo(52.45, 1)
    expect(days.breakEvenDay).not.toBeNull()
  })
  test('what does not pay is told, and not brought in', () => {
    const changes = changesBetween(arrangement('defaults').placements, draft.placements, demo.commands)
    expect(days.days.flatMap((d) => d.changes).length + days.notWorth.length).toBe(changes.length)
    expect(days.notWorth.length).toBeGreaterThan(0)
  })
  test('from an arrangement to itself there is nothing to learn', () => {
    expect(planDays(model, model)).toMatchObject({ days: [], notWorth: [], breakEvenDay: null })
  })
  test('the same plan twice is the same', () => {
    expect(planDays(model, model.withArrangement(draft), 5)).toEqual(days)
  })
})
