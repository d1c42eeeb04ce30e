import { createCanvas } from '@napi-rs/canvas'
import { getDocument, type PDFDocumentProxy } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { bitsOf, bitsPng, readPwgRaster } from '@reach-plot/print'
import type { Bits } from '@reach-plot/core/drawing'
import type { DocumentFormat, PrintedPage, SizeMm } from './job.js'

/** Resolutions that the stand-in burns, dots per inch. */
export const printDpis = [203, 300, 600] as const
/** PDF is burnt at this one. */
const pdfDpi = 203
/** Bounds on one document. Assumed: a roll has about so many labels, and no sheet is larger. */
export const renderLimits = { pages: 2000, sideMm: 450, pageMs: 10_000 } as const

export interface Rendering {
  readonly count: number
  /** size of the first page */
  readonly size: SizeMm
  page(at: number): Promise<PrintedPage>
  close(): Promise<void>
}

/** Reads a document page by page as the dots that come out. @throws Error in words when it cannot be printed */
export async function openDocument(format: DocumentFormat, bytes: Uint8Array): Promise<Rendering> {
  return format === 'image/pwg-raster' ? openRaster(bytes) : openPdf(bytes)
}

const mmFromDots = (dots: number, dpi: number): number => (dots / dpi) * 25.4

const printed = (bits: Bits, size: SizeMm): PrintedPage => ({ png: bitsPng(bits), ...size })

function openRaster(bytes: Uint8Array): Rendering {
  const pages = readPwgRaster(bytes)
  const sizes = pages.map(({ bits, dpi }) => {
    if (!(printDpis as readonly number[]).includes(dpi))
      throw new Error(`it has ${dpi} dots per inch; this printer has ${printDpis.join(', ')}`)
    return { widthMm: mmFromDots(bits.width, dpi), heightMm: mmFromDots(bits.height, dpi) }
  })
  return {
    count: pages.length,
    size: sizes[0] as SizeMm,
    page: async (at) => printed((pages[at] as (typeof pages)[number]).bits, sizes[at] as SizeMm),
    close: async () => undefined,
  }
}

async function openPdf(bytes: Uint8Array): Promise<Rendering> {
  // the library takes the bytes over, and runs nothing that the document brings
  const task = getDocument({
    data: new Uint8Array(bytes),
    isEvalSupported: false,
    useSystemFonts: false,
    verbosity: 0,
  })
  try {
    return await pdfRendering(await task.promise, () => task.destroy())
  } catch (error) {
    await task.destroy()
    throw error
  }
}

async function pdfRendering(pdf: PDFDocumentProxy, close: () => Promise<void>): Promise<Rendering> {
  if (pdf.numPages > renderLimits.pages) throw new Error(`it has more than ${renderLimits.pages} pages`)
  const sizeOf = async (at: number): Promise<SizeMm> => {
    const { width, height } = (await pdf.getPage(at + 1)).getViewport({ scale: 1 })
    const size = { widthMm: (width / 72) * 25.4, heightMm: (height / 72) * 25.4 }
    if (!(
      size.widthMm > 1 &&
      size.heightMm > 1 &&
      Math.max(size.widthMm, size.heightMm) <= renderLimits.sideMm
    ))
      throw new Error(`page ${at + 1} is ${size.widthMm.toFixed(0)} x ${size.heightMm.toFixed(0)} mm`)
    return size
  }
  return {
    count: pdf.numPages,
    size: await sizeOf(0),
    async page(at) {
      const size = await sizeOf(at)
      const page = await pdf.getPage(at + 1)
      const viewport = page.getViewport({ scale: pdfDpi / 72 })
      const [widthPx, heightPx] = [Math.round(viewport.width), Math.round(viewport.height)]
      const canvas = createCanvas(widthPx, heightPx)
      const context = canvas.getContext('2d')
      context.fillStyle = '#ffffff'
      context.fillRect(0, 0, widthPx, heightPx)
      // the library's types know only the canvas of a browser
      const drawing = page.render({
        canvas,
        canvasContext: context,
        viewport,
      } as unknown as Parameters<typeof page.render>[0])
      const late = setTimeout(() => drawing.cancel(), renderLimits.pageMs)
      try {
        await drawing.promise
      } finally {
        clearTimeout(late)
      }
      const { data } = context.getImageData(0, 0, widthPx, heightPx)
      page.cleanup()
      return printed(bitsOf({ widthPx, heightPx, rgba: new Uint8Array(data.buffer) }), size)
    },
    close,
  }
}
