import { black, filled, line, text, type LabelFont, type Mark } from '../drawing/index.js'
import type { Modifier } from '../triggers/index.js'
import { newBar } from './new-bar.js'
import { modifierSigns } from './signs.js'
import { signAdvance } from './stack.js'
import { printable } from './texts.js'

/** A row of a list that is set in columns. A union on `kind`. */
export type ColumnRow =
  | { readonly kind: 'title'; readonly text: string }
  | { readonly kind: 'heading'; readonly text: string }
  | {
      readonly kind: 'entry'
      readonly left: string
      readonly held: readonly Modifier[]
      readonly right: string
      /** colour of what is new: with a bar before it */
      readonly mark?: string
      /** stands in one column with the row that follows */
      readonly keep?: boolean
    }

export interface ColumnBox {
  readonly xMm: number
  readonly yMm: number
  readonly widthMm: number
  readonly heightMm: number
}

/** An area in equal columns. */
export function columnBoxes(area: ColumnBox, count: number, gapMm: number): ColumnBox[] {
  const widthMm = (area.widthMm - (count - 1) * gapMm) / count
  return Array.from({ length: count }, (_, i) => ({
    ...area,
    xMm: area.xMm + i * (widthMm + gapMm),
    widthMm,
  }))
}

/** Distance of lines over the height of capitals. Assumed. */
const leading = 1.6
/** Space above a heading, over the height of capitals. Assumed. */
const aboveHeading = 0.8

/**
 * Rows set one under the other into the boxes of page after page; a heading never stands last in a box.
 * @param leftShare share of a column for what stands left
 * @param boxesOf the columns of a page, in the order in which they are filled
 * @returns the marks of each page
 */
export function columns(
  rows: readonly ColumnRow[],
  boxesOf: (page: number) => readonly ColumnBox[],
  capMm: number,
  font: LabelFont,
  leftShare = 0.36,
): Mark[][] {
  const pages: Mark[][] = []
  let boxes: readonly ColumnBox[] = []
  let at = 0
  let y = Infinity
  const place = (heightMm: number): ColumnBox => {
    while (
      boxes[at] === undefined ||
      y + heightMm > (boxes[at] as ColumnBox).yMm + (boxes[at] as ColumnBox).heightMm + 0.01
    ) {
      at++
      if (boxes[at] === undefined) {
        boxes = boxesOf(pages.length)
        pages.push([])
        at = 0
      }
      y = (boxes[at] as ColumnBox).yMm
      // a row that is higher than a whole column stands there all the same
      if (heightMm > (boxes[at] as ColumnBox).heightMm) break
    }
    return boxes[at] as ColumnBox
  }
  for (const [i, row] of rows.entries()) {
    // every column of a page is as wide as the first
    const width = (boxes[0] ?? (boxesOf(0)[0] as ColumnBox)).widthMm
    const set = setRow(row, width, capMm, font, leftShare)
    const above = row.kind === 'heading' ? capMm * aboveHeading : 0
    let after = 0
    for (let k = i; rows[k + 1] && staysWithNext(rows[k] as ColumnRow); k++)
      after += setRow(rows[k + 1] as ColumnRow, width, capMm, font, leftShare).heightMm
    const box = place(above + set.heightMm + after)
    // space above a heading, but not at the top of a column
    if (y > box.yMm) y += above
    pages.at(-1)?.push({ kind: 'group', id: `row-${i + 1}`, xMm: box.xMm, yMm: y, marks: set.marks })
    y += set.heightMm
  }
  return pages
}

const staysWithNext = (row: ColumnRow): boolean => row.kind !== 'entry' || row.keep === true

function setRow(
  row: ColumnRow,
  widthMm: number,
  capMm: number,
  font: LabelFont,
  leftShare: number,
): { marks: Mark[]; heightMm: number } {
  if (row.kind !== 'entry') {
    const cap = row.kind === 'title' ? capMm * 1.4 : capMm * 1.1
    const lines = broken(printable(row.text, font), widthMm, cap, font)
    const heightMm = lines.length * cap * leading + (row.kind === 'title' ? capMm : capMm * 0.5)
    const marks: Mark[] = lines.map((l, i) => text(l, 0, cap + i * cap * leading, cap))
    if (row.kind === 'heading') marks.push(line(`M0 ${heightMm - capMm * 0.55} H${widthMm}`, 0.2))
    return { marks, heightMm: heightMm + (row.kind === 'heading' ? capMm * 0.3 : 0) }
  }
  const leftWidth = widthMm * leftShare
  const indent = row.held.length * signAdvance * capMm
  const left = broken(printable(row.left, font), leftWidth - 1, capMm, font)
  const right = broken(printable(row.right, font), widthMm - leftWidth - indent, capMm, font)
  const at = (i: number): number => capMm + i * capMm * leading
  const colour = row.mark ?? black
  const heightMm = Math.max(left.length, right.length) * capMm * leading
  return {
    marks: [
      ...left.map((l, i) => text(l, 0, at(i), capMm)),
      ...row.held.map((m, i) =>
        filled(modifierSigns[m], colour, {
          xMm: leftWidth + i * signAdvance * capMm,
          yMm: 0,
          scale: capMm,
        }),
      ),
      ...right.map((l, i) => text(l, leftWidth + indent, at(i), capMm, colour)),
      ...(row.mark === undefined ? [] : [newBar(leftWidth, 0, at(right.length - 1), row.mark)]),
    ],
    heightMm,
  }
}

/**
 * The least height of equal columns that holds all rows on one page, so that they end level; `mostMm` when it takes more.
 */
export function levelHeight(
  rows: readonly ColumnRow[],
  boxes: readonly ColumnBox[],
  mostMm: number,
  capMm: number,
  font: LabelFont,
  leftShare?: number,
): number {
  const fits = (heightMm: number): boolean =>
    columns(rows, () => boxes.map((b) => ({ ...b, heightMm })), capMm, font, leftShare).length === 1
  for (let heightMm = capMm * 6; heightMm < mostMm; heightMm += capMm * leading)
    if (fits(heightMm)) return heightMm
  return mostMm
}

/** Words in lines; a word that is wider than the line is cut in it. */
function broken(words: string, widthMm: number, capMm: number, font: LabelFont): string[] {
  const lines: string[] = []
  for (const word of words.split(/\s+/).flatMap((w) => pieces(w, widthMm, capMm, font))) {
    const last = lines.at(-1)
    if (last !== undefined && font.widthMm(`${last} ${word}`, capMm) <= widthMm)
      lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  return lines
}

function pieces(word: string, widthMm: number, capMm: number, font: LabelFont): string[] {
  const out: string[] = []
  let piece = ''
  for (const char of word) {
    if (piece !== '' && font.widthMm(piece + char, capMm) > widthMm) {
      out.push(piece)
      piece = ''
    }
    piece += char
  }
  return [...out, piece]
}
