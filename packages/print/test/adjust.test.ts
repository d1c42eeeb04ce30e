import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  calibrationFrom,
  calibrationMarks,
  calibrationPage,
  flat,
  noAdjust,
  pageMatrix,
  shippedStocks,
  stockOf,
  type Calibration,
} from '@reach-plot/core/drawing'
import { font } from './tools.js'

const calibration = fc.record({
  offsetXMm: fc.double({ min: -5, max: 5, noNaN: true }),
  offsetYMm: fc.double({ min: -5, max: 5, noNaN: true }),
  scaleX: fc.double({ min: 0.95, max: 1.05, noNaN: true }),
  scaleY: fc.double({ min: 0.95, max: 1.05, noNaN: true }),
})
const point = fc.double({ min: 0, max: 300, noNaN: true })

/** A printer that stretches a page and shifts it. */
const printed = (c: Calibration, x: number, y: number): [number, number] => [
  c.scaleX * x + c.offsetXMm,
  c.scaleY * y + c.offsetYMm,
]

describe('correcting for a printer', () => {
  test('what the printer does to a corrected page puts every point where it belongs', () => {
    fc.assert(
      fc.property(calibration, point, point, (c, x, y) => {
        const m = pageMatrix({ calibration: c, mirror: false }, 210)
        const [px, py] = printed(c, m.a * x + m.e, m.d * y + m.f)
        expect(px).toBeCloseTo(x, 6)
        expect(py).toBeCloseTo(y, 6)
      }),
    )
  })
  test('a mirrored page is mirrored on the paper, about its middle', () => {
    fc.assert(
      fc.property(calibration, point, (c, x) => {
        const m = pageMatrix({ calibration: c, mirror: true }, 210)
        expect(printed(c, m.a * x + m.e, 0)[0]).toBeCloseTo(210 - x, 6)
      }),
    )
  })
  test('what is measured on the calibration page gives the printer back', () => {
    fc.assert(
      fc.property(calibration, fc.constantFrom(...shippedStocks), (c, stock) => {
        const at = calibrationMarks(stock)
        const [crossXMm, crossYMm] = printed(c, at.crossXMm, at.crossYMm)
        const measured = {
          crossXMm,
          crossYMm,
          acrossMm: at.acrossMm * c.scaleX,
          alongMm: at.alongMm * c.scaleY,
        }
        const found = calibrationFrom(measured, at)
        for (const key of ['offsetXMm', 'offsetYMm', 'scaleX', 'scaleY'] as const)
          expect(found[key]).toBeCloseTo(c[key], 9)
      }),
    )
  })
  test('a slip of the ruler is refused with what the true lengths are', () => {
    const nominal = calibrationMarks(stockOf('a4'))
    expect(() => calibrationFrom({ ...nominal, acrossMm: 15 }, nominal)).toThrow(
      /off by more than 10 %.*rulers are 150 and 150 mm/,
    )
    expect(() => calibrationFrom({ ...nominal, crossXMm: NaN }, nominal)).toThrow(/Measure again/)
  })
})

describe('the calibration page', () => {
  test.each(shippedStocks.map((s) => [s.id, s] as const))('%s: all marks lie on it', (_id, stock) => {
    const [page] = calibrationPage(stock, font).pages
    const { widthMm, heightMm } = page!
    for (const { mark, xMm, yMm } of flat(page!.marks)) {
      if (mark.kind === 'text') {
        expect(xMm + mark.xMm).toBeGreaterThanOrEqual(0)
        expect(xMm + mark.xMm + font.widthMm(mark.text, mark.capMm)).toBeLessThanOrEqual(widthMm)
        expect(yMm + mark.baselineMm).toBeLessThan(heightMm)
      }
    }
    const at = calibrationMarks(stock)
    expect(at.crossXMm + at.acrossMm).toBeLessThanOrEqual(widthMm)
    expect(at.crossYMm + at.alongMm).toBeLessThanOrEqual(heightMm)
  })
  test('nothing changes where nothing was measured', () => {
    expect(pageMatrix(noAdjust, 210)).toEqual({ a: 1, d: 1, e: 0, f: -0 })
  })
})
