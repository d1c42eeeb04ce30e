import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { describe, expect, test } from 'vitest'
import {
  arcMinutesOf,
  boardControls,
  defaultLabelOptions,
  fitLabel,
  heightAtMm,
  labelPdf,
  labelSheet,
  loadLabelFont,
  paperSizeMm,
  shorten,
  type LabelOptions,
} from '../../src/index.js'
import { around, command, placements } from '../build.js'

const require = createRequire(import.meta.url)
const woff = (script: string): Uint8Array =>
  readFileSync(
    require.resolve(`@fontsource/barlow-condensed/files/barlow-condensed-${script}-500-normal.woff`),
  )
const font = loadLabelFont([woff('latin'), woff('latin-ext')])

const commands = [command('Hide shape'), command('Show all shapes'), command('Measure')]
const given = placements({ 'hide-shape': 'KeyH', 'show-all-shapes': 'Shift+KeyH', measure: 'KeyM' })
const source = {
  placements: given,
  commands,
  controls: boardControls('ansi-104', 'windows'),
  layout: around([]).layout,
  systemId: 'gnome' as const,
}
const sheet = (change: Partial<LabelOptions> = {}, more: Partial<typeof source> = {}) =>
  labelSheet({ ...source, ...more }, { ...defaultLabelOptions, ...change }, font)

test('20 minutes of arc at 500 mm are 2.9 mm', () => {
  // ISO 9241-303 (from memory) asks for 16′ at least and 20 to 22′ for comfort; the height is plain trigonometry
  expect(heightAtMm(20, 500)).toBeCloseTo(2.91, 2)
  expect(arcMinutesOf(heightAtMm(16, 730), 730)).toBeCloseTo(16, 9)
})

test('papers have the sizes that their PWG 5101.1 names say', () => {
  expect(paperSizeMm('iso_a4_210x297mm')).toEqual({ widthMm: 210, heightMm: 297 })
  const letter = paperSizeMm('na_letter_8.5x11in')
  expect(letter.widthMm).toBeCloseTo(215.9)
  expect(letter.heightMm).toBeCloseTo(279.4)
  expect(() => paperSizeMm('iso_a9_1x1mm')).toThrow(/iso_a4_210x297mm/)
})

describe('shortening by rule', () => {
  test.each([
    [0, 'Show all of the measured shapes'],
    [1, 'Show measured shapes'],
    [2, 'Show Meas. Shap.'],
    [3, 'Show me. sh.'],
    [4, 'Show ms'],
  ])('step %i', (step, text) => {
    expect(shorten('Show all of the measured shapes', step).toLowerCase()).toBe(text.toLowerCase())
  })
  test('never ends empty', () => {
    for (const name of ['the', 'A', '—', 'Zoom'])
      for (let step = 0; step < 5; step++) expect(shorten(name, step)).not.toBe('')
  })
})

describe('fitting', () => {
  const fit = (texts: readonly string[], w = 15, h = 15, legend = 'H') =>
    fitLabel({ legend, entries: texts.map((text) => ({ held: [], text })) }, w, h, 500, font)

  test('a short text stands whole at 20 minutes of arc', () => {
    const done = fit(['Hide'])
    expect(done).toMatchObject({ ok: true, shortened: false })
    expect(done.ok && done.capMm).toBeCloseTo(heightAtMm(20, 500))
  })
  test('letters are never below 16 minutes of arc: what does not fit is reported', () => {
    for (const count of [1, 2, 3, 4, 5, 6]) {
      const done = fit(Array.from({ length: count }, () => 'Rearrange outlines'))
      if (done.ok) expect(done.capMm).toBeGreaterThanOrEqual(heightAtMm(16, 500) - 1e-9)
    }
    expect(fit(Array.from({ length: 6 }, () => 'Rearrange outlines'))).toMatchObject({ ok: false })
  })
  test('no line is wider than the label or below its edge', () => {
    for (const text of ['Next vertex', 'Simplify', 'Show all shapes', 'Compare with reference']) {
      const done = fit([text, text])
      if (!done.ok) continue
      for (const line of done.lines) {
        expect(line.xMm + font.widthMm(line.text, line.capMm)).toBeLessThanOrEqual(15)
        expect(line.baselineMm).toBeLessThanOrEqual(15)
      }
    }
  })
  test('signs that the font lacks are named', () => {
    expect(fit(['水路'])).toMatchObject({ ok: false, reason: expect.stringContaining('水 路') })
    expect(fit(['Łódź'])).toMatchObject({ ok: true })
  })
})

test('labels hold all levels of a key, plainest first, and keep inside the page', () => {
  const { pages, paper, unreadable } = sheet()
  expect(unreadable).toEqual([])
  const labels = pages.flat()
  expect(labels.map((l) => l.controlId)).toEqual(['KeyH', 'KeyM'])
  expect(labels[0]!.lines.map((l) => l.held.length)).toEqual(expect.arrayContaining([0, 1]))
  for (const l of labels) {
    expect(l.widthMm).toBeCloseTo(15)
    expect(l.xMm + l.widthMm).toBeLessThanOrEqual(paper.widthMm - 10)
  }
})

test('many labels go on to further pages without overlap', () => {
  const keys = boardControls('ansi-104', 'windows').filter((c) => /^(Key|Digit|F\d|Numpad\d)/.test(c.id))
  const many = keys.map((k) => command(`Do ${k.id}`.slice(0, 9)))
  const boards = Array.from({ length: 5 }, (_, n) =>
    keys.map((k) => ({ ...k, id: `${k.id}-${n}`, yMm: k.yMm + n * 200 })),
  ).flat()
  const { pages } = labelSheet(
    {
      ...source,
      commands: many,
      controls: boards,
      placements: keys.map((k, i) => ({
        commandId: many[i]!.id,
        trigger: placements({ x: k.id })[0]!.trigger,
      })),
    },
    defaultLabelOptions,
    font,
  )
  expect(pages.length).toBeGreaterThan(1)
  for (const labels of pages) {
    for (const a of labels) {
      for (const b of labels) {
        if (a !== b)
          expect(
            a.xMm + a.widthMm <= b.xMm ||
              b.xMm + b.widthMm <= a.xMm ||
              a.yMm + a.heightMm <= b.yMm ||
              b.yMm + b.heightMm <= a.yMm,
          ).toBe(true)
      }
    }
  }
})

test('the PDF has the page size, the embedded font and the texts, and the same bytes each time', async () => {
  const bytes = await labelPdf(sheet({ paper: 'na_letter_8.5x11in' }), font, 'Test')
  expect(await labelPdf(sheet({ paper: 'na_letter_8.5x11in' }), font, 'Test')).toEqual(bytes)
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise
  const page = await document.getPage(1)
  expect(page.view).toEqual([0, 0, 612, 792])
  const texts = (await page.getTextContent()).items.flatMap((item) => ('str' in item ? [item.str] : []))
  expect(texts.join(' ')).toContain('Hide')
  expect(texts.join(' ')).toContain('Meas')
})

test('a file that is no WOFF is refused', () => {
  expect(() => loadLabelFont([new Uint8Array(100)])).toThrow(/WOFF/)
})
