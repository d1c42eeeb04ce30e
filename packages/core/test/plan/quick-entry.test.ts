import { describe, expect, test } from 'vitest'
import {
  addControls,
  addDevice,
  addEdgeZones,
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
  test('zones along the edges of a screen lie in it, cover its border, and none lies on another', () => {
    const screen = { ...key, type: 'field', widthMm: 200, heightMm: 120, directions: 8 } as const
    const drawn = addControls(start, 'own', screen, { xMm: 200, yMm: 100 }, 1, 1, 19)
    const { plan, result } = addEdgeZones(drawn.plan, 'own', drawn.result[0]!, 4, 2)
    expect(result).toHaveLength(2 * 4 + 2 * 2)
    const zones = own(plan).controls.filter((c) => result.includes(c.id))
    expect(new Set(zones.map((c) => c.name)).size).toBe(12)
    const area = (c: (typeof zones)[number]) => c.widthMm * c.heightMm
    expect(zones.reduce((sum, c) => sum + area(c), 0)).toBeCloseTo(200 * 120 - 160 * 80)
    for (const [i, a] of zones.entries()) {
      expect(Math.abs(a.xMm - 200) + a.widthMm / 2).toBeLessThanOrEqual(100.01)
      expect(Math.abs(a.yMm - 100) + a.heightMm / 2).toBeLessThanOrEqual(60.01)
      for (const b of zones.slice(i + 1))
        expect(
          Math.max(
            Math.abs(a.xMm - b.xMm) - (a.widthMm + b.widthMm) / 2,
            Math.abs(a.yMm - b.yMm) - (a.heightMm + b.heightMm) / 2,
          ),
        ).toBeGreaterThanOrEqual(-0.01)
    }
    expect(readPlan(writePlan(plan), 'x')).toEqual(plan)
    // the key at the top left is not covered
    const whole = addEdgeZones(start, 'own', null, 1, 1)
    expect(own(whole.plan).controls.slice(1)).toMatchObject([
      { name: 'right edge', xMm: 54, yMm: 30, widthMm: 12, heightMm: 36 },
      { name: 'bottom edge', xMm: 30, yMm: 54, widthMm: 60, heightMm: 12 },
    ])
    expect(own(whole.plan).widthMm).toBe(60)
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
