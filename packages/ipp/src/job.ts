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
  /** which attempt at the order it is, from 1; each has a job of its own */
  readonly attempt?: number | undefined
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

/** What a job's name ends with: ticket and attempt. */
const markOf = ({ ticket, attempt = 1 }: Pick<PrintOrder, 'ticket' | 'attempt'>): string =>
  attempt === 1 ? `[${ticket}]` : `[${ticket} ${attempt}]`

const nameOf = (order: Pick<PrintOrder, 'ticket' | 'attempt' | 'name'>): string =>
  // names are at most 255 bytes; the ticket must not be cut off
  `${order.name.slice(0, 60)} ${markOf(order)}`

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

/** A job, and whether a document has reached it as far as the printer says. */
export type FoundJob = JobStatus & { readonly hasDocument: boolean }

const foundOf = (job: Attributes): FoundJob => ({
  ...statusOf(job),
  hasDocument: job['number-of-documents'] !== 0,
})

/**
 * The job of that order, finished or not, or null when the printer knows none by its name.
 * @throws IppProblem
 */
export async function findJob(
  address: string,
  order: Pick<PrintOrder, 'ticket' | 'attempt'>,
): Promise<FoundJob | null> {
  for (const which of ['not-completed', 'completed']) {
    const { jobs } = await ippRequest(address, {
      operation: 'Get-Jobs',
      operationAttributes: {
        'requesting-user-name': userName,
        'which-jobs': which,
        'requested-attributes': jobAttributes,
      },
    })
    const job = jobs.find((j) => textOf(j, 'job-name').endsWith(markOf(order)))
    if (job) return foundOf(job)
  }
  return null
}

/**
 * The job of that number where it is this order's: a printer that was restarted counts from 1 again, and the number may
 * be another's by now. Null when it is another's, or forgotten.
 * @throws IppProblem
 */
export async function jobOf(
  address: string,
  jobId: number,
  order: Pick<PrintOrder, 'ticket' | 'attempt'>,
): Promise<FoundJob | null> {
  let job: Attributes
  try {
    job = await jobAttributesOf(address, jobId)
  } catch (error) {
    if (error instanceof IppProblem && error.status === 'client-error-not-found') return null
    throw error
  }
  return textOf(job, 'job-name').endsWith(markOf(order)) ? foundOf(job) : null
}

/** @throws IppProblem `REFUSED` with `client-error-not-found` when the printer has forgotten it */
export const jobStatus = async (address: string, jobId: number): Promise<JobStatus> =>
  statusOf(await jobAttributesOf(address, jobId))

async function jobAttributesOf(address: string, jobId: number): Promise<Attributes> {
  const { jobs } = await ippRequest(address, {
    operation: 'Get-Job-Attributes',
    operationAttributes: {
      'job-id': jobId,
      'requesting-user-name': userName,
      'requested-attributes': jobAttributes,
    },
  })
  return { 'job-id': jobId, ...jobs[0] }
}

/** @throws IppProblem `REFUSED` with `client-error-not-possible` when the job is over */
export async function cancelJob(address: string, jobId: number): Promise<void> {
  await ippRequest(address, {
    operation: 'Cancel-Job',
    operationAttributes: { 'job-id': jobId, 'requesting-user-name': userName },
  })
}

/** What is done while an order is sent; each is waited for before anything else goes out. */
export interface SendSteps {
  /** the job that was made for this attempt before, whose document was never sent */
  readonly madeJobId?: number | null
  /** the printer has given a number */
  readonly onCreated?: (jobId: number) => Promise<void> | void
  /** the document goes out next; from here on it may be printed */
  readonly beforeDocument?: () => Promise<void> | void
}

/**
 * Sends an order to the printer, once, and returns its job. Whether it may be sent is the caller's to know.
 * @throws IppProblem
 */
export async function sendOrder(
  address: string,
  order: PrintOrder,
  { madeJobId = null, onCreated, beforeDocument }: SendSteps = {},
): Promise<JobStatus> {
  const printer = await printerStatus(address)
  checkTaken(printer, order)
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
  const made = madeJobId === null ? null : await jobOf(address, madeJobId, order)
  if (made && !isOver(made.state) && !made.hasDocument) {
    await beforeDocument?.()
    return sendDocument(address, order, made.jobId)
  }
  if (printer.operations.includes('Create-Job') && printer.operations.includes('Send-Document')) {
    const created = await ippRequest(address, {
      operation: 'Create-Job',
      operationAttributes: job,
      jobs: [template],
    })
    const jobId = jobIdOf(created.jobs[0])
    await onCreated?.(jobId)
    await beforeDocument?.()
    return sendDocument(address, order, jobId)
  }
  await beforeDocument?.()
  const printed = await ippRequest(address, {
    operation: 'Print-Job',
    operationAttributes: { ...job, 'document-format': order.format },
    jobs: [template],
    data: order.document,
  })
  const status = { ...statusOf(printed.jobs[0] ?? {}), jobId: jobIdOf(printed.jobs[0]) }
  await onCreated?.(status.jobId)
  return status
}

/** @throws IppProblem `NOT_IPP` when the answer names no job */
function jobIdOf(job: Attributes | undefined): number {
  const id = Number(job?.['job-id'])
  if (!Number.isInteger(id))
    throw new IppProblem(
      'NOT_IPP',
      'The printer took the job without giving it a number. Look at the printer.',
    )
  return id
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
