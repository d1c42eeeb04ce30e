import localforage from 'localforage'
import { AppProblem } from '../worker/app-problem.js'

/** Where the browser keeps what is too large for its small store. */
export interface KeyValue {
  get<T>(key: string): Promise<T | null>
  set(key: string, value: unknown): Promise<void>
  remove(key: string): Promise<void>
  keys(): Promise<readonly string[]>
}

/** A browser that has not answered for so long does not answer, ms. */
export const storageLimits = { openMs: 3000, answerMs: 15_000 } as const

const inTime = async <T>(what: Promise<T>, ms: number): Promise<T> => {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<never>((_resolve, reject) => {
    timer = setTimeout(() => reject(new AppProblem('The browser’s storage does not answer.')), ms)
  })
  try {
    return await Promise.race([what, late])
  } finally {
    clearTimeout(timer)
  }
}

/** What is kept only as long as the page is open. */
export function memoryStore(): KeyValue {
  const kept = new Map<string, unknown>()
  return {
    get: <T>(key: string) => Promise.resolve((kept.get(key) as T | undefined) ?? null),
    set: (key, value) => Promise.resolve(void kept.set(key, structuredClone(value))),
    remove: (key) => Promise.resolve(void kept.delete(key)),
    keys: () => Promise.resolve([...kept.keys()]),
  }
}

/** The browser's store, or one in memory where it is denied or does not answer. */
export async function openKeyValue(
  name = 'reach-plot-plans',
): Promise<{ readonly kv: KeyValue; readonly isKept: boolean }> {
  try {
    const store = localforage.createInstance({
      name,
      storeName: 'plans',
      driver: localforage.INDEXEDDB,
    })
    await inTime(store.setItem('probe', Date.now()), storageLimits.openMs)
    const answered = <T>(what: Promise<T>): Promise<T> => inTime(what, storageLimits.answerMs)
    return {
      isKept: true,
      kv: {
        get: <T>(key: string) => answered(store.getItem<T>(key)),
        set: (key, value) => answered(store.setItem(key, value)).then(() => undefined),
        remove: (key) => answered(store.removeItem(key)),
        keys: async () => (await answered(store.keys())).filter((key) => key !== 'probe'),
      },
    }
  } catch {
    return { isKept: false, kv: memoryStore() }
  }
}
