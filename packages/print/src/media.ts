import { paperSizeMm, type SizeMm } from '@reach-plot/core/drawing'

/** What a printer says of the paper and labels that it knows and that lie in it, as PWG 5101.1 names. */
export interface PrinterMedia {
  readonly media: readonly string[]
  readonly mediaReady: readonly string[]
}

/** Whether a size lies in the printer, is known to it, is not, or the printer does not say. */
export type Medium = 'ready' | 'not loaded' | 'not taken' | 'not told'

/** Sizes that differ by less are the same, mm. Assumed. */
const sameMm = 1

const sizeOf = (name: string): SizeMm | null => {
  try {
    return paperSizeMm(name)
  } catch {
    return null
  }
}

const isSame = (a: SizeMm, b: SizeMm): boolean => {
  const near = (x: number, y: number): boolean => Math.abs(x - y) <= sameMm
  return (
    (near(a.widthMm, b.widthMm) && near(a.heightMm, b.heightMm)) ||
    (near(a.widthMm, b.heightMm) && near(a.heightMm, b.widthMm))
  )
}

/** The bounds `custom_min_…` and `custom_max_…`, and the same of rolls, between which every size is taken (PWG 5101.1, 5.1.4). */
function isWithin(size: SizeMm, names: readonly string[], kind: 'custom' | 'roll'): boolean {
  const bound = (which: 'min' | 'max'): SizeMm | null => {
    const name = names.find((n) => n.startsWith(`${kind}_${which}_`))
    return name === undefined ? null : sizeOf(name)
  }
  const [least, most] = [bound('min'), bound('max')]
  return (
    least !== null &&
    most !== null &&
    size.widthMm >= least.widthMm - sameMm &&
    size.heightMm >= least.heightMm - sameMm &&
    size.widthMm <= most.widthMm + sameMm &&
    size.heightMm <= most.heightMm + sameMm
  )
}

const holds = (names: readonly string[], size: SizeMm): boolean =>
  isWithin(size, names, 'custom') ||
  isWithin(size, names, 'roll') ||
  names.some((name) => {
    const known = sizeOf(name)
    return known !== null && !/_(min|max)_/.test(name) && isSame(known, size)
  })

/** Whether a printer can print on a size of paper or label, by what it says of itself. */
export function mediumOf({ media, mediaReady }: PrinterMedia, size: SizeMm): Medium {
  if (media.length === 0 && mediaReady.length === 0) return 'not told'
  if (media.length > 0 && !holds([...media, ...mediaReady], size)) return 'not taken'
  return mediaReady.length === 0 || holds(mediaReady, size) ? 'ready' : 'not loaded'
}
