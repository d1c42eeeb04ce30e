import { isOver, textOf, valuesOf, type Attributes, type IppMessage, type OutMessage } from '@reach-plot/ipp'
import { jobAttributes, mediaBounds, printerAttributes, requested } from './attributes.js'
import { documentFormats, type SizeMm, type StandInJob } from './job.js'
import type { Machine } from './machine.js'
import { mediaSizeMm } from './media.js'

export const printerPath = '/ipp/print'

/** A request that cannot be done, with the status to answer. */
class Refused extends Error {
  readonly status: string
  constructor(status: string, message: string) {
    super(message)
    this.status = status
  }
}

export interface Call {
  readonly message: IppMessage
  /** the printer's address as the client wrote it */
  readonly address: string
  readonly machine: Machine
  readonly now: number
}

type Answer = Pick<OutMessage, 'jobs' | 'printer'>

/** Answers one IPP request; every request gets an answer, also one that makes no sense. */
export function answer(
  machine: Machine,
  message: IppMessage,
  fallbackAddress: string,
  now: number,
): OutMessage {
  const isVersion = /^[12]\.\d$/.test(message.version)
  const version = isVersion ? message.version : '1.1'
  try {
    if (!isVersion)
      throw new Refused('server-error-version-not-supported', `IPP ${message.version} is not spoken here`)
    checkHead(message)
    const operation = message.operation ?? ''
    const run = Object.hasOwn(runs, operation) ? runs[operation] : undefined
    if (!run) throw new Refused('server-error-operation-not-supported', 'this printer does not do that')
    const address = addressOf(message) ?? fallbackAddress
    return {
      version,
      id: message.id,
      statusCode: 'successful-ok',
      operationAttributes: { 'status-message': 'successful-ok' },
      ...run({ message, address, machine, now }),
    }
  } catch (error) {
    const status = error instanceof Refused ? error.status : 'server-error-internal-error'
    const said = error instanceof Refused ? error.message : 'something went wrong in the printer'
    return { version, id: message.id, statusCode: status, operationAttributes: { 'status-message': said } }
  }
}

/** What every request has: a number, the character set, the language, and which printer or job it is about. */
function checkHead({ id, operationAttributes }: IppMessage): void {
  const bad = (what: string): Refused => new Refused('client-error-bad-request', what)
  if (id < 1) throw bad('the request-id must be 1 or more')
  const [first, second] = Object.keys(operationAttributes)
  if (first !== 'attributes-charset' || second !== 'attributes-natural-language')
    throw bad('attributes-charset and attributes-natural-language must come first')
  const charset = textOf(operationAttributes, 'attributes-charset').toLowerCase()
  if (charset !== 'utf-8' && charset !== 'us-ascii')
    throw new Refused('client-error-charset-not-supported', `${charset} is not spoken here`)
  if (operationAttributes['printer-uri'] === undefined && operationAttributes['job-uri'] === undefined)
    throw bad('printer-uri is missing')
}

/** The address of the printer that the client asked. Only its path counts: there is one printer here. */
function addressOf({ operationAttributes }: IppMessage): string | null {
  const uri = textOf(operationAttributes, 'printer-uri') || textOf(operationAttributes, 'job-uri')
  let url: URL
  try {
    url = new URL(uri)
  } catch {
    throw new Refused('client-error-bad-request', 'printer-uri is no address')
  }
  const path = url.pathname.replace(/\/jobs\/\d+$/, '').replace(/\/$/, '')
  if (path !== printerPath) throw new Refused('client-error-not-found', 'there is no such printer')
  return `${url.protocol}//${url.host}${printerPath}`
}

const runs: Readonly<Record<string, (call: Call) => Answer>> = {
  'Get-Printer-Attributes': ({ message, address, machine, now }) => ({
    printer: requested(
      printerAttributes(machine, address, now),
      valuesOf(message.operationAttributes, 'requested-attributes'),
    ),
  }),
  'Validate-Job': (call) => {
    checkJob(call)
    return {}
  },
  'Print-Job': (call) => {
    const { size, copies } = checkJob(call)
    const job = createJob(call, size, copies)
    call.machine.take(job, formatOf(call), call.message.data)
    return { jobs: [briefly(job, call)] }
  },
  'Create-Job': (call) => {
    const { size, copies } = checkJob(call)
    return { jobs: [briefly(createJob(call, size, copies), call)] }
  },
  'Send-Document': (call) => {
    const { operationAttributes, data } = call.message
    if (operationAttributes['last-document'] === undefined)
      throw new Refused('client-error-bad-request', 'last-document is missing')
    const job = jobOf(call)
    if (job.documents > 0 || isOver(job.state))
      throw new Refused(
        job.documents > 0 && !isOver(job.state)
          ? 'server-error-multiple-document-jobs-not-supported'
          : 'client-error-not-possible',
        'the job has its document',
      )
    checkFormat(call)
    if (data.length === 0) throw new Refused('client-error-bad-request', 'the document is missing')
    call.machine.take(job, formatOf(call), data)
    return { jobs: [briefly(job, call)] }
  },
  'Cancel-Job': (call) => {
    if (!call.machine.cancel(jobOf(call))) throw new Refused('client-error-not-possible', 'the job is over')
    return {}
  },
  'Get-Job-Attributes': (call) => {
    const wanted = valuesOf(call.message.operationAttributes, 'requested-attributes')
    return { jobs: [requested(attributesOf(jobOf(call), call), wanted)] }
  },
  'Get-Jobs': (call) => ({ jobs: jobList(call) }),
}

const attributesOf = (job: StandInJob, { machine, address, now }: Call): Attributes =>
  jobAttributes(job, machine, address, now)

const briefly = (job: StandInJob, call: Call): Attributes =>
  requested(attributesOf(job, call), [
    'job-uri',
    'job-id',
    'job-state',
    'job-state-reasons',
    'job-state-message',
  ])

function jobList(call: Call): Attributes[] {
  const { operationAttributes } = call.message
  const which = textOf(operationAttributes, 'which-jobs') || 'not-completed'
  if (which !== 'completed' && which !== 'not-completed')
    throw new Refused('client-error-attributes-or-values-not-supported', `which-jobs ${which}`)
  const limit = Number(operationAttributes['limit'] ?? Infinity)
  const mine =
    operationAttributes['my-jobs'] === true ? textOf(operationAttributes, 'requesting-user-name') : null
  const asked = valuesOf(operationAttributes, 'requested-attributes')
  const jobs = call.machine.jobs.filter(
    (job) => isOver(job.state) === (which === 'completed') && (mine === null || job.user === mine),
  )
  // the latest finished job comes first
  const sorted = which === 'completed' ? jobs.toReversed() : jobs
  return sorted
    .slice(0, limit)
    .map((job) => requested(attributesOf(job, call), asked.length > 0 ? asked : ['job-uri', 'job-id']))
}

function jobOf({ message: { operationAttributes }, machine }: Call): StandInJob {
  const inUri = /\/jobs\/(\d+)$/.exec(textOf(operationAttributes, 'job-uri'))?.[1]
  const given = inUri ?? operationAttributes['job-id']
  if (given === undefined) throw new Refused('client-error-bad-request', 'job-id is missing')
  const job = machine.job(Number(given))
  if (!job) throw new Refused('client-error-not-found', 'there is no such job')
  return job
}

function createJob(call: Call, size: SizeMm | null, copies: number): StandInJob {
  const { operationAttributes } = call.message
  const name =
    textOf(operationAttributes, 'job-name') || textOf(operationAttributes, 'document-name') || 'job'
  const user = textOf(operationAttributes, 'requesting-user-name') || 'anonymous'
  return call.machine.create(name.slice(0, 255), user.slice(0, 255), size, copies)
}

const formatOf = ({ message }: Call): string =>
  textOf(message.operationAttributes, 'document-format') || 'application/octet-stream'

function checkFormat(call: Call): void {
  const format = formatOf(call)
  const isTaken =
    format === 'application/octet-stream' || (documentFormats as readonly string[]).includes(format)
  if (!isTaken)
    throw new Refused('client-error-document-format-not-supported', `${format} is not printed here`)
  const compression = textOf(call.message.operationAttributes, 'compression') || 'none'
  if (compression !== 'none') throw new Refused('client-error-compression-not-supported', compression)
}

/** What is wrong with a job before it is taken, and the size that it wants. */
function checkJob(call: Call): { size: SizeMm | null; copies: number } {
  const { machine, message } = call
  if (!machine.isAccepting) throw new Refused('server-error-not-accepting-jobs', 'the printer takes no jobs')
  if (machine.isFull) throw new Refused('server-error-busy', 'too many jobs are waiting')
  checkFormat(call)
  const job = message.jobs[0] ?? {}
  const isStrict = message.operationAttributes['ipp-attribute-fidelity'] === true
  const size = wantedSize(job)
  if (size === 'unknown' && isStrict)
    throw new Refused('client-error-attributes-or-values-not-supported', 'media')
  if (size !== null && size !== 'unknown') {
    const { leastMm, mostWidthMm, mostHeightMm } = mediaBounds
    const fits =
      size.widthMm >= leastMm &&
      size.heightMm >= leastMm &&
      size.widthMm <= mostWidthMm &&
      size.heightMm <= mostHeightMm
    if (!fits)
      throw new Refused(
        'client-error-attributes-or-values-not-supported',
        `media of ${size.widthMm.toFixed(1)} x ${size.heightMm.toFixed(1)} mm`,
      )
  }
  const copies = Number(job['copies'] ?? 1)
  if (!(copies >= 1 && copies <= 99) && isStrict)
    throw new Refused('client-error-attributes-or-values-not-supported', 'copies')
  return { size: size === 'unknown' ? null : size, copies: Math.min(99, Math.max(1, copies || 1)) }
}

function wantedSize(job: Attributes): SizeMm | null | 'unknown' {
  const column = job['media-col'] as
    { 'media-size'?: { 'x-dimension'?: number; 'y-dimension'?: number } } | undefined
  const size = column?.['media-size']
  if (size?.['x-dimension'] !== undefined && size['y-dimension'] !== undefined)
    return { widthMm: size['x-dimension'] / 100, heightMm: size['y-dimension'] / 100 }
  const media = textOf(job, 'media')
  return media === '' ? null : (mediaSizeMm(media) ?? 'unknown')
}
