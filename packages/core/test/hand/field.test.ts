import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  fingers,
  handModel,
  homeKeys,
  boardControls,
  reachContours,
  reachField,
  type FieldArea,
} from '../../src/index.js'

const controls = boardControls('ansi-104', 'windows')
const hand = handModel({ side: 'left', spanMm: 190, rests: homeKeys.left }, controls)
const right = handModel({ side: 'right', spanMm: 190, rests: homeKeys.right }, controls)
const at = (id: string) => controls.find((c) => c.id === id)!
const area = (x: number, y: number): FieldArea => ({ x0Mm: x, x1Mm: x + 1, y0Mm: y, y1Mm: y + 1, cellMm: 1 })
const effortAt = (x: number, y: number): number => reachField(hand, area(x, y)).effort[0]!

describe('the chart of reach', () => {
  test('is 0 under a resting fingertip, and the quickest there', () => {
    for (const id of Object.values(homeKeys.left)) {
      const { xMm, yMm } = at(id)
      expect(effortAt(xMm, yMm), id).toBeLessThan(1e-6)
      expect(reachField(hand, area(xMm, yMm)).timeMs[0]).toBeCloseTo(hand.pressMs, 6)
    }
  })
  test('the best finger is never worse than any one of them', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: -20, max: 140, noNaN: true }),
        (x, y) => {
          const best = effortAt(x, y)
          for (const finger of fingers.slice(1))
            expect(reachField(hand, area(x, y), [finger]).effort[0]!).toBeGreaterThanOrEqual(best - 1e-9)
        },
      ),
      { numRuns: 60 },
    )
  })
  test('grows along any straight way from a fingertip', () => {
    const { xMm, yMm } = at('KeyF')
    for (const [dx, dy] of [
      [1, 0],
      [0, -1],
      [0, 1],
      [1, -1],
    ] as const) {
      const along = [0, 10, 20, 40, 80].map(
        (mm) => reachField(hand, area(xMm + dx * mm, yMm + dy * mm), ['index']).effort[0]!,
      )
      expect(along).toEqual([...along].sort((a, b) => a - b))
    }
  })
  test('of the other hand is the mirror image', () => {
    // the hands rest as mirrored about the middle between F and J, and their radii are the same
    const middle = (at('KeyF').xMm + at('KeyJ').xMm) / 2
    const { xMm, yMm } = at('KeyF')
    for (const [dx, dy] of [
      [12, -19],
      [-19, -19],
      [5, 19],
    ] as const) {
      const left = reachField(hand, area(xMm + dx, yMm + dy), ['index']).effort[0]!
      const other = reachField(right, area(2 * middle - xMm - dx, yMm + dy), ['index']).effort[0]!
      expect(other).toBeCloseTo(left, 6)
    }
  })
  test('its contours hold what lies within', () => {
    const field = reachField(hand, { x0Mm: 0, x1Mm: 200, y0Mm: -10, y1Mm: 130, cellMm: 4 })
    const [easy, stretch] = reachContours(field, 'effort', [0.8, 2.05])
    const areaOf = (rings: readonly (readonly (readonly number[])[])[]): number =>
      rings.reduce((sum, ring) => {
        let twice = 0
        ring.forEach((p, i) => {
          const q = ring[(i + 1) % ring.length]!
          twice += p[0]! * q[1]! - q[0]! * p[1]!
        })
        return sum + twice / 2
      }, 0)
    const size = (c: typeof easy): number =>
      Math.abs(c!.coordinates.reduce((sum, poly) => sum + areaOf(poly), 0))
    expect(size(easy)).toBeGreaterThan(500)
    expect(size(stretch)).toBeGreaterThan(size(easy))
    const cells = field.effort.filter((e) => e <= 0.8).length * field.cellMm ** 2
    expect(size(easy) / cells).toBeGreaterThan(0.85)
    expect(size(easy) / cells).toBeLessThan(1.2)
  })
})
