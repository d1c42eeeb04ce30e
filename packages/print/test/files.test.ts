import { decode } from 'fast-png'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { unzipSync } from 'fflate'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { describe, expect, test } from 'vitest'
import {
  facesZip,
  documentFile,
  documentPdf,
  drawingSvg,
  pngSize,
  readPwgRaster,
  type FileForm,
  type FileOptions,
} from '../src/index.js'
import { deckFaces } from '@reach-plot/core/labels'
import {
  dotsFromMm,
  filled,
  hairMm,
  layLabels,
  line,
  noAdjust,
  noCalibration,
  pageMatrix,
  rectPath,
  stockOf,
  text,
  type Adjust,
  type Document,
  type GroupMark,
  type ReadyLabel,
} from '@reach-plot/core/drawing'
import { demoPlan } from '../../core/test/work/desk.js'
import { source } from '../../core/test/labels/source.js'
import { font, rasteriser } from './tools.js'

const folder = mkdtempSync(join(tmpdir(), 'reach-plot-files-'))

const ready = (id: string, widthMm: number, heightMm: number): ReadyLabel => ({
  id,
  round: false,
  drawing: { widthMm, heightMm, marks: [text(id, 1, 4, 2.4)] },
})

/** Labels of many sizes on a sheet, and where they lie. */
function sheetOfLabels(stockId: string): {
  document: Document
  at: { x: number; y: number; w: number; h: number }[]
} {
  const labels = [
    ready('Hide', 15, 15),
    ready('Zoom in', 20.5, 12.3),
    ready('Pan', 115, 15),
    ready('Cut', 9, 9),
  ]
  const { pages } = layLabels(labels, stockOf(stockId), { cut: 'outline', skip: 0, note: 'sizes' }, font)
  const at = pages[0]!.marks
    .filter((m): m is GroupMark => m.kind === 'group')
    .map((g) => {
      const { drawing } = labels.find((l) => l.id === g.id)!
      return { x: g.xMm, y: g.yMm, w: drawing.widthMm, h: drawing.heightMm }
    })
  return { document: { title: 'Sizes', pages }, at }
}

/** A grey picture of the first page of a PDF, drawn by poppler at 600 dpi. */
function popplerGrey(pdf: Uint8Array, name: string): { width: number; height: number; data: Uint8Array } {
  const path = join(folder, `${name}.pdf`)
  writeFileSync(path, pdf)
  execFileSync('pdftoppm', ['-r', '600', '-gray', '-singlefile', path, join(folder, name)])
  const bytes = readFileSync(join(folder, `${name}.pgm`))
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.subarray(0, 60).toString('latin1'))!
  return { width: Number(head[1]), height: Number(head[2]), data: bytes.subarray(head[0].length) }
}

/** Edges of what is dark within `slackMm` round a box, mm. */
function darkEdges(
  { width, data }: ReturnType<typeof popplerGrey>,
  box: { x: number; y: number; w: number; h: number },
  slackMm = 0.9,
) {
  const px = (mm: number): number => Math.round((mm / 25.4) * 600)
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity]
  for (let y = px(box.y - slackMm); y < px(box.y + box.h + slackMm); y++)
    for (let x = px(box.x - slackMm); x < px(box.x + box.w + slackMm); x++)
      if (data[y * width + x]! < 200) {
        left = Math.min(left, x)
        right = Math.max(right, x + 1)
        top = Math.min(top, y)
        bottom = Math.max(bottom, y + 1)
      }
  return [left, right, top, bottom].map((n) => (n / 600) * 25.4) as [number, number, number, number]
}

describe('sizes measured back from PDF', () => {
  test.each(['a4', 'letter'])(
    'on %s every edge is within 0.1 mm, drawn by poppler at 600 dpi',
    async (stockId) => {
      const { document, at } = sheetOfLabels(stockId)
      const picture = popplerGrey(await documentPdf(document, font), stockId)
      const { widthMm, heightMm } = document.pages[0]!
      expect(Math.abs((picture.width / 600) * 25.4 - widthMm)).toBeLessThan(0.1)
      expect(Math.abs((picture.height / 600) * 25.4 - heightMm)).toBeLessThan(0.1)
      expect(at).toHaveLength(4)
      for (const box of at) {
        const edges = darkEdges(picture, box)
        const wanted = [box.x, box.x + box.w, box.y, box.y + box.h]
        wanted.forEach((mm, i) => {
          const outward = (i % 2 === 0 ? -1 : 1) * (hairMm / 2)
          expect(Math.abs(edges[i]! - (mm + outward))).toBeLessThan(0.1)
        })
      }
    },
  )
  test('a correction moves and scales the page as it says', async () => {
    const adjust: Adjust = {
      mirror: false,
      calibration: { offsetXMm: 1.2, offsetYMm: -0.7, scaleX: 1.01, scaleY: 0.99 },
    }
    const { document, at } = sheetOfLabels('a4')
    const picture = popplerGrey(await documentPdf(document, font, adjust), 'corrected')
    const m = pageMatrix(adjust, 210)
    for (const box of at) {
      const moved = { x: m.a * box.x + m.e, y: m.d * box.y + m.f, w: m.a * box.w, h: m.d * box.h }
      const [left, right, top, bottom] = darkEdges(picture, moved)
      expect(Math.abs(left - (moved.x - hairMm / 2))).toBeLessThan(0.1)
      expect(Math.abs(right - (moved.x + moved.w + hairMm / 2))).toBeLessThan(0.1)
      expect(Math.abs(top - (moved.y - hairMm / 2))).toBeLessThan(0.1)
      expect(Math.abs(bottom - (moved.y + moved.h + hairMm / 2))).toBeLessThan(0.1)
    }
  })
  test('a mirrored page has its left at the right', async () => {
    const page = { widthMm: 100, heightMm: 50, marks: [filled(rectPath(10, 10, 5, 5))] }
    const document = { title: 'Mirror', pages: [page] }
    const pdf = await documentPdf(document, font, { calibration: noCalibration, mirror: true })
    const [left, right] = darkEdges(popplerGrey(pdf, 'mirror'), { x: 85, y: 10, w: 5, h: 5 })
    expect(Math.abs(left - 85)).toBeLessThan(0.1)
    expect(Math.abs(right - 90)).toBeLessThan(0.1)
  })
  test('pdfjs reads the page size and the words; the font is embedded, and the bytes are the same each time', async () => {
    const { document } = sheetOfLabels('letter')
    const bytes = await documentPdf(document, font)
    expect(await documentPdf(document, font)).toEqual(bytes)
    writeFileSync(join(folder, 'fonts.pdf'), bytes)
    const fonts = execFileSync('pdffonts', [join(folder, 'fonts.pdf')], { encoding: 'utf8' })
    expect(fonts.split('\n').filter((l) => l.includes('Label-'))).toEqual([
      expect.stringMatching(/ yes +no +yes /),
    ])
    const page = await (await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise).getPage(1)
    expect(page.view).toEqual([0, 0, 612, 792])
    const words = (await page.getTextContent()).items.flatMap((item) => ('str' in item ? [item.str] : []))
    expect(words.join(' ')).toContain('Zoom in')
  })
})

test('SVG has the size in millimetres, outlines for letters, and the words as titles', () => {
  const { document, at } = sheetOfLabels('a4')
  const svg = drawingSvg(document.pages[0]!, font)
  expect(svg).toMatch(/^<svg [^>]*width="210mm" height="297mm" viewBox="0 0 210 297">/)
  expect(svg).not.toContain('<text')
  for (const { x, y } of at) expect(svg).toContain(`transform="translate(${x} ${y})"`)
  expect(svg).toContain('<title>Zoom in</title>')
  const odd = {
    widthMm: 10,
    heightMm: 10,
    marks: [{ kind: 'group' as const, id: 'a"><script>', xMm: 0, yMm: 0, marks: [text('<b>&', 1, 5, 2)] }],
  }
  expect(drawingSvg(odd, font)).not.toMatch(/<script|<b>/)
})

const fileOptions = async (change: Partial<FileOptions> = {}): Promise<FileOptions> => ({
  font,
  adjust: noAdjust,
  dpi: 203,
  stock: '#ffffff',
  media: 'iso_a6_105x148mm',
  rasterType: 'black_1',
  rasterise: await rasteriser(),
  ...change,
})
const card = (n: number) => ({
  widthMm: 105,
  heightMm: 148,
  marks: [text(`Card ${n}`, 10, 20, 5), line('M10 30 h50', 0.5)],
})
const cards = (count: number): Document => ({
  title: 'Cards',
  pages: Array.from({ length: count }, (_, i) => card(i + 1)),
})

describe('files', () => {
  test.each([
    ['pdf', 'cards.pdf', '%PDF-'],
    ['svg', 'cards.svg', '<svg '],
    ['png', 'cards.png', '\x89PNG'],
    ['png1', 'cards.png', '\x89PNG'],
    ['pwg', 'cards.pwg', 'RaS2'],
  ] as const)('%s of one page is one file', async (form, name, start) => {
    const file = await documentFile(cards(1), form, 'cards', await fileOptions())
    expect(file.name).toBe(name)
    expect(Buffer.from(file.bytes.subarray(0, start.length)).toString('latin1')).toBe(start)
    if (form === 'png1')
      expect(pngSize(file.bytes)).toEqual({
        width: dotsFromMm(105, 203),
        height: dotsFromMm(148, 203),
        depth: 1,
        channels: 1,
      })
  })
  test.each(['png', 'png1'] as const)(
    '%s has its size in mm, for a decoder that nobody here wrote',
    async (form) => {
      const { bytes } = await documentFile(cards(1), form, 'cards', await fileOptions())
      const { width, height, resolution } = decode(bytes)
      // PNG 1.2, 11.3.5.3: unit 1 is the metre
      expect(resolution!.unit).toBe(1)
      expect((width / resolution!.x) * 1000).toBeCloseTo(105, 0)
      expect((height / resolution!.y) * 1000).toBeCloseTo(148, 0)
    },
  )
  test.each(['svg', 'png', 'png1'] as const)('several pages of %s come as a zip, in order', async (form) => {
    const file = await documentFile(cards(12), form, 'cards', await fileOptions({ dpi: 72 }))
    expect([file.name, file.type]).toEqual(['cards.zip', 'application/zip'])
    const names = Object.keys(unzipSync(file.bytes))
    expect(names).toEqual(
      Array.from(
        { length: 12 },
        (_, i) => `cards-${String(i + 1).padStart(2, '0')}.${form === 'svg' ? 'svg' : 'png'}`,
      ),
    )
    expect((await documentFile(cards(12), form, 'cards', await fileOptions({ dpi: 72 }))).bytes).toEqual(
      file.bytes,
    )
  })
  test('PWG raster has a page for each, upright as the printer feeds it', async () => {
    const across = {
      title: 'Across',
      pages: [{ widthMm: 148, heightMm: 105, marks: [text('Wide', 10, 20, 5)] }, card(2)],
    }
    const file = await documentFile(across, 'pwg', 'x', await fileOptions({ dpi: 300 }))
    expect(readPwgRaster(file.bytes).map((p) => [p.bits.width, p.bits.height, p.dpi, p.media])).toEqual(
      Array.from({ length: 2 }, () => [dotsFromMm(105, 300), dotsFromMm(148, 300), 300, 'iso_a6_105x148mm']),
    )
  })
  test('pictures of a deck’s buttons have the pixels that are asked for, in folders by page', async () => {
    const deck = demoPlan.devices.find((d) => d.id === 'deck')!
    const from = {
      ...source(),
      commands: demoPlan.commands,
      placements: demoPlan.arrangements[1]!.placements,
    }
    const faces = deckFaces(deck, from, { ground: '#000000', ink: '#ffffff', readingDistanceMm: 500 }, font)
    const files = unzipSync(facesZip(faces, 96, 'deck', await fileOptions()).bytes)
    expect(Object.keys(files).length).toBe(faces.length)
    expect(Object.keys(files)).toContain('features/b1.png')
    for (const png of Object.values(files)) expect(pngSize(png)).toMatchObject({ width: 96, height: 96 })
  })
  test.each(['pdf', 'png1', 'pwg'] as FileForm[])(
    '%s tells how far it is and stops when asked',
    async (form) => {
      const seen: number[] = []
      await documentFile(cards(20), form, 'x', await fileOptions({ dpi: 72 }), (done, of) => {
        expect(of).toBe(20)
        seen.push(done)
      })
      expect(seen[0]).toBe(0)
      expect(seen.at(-1)).toBe(20)
      expect(seen).toEqual(seen.toSorted((a, b) => a - b))
      const stopped = documentFile(cards(20), form, 'x', await fileOptions({ dpi: 72 }), (done) => {
        if (done > 5) throw new Error('stopped')
      })
      await expect(stopped).rejects.toThrow('stopped')
    },
  )
})
