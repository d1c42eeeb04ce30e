import type { Attributes } from '@reach-plot/ipp'
import { documentFormats, type StandInJob } from './job.js'
import type { Machine } from './machine.js'
import { printDpis } from './render.js'

/** Sizes that are named; any other within the bounds is taken as well. */
const namedMedia = [
  'iso_a4_210x297mm',
  'iso_a5_148x210mm',
  'iso_a6_105x148mm',
  'iso_a7_74x105mm',
  'na_letter_8.5x11in',
  'na_legal_8.5x14in',
  'na_index-4x6_4x6in',
  'custom_min_4x4mm',
  'custom_max_216x450mm',
] as const

/** Bounds of a label or sheet, mm. */
export const mediaBounds = { leastMm: 4, mostWidthMm: 450, mostHeightMm: 450 } as const

export const operations = [
  'Print-Job',
  'Validate-Job',
  'Create-Job',
  'Send-Document',
  'Cancel-Job',
  'Get-Job-Attributes',
  'Get-Jobs',
  'Get-Printer-Attributes',
] as const

const seconds = (now: number, from: number): number => Math.max(1, Math.round(now - from))

/** Attributes of the printer, RFC 8011 (5.4) and PWG 5102.4. `address` is the one that the client used. */
export const printerAttributes = (machine: Machine, address: string, now: number): Attributes => ({
  'printer-uri-supported': address,
  'uri-security-supported': 'none',
  'uri-authentication-supported': 'none',
  'printer-name': 'Stand-in',
  'printer-info': 'Stand-in label printer',
  'printer-location': 'this machine',
  'printer-make-and-model': 'Reach Plot stand-in label printer',
  'printer-more-info': address.replace(/^ipp/, 'http').replace(/\/ipp\/print$/, '/printer'),
  'printer-state': machine.state,
  'printer-state-reasons': machine.reasons.length > 0 ? machine.reasons : ['none'],
  'ipp-versions-supported': ['1.0', '1.1', '2.0'],
  'operations-supported': [...operations],
  'multiple-document-jobs-supported': false,
  'multiple-operation-time-out': 120,
  'charset-configured': 'utf-8',
  'charset-supported': ['utf-8'],
  'natural-language-configured': 'en-us',
  'generated-natural-language-supported': ['en-us'],
  'document-format-default': 'image/pwg-raster',
  'document-format-supported': [...documentFormats, 'application/octet-stream'],
  'printer-is-accepting-jobs': machine.isAccepting,
  'queued-job-count': machine.waiting.length,
  'pdl-override-supported': 'not-attempted',
  'printer-up-time': seconds(now, machine.startedAt),
  'compression-supported': ['none'],
  'color-supported': false,
  'copies-default': 1,
  'copies-supported': [[1, 99]],
  'media-default': 'iso_a4_210x297mm',
  'media-supported': [...namedMedia],
  'media-col-supported': ['media-size'],
  'media-size-supported': [
    { 'x-dimension': 21000, 'y-dimension': 29700 },
    { 'x-dimension': 21590, 'y-dimension': 27940 },
  ],
  'output-bin-default': 'face-up',
  'output-bin-supported': ['face-up'],
  'pages-per-minute': 60,
  'orientation-requested-default': 'portrait',
  'orientation-requested-supported': ['portrait'],
  'print-quality-default': 'normal',
  'print-quality-supported': ['normal'],
  'printer-resolution-default': [[printDpis[0], printDpis[0], 'dpi']],
  'printer-resolution-supported': printDpis.map((dpi) => [dpi, dpi, 'dpi']),
  'sides-default': 'one-sided',
  'sides-supported': ['one-sided'],
  'finishings-default': 'none',
  'finishings-supported': ['none'],
  'number-up-default': 1,
  'number-up-supported': 1,
  'pwg-raster-document-type-supported': ['black_1', 'sgray_8'],
  'pwg-raster-document-resolution-supported': printDpis.map((dpi) => [dpi, dpi, 'dpi']),
})

/** Names of attributes by the groups that a client may ask for at once. */
const jobTemplate =
  /^(copies|finishings|media|output-bin|number-up|orientation-requested|print-quality|printer-resolution|sides)\b/

/** The attributes that are asked for: by name, by group, or all of them. */
export function requested(all: Attributes, wanted: readonly unknown[]): Attributes {
  if (wanted.length === 0 || wanted.includes('all')) return all
  return Object.fromEntries(
    Object.entries(all).filter(([name]) => {
      if (wanted.includes(name)) return true
      const isTemplate = jobTemplate.test(name)
      return isTemplate
        ? wanted.includes('job-template')
        : wanted.includes('printer-description') || wanted.includes('job-description')
    }),
  )
}

/** Attributes of a job, RFC 8011 (5.3). */
export const jobAttributes = (
  job: StandInJob,
  machine: Machine,
  address: string,
  now: number,
): Attributes => ({
  'job-uri': `${address}/jobs/${job.id}`,
  'job-id': job.id,
  'job-printer-uri': address,
  'job-name': job.name,
  'job-originating-user-name': job.user,
  'job-state': job.state,
  'job-state-reasons': job.reasons.length > 0 ? job.reasons : ['none'],
  'job-state-message': job.message || job.state,
  'number-of-documents': job.documents,
  'job-impressions-completed': job.pages.length,
  ...(job.pagesTotal !== null && { 'job-impressions': job.pagesTotal }),
  'time-at-creation': seconds(job.createdAt, machine.startedAt),
  'time-at-processing': job.processingAt === null ? null : seconds(job.processingAt, machine.startedAt),
  'time-at-completed': job.completedAt === null ? null : seconds(job.completedAt, machine.startedAt),
  'job-printer-up-time': seconds(now, machine.startedAt),
})
