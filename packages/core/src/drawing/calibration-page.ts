import type { Measured } from './adjust.js'
import { line, text, type Document, type Drawing, type Mark } from './drawing.js'
import type { LabelFont } from './font.js'
import { pageSizeMm, type Stock } from './stock.js'

/** Where the corner cross lies and how long the rulers are, for a page of this size, mm. */
export function calibrationMarks(stock: Stock): Measured {
  const { widthMm, heightMm } = pageSizeMm(stock)
  // a small label has a small cross and rulers of whole millimetres
  const cross = Math.min(15, Math.floor(Math.min(widthMm, heightMm) / 5))
  const ruler = (sideMm: number): number => {
    const free = sideMm - 2 * cross
    return free >= 20 ? Math.min(150, Math.floor(free / 10) * 10) : Math.floor(free)
  }
  return { crossXMm: cross, crossYMm: cross, acrossMm: ruler(widthMm), alongMm: ruler(heightMm) }
}

/** A page with a cross and two rulers that start at it, printed to be measured. */
export function calibrationPage(stock: Stock, font: LabelFont): Document {
  const size = pageSizeMm(stock)
  const at = calibrationMarks(stock)
  const { crossXMm: x, crossYMm: y } = at
  const arm = Math.min(5, x * 0.7)
  const ticks = (lengthMm: number, path: (i: number, tickMm: number) => string): string =>
    Array.from({ length: lengthMm + 1 }, (_, i) => path(i, i % 10 === 0 ? 3 : i % 5 === 0 ? 2 : 1)).join(' ')
  // on a label there is no room for more than the lines
  const small = Math.min(size.widthMm, size.heightMm) < 60
  const tick = small ? 0.5 : 1
  const marks: Mark[] = [
    line(`M${x - arm} ${y} h${2 * arm} M${x} ${y - arm} v${2 * arm}`, 0.25),
    line(`M${x} ${y} h${at.acrossMm} ${ticks(at.acrossMm, (i, t) => `M${x + i} ${y} v${t * tick}`)}`, 0.25),
    line(`M${x} ${y} v${at.alongMm} ${ticks(at.alongMm, (i, t) => `M${x} ${y + i} h${t * tick}`)}`, 0.25),
  ]
  if (!small) marks.push(...words(size, at, font), ...numbers(at, font), ...farCrosses(size, x, y, arm))
  return { title: `Calibration, ${stock.name}`, pages: [{ ...size, marks }] }
}

/** Crosses in the other corners show a page that is turned or stretched unevenly. */
const farCrosses = (
  { widthMm, heightMm }: Pick<Drawing, 'widthMm' | 'heightMm'>,
  x: number,
  y: number,
  arm: number,
): Mark[] =>
  [
    [widthMm - x, y],
    [x, heightMm - y],
    [widthMm - x, heightMm - y],
  ].map(([cx, cy]) =>
    line(`M${(cx as number) - arm} ${cy} h${2 * arm} M${cx} ${(cy as number) - arm} v${2 * arm}`, 0.25),
  )

/** Millimetres at every tenth of both rulers. */
function numbers({ crossXMm: x, crossYMm: y, acrossMm, alongMm }: Measured, font: LabelFont): Mark[] {
  const cap = 1.8
  const tens = (lengthMm: number): number[] => Array.from({ length: lengthMm / 10 }, (_, i) => 10 * (i + 1))
  return [
    ...tens(acrossMm).map((mm) => text(`${mm}`, x + mm - font.widthMm(`${mm}`, cap) / 2, y - 1, cap)),
    ...tens(alongMm).map((mm) => text(`${mm}`, x - 1 - font.widthMm(`${mm}`, cap), y + mm + cap / 2, cap)),
  ]
}

function words(size: Pick<Drawing, 'widthMm'>, at: Measured, font: LabelFont): Mark[] {
  const lines = [
    'Print this page at 100 %, without fitting it to the paper. Then measure and enter:',
    `1. from the left edge of the paper to the upright line of the cross (it should be ${at.crossXMm} mm)`,
    `2. from the top edge to the level line of the cross (${at.crossYMm} mm)`,
    `3. the ruler across (${at.acrossMm} mm)  4. the ruler down (${at.alongMm} mm)`,
  ]
  const room = size.widthMm - at.crossXMm * 2 - 10
  const capMm = Math.min(2.4, ...lines.map((l) => (2.4 * room) / font.widthMm(l, 2.4)))
  return lines.map((l, i) => text(l, at.crossXMm + 8, at.crossYMm + 14 + i * capMm * 1.9, capMm))
}
