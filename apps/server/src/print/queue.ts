import {
  cancelJob,
  findJob,
  IppProblem,
  jobOf,
  printerStatus,
  sendOrder,
  type FoundJob,
  type JobStatus,
  type PrintOrder,
} from '@reach-plot/ipp'
import { checkAllowed } from './allow.js'
import { FolderProblem, TicketFile } from './ticket-file.js'
import { isSettled, type OrderQuery, type Ticket, type TicketState } from './ticket.js'

/** Documents that are sent at a time. Assumed. */
export const queueLimits = { sending: 4 } as const

/**
 * Print orders and what became of them. An order is known by its ticket: sent twice it is printed once. That its document
 * goes out stands on the disk before it does, so that whatever ends in the middle, nothing is printed again unasked.
 */
export class PrintQueue {
  readonly #tickets: Map<string, Ticket>
  readonly #file: TicketFile
  readonly #printers: readonly string[]
  /** orders whose document is on its way from this process */
  readonly #sending = new Set<string>()

  private constructor(file: TicketFile, printers: readonly string[]) {
    this.#file = file
    this.#tickets = new Map(file.tickets)
    this.#printers = printers
  }

  /**
   * Opens the queue with the orders of before.
   * @throws FolderProblem when another server has the folder, or it cannot be written
   */
  static async open(folder: string, printers: readonly string[]): Promise<PrintQueue> {
    return new PrintQueue(await TicketFile.open(folder), printers)
  }

  get printers(): readonly string[] {
    return this.#printers
  }

  get isBusy(): boolean {
    return this.#sending.size >= queueLimits.sending
  }

  /**
   * Prints an order, or tells what became of it where its ticket is known. What may have been printed is printed again
   * only where the order says so. What a printer does stands in the ticket.
   * @throws IppProblem `ADDRESS` when the printer may not be asked
   */
  async print(
    { again, ...query }: OrderQuery,
    format: PrintOrder['format'],
    document: Uint8Array,
  ): Promise<Ticket> {
    checkAllowed(query.printer, this.#printers)
    const { ticket } = query
    if (this.#sending.has(ticket)) return this.#known(ticket)
    // from here on a second call for the same ticket waits for this one's answer
    this.#sending.add(ticket)
    try {
      const known = this.#tickets.has(ticket) ? await this.#asked(ticket) : null
      if (known && known.state !== 'failed' && known.state !== 'unknown') return known
      if (known?.wasSent === true && !again) return known
      const attempt = known ? known.attempt + (known.wasSent ? 1 : 0) : 1
      // an earlier job that waits for its document gets none any more
      if (known?.wasSent === true && known.jobId !== null)
        await cancelJob(query.printer, known.jobId).catch(() => undefined)
      return await this.#send({ ...query, attempt, format, document }, known)
    } finally {
      this.#sending.delete(ticket)
    }
  }

  async #send(
    order: PrintOrder & { printer: string; attempt: number },
    known: Ticket | null,
  ): Promise<Ticket> {
    const { ticket, printer, name, attempt } = order
    const madeJobId = known && !known.wasSent ? known.jobId : null
    const begun: Ticket = {
      ...{ ticket, printer, name, attempt, jobId: madeJobId },
      ...{ state: 'sending', message: '', pagesDone: null, wasSent: false, changedAt: 0 },
    }
    this.#tickets.set(ticket, begun)
    try {
      await this.#put(begun)
      const job = await sendOrder(printer, order, {
        madeJobId,
        onCreated: async (jobId) => void (await this.#change(ticket, { jobId })),
        beforeDocument: async () => void (await this.#change(ticket, { wasSent: true })),
      })
      return await this.#follow(ticket, job)
    } catch (error) {
      return this.#failed(ticket, error)
    }
  }

  /** What became of an order, asked of the printer where it is still open; null when there is no such ticket. */
  async status(ticket: string): Promise<Ticket | null> {
    const known = this.#tickets.get(ticket)
    if (!known || this.#sending.has(ticket)) return known ?? null
    return this.#asked(ticket)
  }

  async #asked(ticket: string): Promise<Ticket> {
    const known = this.#known(ticket)
    if (isSettled(known.state)) return known
    if (!known.wasSent)
      return this.#change(ticket, {
        state: 'failed',
        message: 'The server was stopped before this was sent. Nothing was printed.',
      })
    try {
      const job = await this.#jobOf(known)
      if (!job) return await this.#lost(known)
      if (job.hasDocument || job.state === 'completed') return await this.#follow(ticket, job)
      return await this.#change(ticket, {
        state: 'unknown',
        jobId: job.jobId,
        message: `The printer has the job and says that nothing of it has come yet. ${askToLook(known)}`,
      })
    } catch (error) {
      return this.#change(ticket, { state: 'unknown', message: `${wordsOf(error)} ${askToLook(known)}` })
    }
  }

  async #jobOf(known: Ticket): Promise<FoundJob | null> {
    const byNumber = known.jobId === null ? null : await jobOf(known.printer, known.jobId, known)
    return byNumber ?? findJob(known.printer, known)
  }

  /** The printer knows nothing of what it may have been sent: it forgot, was restarted, or never had it. */
  #lost(known: Ticket): Promise<Ticket> {
    return this.#change(known.ticket, {
      state: 'unknown',
      // its number may be another's by now
      jobId: null,
      message: `The printer does not know this job, or not any more; it may have been restarted. ${askToLook(known)}`,
    })
  }

  async cancel(ticket: string): Promise<Ticket | null> {
    const known = await this.status(ticket)
    if (!known || isSettled(known.state)) return known
    if (known.jobId === null) return known
    try {
      await cancelJob(known.printer, known.jobId)
      return await this.#change(ticket, { state: 'cancelled', message: '' })
    } catch (error) {
      // it may just have come to its end
      if (error instanceof IppProblem && error.status === 'client-error-not-possible')
        return this.status(ticket)
      return this.#change(ticket, { message: wordsOf(error) })
    }
  }

  /** Settles when all is on the disk and the folder is free. */
  close(): Promise<void> {
    return this.#file.close()
  }

  async #follow(ticket: string, job: JobStatus): Promise<Ticket> {
    const state = stateOf(job)
    let message = ''
    if (state === 'failed')
      message = `${job.says || 'The printer gave the job up.'} ${outInWords(job.pagesDone)}`.trim()
    if (state === 'waiting') {
      const printer = await printerStatus(this.#known(ticket).printer).catch(() => null)
      message = [
        printer?.says,
        job.reasons.includes('printer-stopped') ? job.says.replace(/^[a-z-]+$/, '') : '',
      ]
        .filter(Boolean)
        .join(' ')
    }
    return this.#change(ticket, { state, message, jobId: job.jobId, pagesDone: job.pagesDone })
  }

  /** A document that was on its way may be printed, unless the printer said no or there was no line to it. */
  #failed(ticket: string, error: unknown): Promise<Ticket> {
    const known = this.#known(ticket)
    const isCertain =
      // what could not be noted was not sent
      error instanceof FolderProblem ||
      (error instanceof IppProblem && (error.code === 'REFUSED' || error.code === 'UNREACHABLE'))
    const wasSent = known.wasSent && !isCertain
    return this.#change(ticket, {
      state: wasSent ? 'unknown' : 'failed',
      message: wasSent ? `${wordsOf(error)} ${askToLook(known)}` : wordsOf(error),
      wasSent,
    })
  }

  #known(ticket: string): Ticket {
    return this.#tickets.get(ticket) as Ticket
  }

  async #change(ticket: string, change: Partial<Ticket>): Promise<Ticket> {
    const before = this.#known(ticket)
    const next = { ...before, ...change }
    const isSame = (Object.keys(change) as (keyof Ticket)[]).every((key) => before[key] === next[key])
    // asked again and again, it changes seldom
    return isSame ? before : this.#put(next)
  }

  async #put(ticket: Ticket): Promise<Ticket> {
    const next = { ...ticket, changedAt: Date.now() }
    const before = this.#tickets.get(next.ticket)
    this.#tickets.set(next.ticket, next)
    try {
      await this.#file.write(next)
    } catch (error) {
      // a step that leads to sending is not taken; how it came out is told all the same
      if (next.state !== 'sending') return next
      if (before) this.#tickets.set(next.ticket, before)
      throw new FolderProblem(
        `The order could not be noted on the disk (${(error as NodeJS.ErrnoException).code ?? 'unknown'}), so it was not sent. Make room, then print again.`,
        { cause: error },
      )
    }
    return next
  }
}

const wordsOf = (error: unknown): string =>
  error instanceof IppProblem || error instanceof FolderProblem
    ? error.message
    : `Something went wrong in the server (${(error as Error).message}).`

const outInWords = (pagesDone: number | null): string => {
  if (pagesDone === null) return ''
  if (pagesDone === 0) return 'As far as it says, no page came out.'
  return pagesDone === 1
    ? '1 page was out when it last answered.'
    : `${pagesDone} pages were out when it last answered.`
}

const askToLook = ({ pagesDone }: Ticket): string =>
  `${outInWords(pagesDone)} Look at the printer before you print it again.`.trim()

const stateOf = (job: JobStatus): TicketState => {
  switch (job.state) {
    case 'processing':
      return 'printing'
    case 'completed':
      return 'done'
    case 'canceled':
      return 'cancelled'
    case 'aborted':
      return 'failed'
    default:
      return 'waiting'
  }
}
