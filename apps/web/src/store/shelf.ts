import { checkPlanOpens, freshPlanId, readPlan, type Plan } from '@reach-plot/core'
import { catalogues } from '../worker/catalogues.js'
import type { KeyValue } from './key-value.js'

/** A plan as it is stored. */
interface Stored {
  /** rises with each save; by it tabs notice each other */
  readonly revision: number
  readonly text: string
  readonly name: string
  /** ms since 1970 */
  readonly changedAt: number
  readonly isExample: boolean
  /** when it was deleted, ms since 1970; null where it was not */
  readonly deletedAt: number | null
}

/** One plan of the list. */
export interface PlanEntry extends Omit<Stored, 'text'> {
  readonly id: string
  readonly bytes: number
}

/** A plan that was read from the shelf. */
export interface Opened {
  readonly revision: number
  readonly plan: Plan
  readonly isExample: boolean
}

export type SaveResult =
  { readonly ok: true; readonly revision: number } | { readonly ok: false; readonly storedRevision: number }

/** A deleted plan can be had back for so long, ms. */
export const deletedForMs = 30 * 24 * 3600 * 1000

const prefix = 'plan/'

/** Locks across tabs; undefined in browsers that have none. */
export const tabLocks = (): LockManager | undefined => (navigator as Partial<Navigator>).locks

/** Runs something while no other tab does the same. */
export const alone = async <T>(name: string, run: () => Promise<T>): Promise<T> => {
  const locks = tabLocks()
  // what has no locks has no other tabs that would know of them
  return locks ? locks.request(name, run) : run()
}

let latest: { readonly plan: Plan; readonly text: string } | null = null

/** A plan as it is stored. An edit goes into the journal, the shelf and the past: written once for all of them. */
export function storedText(plan: Plan): string {
  if (latest?.plan !== plan) latest = { plan, text: JSON.stringify(plan) }
  return latest.text
}

/** Reads a stored text as a plan that this program can open. */
export function openable(text: string, name: string): Plan {
  const plan = readPlan(text, name)
  checkPlanOpens(plan, catalogues)
  return plan
}

/** All plans of this browser, side by side: none is ever replaced by another. */
export class Shelf {
  readonly #kv: KeyValue

  constructor(kv: KeyValue) {
    this.#kv = kv
  }

  /** Every plan, also those that were deleted or cannot be read, the latest change first. */
  async list(): Promise<PlanEntry[]> {
    const ids = (await this.#kv.keys())
      .filter((key) => key.startsWith(prefix))
      .map((key) => key.slice(prefix.length))
    const entries = await Promise.all(
      ids.map(async (id): Promise<PlanEntry[]> => {
        const stored = await this.#get(id)
        if (!stored) return []
        const { text, ...about } = stored
        return [{ ...about, id, bytes: text.length }]
      }),
    )
    return entries.flat().toSorted((a, b) => b.changedAt - a.changedAt)
  }

  /** The text of a plan, whether it can be read or not; null when there is none. */
  async text(id: string): Promise<Pick<Stored, 'revision' | 'text' | 'isExample'> | null> {
    return this.#get(id)
  }

  /** @throws CoreError when the text is no plan that can be opened */
  async load(id: string): Promise<Opened | null> {
    const stored = await this.#get(id)
    return (
      stored && {
        revision: stored.revision,
        isExample: stored.isExample,
        plan: openable(stored.text, stored.name),
      }
    )
  }

  /**
   * Saves when the stored revision is still `baseRevision`; otherwise another tab has saved in between and nothing is
   * written. The check and the write are one step across tabs.
   * @param force writes over the other tab's state, which the person has chosen
   * @throws when the browser refuses, such as on full storage
   */
  save(plan: Plan, baseRevision: number, force = false): Promise<SaveResult> {
    const { id, name } = plan
    const text = storedText(plan)
    return alone(`reach-plot-save-${id}`, async () => {
      const stored = await this.#get(id)
      const storedRevision = stored?.revision ?? 0
      // two tabs that hold the same state have nothing to settle
      if (stored?.text === text) return { ok: true, revision: storedRevision }
      if (storedRevision !== baseRevision && !force) return { ok: false, storedRevision }
      const revision = Math.max(storedRevision, baseRevision) + 1
      await this.#set(id, {
        ...{ revision, text, name, changedAt: Date.now() },
        ...{ isExample: stored?.isExample ?? false, deletedAt: null },
      })
      return { ok: true, revision }
    })
  }

  /** Puts a plan beside the others, under an id and a name of its own; the plan as it stands there. */
  async add(plan: Plan, isExample = false): Promise<Plan> {
    const entries = await this.list()
    const ids = new Set(entries.map((e) => e.id))
    const id = ids.has(plan.id) ? freshPlanId(plan.id, ids) : plan.id
    const names = new Set(entries.filter((e) => e.deletedAt === null).map((e) => e.name))
    let name = plan.name
    for (let n = 2; names.has(name); n++) name = `${plan.name.slice(0, 110)} ${n}`
    const own = { ...plan, id, name }
    await this.#set(id, {
      ...{ revision: 1, text: JSON.stringify(own), name, changedAt: Date.now() },
      ...{ isExample, deletedAt: null },
    })
    return own
  }

  /** Puts a text beside the others that cannot be read, so that it is not lost. */
  async addUnreadable(text: string, name: string): Promise<void> {
    const ids = new Set((await this.list()).map((e) => e.id))
    await this.#set(freshPlanId('unreadable', ids), {
      ...{ revision: 1, text, name, changedAt: Date.now() },
      ...{ isExample: false, deletedAt: null },
    })
  }

  /** Gives a plan another name, without opening it. */
  async rename(id: string, name: string): Promise<void> {
    const loaded = await this.load(id)
    if (loaded) await this.save({ ...loaded.plan, name }, loaded.revision)
  }

  /** Deletes a plan; it can be had back until `purge`. */
  delete(id: string): Promise<void> {
    return this.#change(id, { deletedAt: Date.now() })
  }

  restore(id: string): Promise<void> {
    return this.#change(id, { deletedAt: null })
  }

  /** Deletes for good; there is no way back. */
  async deleteForGood(id: string): Promise<void> {
    await this.#kv.remove(prefix + id)
  }

  /** Deletes for good what was deleted long ago, and tells which. */
  async purge(now = Date.now()): Promise<readonly string[]> {
    const old = (await this.list()).filter((e) => e.deletedAt !== null && e.deletedAt < now - deletedForMs)
    for (const { id } of old) await this.deleteForGood(id)
    return old.map((e) => e.id)
  }

  async #change(id: string, change: Partial<Stored>): Promise<void> {
    await alone(`reach-plot-save-${id}`, async () => {
      const stored = await this.#get(id)
      if (stored) await this.#set(id, { ...stored, ...change })
    })
  }

  #get(id: string): Promise<Stored | null> {
    return this.#kv.get<Stored>(prefix + id)
  }
  #set(id: string, stored: Stored): Promise<void> {
    return this.#kv.set(prefix + id, stored)
  }
}
