import { createRequire } from 'node:module'
import { Worker } from 'node:worker_threads'
import { checkedHead } from './checked.js'
import { messageOf, type IppMessage, type RawMessage } from './codec.js'

/** What reading an answer may take, ms, and the memory for it, MB. Assumed; it takes a millisecond. */
export const decodeLimits = { timeoutMs: 2000, memoryMb: 64 } as const

// plain script, so that it runs wherever this file is bundled to
const script = `
const { parentPort, workerData } = require('node:worker_threads')
const ipp = require(workerData.codec)
parentPort.on('message', ({ id, head }) => {
  try {
    parentPort.postMessage({ id, raw: ipp.parse(Buffer.from(head)) })
  } catch (error) {
    parentPort.postMessage({ id, error: String(error && error.message) })
  }
})`

interface Waiting {
  readonly head: Buffer
  readonly done: (raw: RawMessage) => void
  readonly failed: (error: Error) => void
}

let worker: Worker | null = null
let lastId = 0
const waiting = new Map<number, Waiting>()

function started(): Worker {
  if (worker) return worker
  const codec = createRequire(import.meta.url).resolve('@sealsystems/ipp')
  const own = new Worker(script, {
    eval: true,
    workerData: { codec },
    execArgv: [],
    resourceLimits: { maxOldGenerationSizeMb: decodeLimits.memoryMb },
  })
  own.unref()
  own.on('message', ({ id, raw, error }: { id: number; raw?: RawMessage; error?: string }) => {
    const asked = waiting.get(id)
    waiting.delete(id)
    if (raw) asked?.done(raw)
    else asked?.failed(new Error(error ?? 'unreadable'))
  })
  own.on('error', () => ended(own))
  own.on('exit', () => ended(own))
  worker = own
  return own
}

/** Whatever was asked of a worker that has ended stays unread. */
function ended(own: Worker): void {
  if (worker !== own) return
  worker = null
  for (const [id, asked] of waiting) {
    waiting.delete(id)
    asked.failed(new Error('it could not be read'))
  }
}

/**
 * Reads the bytes that a printer sent, in a thread that can be ended: whatever it sends, the caller goes on.
 * @throws Error when the bytes are no IPP message, or reading them takes too long
 */
export async function decodeApart(bytes: Buffer): Promise<IppMessage> {
  const { head, documentAt } = checkedHead(bytes)
  const id = ++lastId
  const own = started()
  own.ref()
  try {
    const raw = await new Promise<RawMessage>((done, failed) => {
      const timer = setTimeout(() => {
        failed(new Error('reading it takes too long'))
        ended(own)
        void own.terminate()
      }, decodeLimits.timeoutMs)
      const settled =
        <T>(then: (value: T) => void) =>
        (value: T): void => {
          clearTimeout(timer)
          then(value)
        }
      waiting.set(id, { head, done: settled(done), failed: settled(failed) })
      own.postMessage({ id, head })
    })
    return messageOf(raw, bytes.subarray(documentAt))
  } finally {
    waiting.delete(id)
    if (waiting.size === 0) own.unref()
  }
}
