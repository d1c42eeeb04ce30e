import fc from 'fast-check'
import { deviceModels } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import {
  boardIds,
  deviceControls,
  readPlan,
  restIds,
  writePlan,
  emptyPlan,
  footprint,
  gapMm,
  setSide,
  toggleOnDesk,
  type DeviceModel,
  type Plan,
} from '../../src/index.js'
import { activeBench, keyboardOf, ofModel } from '../../src/plan/index.js'

const models = deviceModels as unknown as readonly DeviceModel[]
const board = (id: (typeof boardIds)[number]) => ({ kind: 'board', board: id }) as const
const model = (m: DeviceModel) => ({ kind: 'model', model: m }) as const
const prints = (plan: Plan) =>
  activeBench(plan).devices.map((placed) =>
    footprint(
      placed,
      plan.devices.find((d) => d.id === placed.deviceId)!,
    ),
  )

describe('a desk that arranges itself', () => {
  test('whatever stands on it, nothing covers anything else, and the plan is whole', () => {
    fc.assert(
      fc.property(
        fc.subarray(models.filter((m) => m.form !== 'keyboard')),
        fc.constantFrom(...boardIds),
        fc.constantFrom('left' as const, 'right' as const),
        (chosen, keyboard, side) => {
          let plan = setSide(emptyPlan(), side)
          plan = toggleOnDesk(plan, board(keyboard))
          for (const m of chosen) plan = toggleOnDesk(plan, model(m))
          const boxes = prints(plan)
          boxes.forEach((a, i) =>
            boxes.slice(i + 1).forEach((b) => expect(gapMm(a, b).straightMm).toBeGreaterThan(0)),
          )
          expect(activeBench(plan).devices).toHaveLength(chosen.length + 1)
          expect(keyboardOf(plan)).toMatchObject({ board: keyboard })
          for (const m of chosen) expect(ofModel(plan, m)).toBeDefined()
        },
      ),
      { numRuns: 60, seed: 7 },
    )
  })
  test.each(models.filter((m) => m.form === 'keyboard').map((m) => [m.id, m] as const))(
    '%s takes the place of the keyboard there, with the hand on its home row, and goes again for another',
    (_id, keyboard) => {
      const before = toggleOnDesk(emptyPlan(), model(models.find((m) => m.id === 'mouse')!))
      const plan = toggleOnDesk(before, model(keyboard))
      expect(keyboardOf(plan)).toMatchObject({ id: 'keyboard', kind: 'drawn', name: keyboard.name })
      const { rests } = activeBench(plan).hands[0]!
      const ids = new Set(deviceControls(keyboardOf(plan)!).map((c) => c.id))
      expect(restIds(rests).every((id) => ids.has(id))).toBe(true)
      expect(keyboardOf(toggleOnDesk(plan, board('iso-105')))).toMatchObject({
        kind: 'board',
        board: 'iso-105',
      })
      expect(readPlan(writePlan(plan), 'x').devices).toEqual(plan.devices)
    },
  )
  test('what is put on twice is off again, and leaves nothing behind', () => {
    const mouse = models.find((m) => m.id === 'mouse')!
    const plan = toggleOnDesk(toggleOnDesk(emptyPlan(), model(mouse)), model(mouse))
    expect(plan.devices).toEqual(emptyPlan().devices)
    expect(activeBench(plan).devices).toHaveLength(1)
  })
  test('pads stand beside the resting hand, mice beside the other', () => {
    const of = (id: string) => models.find((m) => m.id === id)!
    for (const side of ['left', 'right'] as const) {
      let plan = setSide(emptyPlan(), side)
      for (const id of ['pad-20', 'mouse']) plan = toggleOnDesk(plan, model(of(id)))
      const x = (id: string): number =>
        activeBench(plan).devices.find((d) => d.deviceId === ofModel(plan, of(id))!.id)!.xMm
      expect(Math.sign(x('pad-20') - x('mouse'))).toBe(side === 'left' ? -1 : 1)
    }
  })
})
