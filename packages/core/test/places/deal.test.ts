/** Commands dealt onto a page, a pop-up set, a row of keys. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import {
  controlRefOf,
  dealCommands,
  indexPlaces,
  plainTriggers,
  prepare,
  readingOrder,
  thereAndBackMs,
  triggerKey,
  triggerReach,
  type DealTaken,
  type Trigger,
} from '../../src/index.js'
import { catalogues, demoPlan, demoTable, draft } from '../work/desk.js'

const model = prepare(demoPlan, catalogues, { arrangement: draft, table: demoTable })
const { index, reachContext } = model
const pad = readingOrder(index.env.controls.filter((c) => c.id.startsWith('pad/k')))
const triggers = pad.flatMap((c) => plainTriggers(c, []).slice(0, 1))
const reachOf = (trigger: Trigger) => triggerReach(trigger, reachContext)
const table = { triggers, index, reachOf }
const commands = demoPlan.commands.filter((c) => c.programId === demoPlan.programs[0]!.id)
const msOf = (i: number, deals: ReturnType<typeof dealCommands>): number =>
  thereAndBackMs(triggerReach(deals[i]!.trigger, reachContext)!)

test('the pad is read row by row, from left to right', () => {
  expect(pad.slice(0, 6).map((c) => c.id)).toEqual([
    'pad/k1',
    'pad/k2',
    'pad/k3',
    'pad/k4',
    'pad/k5',
    'pad/k6',
  ])
})

test('the most used command gets the quickest place, and so on', () => {
  const some = commands.slice(0, 12)
  const deals = dealCommands(some, table, 'easiest first', 'replaced')
  // what is locked, such as Undo, stays
  expect(deals.length).toBe(some.filter((c) => !index.rules.locks(c)).length)
  deals.forEach((deal, i) => {
    if (i === 0) return
    expect(deal.command.usesPerHour).toBeLessThanOrEqual(deals[i - 1]!.command.usesPerHour)
    expect(msOf(i, deals)).toBeGreaterThanOrEqual(msOf(i - 1, deals))
  })
})

test('a family in a row keeps its order on neighbouring keys', () => {
  const family = commands.slice(5, 9)
  const deals = dealCommands(family, table, 'in a row', 'replaced')
  expect(deals.map((d) => d.command.id)).toEqual(family.map((c) => c.id))
  expect(deals.map((d) => controlRefOf(d.trigger))).toEqual(['pad/k1', 'pad/k2', 'pad/k3', 'pad/k4'])
})

test('nobody gets two places, no place two commands, and what is locked stays, whatever is dealt', () => {
  const lockedRef = 'pad/k2'
  const locked = prepare(
    { ...demoPlan, rules: { ...demoPlan.rules, lockedControls: [lockedRef] } },
    catalogues,
    { arrangement: draft, table: demoTable },
  )
  const under = { triggers, index: indexPlaces(draft.placements, locked.env), reachOf }
  fc.assert(
    fc.property(
      fc.subarray([...commands], { minLength: 1, maxLength: 40 }),
      fc.constantFrom('easiest first' as const, 'in a row' as const),
      fc.constantFrom<DealTaken>('passed over', 'replaced'),
      (some, way, taken) => {
        const deals = dealCommands(some, under, way, taken)
        expect(new Set(deals.map((d) => d.command.id)).size).toBe(deals.length)
        expect(new Set(deals.map((d) => triggerKey(d.trigger))).size).toBe(deals.length)
        expect(deals.map((d) => controlRefOf(d.trigger))).not.toContain(lockedRef)
        if (taken === 'passed over') expect(deals.flatMap((d) => d.displaced)).toEqual([])
      },
    ),
    { numRuns: 60 },
  )
})
