import { describe, expect, test } from 'vitest'
import { catalogues } from '@reach-plot/data'
import {
  boardIds,
  emptyPlan,
  makeBoardOwn,
  prepare,
  readPlan,
  writePlan,
  type Plan,
} from '../../src/index.js'

/** A plan on one catalogued keyboard. */
const planOn = (board: (typeof boardIds)[number]): Plan => {
  const plan = emptyPlan()
  return { ...plan, devices: plan.devices.map((d) => (d.kind === 'board' ? { ...d, board } : d)) }
}

describe.each(boardIds)('%s made one’s own', (board) => {
  const before = planOn(board)
  const after = makeBoardOwn(before, 'keyboard')

  test('has the same keys in the same places, and the same reach', () => {
    const [one, other] = [prepare(before, catalogues), prepare(after, catalogues)]
    expect(other.situation.hand).toEqual(one.situation.hand)
    for (const held of [[], ['Shift'], ['Control']] as const)
      expect(other.table.withHeld(held)).toEqual(one.table.withHeld(held))
  })

  test('is a device that can be changed, and comes back from a file', () => {
    expect(after.devices[0]).toMatchObject({ kind: 'drawn', form: 'keyboard', id: 'keyboard' })
    expect(readPlan(writePlan(after), 'x')).toEqual(after)
  })
})

test('what is no board stays as it is', () => {
  const plan = makeBoardOwn(emptyPlan(), 'keyboard')
  expect(makeBoardOwn(plan, 'keyboard')).toEqual(plan)
  expect(makeBoardOwn(plan, 'nothing')).toEqual(plan)
})
