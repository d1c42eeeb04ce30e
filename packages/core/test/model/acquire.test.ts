import { describe, expect, test } from 'vitest'
import { homingTimeMs, prepareWork, splitControlRef } from '../../src/index.js'
import { demoModel } from '../work/desk.js'

const { reachContext } = prepareWork(demoModel).context.place
const pointing = demoModel.env.controls.filter((c) => c.pointing === true)

/** Middle and smaller side of what is pressed on a device, from its corners; the field that it moves over is no part of it. */
function spanOf(deviceId: string) {
  const corners = pointing
    .filter((c) => splitControlRef(c.id).deviceId === deviceId && c.type !== 'field')
    .flatMap((c) => [
      [c.xMm - c.widthMm / 2, c.yMm - c.heightMm / 2],
      [c.xMm + c.widthMm / 2, c.yMm + c.heightMm / 2],
    ])
  const [xs, ys] = [corners.map((c) => c[0]!), corners.map((c) => c[1]!)].map((v) =>
    v.toSorted((a, b) => a - b),
  )
  const [x0, x1, y0, y1] = [xs![0]!, xs!.at(-1)!, ys![0]!, ys!.at(-1)!]
  return { x: (x0 + x1) / 2, y: (y0 + y1) / 2, side: Math.min(x1 - x0, y1 - y0) }
}

describe('taking a pointing device up', () => {
  const ids = [...new Set(pointing.map((c) => splitControlRef(c.id).deviceId))]
  const held = ids.find((id) => reachContext.acquireMs(id) === 0)!
  test('costs nothing for the one in the hand, a movement from there for others', () => {
    expect(ids.length).toBeGreaterThan(1)
    const from = spanOf(held)
    for (const id of ids.filter((i) => i !== held)) {
      const to = spanOf(id)
      const way = Math.hypot(to.x - from.x, to.y - from.y)
      expect(reachContext.acquireMs(id), id).toBeCloseTo(homingTimeMs(way, to.side), 6)
    }
  })
  test('is none for what the resting hand presses', () => {
    expect(reachContext.acquireMs('pad')).toBeNull()
  })
})
