import { create } from 'zustand'
import { problemInWords } from './problem.js'
import {
  cancelTicket,
  sendDocument,
  ServerProblem,
  ticketStatus,
  type OrderQuery,
  type Ticket,
} from './print-api.js'

/** A document on its way to a printer; kept until the next one, so that it can be sent again under the same ticket. */
interface PrintOrder {
  readonly query: OrderQuery
  readonly format: string
  readonly bytes: Uint8Array<ArrayBuffer>
  /** pages of all copies */
  readonly pages: number
}

interface PrintState {
  readonly ticket: Ticket | null
  /** what went wrong between here and the server; empty when nothing did */
  readonly problem: string
  readonly order: PrintOrder | null
}

const storageKey = 'reach-plot-print'
const pollMs = 700

/** The order that was printed last, over reloads. */
export const usePrint = create<PrintState>()(() => ({ ticket: null, problem: '', order: null }))

export const isSettled = (ticket: Ticket): boolean => ['done', 'cancelled', 'failed'].includes(ticket.state)

let timer: ReturnType<typeof setTimeout> | undefined

function keep(ticket: Ticket): void {
  try {
    localStorage.setItem(storageKey, JSON.stringify(ticket))
  } catch {
    // without it a reload only forgets what was printed
  }
  usePrint.setState({ ticket, problem: '' })
  clearTimeout(timer)
  if (!isSettled(ticket)) timer = setTimeout(() => void follow(), pollMs)
}

/** Asks how the order stands, again and again until it is settled. */
async function follow(): Promise<void> {
  const { ticket } = usePrint.getState()
  if (!ticket || isSettled(ticket)) return
  try {
    keep(await ticketStatus(ticket.ticket))
  } catch (error) {
    trouble(error)
    // the server may come back
    if (error instanceof ServerProblem && error.isGone) timer = setTimeout(() => void follow(), 4 * pollMs)
  }
}

const trouble = (error: unknown): void => usePrint.setState({ problem: problemInWords(error) })

/** Sends a document. The same order again is not printed twice, since it goes under the same ticket. */
export async function sendOrder(order: PrintOrder): Promise<void> {
  const { ticket, printer, name } = order.query
  const { again: _once, ...query } = order.query
  usePrint.setState({
    // a word to print again holds once
    order: { ...order, query },
    problem: '',
    ticket: {
      ticket,
      printer,
      name,
      state: 'sending',
      message: '',
      jobId: null,
      pagesDone: null,
      wasSent: false,
    },
  })
  try {
    keep(await sendDocument(order.query, order.format, order.bytes))
  } catch (error) {
    trouble(error)
  }
}

/** Sends the last order again under its ticket, or asks after it when the document is no longer here. */
export async function retryOrder(): Promise<void> {
  const { order } = usePrint.getState()
  if (order) await sendOrder(order)
  else await follow()
}

/** Prints the last order once more, whatever came out: the person has looked and says so. */
export async function printAgain(): Promise<void> {
  const { order } = usePrint.getState()
  if (order) await sendOrder({ ...order, query: { ...order.query, again: true } })
}

export async function cancelOrder(): Promise<void> {
  const { ticket } = usePrint.getState()
  if (!ticket) return
  try {
    keep(await cancelTicket(ticket.ticket))
  } catch (error) {
    trouble(error)
  }
}

/** Takes up the order of before a reload. */
export function resumeOrder(): void {
  if (usePrint.getState().ticket) return
  let kept: Ticket | null
  try {
    kept = JSON.parse(localStorage.getItem(storageKey) ?? 'null') as Ticket | null
  } catch {
    return
  }
  if (!kept || typeof kept.ticket !== 'string' || isSettled(kept)) return
  usePrint.setState({ ticket: kept })
  void follow()
}

export function forgetOrder(): void {
  clearTimeout(timer)
  localStorage.removeItem(storageKey)
  usePrint.setState({ ticket: null, problem: '', order: null })
}
