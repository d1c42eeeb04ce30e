import type { LabelFont } from '../drawing/index.js'
import type { Icon } from '../label-design/index.js'
import type { Modifier } from '../triggers/index.js'
import { linePieces } from './breaks.js'

/** A line of text in a label; position of its baseline from the label's top left corner. */
export interface LabelLine {
  readonly text: string
  readonly held: readonly Modifier[]
  readonly xMm: number
  readonly baselineMm: number
  readonly capMm: number
  /** which entry of the label the line belongs to; -1 for the legend */
  readonly entry: number
}

/** An icon in a label; position of its top left corner. */
export interface LabelIcon {
  readonly icon: Icon
  readonly held: readonly Modifier[]
  readonly xMm: number
  readonly yMm: number
  readonly sizeMm: number
  readonly capMm: number
  readonly entry: number
}

/** Room for a stack, mm from the label's top left corner. */
export interface Box {
  readonly xMm: number
  readonly yMm: number
  readonly widthMm: number
  readonly heightMm: number
  readonly round: boolean
}

/** What is stacked, from the top: words that may be broken into lines, or an icon. */
export type StackItem =
  | {
      readonly kind: 'text'
      readonly text: string
      readonly held: readonly Modifier[]
      readonly entry: number
    }
  | {
      readonly kind: 'icon'
      readonly icon: Icon
      readonly held: readonly Modifier[]
      readonly entry: number
    }

/** Free edge inside a label, mm. Assumed: a hand-cut sticker is off by up to half of it. */
const edgeMm = 0.8
/** Distance of baselines over the height of capitals. Assumed. */
export const leading = 1.45
/** How far tails of letters hang below the baseline, over the height of capitals. Measured on the label font: 0.29. */
const tail = 0.3
/** Width of a modifier's sign over the height of capitals, with the gap behind it. */
export const signAdvance = 1.15
const mostRows = 12

/**
 * Items one under the other: from the top left, or in the middle of the box. Words break into lines as the width at
 * their height allows; null when something does not fit.
 */
export function layStack(
  items: readonly StackItem[],
  box: Box,
  isMiddle: boolean,
  capMm: number,
  iconMm: number,
  font: LabelFont,
): { lines: LabelLine[]; icons: LabelIcon[] } | null {
  const least = items.filter((item) => item.kind === 'text').length
  const icons = items.length - least
  const inner = innerOf(box)
  for (let rows = least; rows <= mostRows; rows++) {
    const blockMm = icons * (iconMm + iconGap(capMm)) + rows * capMm * leading - gapBelow(items, capMm)
    if (blockMm > inner.heightMm + 1e-9) return null
    const top = isMiddle ? inner.yMm + (inner.heightMm - blockMm) / 2 : inner.yMm
    const laid = walk(items, top, rows, inner, isMiddle, capMm, iconMm, font)
    if (laid) return laid
    // in a box of one width more lines do not make more room
    if (!inner.round && rows > least + words(items)) return null
  }
  return null
}

const iconGap = (capMm: number): number => capMm * 0.35
const gapBelow = (items: readonly StackItem[], capMm: number): number =>
  items.at(-1)?.kind === 'text' ? capMm * (leading - 1) : iconGap(capMm)
const words = (items: readonly StackItem[]): number =>
  items.reduce((sum, item) => sum + (item.kind === 'text' ? linePieces(item.text).length - 1 : 0), 0)

function innerOf(box: Box): Box {
  return {
    ...box,
    xMm: box.xMm + edgeMm,
    yMm: box.yMm + edgeMm,
    widthMm: box.widthMm - 2 * edgeMm,
    heightMm: box.heightMm - 2 * edgeMm,
  }
}

/** Left end and width of the room between two heights. */
function roomAt(inner: Box, fromMm: number, toMm: number): { leftMm: number; widthMm: number } {
  if (!inner.round) return { leftMm: inner.xMm, widthMm: inner.widthMm }
  const [rx, ry] = [inner.widthMm / 2, inner.heightMm / 2]
  const middle = inner.yMm + ry
  const away = Math.max(Math.abs(fromMm - middle), Math.abs(toMm - middle)) / ry
  const half = away >= 1 ? 0 : rx * Math.sqrt(1 - away * away)
  return { leftMm: inner.xMm + rx - half, widthMm: 2 * half }
}

function walk(
  items: readonly StackItem[],
  topMm: number,
  rows: number,
  inner: Box,
  isMiddle: boolean,
  capMm: number,
  iconMm: number,
  font: LabelFont,
): { lines: LabelLine[]; icons: LabelIcon[] } | null {
  const lines: LabelLine[] = []
  const icons: LabelIcon[] = []
  let y = topMm
  for (const item of items) {
    const indent = item.held.length * signAdvance * capMm
    if (item.kind === 'icon') {
      const room = roomAt(inner, y, y + iconMm)
      const width = indent + iconMm
      if (width > room.widthMm) return null
      const xMm = room.leftMm + (room.widthMm - width) / 2 + indent
      icons.push({ icon: item.icon, held: item.held, xMm, yMm: y, sizeMm: iconMm, capMm, entry: item.entry })
      y += iconMm + iconGap(capMm)
      continue
    }
    let left = linePieces(item.text)
    for (let first = true; left.length > 0; first = false) {
      if (lines.length >= rows) return null
      const room = roomAt(inner, y, y + capMm * (inner.round ? 1 + tail : 1))
      const count = fitting(left, room.widthMm - indent, capMm, font)
      if (count === 0) return null
      const text = joinedPieces(left.slice(0, count))
      const width = indent + font.widthMm(text, capMm)
      lines.push({
        text,
        held: first ? item.held : [],
        xMm: room.leftMm + (isMiddle ? (room.widthMm - width) / 2 : 0) + indent,
        baselineMm: y + capMm,
        capMm,
        entry: item.entry,
      })
      left = left.slice(count)
      y += capMm * leading
    }
  }
  return lines.length <= rows ? { lines, icons } : null
}

const joinedPieces = (pieces: readonly string[]): string => pieces.join('').replace(/\s+/g, ' ').trim()

/** How many of the pieces stand in one line. */
function fitting(all: readonly string[], roomMm: number, capMm: number, font: LabelFont): number {
  let count = 0
  while (count < all.length && font.widthMm(joinedPieces(all.slice(0, count + 1)), capMm) <= roomMm) count++
  return count
}
