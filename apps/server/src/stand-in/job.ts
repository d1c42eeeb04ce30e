import type { JobState } from '@reach-plot/ipp'

/** A page that came out, as the label shows it. */
export interface PrintedPage {
  readonly png: Uint8Array
  readonly widthMm: number
  readonly heightMm: number
}

export interface SizeMm {
  readonly widthMm: number
  readonly heightMm: number
}

export const documentFormats = ['image/pwg-raster', 'application/pdf'] as const
export type DocumentFormat = (typeof documentFormats)[number]

export interface StandInJob {
  readonly id: number
  readonly name: string
  readonly user: string
  readonly createdAt: number
  /** the size that the job asked for, or null for the one that is loaded */
  readonly size: SizeMm | null
  readonly copies: number
  state: JobState
  reasons: string[]
  message: string
  processingAt: number | null
  completedAt: number | null
  format: DocumentFormat | null
  /** null until it has come, and again when it has been printed */
  document: Uint8Array | null
  documents: number
  pagesTotal: number | null
  pages: PrintedPage[]
}
