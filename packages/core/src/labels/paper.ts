import { CoreError } from '../errors.js'

/** Papers that labels are laid out on, by their PWG 5101.1 names, which carry the size. */
export const papers = [
  { id: 'iso_a4_210x297mm', name: 'A4' },
  { id: 'na_letter_8.5x11in', name: 'Letter' },
] as const
export type PaperId = (typeof papers)[number]['id']

/**
 * Width and height of a paper in mm.
 * @throws CoreError `PAPER_UNKNOWN`
 */
export function paperSizeMm(id: string): { readonly widthMm: number; readonly heightMm: number } {
  const match = /_(\d+(?:\.\d+)?)x(\d+(?:\.\d+)?)(mm|in)$/.exec(id)
  if (!match || !papers.some((p) => p.id === id)) {
    throw new CoreError('PAPER_UNKNOWN', {
      where: ['paper'],
      what: `there is no paper "${id.slice(0, 40)}"`,
      mend: `choose one of ${papers.map((p) => p.id).join(', ')}`,
    })
  }
  const unit = match[3] === 'in' ? 25.4 : 1
  return { widthMm: Number(match[1]) * unit, heightMm: Number(match[2]) * unit }
}
