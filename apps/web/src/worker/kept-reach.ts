import localforage from 'localforage'
import type { ChordTable, Modifier, ReachSet } from '@reach-plot/core'

/** A set of held modifiers, and of one more control, that reach is wanted for. */
export interface WantedSet {
  readonly held: readonly Modifier[]
  readonly withId?: string | undefined
}

/** Where sets are kept between visits, and whose turn it is to work one out. */
export interface ReachShelf {
  get(name: string): Promise<ReachSet | null>
  set(name: string, value: ReachSet): Promise<void>
  /**
   * Runs `work` alone among all workers.
   * @param isPatient  whether it waits for another that is at it
   * @returns false where another is at it, and was not waited for
   */
  alone(name: string, isPatient: boolean, work: () => Promise<void>): Promise<boolean>
}

/**
 * Fills a chord table with the sets wanted: what was worked out on an earlier visit is taken over; what another worker is
 * at is left to it while there is something else to do, so that two workers share the work.
 * @param shelf  null where the browser keeps nothing: then all are worked out here
 * @param isWanted  false ends it early
 */
export async function fillTable(
  table: ChordTable,
  sets: readonly WantedSet[],
  shelf: ReachShelf | null,
  isWanted: () => boolean = () => true,
): Promise<void> {
  let missing = sets.filter((set) => !table.known(set.held, set.withId))
  while (missing.length > 0 && isWanted()) {
    const busy: WantedSet[] = []
    for (const set of missing) {
      if (!isWanted()) return
      const isDone = await fillSet(table, set, shelf, false)
      if (!isDone) busy.push(set)
    }
    const [first] = busy
    if (first && busy.length === missing.length) await fillSet(table, first, shelf, true)
    missing = busy.filter((set) => !table.known(set.held, set.withId))
  }
}

async function fillSet(
  table: ChordTable,
  { held, withId }: WantedSet,
  shelf: ReachShelf | null,
  isPatient: boolean,
): Promise<boolean> {
  const work = async (): Promise<void> => {
    const kept = await shelf?.get(name)
    if (kept) return table.takeOver(held, kept, withId)
    table.withHeld(held, withId)
    const found = table.known(held, withId)
    if (found) await shelf?.set(name, found)
  }
  const name = `${held.join('+')}|${withId ?? ''}`
  if (shelf) return shelf.alone(name, isPatient, work)
  await work()
  return true
}

/** So many situations are kept, the latest. */
const mostSituations = 6

/** Names a situation by its text, in 64 hexadecimal digits. */
async function digestOf(text: string): Promise<string> {
  const bytes = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text))
  return [...new Uint8Array(bytes)].map((byte) => byte.toString(16).padStart(2, '0')).join('')
}

/** Changes with the code that reach is worked out by; none while the app is developed or tested. */
const version = import.meta.env.VITE_REACH_VERSION ?? ''

type Opened = { readonly store: LocalForage; readonly digest: string } | null
let latest: { readonly key: string; readonly opened: Promise<Opened> } | null = null

async function open(key: string): Promise<Opened> {
  if (version === '' || !isSecureContext || !('locks' in navigator)) return null
  try {
    const store = localforage.createInstance({
      name: 'reach-plot-reach',
      storeName: 'sets',
      driver: localforage.INDEXEDDB,
    })
    const digest = await digestOf(`${version} ${key}`)
    // what is kept can be worked out again: the oldest goes, and what another version has kept
    const before = await store.getItem<{ version: string; digests: readonly string[] }>('latest')
    const earlier = before !== null && before.version === version ? before.digests : []
    const kept = [...new Set([digest, ...earlier])].slice(0, mostSituations)
    if (earlier[0] !== digest) {
      await store.setItem('latest', { version, digests: kept })
      const isKept = (name: string): boolean => kept.some((d) => name.startsWith(`${d} `))
      const gone = (await store.keys()).filter((name) => name !== 'latest' && !isKept(name))
      await Promise.all(gone.map((name) => store.removeItem(name)))
    }
    return { store, digest }
  } catch {
    return null
  }
}

/** The browser's shelf for a situation; null where the browser keeps nothing. */
export async function reachShelf(key: string): Promise<ReachShelf | null> {
  if (latest?.key !== key) latest = { key, opened: open(key) }
  const opened = await latest.opened
  if (!opened) return null
  const { store, digest } = opened
  return {
    get: (name) => store.getItem<ReachSet>(`${digest} ${name}`).catch(() => null),
    // a full store keeps nothing more, and nothing is lost by it
    set: (name, value) =>
      store.setItem(`${digest} ${name}`, value).then(
        () => undefined,
        () => undefined,
      ),
    alone: (name, isPatient, work) =>
      navigator.locks.request(`reach ${digest} ${name}`, { ifAvailable: !isPatient }, async (lock) => {
        if (!lock) return false
        await work()
        return true
      }),
  }
}
