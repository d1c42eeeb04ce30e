import type { KeyValue } from './key-value.js'

/** A state that a plan was in. */
export interface PastState {
  /** when, ms since 1970; tells it from the others */
  readonly at: number
  /** what had been changed */
  readonly what: string
  readonly bytes: number
}

/** What is kept of each plan: these many states, and more of the last week, as far as there is room. Assumed. */
export const historyLimits = {
  states: 50,
  forMs: 7 * 24 * 3600 * 1000,
  mostStates: 400,
  budgetBytes: 12_000_000,
  /** changes of one thing within this time are one state */
  togetherMs: 60_000,
} as const

interface Kept {
  readonly at: number
  readonly what: string
  readonly gz: Uint8Array<ArrayBuffer>
}

/** Packs or unpacks by the browser's own means: a package would need a worker from a blob, which the app forbids. */
const through = async (
  bytes: Uint8Array<ArrayBuffer>,
  stream: CompressionStream | DecompressionStream,
): Promise<ArrayBuffer> => new Response(new Blob([bytes]).stream().pipeThrough(stream)).arrayBuffer()

const packed = async (text: string): Promise<Uint8Array<ArrayBuffer>> =>
  new Uint8Array(await through(new TextEncoder().encode(text), new CompressionStream('gzip')))
const unpacked = async (bytes: Uint8Array<ArrayBuffer>): Promise<string> =>
  new TextDecoder().decode(await through(bytes, new DecompressionStream('gzip')))

/** The states that plans were in, so that one can go back also after the page was closed. */
export class PlanHistory {
  readonly #kv: KeyValue

  constructor(kv: KeyValue) {
    this.#kv = kv
  }

  /** The states of a plan, the latest first. */
  async list(planId: string): Promise<PastState[]> {
    const kept = await Promise.all((await this.#keys(planId)).map((key) => this.#kv.get<Kept>(key)))
    return kept.flatMap((k) => (k ? [{ at: k.at, what: k.what, bytes: k.gz.length }] : []))
  }

  async text(planId: string, at: number): Promise<string | null> {
    const kept = await this.#kv.get<Kept>(keyOf(planId, at))
    return kept && unpacked(kept.gz)
  }

  /** Keeps a state. Where the one before is of the same change, just made, it takes its place. */
  async add(planId: string, text: string, what: string, now = Date.now()): Promise<void> {
    const [latest] = await this.#keys(planId)
    const before = latest === undefined ? null : await this.#kv.get<Kept>(latest)
    const at = Math.max(now, (before?.at ?? 0) + 1)
    await this.#kv.set(keyOf(planId, at), { at, what, gz: await packed(text) } satisfies Kept)
    if (before?.what === what && now - before.at < historyLimits.togetherMs)
      await this.#kv.remove(latest as string)
    await this.#prune(planId, now)
  }

  /** Forgets the older half of all states, to make room for the plans themselves. */
  async makeRoom(): Promise<void> {
    const keys = (await this.#kv.keys()).filter((key) => key.startsWith('history/'))
    const byAge = keys.toSorted((a, b) => timeOf(a) - timeOf(b))
    for (const key of byAge.slice(0, Math.ceil(byAge.length / 2))) await this.#kv.remove(key)
  }

  async forget(planId: string): Promise<void> {
    for (const key of await this.#keys(planId)) await this.#kv.remove(key)
  }

  async #prune(planId: string, now: number): Promise<void> {
    const keys = await this.#keys(planId)
    if (keys.length <= historyLimits.states) return
    const states = await this.list(planId)
    let bytes = 0
    for (const [i, state] of states.entries()) {
      bytes += state.bytes
      const isRecent = i < historyLimits.states || state.at > now - historyLimits.forMs
      const hasRoom = bytes <= historyLimits.budgetBytes && i < historyLimits.mostStates
      if (!isRecent || !hasRoom) await this.#kv.remove(keyOf(planId, state.at))
    }
  }

  /** Keys of a plan's states, the latest first. */
  async #keys(planId: string): Promise<string[]> {
    const own = `history/${planId}/`
    return (await this.#kv.keys())
      .filter((key) => key.startsWith(own))
      .toSorted((a, b) => timeOf(b) - timeOf(a))
  }
}

const keyOf = (planId: string, at: number): string => `history/${planId}/${at}`
const timeOf = (key: string): number => Number(key.slice(key.lastIndexOf('/') + 1))
