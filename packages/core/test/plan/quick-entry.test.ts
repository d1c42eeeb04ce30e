import { describe, expect, test } from 'vitest'
import {
  addControls,
  addDevice,
  addThumbArc,
  copyControls,
  deleteControls,
  deviceControls,
  emptyPlan,
  mirrorHalf,
  readingOrder,
  readPlan,
  writePlan,
  type DrawnDevice,
  type Plan,
} from '../../src/index.js'

const key = { type: 'key', shape: 'rect', widthMm: 18, heightMm: 18, code: null } as const
const first: DrawnDevice = {
  id: 'own',
  name: 'Own',
  kind: 'drawn',
  form: 'keyboard',
  widthMm: 60,
  heightMm: 60,
  controls: [{ ...key, id: 'key1', name: '1', xMm: 15, yMm: 15 }],
  pages: [],
}
const start = addDevice(emptyPlan(), first).plan
const own = (plan: Plan): DrawnDevice => plan.devices.find((d) => d.id === 'own') as DrawnDevice

describe('quick entry', () => {
  test('a half of columns and a thumb arc, mirrored, is a board that opens', () => {
    const grid = addControls(start, 'own', key, { xMm: 34, yMm: 15 }, 5, 3, 19.05)
    const arc = addThumbArc(grid.plan, 'own', 3, { xMm: 110, yMm: 80 }, 90, 13)
    const whole = mirrorHalf(
      arc.plan,
      'own',
      own(arc.plan).controls.map((c) => c.id),
      60,
    )
    const { controls } = own(whole.plan)
    expect(controls).toHaveLength(2 * 19)
    expect(new Set(controls.map((c) => c.id)).size).toBe(38)
    expect(new Set(controls.map((c) => c.name)).size).toBe(38)
    expect(controls.filter((c) => c.thumb === true)).toHaveLength(6)
    // both halves are each other’s image
    const middle = (Math.max(...controls.map((c) => c.xMm)) + Math.min(...controls.map((c) => c.xMm))) / 2
    for (const c of controls) {
      const image = controls.find(
        (o) =>
          Math.abs(o.xMm + c.xMm - 2 * middle) < 0.01 &&
          Math.abs(o.yMm - c.yMm) < 0.01 &&
          (o.turnDeg ?? 0) === -(c.turnDeg ?? 0),
      )
      expect(image).toBeDefined()
    }
    expect(readPlan(writePlan(whole.plan), 'x')).toEqual(whole.plan)
    expect(deviceControls(own(whole.plan)).filter((c) => (c.turnDeg ?? 0) !== 0)).toHaveLength(4)
  })
  test('a copied column stands beside and sends nothing', () => {
    const { plan, result } = copyControls(start, 'own', ['key1'], 19.05, 5)
    expect(own(plan).controls.find((c) => c.id === result[0])).toMatchObject({
      xMm: 34.05,
      yMm: 20,
      code: null,
      name: '2',
    })
  })
  test('names do not repeat after a deletion', () => {
    const three = addControls(start, 'own', key, { xMm: 34, yMm: 15 }, 2, 1, 19)
    const two = deleteControls(three.plan, 'own', [three.result[0]!])
    const again = addControls(two, 'own', key, { xMm: 90, yMm: 15 }, 1, 1, 19)
    const names = own(again.plan).controls.map((c) => c.name)
    expect(new Set(names).size).toBe(names.length)
  })
  test('keys are read row by row, staggered columns too', () => {
    const at = (id: string, xMm: number, yMm: number) => ({ ...key, id, name: '', xMm, yMm })
    const order = readingOrder([
      at('d', 10, 40),
      at('b', 29, 15),
      at('a', 10, 20),
      at('c', 48, 18),
      at('e', 29, 35),
    ])
    expect(order.map((c) => c.id)).toEqual(['a', 'b', 'c', 'd', 'e'])
  })
})
