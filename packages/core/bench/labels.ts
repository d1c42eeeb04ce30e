import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { initWasm, Resvg } from '@resvg/resvg-wasm'
import { PDFDocument, StandardFonts } from 'pdf-lib'
import { boardControls, parseTrigger, readPlan } from '../src/index.js'
import { defaultLabelRule } from '../src/label-design/index.js'
import { iconSet, labelPages, makeLabels, type IconPackage, type LabelSource } from '../src/labels/index.js'
import { documentFile, documentPdf, drawingSvg, rasteriseWith } from '@reach-plot/print'
import { loadLabelFont, noAdjust, stockOf, type Document } from '../src/drawing/index.js'
import { layouts } from '../../../data/index.js'
import { per, timed } from './timing.js'

const require = createRequire(import.meta.url)
const count = 1200

/** 1,200 labels of the demo's commands, with icons, on keys of as many boards as it takes. */
function manyLabels(): LabelSource {
  const plan = readPlan(readFileSync(new URL('../../../demo/demo.reachplot.json', import.meta.url), 'utf8'))
  const keys = boardControls('ansi-104', 'windows').filter((c) => /^(Key|Digit|F\d)/.test(c.id))
  const read = (name: string): unknown =>
    JSON.parse(readFileSync(require.resolve(`lucide-static/${name}`), 'utf8'))
  const from = { nodes: read('icon-nodes.json'), tags: read('tags.json') } as IconPackage
  const controls = Array.from({ length: count }, (_, i) => ({
    ...(keys[i % keys.length] as (typeof keys)[number]),
    id: `pad/k${i}`,
    code: null,
    name: `${i}`,
  }))
  return {
    placements: controls.map((c, i) => ({
      commandId: (plan.commands[i % plan.commands.length] as { id: string }).id,
      trigger: parseTrigger(c.id),
    })),
    commands: plan.commands,
    controls,
    layout: layouts.find((l) => l.id === 'us') as LabelSource['layout'],
    systemId: 'gnome',
    design: {
      ...plan.labels,
      rule: { ...defaultLabelRule, content: 'icon-text', stockId: 'roll-15x15', cut: 'none' },
    },
    icons: iconSet(from, plan.labels.icons),
  }
}

/** The most memory that is held while `run` goes on, above the start, MB. */
async function peakOf<T>(
  run: (look: () => void) => Promise<T>,
): Promise<{ value: T; ms: number; mb: number }> {
  const before = process.memoryUsage().rss
  let peak = before
  const look = (): void => {
    peak = Math.max(peak, process.memoryUsage().rss)
  }
  const start = performance.now()
  const value = await run(look)
  look()
  return { value, ms: performance.now() - start, mb: (peak - before) / 1e6 }
}

/** 1,200 labels laid out, as PDF and as PNG of one bit, against the packages alone on the same pages. */
export async function benchLabels(): Promise<void> {
  await initWasm(readFileSync(require.resolve('@resvg/resvg-wasm/index_bg.wasm')))
  const rasterise = rasteriseWith(Resvg)
  const font = loadLabelFont([
    readFileSync(
      require.resolve('@fontsource/barlow-condensed/files/barlow-condensed-latin-500-normal.woff'),
    ),
  ])
  const source = manyLabels()
  const stock = stockOf('roll-15x15')
  const laid = timed(() => makeLabels(source, font))
  const { pages } = labelPages(laid.value, source.design.rule, stock, { skip: 0, note: '' }, font)
  const document: Document = { title: 'Bench', pages }
  console.log(
    `${count} labels fitted: ${per(laid.ms)}, ${per(laid.ms / count)} each; ${laid.value.unreadable.length} cannot be read`,
  )

  const options = {
    font,
    adjust: noAdjust,
    dpi: 203,
    stock: '#ffffff',
    media: 'x',
    rasterType: 'black_1',
    rasterise,
  } as const
  let told = 0
  const pdf = await peakOf((look) =>
    documentPdf(document, font, noAdjust, () => {
      told++
      look()
    }),
  )
  const plain = await peakOf(async () => {
    const bare = await PDFDocument.create()
    const face = await bare.embedFont(StandardFonts.Helvetica)
    for (const page of pages) {
      const sheet = bare.addPage([page.widthMm, page.heightMm])
      for (const word of ['one', 'two', 'three']) sheet.drawText(word, { x: 1, y: 1, size: 8, font: face })
    }
    return bare.save({ useObjectStreams: false })
  })
  console.log(
    `${pages.length} labels to PDF: ${per(pdf.ms)}, ${(pdf.value.length / 1e6).toFixed(1)} MB, memory ${Math.round(pdf.mb)} MB above the start, progress told ${told} times; pdf-lib alone with three words a page ${per(plain.ms)}; ratio ${(pdf.ms / plain.ms).toFixed(1)}`,
  )

  const png = await peakOf((look) => documentFile(document, 'png1', 'x', options, look))
  const svgs = pages.map((page) => drawingSvg(page, font, noAdjust, { width: 120, height: 120 }))
  const alone = timed(() => svgs.map((svg) => rasterise(svg).widthPx))
  console.log(
    `${pages.length} labels to PNG of one bit in a zip: ${per(png.ms)}, ${(png.value.bytes.length / 1e6).toFixed(1)} MB, memory ${Math.round(png.mb)} MB above the start; resvg alone ${per(alone.ms)}; ratio ${(png.ms / alone.ms).toFixed(1)}`,
  )
}
