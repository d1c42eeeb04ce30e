import { CoreError } from '@reach-plot/core'
import { rasterTypes, type RasterType } from './pwg-raster.js'

/** What a printer says that it takes. */
export interface PrinterTakes {
  readonly formats: readonly string[]
  readonly dpis: readonly number[]
  readonly rasterTypes: readonly string[]
  readonly sides: readonly string[]
}

export interface PrintForm {
  readonly form: 'pdf' | 'pwg'
  readonly format: 'application/pdf' | 'image/pwg-raster'
  readonly dpi: number
  readonly rasterType: RasterType
  /** both sides of the paper, in the words of RFC 8011 (5.2.8); one where left out */
  readonly sides?: typeof bothSides
}

/** A folded card is turned over the short edge of its paper. */
export const bothSides = 'two-sided-short-edge'

/**
 * The form in which a document goes to a printer: dots where it takes them, since one-colour printers then burn what was
 * checked, else PDF.
 * @param wanted the form that the person asks for; null for the best
 * @param dpi resolution that is wanted; the nearest that the printer has is taken
 * @param twoSided whether its pages are two sides of one sheet: then as PDF where it takes that, and on both sides where it can
 * @throws CoreError `PRINTER_FORM` when it takes neither
 */
export function choosePrintForm(
  takes: PrinterTakes,
  wanted: 'pdf' | 'pwg' | null,
  dpi: number,
  twoSided = false,
): PrintForm {
  // a printer that does not list its formats is tried with PDF
  const takesPdf = takes.formats.length === 0 || takes.formats.includes('application/pdf')
  const rasterType = rasterTypes.find((t) => takes.rasterTypes.includes(t))
  const takesRaster =
    takes.formats.includes('image/pwg-raster') && (rasterType !== undefined || takes.rasterTypes.length === 0)
  const nearest = takes.dpis.toSorted((a, b) => Math.abs(a - dpi) - Math.abs(b - dpi))[0] ?? dpi
  const raster: PrintForm = {
    form: 'pwg',
    format: 'image/pwg-raster',
    dpi: nearest,
    rasterType: rasterType ?? 'sgray_8',
  }
  const pdf: PrintForm = {
    form: 'pdf',
    format: 'application/pdf',
    dpi: nearest,
    rasterType: rasterType ?? 'sgray_8',
    ...(twoSided && takes.sides.includes(bothSides) && { sides: bothSides }),
  }
  // dots stand upright on the paper, so only PDF keeps which edge is the short one
  if (takesRaster && wanted !== 'pdf' && !(pdf.sides && takesPdf && wanted === null)) return raster
  if (takesPdf && wanted !== 'pwg') return pdf
  throw new CoreError('PRINTER_FORM', {
    where: ['printer'],
    what: `the printer takes ${takes.formats.join(', ') || 'nothing that it names'}`,
    remedy: 'choose a printer that takes PDF or PWG raster of black_1 or sgray_8, or download the file',
  })
}
