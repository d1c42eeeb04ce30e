import { CoreError } from '../errors.js'

/** Papers offered by name. PWG 5101.1 names carry the size, so any other name of that form will do as well. */
export const papers = [
  { id: 'iso_a4_210x297mm', name: 'A4' },
  { id: 'na_letter_8.5x11in', name: 'Letter' },
  { id: 'iso_a5_148x210mm', name: 'A5' },
  { id: 'iso_a6_105x148mm', name: 'A6' },
  { id: 'iso_a7_74x105mm', name: 'A7' },
  { id: 'na_legal_8.5x14in', name: 'Legal' },
  { id: 'na_index-4x6_4x6in', name: 'Index card, 4 x 6 in' },
] as const

export interface SizeMm {
  readonly widthMm: number
  readonly heightMm: number
}

/**
 * Width and height of a medium in mm, from its PWG 5101.1 self-describing name: class, name, and the size behind the
 * last `_`, in mm or inches.
 * @throws CoreError `PAPER_UNKNOWN`
 */
export function paperSizeMm(id: string): SizeMm {
  const match = /^[a-z0-9][a-z0-9.-]*_[a-z0-9.-]+_(\d+(?:\.\d+)?)x(\d+(?:\.\d+)?)(mm|in)$/.exec(id)
  const unit = match?.[3] === 'in' ? 25.4 : 1
  const [widthMm, heightMm] = [Number(match?.[1]) * unit, Number(match?.[2]) * unit]
  if (!(widthMm >= 4 && heightMm >= 4 && widthMm <= 3000 && heightMm <= 3000))
    throw new CoreError('PAPER_UNKNOWN', {
      where: ['paper'],
      what: `there is no paper "${id.slice(0, 60)}"`,
      remedy: `choose one of ${papers.map((p) => p.id).join(', ')}, or name its size as in custom_card_85x54mm`,
    })
  return { widthMm, heightMm }
}

/** The PWG 5101.1 name of a size that has none of its own: `custom_label_14x14mm`. */
export const customMedia = (name: string, { widthMm, heightMm }: SizeMm): string =>
  `custom_${
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'label'
  }_${short(widthMm)}x${short(heightMm)}mm`

const short = (lengthMm: number): string => String(Math.round(lengthMm * 100) / 100)
