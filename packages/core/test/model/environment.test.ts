import { expect, test } from 'vitest'
import { layouts, systems } from '@reach-plot/data'
import {
  activeArrangement,
  activeBench,
  checkPlanOpens,
  emptyPlan,
  layoutOf,
  readPlan,
  environmentOf,
  writePlan,
} from '../../src/index.js'
import { at } from '../build.js'

const catalogues = { layouts, systems }

test('an empty plan reads back, opens, and stands on its home keys', () => {
  const plan = emptyPlan()
  expect(readPlan(writePlan(plan))).toEqual(plan)
  expect(() => checkPlanOpens(plan, catalogues)).not.toThrow()
  expect(activeBench(plan).hands[0]).toMatchObject({ side: 'left', spanMm: 190 })
  expect(activeArrangement(plan).placements).toEqual([])
})

test('what stands around a plan is the catalogue’s layout and system, and the keys at their places', () => {
  const plan = emptyPlan()
  const moved = {
    ...plan,
    benches: [{ ...plan.benches[0]!, devices: [at('keyboard', 50, 10)] }],
  }
  const env = environmentOf(moved, catalogues)
  expect(env.layout).toBe(layoutOf(plan, catalogues))
  expect(env.system.id).toBe('gnome')
  const still = environmentOf(plan, catalogues).controls[0]!
  expect(env.controls[0]).toMatchObject({ deviceId: 'keyboard', xMm: still.xMm + 50, yMm: still.yMm + 10 })
})

test('a plan whose layout the catalogue lacks names those that there are', () => {
  expect(() => checkPlanOpens({ ...emptyPlan(), layoutId: 'xx' }, catalogues)).toThrow(
    /no layout "xx".*us, gb, de/,
  )
})

test('a plan whose fingertip rests on nothing is refused', () => {
  const plan = emptyPlan()
  const hand = {
    ...plan.benches[0]!.hands[0]!,
    rests: { ...plan.benches[0]!.hands[0]!.rests, little: 'KeyNowhere' },
  }
  const broken = { ...plan, benches: [{ ...plan.benches[0]!, hands: [hand] }] }
  expect(() => checkPlanOpens(broken, catalogues)).toThrow(/little finger rests on "keyboard\/KeyNowhere"/)
})
