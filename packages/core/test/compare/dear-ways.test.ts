/** Commands that are given in a dear way: two hands, a hand that leaves, the pointer, the menu. */
import { expect, test } from 'vitest'
import {
  dearWaysOf,
  parseTrigger,
  prepareWork,
  prepare,
  triggerReach,
  type Trigger,
} from '../../src/index.js'
import { catalogues, demoPlan, demoTable, draft } from '../work/desk.js'

const model = prepare(demoPlan, catalogues, { arrangement: draft, table: demoTable })
const { index, reachContext } = model
const hide = demoPlan.commands.find((c) => c.name === 'Hide shape')!
const waysOn = (trigger: Trigger | null, counted?: { byMenu: number; byPointer: number }) =>
  dearWaysOf(hide, {
    triggersOf: () => (trigger ? [trigger] : []),
    reachOf: (t) => triggerReach(t, reachContext),
    index,
    counted,
  })

test('a key at rest is dear in no way, a far one makes the hand leave, a far chord takes both', () => {
  expect(waysOn(parseTrigger('KeyF'))).toEqual([])
  expect(waysOn(parseTrigger('F12'))).toEqual(['hand-leaves'])
  expect(waysOn(parseTrigger('Control+Enter'))).toEqual(['both-hands'])
})

test('a stroke is the pointing hand’s; without a key it is the menu; a log adds what it shows', () => {
  const stroke = demoPlan.arrangements
    .flatMap((a) => a.placements)
    .find((p) => p.trigger.kind === 'stroke')!.trigger
  expect(waysOn(stroke)).toEqual(['pointer'])
  expect(waysOn(null)).toEqual(['menu'])
  expect(waysOn(parseTrigger('KeyF'), { byMenu: 3, byPointer: 1 })).toEqual(['pointer', 'menu'])
})

test('the commands that a count of the comparison counts are listed with it', async () => {
  const { reportOf } = await import('../../src/index.js')
  const report = reportOf(prepareWork(model))
  expect(report.reached.menu.length).toBe(report.reachCounts.menu)
  expect(report.reached.menu.every(({ trigger }) => trigger === null)).toBe(true)
  expect(Object.values(report.reached).flat().length).toBe(demoPlan.commands.length)
})
