import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import type { Ticket } from '../src/store/print-api.js'
import {
  cancelOrder,
  forgetOrder,
  resumeOrder,
  retryOrder,
  sendOrder,
  usePrint,
} from '../src/store/print-store.js'

type Answer = { readonly status?: number; readonly body: unknown } | 'gone'

const asked: string[] = []
let kept: Map<string, string>

/** A server that gives one answer after the other, the last one again and again. */
function server(...answers: readonly Answer[]): void {
  let at = 0
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    asked.push(`${init?.method ?? 'GET'} ${path.split('?')[0]}`)
    const answer = answers[Math.min(at++, answers.length - 1)] as Answer
    if (answer === 'gone') return Promise.reject(new TypeError('fetch failed'))
    const { status = 200, body } = answer
    return Promise.resolve(
      new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } }),
    )
  })
}

const ticket = (state: Ticket['state'], message = ''): Ticket => ({
  ticket: 'ticket-0001',
  printer: 'ipp://localhost/ipp/print',
  name: 'Labels',
  state,
  message,
  jobId: 1,
  pagesDone: null,
  wasSent: state !== 'sending',
})
const order = () => ({
  query: {
    ticket: 'ticket-0001',
    printer: 'ipp://localhost/ipp/print',
    name: 'Labels',
    media: 'x',
    widthMm: 14,
    heightMm: 14,
    copies: 1,
  },
  format: 'application/pdf',
  bytes: new Uint8Array([1]),
  pages: 12,
})

beforeEach(() => {
  vi.useFakeTimers()
  asked.length = 0
  kept = new Map()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
    removeItem: (key: string) => kept.delete(key),
  })
  usePrint.setState({ ticket: null, problem: '', order: null })
})
afterEach(() => {
  forgetOrder()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('an order', () => {
  test('is followed until it is settled, and not asked after any more', async () => {
    server({ body: ticket('waiting') }, { body: ticket('printing') }, { body: ticket('done') })
    await sendOrder(order())
    expect(usePrint.getState().ticket!.state).toBe('waiting')
    await vi.advanceTimersByTimeAsync(5000)
    expect(usePrint.getState().ticket!.state).toBe('done')
    expect(asked).toEqual([
      'POST /api/print',
      'POST /api/print/ticket-0001/status',
      'POST /api/print/ticket-0001/status',
    ])
  })
  test('is sent again under its own ticket', async () => {
    server({ body: ticket('waiting', 'Its cover is open.') })
    await sendOrder(order())
    await retryOrder()
    expect(asked.filter((a) => a.startsWith('POST'))).toHaveLength(2)
    expect(usePrint.getState().order!.query.ticket).toBe('ticket-0001')
  })
  test('waits for a server that has gone, and goes on when it is back', async () => {
    server({ body: ticket('printing') }, 'gone', 'gone', { body: ticket('done') })
    await sendOrder(order())
    await vi.advanceTimersByTimeAsync(1000)
    expect(usePrint.getState().problem).toMatch(/does not answer/)
    await vi.advanceTimersByTimeAsync(20_000)
    expect(usePrint.getState()).toMatchObject({ problem: '', ticket: { state: 'done' } })
  })
  test('that the server does not take says why, and keeps its document for another try', async () => {
    server({ status: 429, body: { error: 'Other documents are still being sent.' } })
    await sendOrder(order())
    expect(usePrint.getState().problem).toMatch(/still being sent/)
    expect(usePrint.getState().order).not.toBeNull()
  })
  test('is cancelled by its ticket', async () => {
    server({ body: ticket('waiting') }, { body: ticket('cancelled') })
    await sendOrder(order())
    await cancelOrder()
    expect(asked).toEqual(['POST /api/print', 'DELETE /api/print/ticket-0001'])
    await vi.advanceTimersByTimeAsync(5000)
    expect(asked).toHaveLength(2)
  })
})

describe('after a reload', () => {
  test('an open order is taken up, without its document', async () => {
    kept.set('reach-plot-print', JSON.stringify(ticket('waiting')))
    server({ body: ticket('done') })
    resumeOrder()
    await vi.advanceTimersByTimeAsync(100)
    expect(usePrint.getState()).toMatchObject({ ticket: { state: 'done' }, order: null })
  })
  test('a settled one is not, nor what is no order', () => {
    for (const text of [JSON.stringify(ticket('done')), '{"ticket":5}', 'nonsense', 'null']) {
      kept.set('reach-plot-print', text)
      resumeOrder()
      expect(usePrint.getState().ticket).toBeNull()
    }
    expect(asked).toEqual([])
  })
  test('an order that is put away is forgotten', async () => {
    server({ body: ticket('done') })
    await sendOrder(order())
    expect(kept.has('reach-plot-print')).toBe(true)
    forgetOrder()
    expect([usePrint.getState().ticket, kept.size]).toEqual([null, 0])
  })
})
