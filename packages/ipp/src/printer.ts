import { textOf, valuesOf } from './codec.js'
import { ippRequest } from './request.js'

export type PrinterState = 'idle' | 'processing' | 'stopped' | 'unknown'

/** What a printer says of itself. */
export interface PrinterStatus {
  readonly address: string
  readonly name: string
  readonly state: PrinterState
  readonly reasons: readonly string[]
  /** the reasons in words; empty when nothing is the matter */
  readonly says: string
  readonly isAccepting: boolean
  readonly formats: readonly string[]
  readonly media: readonly string[]
  readonly mediaReady: readonly string[]
  readonly dpis: readonly number[]
  readonly rasterTypes: readonly string[]
  readonly operations: readonly string[]
  /** sides of the paper that it prints, in the words of RFC 8011 (5.2.8) */
  readonly sides: readonly string[]
}

/** Operations are numbers where the codec has no name for them. */
const texts = (values: readonly unknown[]): string[] => values.map(String)

/** @throws IppProblem */
export async function printerStatus(address: string, signal?: AbortSignal): Promise<PrinterStatus> {
  const { printer } = await ippRequest(
    address,
    {
      operation: 'Get-Printer-Attributes',
      operationAttributes: {
        'requested-attributes': [
          'printer-name',
          'printer-info',
          'printer-state',
          'printer-state-reasons',
          'printer-state-message',
          'printer-is-accepting-jobs',
          'document-format-supported',
          'media-supported',
          'media-ready',
          'printer-resolution-supported',
          'operations-supported',
          'pwg-raster-document-type-supported',
          'pwg-raster-document-resolution-supported',
          'sides-supported',
        ],
      },
    },
    signal,
  )
  const reasons = texts(valuesOf(printer, 'printer-state-reasons')).filter((r) => r !== 'none')
  const state = textOf(printer, 'printer-state')
  return {
    address,
    name: textOf(printer, 'printer-info') || textOf(printer, 'printer-name') || address,
    state: state === 'idle' || state === 'processing' || state === 'stopped' ? state : 'unknown',
    reasons,
    says: reasonsInWords(reasons) || textOf(printer, 'printer-state-message'),
    isAccepting: printer['printer-is-accepting-jobs'] !== false,
    formats: texts(valuesOf(printer, 'document-format-supported')),
    media: texts(valuesOf(printer, 'media-supported')),
    mediaReady: texts(valuesOf(printer, 'media-ready')),
    dpis: [
      ...resolutions(printer['printer-resolution-supported']),
      ...resolutions(printer['pwg-raster-document-resolution-supported']),
    ],
    rasterTypes: texts(valuesOf(printer, 'pwg-raster-document-type-supported')),
    operations: texts(valuesOf(printer, 'operations-supported')),
    sides: texts(valuesOf(printer, 'sides-supported')),
  }
}

/** Dots per inch of one resolution `[x, y, unit]` or a list of them; uneven ones are left out. */
function resolutions(value: unknown): number[] {
  if (!Array.isArray(value)) return []
  const list = Array.isArray(value[0]) ? (value as unknown[][]) : [value as unknown[]]
  return list.flatMap(([x, y, unit]) => (x === y && unit === 'dpi' ? [Number(x)] : []))
}

/** Reasons of RFC 8011 (5.4.12) and PWG 5100.9, in words. */
const reasonWords: readonly (readonly [reason: RegExp, words: string])[] = [
  [/^media-empty/, 'It is out of labels or paper. Load some.'],
  [/^media-needed/, 'Another size of labels or paper is needed. Load it.'],
  [/^media-jam/, 'The labels are jammed.'],
  [/^(cover|interlock|door)-open/, 'Its cover is open. Close it.'],
  [/^(toner|marker-supply)-(empty|low)/, 'Its ink or ribbon runs out.'],
  [/^paused/, 'It is paused.'],
  [/^shutdown/, 'It is switched off.'],
  [/^spool-area-full/, 'It has no room for more jobs.'],
  [
    /^(other|timed-out|connecting-to-device|stopping|moving-to-paused)/,
    'It has a fault; look at the printer.',
  ],
]

const reasonsInWords = (reasons: readonly string[]): string =>
  [
    ...new Set(
      reasons.flatMap((r) => reasonWords.filter(([pattern]) => pattern.test(r)).map(([, words]) => words)),
    ),
  ].join(' ')
