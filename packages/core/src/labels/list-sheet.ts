import {
  line,
  pageAcrossMm,
  pageSizeMm,
  type Document,
  type Drawing,
  type LabelFont,
  type Stock,
} from '../drawing/index.js'
import { columnBoxes, columns, type ColumnBox, type ColumnRow } from './columns.js'
import { characterArcMinutes, heightAtMm } from './legibility.js'
import type { TriggerList } from './list.js'

const edgeMm = 8
const gapMm = 6
/** A sheet or card in the hand. Assumed. */
const handDistanceMm = 350

/** What is printed of an area of that size. */
const within = (widthMm: number, heightMm: number): ColumnBox => ({
  xMm: edgeMm,
  yMm: edgeMm,
  widthMm: widthMm - 2 * edgeMm,
  heightMm: heightMm - 2 * edgeMm,
})

const rowsOf = ({ title, sections, traps }: TriggerList): ColumnRow[] => [
  { kind: 'title', text: title },
  ...sections.flatMap((section): ColumnRow[] => [
    { kind: 'heading', text: section.title },
    ...section.entries.map((e): ColumnRow => ({
      kind: 'entry',
      left: e.trigger,
      held: [],
      right: e.command,
    })),
  ]),
  ...(traps.length > 0 ? [{ kind: 'heading', text: 'Traps, and the way out' } as const] : []),
  ...traps.map((t): ColumnRow => ({
    kind: 'entry',
    left: t.trigger,
    held: [],
    right: `${t.command}: ${t.wayOut}`,
  })),
]

/**
 * The list on one page where its letters stay at 16' of arc in the hand; where it is longer, on as many as it needs
 * at 20'.
 */
export function listSheet(list: TriggerList, stock: Stock, font: LabelFont): Document {
  const size = pageSizeMm(stock)
  const count = size.widthMm > 180 ? 3 : size.widthMm > 120 ? 2 : 1
  const boxes = columnBoxes(within(size.widthMm, size.heightMm), count, gapMm)
  const set = (arc: number) =>
    columns(rowsOf(list), () => boxes, heightAtMm(arc, handDistanceMm), font).map((marks): Drawing => ({
      ...size,
      marks,
    }))
  const good = set(characterArcMinutes.good)
  if (good.length === 1) return { title: list.title, pages: good }
  const small = set(characterArcMinutes.least)
  return { title: list.title, pages: small.length < good.length ? small : good }
}

/**
 * The list on a sheet that is printed on both sides and folded once down the middle: the cover at the right of the
 * first page, then the two inner sides, the back at the left of the first page. A longer list takes more sheets.
 * Pages come in pairs, to be turned over the short edge.
 */
export function foldedCard(list: TriggerList, stock: Stock, font: LabelFont): Document {
  const size = pageAcrossMm(stock)
  const half = size.widthMm / 2
  const panel = columnBoxes(within(half, size.heightMm), half > 110 ? 2 : 1, gapMm)
  const cap = heightAtMm(characterArcMinutes.least, handDistanceMm)
  // one panel after the other, as they are read; each row of marks is a panel
  const panels = columns(rowsOf(list), () => panel, cap, font)
  const pages: Drawing[] = []
  for (let at = 0; at < panels.length; at += 4) {
    const [cover = [], left = [], right = [], back = []] = panels.slice(at, at + 4)
    const moved = (marks: typeof cover) =>
      marks.map((mark) => (mark.kind === 'group' ? { ...mark, xMm: mark.xMm + half } : mark))
    const fold = line(`M${half} 0 v3 M${half} ${size.heightMm} v-3`, 0.15, '#8c8c8c')
    pages.push(
      { ...size, marks: [fold, ...back, ...moved(cover)] },
      { ...size, marks: [...left, ...moved(right)] },
    )
  }
  return { title: list.title, pages }
}
