import { mkdir, readFile, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { z } from 'zod'
import {
  cancelJob,
  findJob,
  IppProblem,
  jobStatus,
  printerStatus,
  sendOrder,
  type JobStatus,
  type PrintOrder,
} from '@reach-plot/ipp'
import { checkAllowed } from './allow.js'
import { isSettled, ticketSchema, type OrderQuery, type Ticket, type TicketState } from './ticket.js'

/** Bounds on what the queue remembers and sends at a time. Assumed. */
export const queueLimits = { tickets: 200, sending: 4 } as const

const restarted =
  'The server was restarted while this was being sent. The printer may have it or not: look, then print again; what it has is not printed twice.'

/**
 * Print orders and what became of them. An order is known by its ticket: sent twice it is printed once. Tickets stand in
 * a file, so that a restart can say what it interrupted.
 */
export class PrintQueue {
  readonly #tickets = new Map<string, Ticket>()
  readonly #file: string
  readonly #printers: readonly string[]
  #saving: Promise<void> = Promise.resolve()

  private constructor(folder: string, printers: readonly string[]) {
    this.#file = join(folder, 'print-tickets.json')
    this.#printers = printers
  }

  /** Opens the queue with the tickets of the last run; a file that cannot be read is put aside, not lost. */
  static async open(folder: string, printers: readonly string[]): Promise<PrintQueue> {
    const queue = new PrintQueue(folder, printers)
    await mkdir(folder, { recursive: true })
    const text = await readFile(queue.#file, 'utf8').catch(() => null)
    if (text === null) return queue
    try {
      for (const ticket of z.array(ticketSchema).parse(JSON.parse(text)))
        queue.#tickets.set(
          ticket.ticket,
          ticket.state === 'sending' ? { ...ticket, state: 'unknown', message: restarted } : ticket,
        )
    } catch {
      await rename(queue.#file, `${queue.#file}.unreadable`).catch(() => undefined)
    }
    return queue
  }

  get printers(): readonly string[] {
    return this.#printers
  }

  get isBusy(): boolean {
    return [...this.#tickets.values()].filter((t) => t.state === 'sending').length >= queueLimits.sending
  }

  /**
   * Prints an order, or tells what became of it where its ticket is known. Never rejects for what a printer does: that
   * stands in the ticket.
   */
  async print(query: OrderQuery, format: PrintOrder['format'], document: Uint8Array): Promise<Ticket> {
    const known = this.#tickets.get(query.ticket)
    const isOpen = known && known.state !== 'failed' && known.state !== 'unknown'
    if (isOpen) return this.status(query.ticket) as Promise<Ticket>
    const { ticket, printer, name } = query
    const isRetry = known?.wasSent === true
    this.#put({
      ticket,
      printer,
      name,
      state: 'sending',
      message: '',
      jobId: known?.jobId ?? null,
      pagesDone: null,
      wasSent: isRetry,
    })
    try {
      checkAllowed(printer, this.#printers)
      const order: PrintOrder = { ...query, format, document }
      const job = await sendOrder(printer, order, isRetry, (jobId) =>
        this.#change(ticket, { jobId, wasSent: true }),
      )
      return await this.#follow(ticket, job)
    } catch (error) {
      return this.#failed(ticket, error)
    }
  }

  /** What became of an order, asked of the printer where it is still open; null when there is no such ticket. */
  async status(ticket: string): Promise<Ticket | null> {
    const known = this.#tickets.get(ticket)
    if (!known || isSettled(known.state) || known.state === 'sending') return known ?? null
    try {
      if (known.state !== 'unknown' && known.jobId !== null)
        return await this.#follow(ticket, await jobStatus(known.printer, known.jobId))
      const found = await findJob(known.printer, ticket)
      if (found?.hasDocument) return await this.#follow(ticket, found)
      return this.#change(ticket, {
        state: 'failed',
        message: 'The printer does not have it, so nothing was printed. Print again.',
        wasSent: found !== null,
      })
    } catch (error) {
      const gone = error instanceof IppProblem && error.status === 'client-error-not-found'
      return this.#change(ticket, {
        state: 'unknown',
        message: gone
          ? 'The printer has forgotten this job; it was restarted, perhaps. Look at the labels before you print again.'
          : (error as Error).message,
      })
    }
  }

  async cancel(ticket: string): Promise<Ticket | null> {
    const known = await this.status(ticket)
    if (!known || isSettled(known.state)) return known
    if (known.jobId === null) return known
    try {
      await cancelJob(known.printer, known.jobId)
      return this.#change(ticket, { state: 'cancelled', message: '' })
    } catch (error) {
      // it may just have come to its end
      if (error instanceof IppProblem && error.status === 'client-error-not-possible')
        return this.status(ticket)
      return this.#change(ticket, { message: (error as Error).message })
    }
  }

  /** Settles when all tickets stand in the file. */
  saved(): Promise<void> {
    return this.#saving
  }

  async #follow(ticket: string, job: JobStatus): Promise<Ticket> {
    const state = stateOf(job)
    let message = ''
    if (state === 'failed') message = job.says || 'The printer gave the job up.'
    if (state === 'waiting') {
      const printer = await printerStatus(this.#tickets.get(ticket)?.printer ?? '').catch(() => null)
      message = [
        printer?.says,
        job.reasons.includes('printer-stopped') ? job.says.replace(/^[a-z-]+$/, '') : '',
      ]
        .filter(Boolean)
        .join(' ')
    }
    return this.#change(ticket, { state, message, jobId: job.jobId, pagesDone: job.pagesDone, wasSent: true })
  }

  #failed(ticket: string, error: unknown): Ticket {
    const wasSent = this.#tickets.get(ticket)?.wasSent ?? false
    if (!(error instanceof IppProblem)) throw error
    const isOpen = error.code === 'BROKEN' || (wasSent && error.code !== 'REFUSED')
    return this.#change(ticket, {
      state: isOpen ? 'unknown' : 'failed',
      message: error.message,
      wasSent: wasSent || error.code === 'BROKEN',
    })
  }

  #change(ticket: string, change: Partial<Ticket>): Ticket {
    const next = { ...(this.#tickets.get(ticket) as Ticket), ...change }
    this.#put(next)
    return next
  }

  #put(ticket: Ticket): void {
    this.#tickets.set(ticket.ticket, ticket)
    for (const [id, old] of this.#tickets) {
      if (this.#tickets.size <= queueLimits.tickets) break
      if (old.state !== 'sending') this.#tickets.delete(id)
    }
    // one write after the other, each whole or not at all
    this.#saving = this.#saving.then(() => this.#save()).catch(() => undefined)
  }

  async #save(): Promise<void> {
    const next = `${this.#file}.next`
    await writeFile(next, JSON.stringify([...this.#tickets.values()]))
    await rename(next, this.#file)
  }
}

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
