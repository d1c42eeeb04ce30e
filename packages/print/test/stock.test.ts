import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  black,
  customMedia,
  layLabels,
  mediaOf,
  pageSizeMm,
  papers,
  paperSizeMm,
  shippedStocks,
  stockFault,
  stockOf,
  stockSchema,
  text,
  type GroupMark,
  type LayOptions,
  type ReadyLabel,
  type Stock,
} from '@reach-plot/core/drawing'
import { font } from './tools.js'

interface Medium {
  readonly pwg: string
  readonly w_hmm: number
  readonly h_hmm: number
}
const media = JSON.parse(
  readFileSync(new URL('../../../data/reference/pwg-media.json', import.meta.url), 'utf8'),
) as Medium[]

describe('media by PWG 5101.1 names', () => {
  // libcups 2.4's table of names and sizes in hundredths of a millimetre
  test('every name of the table has the size that the table gives', () => {
    const wrong = media.flatMap(({ pwg, w_hmm, h_hmm }) => {
      const size = paperSizeMm(pwg)
      const near = Math.abs(size.widthMm - w_hmm / 100) < 0.6 && Math.abs(size.heightMm - h_hmm / 100) < 0.6
      return near ? [] : [`${pwg}: ${JSON.stringify(size)}, ${w_hmm} x ${h_hmm}`]
    })
    expect(media.length).toBeGreaterThan(100)
    expect(wrong).toEqual([])
  })
  test('papers that are offered stand in the table', () => {
    const names = new Set(media.map((m) => m.pwg))
    expect(papers.filter((p) => !names.has(p.id))).toEqual([])
  })
  test('a custom name carries its size', () => {
    fc.assert(
      fc.property(
        fc.string(),
        fc.integer({ min: 400, max: 40_000 }),
        fc.integer({ min: 400, max: 40_000 }),
        (name, w, h) => {
          const size = paperSizeMm(customMedia(name, { widthMm: w / 100, heightMm: h / 100 }))
          expect(size).toEqual({ widthMm: w / 100, heightMm: h / 100 })
        },
      ),
    )
  })
  test.each(['', 'a4', 'iso_a9_1x1mm', 'iso_a4_210x297', 'x_y_1e9x5mm', '../etc_1_20x20mm'])(
    '“%s” is no paper, and the error says how to name one',
    (name) => expect(() => paperSizeMm(name)).toThrow(/iso_a4_210x297mm.*custom_card_85x54mm/),
  )
})

describe('stocks', () => {
  test.each(shippedStocks.map((s) => [s.id, s] as const))('%s is sound', (_id, stock) => {
    expect(stockSchema.parse(stock)).toEqual(stock)
    expect(stockFault(stock)).toBeNull()
    expect(paperSizeMm(mediaOf(stock))).toEqual(pageSizeMm(stock))
  })
  test('ids are each other’s only', () => {
    expect(new Set(shippedStocks.map((s) => s.id)).size).toBe(shippedStocks.length)
  })
  test.each([
    [{ pitchXMm: 20 }, /overlap.*across/],
    [{ pitchYMm: 10 }, /overlap.*down/],
    [{ columns: 6 }, /last column ends at 245.8 mm/],
    [{ topMm: 30 }, /last row ends at 305.6 mm/],
  ])('labels that overlap or leave the sheet are named: %o', (change, fault) => {
    const stock = { ...stockOf('a4-5x13'), ...change } as Stock
    expect(stockFault(stock)).toMatch(fault)
  })
  test('an unknown stock is refused with those that there are', () => {
    expect(() => stockOf('napkin')).toThrow(/no stock "napkin".*roll-round-14/)
  })
})

const label = (id: string, widthMm: number, heightMm: number): ReadyLabel => ({
  id,
  round: false,
  drawing: { widthMm, heightMm, marks: [text('x', 1, 3, 2, black)] },
})
const options: LayOptions = { cut: 'outline', skip: 0, note: 'test' }
const groups = (page: { marks: readonly { kind: string }[] }) =>
  page.marks.filter((m) => m.kind === 'group') as GroupMark[]

describe('laying labels', () => {
  test('on label sheets each lies in the middle of its place, along the rows', () => {
    const stock = stockOf('a4-5x13')
    const { pages } = layLabels(
      Array.from({ length: 7 }, (_, i) => label(`${i}`, 15, 15)),
      stock,
      options,
      font,
    )
    expect(groups(pages[0]!).map((g) => [g.xMm, g.yMm].map((mm) => Number(mm.toFixed(2))))).toEqual(
      [0, 1, 2, 3, 4, 5, 6].map((i) => [
        Number((4.75 + (i % 5) * 40.6 + (38.1 - 15) / 2).toFixed(2)),
        Number((10.7 + Math.floor(i / 5) * 21.2 + (21.2 - 15) / 2).toFixed(2)),
      ]),
    )
  })
  test('a used sheet goes on at its next free label, and a new one begins at the first', () => {
    const stock = stockOf('a4-5x13')
    const { pages } = layLabels(
      Array.from({ length: 4 }, (_, i) => label(`${i}`, 15, 15)),
      stock,
      { ...options, skip: 63 },
      font,
    )
    expect(pages.map((p) => groups(p).length)).toEqual([2, 2])
    expect(groups(pages[0]!)[0]!.xMm).toBeCloseTo(4.75 + 3 * 40.6 + 11.55, 6)
    expect(groups(pages[1]!)[0]!.xMm).toBeCloseTo(4.75 + 11.55, 6)
  })
  test('a roll has one label a page; what is larger than it is named', () => {
    const { pages, tooLarge } = layLabels(
      [label('a', 14, 14), label('b', 15, 10), label('c', 9, 9)],
      stockOf('roll-14x14'),
      options,
      font,
    )
    expect(pages.map((p) => [p.widthMm, p.heightMm, groups(p)[0]!.id])).toEqual([
      [14, 14, 'a'],
      [14, 14, 'c'],
    ])
    expect(tooLarge).toEqual(['b'])
    // a label that fills its place is cut already
    expect(groups(pages[0]!)[0]!.marks).toHaveLength(1)
    expect(groups(pages[1]!)[0]!.marks).toHaveLength(2)
  })
  test('on a plain sheet labels neither overlap nor come near the edge or the scale', () => {
    const sizes = fc.array(fc.tuple(fc.integer({ min: 5, max: 120 }), fc.integer({ min: 5, max: 60 })), {
      minLength: 1,
      maxLength: 60,
    })
    fc.assert(
      fc.property(sizes, fc.constantFrom('a4', 'letter', 'a5'), (list, id) => {
        const stock = stockOf(id)
        const labels = list.map(([w, h], i) => label(`${i}`, w, h))
        const { pages, tooLarge } = layLabels(labels, stock, options, font)
        const size = pageSizeMm(stock)
        const placed = pages.flatMap((page) =>
          groups(page).map((g) => ({ page, g, of: labels[Number(g.id)]!.drawing })),
        )
        expect(placed.length + tooLarge.length).toBe(list.length)
        for (const { g, of } of placed) {
          expect(g.xMm).toBeGreaterThanOrEqual(10)
          expect(g.xMm + of.widthMm).toBeLessThanOrEqual(size.widthMm - 10)
          expect(g.yMm + of.heightMm).toBeLessThanOrEqual(size.heightMm - 22)
        }
        for (const [i, a] of placed.entries())
          for (const b of placed.slice(i + 1))
            if (a.page === b.page)
              expect(
                a.g.xMm + a.of.widthMm <= b.g.xMm ||
                  b.g.xMm + b.of.widthMm <= a.g.xMm ||
                  a.g.yMm + a.of.heightMm <= b.g.yMm ||
                  b.g.yMm + b.of.heightMm <= a.g.yMm,
              ).toBe(true)
      }),
      { numRuns: 40 },
    )
  })
  test('cut marks stand outside the label, as the person chooses', () => {
    const cuts = (['outline', 'marks', 'none'] as const).map((cut) => {
      const { pages } = layLabels([label('a', 15, 15)], stockOf('a4'), { ...options, cut }, font)
      return groups(pages[0]!)[0]!.marks.length
    })
    expect(cuts).toEqual([2, 2, 1])
  })
})
