import { AppProblem } from '../worker/app-problem.js'

/** What the server tells of an order to print. */
export interface Ticket {
  readonly ticket: string
  readonly printer: string
  readonly name: string
  readonly state: 'sending' | 'waiting' | 'printing' | 'done' | 'cancelled' | 'failed' | 'unknown'
  readonly message: string
  readonly jobId: number | null
  readonly pagesDone: number | null
  /** whether its document may have reached the printer: it is printed again only on the person's word */
  readonly wasSent: boolean
}

export interface PrinterStatus {
  readonly name: string
  readonly state: 'idle' | 'processing' | 'stopped' | 'unknown'
  readonly says: string
  readonly isAccepting: boolean
  readonly formats: readonly string[]
  readonly dpis: readonly number[]
  readonly rasterTypes: readonly string[]
  readonly sides: readonly string[]
  readonly media: readonly string[]
  readonly mediaReady: readonly string[]
}

export interface StandInState {
  readonly state: 'idle' | 'processing' | 'stopped'
  readonly reasons: readonly string[]
  readonly faults: readonly string[]
  readonly jobs: readonly {
    readonly id: number
    readonly name: string
    readonly state: string
    readonly message: string
    readonly pagesTotal: number | null
    readonly pages: readonly { readonly widthMm: number; readonly heightMm: number }[]
  }[]
}

/** The server did not answer, or said no, in words for the person. `isGone` when it does not answer at all. */
export class ServerProblem extends AppProblem {
  readonly isGone: boolean
  constructor(message: string, isGone: boolean) {
    super(message)
    this.isGone = isGone
  }
}

async function call<T>(path: string, init?: RequestInit): Promise<T> {
  let response: Response
  try {
    response = await fetch(path, init)
  } catch {
    throw new ServerProblem(
      'The Reach Plot server does not answer. Start it again; what was sent is not lost.',
      true,
    )
  }
  const isJson = response.headers.get('content-type')?.includes('json') === true
  const body: unknown = isJson ? await response.json() : null
  if (response.ok) return body as T
  const said = (body as { error?: string } | null)?.error ?? `The server answers ${response.status}.`
  throw new ServerProblem(said, false)
}

/** The stand-in's address, as a printer. */
export const standInAddress = (): string => `ipp://${location.host}/ipp/print`

export const listedPrinters = (): Promise<{ printers: readonly string[] }> => call('/api/printers')

export const printerStatus = (printer: string, signal?: AbortSignal): Promise<PrinterStatus> =>
  call('/api/printers/status', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ printer }),
    ...(signal && { signal }),
  })

export interface OrderQuery {
  readonly ticket: string
  readonly printer: string
  readonly name: string
  readonly media: string
  readonly widthMm: number
  readonly heightMm: number
  readonly copies: number
  readonly sides?: 'two-sided-short-edge' | undefined
  /** the person has looked, and wants it printed again */
  readonly again?: boolean
}

export const sendDocument = (
  query: OrderQuery,
  format: string,
  body: Uint8Array<ArrayBuffer>,
): Promise<Ticket> =>
  call(
    `/api/print?${new URLSearchParams(Object.entries(query).flatMap(([k, v]) => (v === undefined ? [] : [[k, String(v)]])))}`,
    {
      method: 'POST',
      headers: { 'content-type': format },
      body,
    },
  )

export const ticketStatus = (ticket: string): Promise<Ticket> =>
  call(`/api/print/${ticket}/status`, { method: 'POST' })
export const cancelTicket = (ticket: string): Promise<Ticket> =>
  call(`/api/print/${ticket}`, { method: 'DELETE' })

export const standInState = (): Promise<StandInState> => call('/api/stand-in')
export const setStandInFaults = (faults: readonly string[]): Promise<unknown> =>
  call('/api/stand-in/faults', {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ faults }),
  })
export const clearStandIn = (): Promise<unknown> => call('/api/stand-in/jobs', { method: 'DELETE' })
