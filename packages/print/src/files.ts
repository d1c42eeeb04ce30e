import { strToU8, zipSync, type Zippable } from 'fflate'
import {
  dotsFromMm,
  filled,
  rectPath,
  white,
  type Adjust,
  type Bits,
  type Colour,
  type Document,
  type Drawing,
  type LabelFont,
} from '@reach-plot/core/drawing'
import { drawingBits, quarterTurn, type Rasterise } from './bits.js'
import { documentPdf } from './pdf.js'
import { bitsPng, picturePng, withSize } from './png.js'
import { noProgress, type Progress } from './progress.js'
import { pwgRaster, type RasterType } from './pwg-raster.js'
import { drawingSvg } from './svg.js'

export const fileForms = ['pdf', 'svg', 'png', 'png1', 'pwg'] as const
/** PDF and SVG are vector; PNG has all colours, `png1` one bit a dot; PWG raster is for printers. */
export type FileForm = (typeof fileForms)[number]

const typeOf: Readonly<Record<FileForm, string>> = {
  pdf: 'application/pdf',
  svg: 'image/svg+xml',
  png: 'image/png',
  png1: 'image/png',
  pwg: 'image/pwg-raster',
}

export interface OutFile {
  readonly name: string
  readonly type: string
  readonly bytes: Uint8Array<ArrayBuffer>
}

export interface FileOptions {
  readonly font: LabelFont
  readonly adjust: Adjust
  /** dots per inch of pictures */
  readonly dpi: number
  /** width and height of a picture in pixels, whatever its size in mm; by `dpi` when left out */
  readonly px?: number | undefined
  /** colour of the stock; marks in it stay bare in pictures of one ink */
  readonly stock: Colour
  /** PWG 5101.1 name for a page of raster */
  readonly media: string
  readonly rasterType: RasterType
  readonly rasterise: Rasterise
}

/** Steps between two looks at the progress, so that telling does not take longer than working. */
const tellEvery = 8

/**
 * The document as a file; several pages of a form that has one page a file come as a zip.
 * @param stem name of the file without its ending
 * @param progress told how many pages are done; can stop the work
 */
export async function documentFile(
  document: Document,
  form: FileForm,
  stem: string,
  options: FileOptions,
  progress: Progress = noProgress,
): Promise<OutFile> {
  if (form === 'pdf')
    return file(
      `${stem}.pdf`,
      typeOf.pdf,
      await documentPdf(document, options.font, options.adjust, progress),
    )
  const pages: Uint8Array[] = []
  const bits: Bits[] = []
  for (const [i, page] of document.pages.entries()) {
    if (i % tellEvery === 0) await progress(i, document.pages.length)
    if (form === 'svg') pages.push(strToU8(drawingSvg(page, options.font, options.adjust)))
    else if (form === 'png') pages.push(pagePng(page, options))
    else {
      const dots = pageBits(page, options)
      if (form === 'pwg') bits.push(dots)
      else pages.push(withSize(bitsPng(dots), page))
    }
  }
  await progress(document.pages.length, document.pages.length)
  if (form === 'pwg') {
    const raster = bits.map((b) => ({ bits: upright(b), dpi: options.dpi, media: options.media }))
    return file(`${stem}.pwg`, typeOf.pwg, pwgRaster(raster, options.rasterType))
  }
  const ending = form === 'svg' ? 'svg' : 'png'
  if (pages.length === 1) return file(`${stem}.${ending}`, typeOf[form], pages[0] as Uint8Array)
  const digits = String(pages.length).length
  return zipOf(
    stem,
    pages.map((bytes, i) => ({ name: `${stem}-${String(i + 1).padStart(digits, '0')}.${ending}`, bytes })),
  )
}

/** Raster pages stand upright on the paper, as printers feed it. */
const upright = (bits: Bits): Bits => (bits.width > bits.height ? quarterTurn(bits) : bits)

export function zipOf(
  stem: string,
  files: readonly { readonly name: string; readonly bytes: Uint8Array }[],
): OutFile {
  // pictures are packed already; a fixed date gives the same bytes in every run
  const entries: Zippable = {}
  for (const { name, bytes } of files) entries[name] = [bytes, { level: 0, mtime: '1980-01-01T12:00:00' }]
  return file(`${stem}.zip`, 'application/zip', zipSync(entries))
}

const file = (name: string, type: string, bytes: Uint8Array): OutFile => ({
  name,
  type,
  bytes: bytes as Uint8Array<ArrayBuffer>,
})

export const pageBits = (page: Drawing, options: Omit<FileOptions, 'rasterType' | 'media' | 'px'>): Bits =>
  drawingBits(page, options.dpi, options.font, options.rasterise, options.stock, options.adjust)

/** A page in all its colours on white. */
export function pagePng(
  page: Drawing,
  options: Pick<FileOptions, 'dpi' | 'px' | 'font' | 'adjust' | 'rasterise'>,
): Uint8Array {
  const size =
    options.px === undefined
      ? { width: dotsFromMm(page.widthMm, options.dpi), height: dotsFromMm(page.heightMm, options.dpi) }
      : { width: options.px, height: options.px }
  const ground = filled(rectPath(0, 0, page.widthMm, page.heightMm), white)
  const svg = drawingSvg({ ...page, marks: [ground, ...page.marks] }, options.font, options.adjust, size)
  return withSize(picturePng(options.rasterise(svg)), page)
}
