import {
  ellipsePath,
  hairMm,
  line,
  rectPath,
  text,
  type Drawing,
  type GroupMark,
  type Mark,
} from './drawing.js'
import type { LabelFont } from './font.js'
import { labelsPerPage, pageSizeMm, type Stock } from './stock.js'

export const cutKinds = ['outline', 'marks', 'none'] as const
/** How the edge of a label that is cut by hand is shown: all round, by its corners, not at all. */
export type CutKind = (typeof cutKinds)[number]

export interface LayOptions {
  readonly cut: CutKind
  /** labels of the first page that are used up already, counted along the rows */
  readonly skip: number
  /** stands at the foot of sheets that are cut, beside the check scale */
  readonly note: string
}

/** A label that is ready to be put on stock. */
export interface ReadyLabel {
  readonly id: string
  readonly drawing: Drawing
  readonly round: boolean
}

export interface LaidOut {
  readonly pages: readonly Drawing[]
  /** ids of labels larger than the stock's */
  readonly tooLarge: readonly string[]
}

/** Unprinted edge of a sheet, mm. Assumed: common printers keep 4 to 5 mm clear. */
export const pageEdgeMm = 10
const gapMm = 2
/** Room at the foot of a sheet for the check scale, mm. */
const footMm = 12
/** Length of the scale at the foot of each page, by which a print is checked, mm. */
export const checkScaleMm = 50

/** Labels put on a stock: packed in rows on a sheet, one in each place of label sheets and rolls, in the middle of it. */
export function layLabels(
  labels: readonly ReadyLabel[],
  stock: Stock,
  options: LayOptions,
  font: LabelFont,
): LaidOut {
  return stock.kind === 'sheet' ? packSheet(labels, stock, options, font) : fillPlaces(labels, stock, options)
}

function fillPlaces(
  labels: readonly ReadyLabel[],
  stock: Exclude<Stock, { kind: 'sheet' }>,
  options: LayOptions,
): LaidOut {
  const size = pageSizeMm(stock)
  const perPage = labelsPerPage(stock)
  const pages: Mark[][] = []
  const tooLarge: string[] = []
  let at = stock.kind === 'grid' ? Math.min(options.skip, perPage - 1) : 0
  for (const label of labels) {
    const { widthMm, heightMm } = label.drawing
    if (widthMm > stock.labelWidthMm + 0.01 || heightMm > stock.labelHeightMm + 0.01) {
      tooLarge.push(label.id)
      continue
    }
    const [page, place] = [Math.floor(at / perPage), at % perPage]
    const [left, top] =
      stock.kind === 'roll'
        ? [0, 0]
        : [
            stock.leftMm + (place % stock.columns) * stock.pitchXMm,
            stock.topMm + Math.floor(place / stock.columns) * stock.pitchYMm,
          ]
    const x = left + (stock.labelWidthMm - widthMm) / 2
    const y = top + (stock.labelHeightMm - heightMm) / 2
    // a label that fills its place is cut already
    const isCut = widthMm > stock.labelWidthMm - 0.5 && heightMm > stock.labelHeightMm - 0.5
    ;(pages[page] ??= []).push(group(label, x, y, isCut ? 'none' : options.cut))
    at++
  }
  return { pages: Array.from(pages, (marks) => ({ ...size, marks: marks ?? [] })), tooLarge }
}

function packSheet(
  labels: readonly ReadyLabel[],
  stock: Stock,
  options: LayOptions,
  font: LabelFont,
): LaidOut {
  const size = pageSizeMm(stock)
  const pages: Mark[][] = []
  const tooLarge: string[] = []
  let [x, y, rowHeight] = [Infinity, Infinity, 0]
  for (const label of labels) {
    const { widthMm, heightMm } = label.drawing
    if (widthMm > size.widthMm - 2 * pageEdgeMm || heightMm > size.heightMm - 2 * pageEdgeMm - footMm) {
      tooLarge.push(label.id)
      continue
    }
    if (x + widthMm > size.widthMm - pageEdgeMm) {
      x = pageEdgeMm
      y += rowHeight + gapMm
      rowHeight = 0
    }
    if (!(y + heightMm <= size.heightMm - pageEdgeMm - footMm)) {
      pages.push([])
      x = pageEdgeMm
      y = pageEdgeMm
      rowHeight = 0
    }
    pages.at(-1)?.push(group(label, x, y, options.cut))
    x += widthMm + gapMm
    rowHeight = Math.max(rowHeight, heightMm)
  }
  return {
    pages: pages.map((marks) => ({ ...size, marks: [...marks, ...foot(size, options.note, font)] })),
    tooLarge,
  }
}

const group = (label: ReadyLabel, xMm: number, yMm: number, cut: CutKind): GroupMark => ({
  kind: 'group',
  id: label.id,
  xMm,
  yMm,
  marks: [...cutLines(label, cut), ...label.drawing.marks],
})

const cutColour = '#8c8c8c'
/** Length of a corner's cut mark and its distance from the label, mm. */
const markMm = 0.7
const markGapMm = 0.2

/** Where the knife goes: the outline itself, or short lines that lead up to the corners from outside. */
function cutLines({ drawing, round }: ReadyLabel, cut: CutKind): Mark[] {
  const { widthMm: w, heightMm: h } = drawing
  if (cut === 'none') return []
  if (cut === 'outline')
    return [line(round ? ellipsePath(0, 0, w, h) : rectPath(0, 0, w, h), hairMm, cutColour)]
  const ends = [-markGapMm - markMm, -markGapMm]
  const d = [0, w]
    .map((x) => ends.map((e) => (x === 0 ? e : w - e)))
    .flatMap(([a, b]) => [0, h].map((y) => `M${a} ${y} L${b} ${y}`))
    .concat(
      [0, h]
        .map((y) => ends.map((e) => (y === 0 ? e : h - e)))
        .flatMap(([a, b]) => [0, w].map((x) => `M${x} ${a} L${x} ${b}`)),
    )
    .join(' ')
  return [line(d, hairMm, cutColour)]
}

/** The check scale and what the sheet is, at the foot of a page. */
function foot(size: { widthMm: number; heightMm: number }, note: string, font: LabelFont): Mark[] {
  const y = size.heightMm - pageEdgeMm
  const ticks = Array.from({ length: checkScaleMm / 10 + 1 }, (_, i) => 10 * i)
  const scale = [
    `M${pageEdgeMm} ${y} h${checkScaleMm}`,
    ...ticks.map((at) => `M${pageEdgeMm + at} ${y} v${at % checkScaleMm === 0 ? -3 : -1.5}`),
  ].join(' ')
  const words = `This line is ${checkScaleMm} mm long when printed at 100 %.`
  const full = `${words} ${note}`
  const shown = font.missing(full).length === 0 ? full : words
  const room = size.widthMm - 2 * pageEdgeMm
  const capMm = Math.min(2, (2 * room) / font.widthMm(shown, 2))
  return [line(scale, 0.2), text(shown, pageEdgeMm, y - footMm + 7, capMm)]
}
