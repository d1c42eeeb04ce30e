import { writePlan, type Plan } from '@reach-plot/core'
import { create } from 'zustand'
import { usePlanStore } from './plan-store.js'
import * as planStorage from './storage.js'

export interface SaveState {
  readonly state: 'loading' | 'saved' | 'saving' | 'failed' | 'conflict'
  /** what the browser said, for `failed` */
  readonly reason: string
  /** what was wrong with the stored plan, if it could not be read */
  readonly startError: string | null
}

/** The plan that is open in this tab. */
export interface OpenPlan {
  get(): Plan | null
  /** opens another; what was open can be had back by undo */
  replace(plan: Plan): void
  /** opens the first one, which cannot be undone */
  start(plan: Plan): void
  onChange(listener: () => void): void
}

/** How tabs tell each other that they have saved. */
export type SaveChannel = Pick<BroadcastChannel, 'postMessage' | 'onmessage'>

/** Saves every change of the open plan at once, and notices what other tabs save. */
export class Autosave {
  readonly useState = create<SaveState>()(() => ({ state: 'loading', reason: '', startError: null }))
  #revision = 0
  #savedPlan: Plan | null = null
  #isRunning = false

  constructor(
    private readonly plans: OpenPlan,
    private readonly storage: typeof planStorage,
    private readonly channel: SaveChannel,
  ) {}

  /** Opens the stored plan, changes left by a closed page, or what `fallback` gives; then saves every change at once. */
  async start(fallback: () => Promise<Plan>): Promise<void> {
    let stored: planStorage.StoredPlan | null = null
    try {
      stored = await this.storage.loadStored()
    } catch (error) {
      this.useState.setState({ startError: (error as Error).message })
    }
    let journal = this.storage.readJournal()
    // the save went through after all while the page closed
    if (journal && stored && writePlan(journal.plan) === writePlan(stored.plan)) journal = null
    this.#revision = stored?.revision ?? 0
    this.#savedPlan = stored?.plan ?? null
    this.plans.start(journal?.plan ?? stored?.plan ?? (await fallback()))
    this.useState.setState({ state: 'saved' })
    // The journal's base is older than the store: another tab has gone on since. The person chooses.
    if (journal && journal.baseRevision !== this.#revision) this.useState.setState({ state: 'conflict' })
    else void this.#save()

    this.plans.onChange(() => {
      if (this.#isDirty()) void this.#save()
    })
    this.channel.onmessage = (event: MessageEvent<number>) => {
      if (event.data > this.#revision && !this.#isRunning) this.useState.setState({ state: 'conflict' })
    }
  }

  /** Tries again after a failure, or writes over another tab's plan after a conflict. */
  saveAnyway(): Promise<void> {
    return this.#save(true)
  }

  /** Takes the plan that another tab has saved. The plan of this tab can be had back by undo. */
  async takeStored(): Promise<void> {
    const stored = await this.storage.loadStored()
    if (!stored) return
    this.#revision = stored.revision
    this.#savedPlan = stored.plan
    this.plans.replace(stored.plan)
    this.useState.setState({ state: 'saved', reason: '' })
  }

  /** Keeps what is not saved yet, before the page goes. */
  keepForNextTime(): void {
    const plan = this.plans.get()
    if (plan && this.#isDirty()) this.storage.writeJournal(writePlan(plan), this.#revision)
  }

  #isDirty(): boolean {
    return this.plans.get() !== this.#savedPlan
  }

  async #save(force = false): Promise<void> {
    if (this.#isRunning || (!force && this.useState.getState().state === 'conflict')) return
    this.#isRunning = true
    try {
      let forced = force
      while (this.#isDirty() || forced) {
        const plan = this.plans.get()
        if (!plan) return
        this.useState.setState({ state: 'saving' })
        const result = await this.storage.savePlan(writePlan(plan), this.#revision, forced)
        forced = false
        if (!result.ok) {
          this.useState.setState({ state: 'conflict' })
          return
        }
        this.#revision = result.revision
        this.#savedPlan = plan
        this.storage.clearJournal()
        this.channel.postMessage(this.#revision)
      }
      this.useState.setState({ state: 'saved', reason: '' })
    } catch (error) {
      this.useState.setState({
        state: 'failed',
        reason: (error as Error).message || (error as Error).name,
      })
    } finally {
      this.#isRunning = false
    }
  }
}

const openPlan: OpenPlan = {
  get: () => usePlanStore.getState().plan,
  replace: (plan) => usePlanStore.getState().replace(plan),
  start(plan) {
    usePlanStore.getState().replace(plan)
    usePlanStore.temporal.getState().clear()
  },
  onChange: (listener) =>
    void usePlanStore.subscribe((state, before) => {
      if (state.plan !== before.plan) listener()
    }),
}

/** The one of this tab. */
export const autosave = new Autosave(openPlan, planStorage, new BroadcastChannel('reach-plot'))
