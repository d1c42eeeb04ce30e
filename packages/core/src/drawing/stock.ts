import { z } from '../zod.js'
import { CoreError } from '../errors.js'
import { customMedia, paperSizeMm, type SizeMm } from './media.js'

const lengthMm = z.number().min(0).max(1000)
const labelSideMm = z.number().min(4).max(400)
const stockId = z.string().regex(/^[A-Za-z0-9_.-]{1,60}$/, 'must be letters, digits, _ . or -')
const name = z.string().min(1).max(80)
const media = z.string().max(100)

/** A plain sheet, from which labels are cut. */
const sheetSchema = z.strictObject({ kind: z.literal('sheet'), id: stockId, name, media })

/** A sheet of labels that are cut already, in rows and columns. */
const gridSchema = z.strictObject({
  kind: z.literal('grid'),
  id: stockId,
  name,
  media,
  rows: z.number().int().min(1).max(100),
  columns: z.number().int().min(1).max(100),
  labelWidthMm: labelSideMm,
  labelHeightMm: labelSideMm,
  /** from one label's left or top edge to the next one's */
  pitchXMm: lengthMm,
  pitchYMm: lengthMm,
  /** from the sheet's edges to the first label */
  leftMm: lengthMm,
  topMm: lengthMm,
  round: z.boolean(),
})

/** A roll of labels for a thermal printer, one after the other. */
const rollSchema = z.strictObject({
  kind: z.literal('roll'),
  id: stockId,
  name,
  labelWidthMm: labelSideMm,
  labelHeightMm: labelSideMm,
  /** bare backing between two labels */
  gapMm: z.number().min(0).max(50),
  round: z.boolean(),
})

/** What is printed on. A union on `kind`. */
export const stockSchema = z.discriminatedUnion('kind', [sheetSchema, gridSchema, rollSchema])
export type Stock = z.infer<typeof stockSchema>

/** Stocks that are always offered. Sizes of label sheets and rolls: common practice, no source. */
export const shippedStocks: readonly Stock[] = [
  { kind: 'sheet', id: 'a4', name: 'A4', media: 'iso_a4_210x297mm' },
  { kind: 'sheet', id: 'letter', name: 'Letter', media: 'na_letter_8.5x11in' },
  { kind: 'sheet', id: 'a5', name: 'A5', media: 'iso_a5_148x210mm' },
  { kind: 'sheet', id: 'a6', name: 'A6', media: 'iso_a6_105x148mm' },
  {
    kind: 'grid',
    id: 'a4-5x13',
    name: 'A4 labels, 5 x 13, 38.1 x 21.2 mm',
    media: 'iso_a4_210x297mm',
    rows: 13,
    columns: 5,
    labelWidthMm: 38.1,
    labelHeightMm: 21.2,
    pitchXMm: 40.6,
    pitchYMm: 21.2,
    leftMm: 4.75,
    topMm: 10.7,
    round: false,
  },
  {
    kind: 'grid',
    id: 'a4-round-20',
    name: 'A4 labels, 8 x 12, round 20 mm',
    media: 'iso_a4_210x297mm',
    rows: 12,
    columns: 8,
    labelWidthMm: 20,
    labelHeightMm: 20,
    pitchXMm: 23,
    pitchYMm: 22.5,
    leftMm: 14.5,
    topMm: 14.75,
    round: true,
  },
  {
    kind: 'grid',
    id: 'letter-7x15',
    name: 'Letter labels, 7 x 15, 25 x 15 mm',
    media: 'na_letter_8.5x11in',
    rows: 15,
    columns: 7,
    labelWidthMm: 25,
    labelHeightMm: 15,
    pitchXMm: 28,
    pitchYMm: 17,
    leftMm: 11.5,
    topMm: 13,
    round: false,
  },
  {
    kind: 'roll',
    id: 'roll-round-14',
    name: 'Roll, round 14 mm',
    labelWidthMm: 14,
    labelHeightMm: 14,
    gapMm: 3,
    round: true,
  },
  {
    kind: 'roll',
    id: 'roll-14x14',
    name: 'Roll, 14 x 14 mm',
    labelWidthMm: 14,
    labelHeightMm: 14,
    gapMm: 3,
    round: false,
  },
  {
    kind: 'roll',
    id: 'roll-15x15',
    name: 'Roll, 15 x 15 mm',
    labelWidthMm: 15,
    labelHeightMm: 15,
    gapMm: 2,
    round: false,
  },
  {
    kind: 'roll',
    id: 'roll-40x12',
    name: 'Roll, 40 x 12 mm',
    labelWidthMm: 40,
    labelHeightMm: 12,
    gapMm: 3,
    round: false,
  },
  {
    kind: 'roll',
    id: 'roll-50x30',
    name: 'Roll, 50 x 30 mm',
    labelWidthMm: 50,
    labelHeightMm: 30,
    gapMm: 3,
    round: false,
  },
]

/** The stock of that id, of the person's own or of those that ship. @throws CoreError `STOCK_UNKNOWN` */
export function stockOf(id: string, own: readonly Stock[] = []): Stock {
  const found = [...own, ...shippedStocks].find((s) => s.id === id)
  if (!found)
    throw new CoreError('STOCK_UNKNOWN', {
      where: ['stock'],
      what: `there is no stock "${id.slice(0, 60)}"`,
      remedy: `choose one of ${[...own, ...shippedStocks].map((s) => s.id).join(', ')}`,
    })
  return found
}

/** The page turned so that it lies across. */
export function pageAcrossMm(stock: Stock): SizeMm {
  const { widthMm, heightMm } = pageSizeMm(stock)
  return { widthMm: Math.max(widthMm, heightMm), heightMm: Math.min(widthMm, heightMm) }
}

/** The size of a page on this stock: a sheet, or one label of a roll. */
export const pageSizeMm = (stock: Stock): SizeMm =>
  stock.kind === 'roll'
    ? { widthMm: stock.labelWidthMm, heightMm: stock.labelHeightMm }
    : paperSizeMm(stock.media)

/** The PWG 5101.1 name that a printer is asked for. */
export const mediaOf = (stock: Stock): string =>
  stock.kind === 'roll'
    ? customMedia('label', { widthMm: stock.labelWidthMm, heightMm: stock.labelHeightMm })
    : stock.media

/** Labels on one page. Infinite for a sheet that is cut by hand. */
export const labelsPerPage = (stock: Stock): number =>
  stock.kind === 'grid' ? stock.rows * stock.columns : stock.kind === 'roll' ? 1 : Infinity

/**
 * What is wrong with a stock of the person's own, or null: labels that overlap or leave the sheet.
 */
export function stockFault(stock: Stock): string | null {
  if (stock.kind === 'roll') return null
  const { widthMm, heightMm } = paperSizeMm(stock.media)
  if (stock.kind === 'sheet') return null
  const right = stock.leftMm + (stock.columns - 1) * stock.pitchXMm + stock.labelWidthMm
  const foot = stock.topMm + (stock.rows - 1) * stock.pitchYMm + stock.labelHeightMm
  if (stock.columns > 1 && stock.pitchXMm < stock.labelWidthMm)
    return 'the labels overlap: the pitch across is less than their width'
  if (stock.rows > 1 && stock.pitchYMm < stock.labelHeightMm)
    return 'the labels overlap: the pitch down is less than their height'
  if (right > widthMm + 0.05)
    return `the last column ends at ${right.toFixed(1)} mm, the sheet is ${widthMm.toFixed(1)} mm wide`
  if (foot > heightMm + 0.05)
    return `the last row ends at ${foot.toFixed(1)} mm, the sheet is ${heightMm.toFixed(1)} mm high`
  return null
}
