import { textOf, valuesOf, type Attributes } from './codec.js'
import { IppProblem } from './problem.js'
import { printerStatus, type PrinterStatus } from './printer.js'
import { ippRequest } from './request.js'

/** Both sides of the paper, turned over the short edge (RFC 8011, 5.2.8). */
export type Sides = 'two-sided-short-edge'

/** What is to be printed. */
export interface PrintOrder {
  /** tells this order from every other; stands in the job's name, so that it is found again after a broken line */
  readonly ticket: string
  readonly name: string
  readonly format: 'application/pdf' | 'image/pwg-raster'
  readonly document: Uint8Array
  /** PWG 5101.1 name and size */
  readonly media: string
  readonly widthMm: number
  readonly heightMm: number
  readonly copies: number
  /** both sides, where the printer can; one where left out */
  readonly sides?: Sides | undefined
}

/** States of a job, RFC 8011 (5.3.7). */
export const jobStates = [
  'pending',
  'pending-held',
  'processing',
  'processing-stopped',
  'canceled',
  'aborted',
  'completed',
] as const
export type JobState = (typeof jobStates)[number] | 'unknown'

export interface JobStatus {
  readonly jobId: number
  readonly state: JobState
  readonly reasons: readonly string[]
  /** what the printer says of it */
  readonly says: string
  readonly pagesDone: number | null
}

export const isOver = (state: JobState): boolean =>
  state === 'canceled' || state === 'aborted' || state === 'completed'

const userName = 'reach-plot'

const nameOf = (order: Pick<PrintOrder, 'ticket' | 'name'>): string =>
  // names are at most 255 bytes; the ticket must not be cut off
  `${order.name.slice(0, 60)} [${order.ticket}]`

function statusOf(job: Attributes): JobStatus {
  const state = textOf(job, 'job-state')
  const done = Number(job['job-impressions-completed'] ?? NaN)
  return {
    jobId: Number(job['job-id']),
    state: jobStates.find((s) => s === state) ?? 'unknown',
    reasons: valuesOf(job, 'job-state-reasons')
      .map(String)
      .filter((r) => r !== 'none'),
    says: textOf(job, 'job-state-message'),
    pagesDone: Number.isFinite(done) ? done : null,
  }
}

const jobAttributes = [
  'job-id',
  'job-name',
  'job-state',
  'job-state-reasons',
  'job-state-message',
  'job-impressions-completed',
  'number-of-documents',
]

/**
 * The job of that ticket, finished or not, or null when the printer has none.
 * @throws IppProblem
 */
export async function findJob(
  address: string,
  ticket: string,
): Promise<(JobStatus & { hasDocument: boolean }) | null> {
  for (const which of ['not-completed', 'completed']) {
    const { jobs } = await ippRequest(address, {
      operation: 'Get-Jobs',
      operationAttributes: {
        'requesting-user-name': userName,
        'which-jobs': which,
        'requested-attributes': jobAttributes,
      },
    })
    const job = jobs.find((j) => textOf(j, 'job-name').endsWith(`[${ticket}]`))
    if (job) return { ...statusOf(job), hasDocument: job['number-of-documents'] !== 0 }
  }
  return null
}

/** @throws IppProblem `REFUSED` with `client-error-not-found` when the printer has forgotten it */
export async function jobStatus(address: string, jobId: number): Promise<JobStatus> {
  const { jobs } = await ippRequest(address, {
    operation: 'Get-Job-Attributes',
    operationAttributes: {
      'job-id': jobId,
      'requesting-user-name': userName,
      'requested-attributes': jobAttributes,
    },
  })
  return statusOf({ 'job-id': jobId, ...jobs[0] })
}

/** @throws IppProblem `REFUSED` with `client-error-not-possible` when the job is over */
export async function cancelJob(address: string, jobId: number): Promise<void> {
  await ippRequest(address, {
    operation: 'Cancel-Job',
    operationAttributes: { 'job-id': jobId, 'requesting-user-name': userName },
  })
}

/**
 * Sends an order to the printer and returns its job. Where it was sent before, the job that the printer has is taken
 * up and nothing is printed a second time.
 * @param isRetry the order was sent before, and nobody knows whether it arrived
 * @param onCreated told the job's number as soon as the printer has given one
 * @throws IppProblem
 */
export async function sendOrder(
  address: string,
  order: PrintOrder,
  isRetry: boolean,
  onCreated: (jobId: number) => void = () => undefined,
): Promise<JobStatus> {
  const printer = await printerStatus(address)
  checkTaken(printer, order)
  if (isRetry) {
    const known = await findJob(address, order.ticket)
    if (known?.hasDocument) return known
    // the job was made but the line broke before its document: the same job gets it now
    if (known && !isOver(known.state)) return sendDocument(address, order, known.jobId)
  }
  const job = {
    'requesting-user-name': userName,
    'job-name': nameOf(order),
  }
  const template = {
    copies: order.copies,
    ...(order.sides !== undefined && printer.sides.includes(order.sides) && { sides: order.sides }),
    'media-col': {
      'media-size': {
        'x-dimension': Math.round(order.widthMm * 100),
        'y-dimension': Math.round(order.heightMm * 100),
      },
    },
  }
  if (printer.operations.includes('Create-Job') && printer.operations.includes('Send-Document')) {
    const made = await ippRequest(address, {
      operation: 'Create-Job',
      operationAttributes: job,
      jobs: [template],
    })
    const jobId = Number(made.jobs[0]?.['job-id'])
    onCreated(jobId)
    return sendDocument(address, order, jobId)
  }
  const printed = await ippRequest(address, {
    operation: 'Print-Job',
    operationAttributes: { ...job, 'document-format': order.format },
    jobs: [template],
    data: order.document,
  })
  const status = statusOf(printed.jobs[0] ?? {})
  onCreated(status.jobId)
  return status
}

async function sendDocument(address: string, order: PrintOrder, jobId: number): Promise<JobStatus> {
  const sent = await ippRequest(address, {
    operation: 'Send-Document',
    operationAttributes: {
      'job-id': jobId,
      'requesting-user-name': userName,
      'document-name': order.name.slice(0, 200),
      'document-format': order.format,
      'last-document': true,
    },
    data: order.document,
  })
  return statusOf({ 'job-id': jobId, ...sent.jobs[0] })
}

function checkTaken(printer: PrinterStatus, order: PrintOrder): void {
  if (!printer.isAccepting)
    throw new IppProblem(
      'REFUSED',
      `${printer.name} takes no jobs at the moment.`,
      'server-error-not-accepting-jobs',
    )
  const takes = printer.formats
  if (takes.length > 0 && !takes.includes(order.format) && !takes.includes('application/octet-stream'))
    throw new IppProblem(
      'REFUSED',
      `${printer.name} does not take ${order.format}. It takes ${takes.join(', ')}.`,
      'client-error-document-format-not-supported',
    )
}
