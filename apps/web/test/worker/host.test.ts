import { expose } from 'comlink'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { aliveMessage, WorkerEnded, WorkerHost } from '../../src/worker/host.js'

interface Service {
  double(n: number): number
  never(): Promise<void>
}

/** Workers of a test: each end of a channel, the other end of which is the service. */
let started: { readonly name: string; fail(): void; die(): void }[] = []
/** who waits for the lock of a worker */
let waiting: Map<string, () => void>

function fakeWorker(name: string, isQuiet = false): Worker {
  const { port1, port2 } = new MessageChannel()
  expose({ double: (n: number) => 2 * n, never: () => new Promise(() => undefined) }, port2 as never)
  const target = new EventTarget()
  port1.onmessage = (event) =>
    target.dispatchEvent(new MessageEvent('message', { data: event.data as unknown }))
  const worker = Object.assign(target, {
    postMessage: (message: unknown, transfer?: Transferable[]) => port1.postMessage(message, transfer ?? []),
    terminate: () => {
      port1.close()
      port2.close()
    },
  })
  started.push({
    name,
    fail: () => target.dispatchEvent(new Event('error')),
    die: () => waiting.get(name)?.(),
  })
  if (!isQuiet) setTimeout(() => port2.postMessage(aliveMessage))
  return worker as unknown as Worker
}

beforeEach(() => {
  started = []
  waiting = new Map()
  vi.stubGlobal('navigator', {
    locks: { request: (name: string, run: () => void) => void waiting.set(name, run) },
  })
})
const alive = (name: string): Promise<void> => vi.waitFor(() => expect(waiting.has(name)).toBe(true))

describe('a worker and its host', () => {
  test('is started at its first use and answers', async () => {
    const host = new WorkerHost<Service>(fakeWorker)
    expect(started).toHaveLength(0)
    expect(await host.service.double(21)).toBe(42)
    expect(await host.service.double(4)).toBe(8)
    expect(started).toHaveLength(1)
    host.end()
  })
  test.each(['die', 'fail'] as const)(
    'that ends (%s) fails what was asked, and the next question starts another',
    async (how) => {
      const host = new WorkerHost<Service>(fakeWorker)
      const open = host.service.never()
      const failed = expect(open).rejects.toBeInstanceOf(WorkerEnded)
      await alive(started[0]!.name)
      const before = host.now
      started[0]![how]()
      await failed
      expect(await host.service.double(3)).toBe(6)
      expect(started).toHaveLength(2)
      expect(host.now).not.toBe(before)
      expect(started[1]!.name).not.toBe(started[0]!.name)
      host.end()
    },
  )
  test('that never starts is given up', async () => {
    vi.useFakeTimers()
    const host = new WorkerHost<Service>((name) => fakeWorker(name, true))
    const failed = expect(host.service.never()).rejects.toBeInstanceOf(WorkerEnded)
    await vi.advanceTimersByTimeAsync(20_000)
    await failed
    vi.useRealTimers()
  })
  test('that was ended on purpose is no fault: nothing fails, the next question starts another', async () => {
    const host = new WorkerHost<Service>(fakeWorker)
    let settled = false
    host.service.never().then(
      () => (settled = true),
      () => (settled = true),
    )
    await alive(started[0]!.name)
    host.end()
    started[0]!.die()
    await new Promise((resolve) => setTimeout(resolve, 20))
    expect(settled).toBe(false)
    expect(await host.service.double(1)).toBe(2)
    host.end()
  })
})
