import { changeInWords, checkPlan, type Plan } from '@reach-plot/core'
import { create } from 'zustand'
import { bringBack } from './bring-back.js'
import { Journal } from './journal.js'
import { openKeyValue } from './key-value.js'
import { AppProblem } from '../worker/app-problem.js'
import { problemInWords } from './problem.js'
import { PlanHistory } from './plan-history.js'
import { usePlanStore } from './plan-store.js'
import { derive } from './selectors.js'
import { alone, openable, Shelf, storedText, type Opened } from './shelf.js'
import { timeInWords } from './time-in-words.js'
import { takeOver } from './take-over.js'
import { thisTab, type Tab } from './tab.js'

export interface SaveState {
  readonly state: 'loading' | 'saved' | 'saving' | 'failed' | 'conflict'
  /** what the browser said, for `failed` */
  readonly reason: string
  /** whether what is saved outlives the page */
  readonly isKept: boolean
  /** whether the open plan is the example */
  readonly isExample: boolean
  /** what was found when the app was opened: plans that cannot be read, changes that were brought back */
  readonly notices: readonly string[]
}

/** The plan that is open in this tab. */
export interface OpenPlan {
  get(): Plan | null
  /** another state of the same plan; what was open can be had back by undo */
  replace(plan: Plan): void
  /** opens another plan, which cannot be undone */
  start(plan: Plan): void
  onChange(listener: () => void): void
}

/** How tabs tell each other that they have saved. */
export type SaveChannel = Pick<BroadcastChannel, 'postMessage' | 'onmessage'>
interface Saved {
  readonly planId: string
  readonly revision: number
}

/** Where plans and their history are kept. */
export interface Stores {
  readonly shelf: Shelf
  readonly history: PlanHistory
  readonly isKept: boolean
}

/** What the app is opened with; a test gives its own. */
export interface Surroundings {
  readonly plans: OpenPlan
  readonly channel: SaveChannel
  openStores(): Promise<Stores>
  thisTab(): Promise<Tab>
  /** what changed between two states, in words */
  inWords(before: Plan, after: Plan): string
}

/** Opens plans of this browser in this tab, saves every change at once, and notices what other tabs save. */
export class Autosave {
  readonly useState = create<SaveState>()(() => ({
    state: 'loading',
    reason: '',
    isKept: true,
    isExample: false,
    notices: [],
  }))
  readonly #around: Surroundings
  #stores: Stores | null = null
  #tab: Tab | null = null
  #journal: Journal | null = null
  #revision = 0
  #savedPlan: Plan | null = null
  #running: Promise<void> | null = null
  #remembering: Promise<void> = Promise.resolve()

  constructor(around: Surroundings) {
    this.#around = around
  }

  get stores(): Stores {
    if (!this.#stores) throw new Error('no plan is open yet')
    return this.#stores
  }

  /** Opens the plan that was open last, or the example that `example` gives where there is none. */
  async start(example: () => Promise<Plan>): Promise<void> {
    const { plans, channel } = this.#around
    this.#stores = await this.#around.openStores()
    const tab = await this.#around.thisTab()
    const journal = new Journal(tab.id)
    this.#tab = tab
    this.#journal = journal
    const { shelf, history, isKept } = this.#stores
    this.useState.setState({ isKept })
    // two tabs that open at once bring nothing back twice
    const brought = await alone('reach-plot-start', async () => {
      await takeOver(shelf)
      // where nothing is kept, a journal stays for a time when something is
      return isKept ? bringBack(shelf, tab, journal) : { own: null, notices: [] }
    })
    for (const notice of brought.notices) this.#notice(notice)
    for (const id of await shelf.purge()) await history.forget(id)
    const first = brought.own ??
      (await this.#lastOpen()) ?? {
        plan: await shelf.add(await example(), true),
        revision: 1,
        isExample: true,
      }
    this.#begin(first)
    plans.onChange(() => this.#changed())
    channel.onmessage = (event: MessageEvent<Saved>) => {
      const { planId, revision } = event.data
      if (planId === plans.get()?.id && revision > this.#revision && !this.#running)
        this.useState.setState({ state: 'conflict' })
    }
  }

  /**
   * Opens another plan of the shelf in this tab. Changes that are in conflict are put beside it first.
   * @throws CoreError when it cannot be read
   */
  async open(id: string): Promise<void> {
    const { shelf } = this.stores
    await this.#settled()
    const now = this.#around.plans.get()
    if (now?.id === id) return
    const loaded = await shelf.load(id)
    if (!loaded) throw new AppProblem('This plan is not there any more.')
    if (now && this.#isDirty()) await shelf.add({ ...now, name: `${now.name.slice(0, 90)}, not saved` })
    this.#begin(loaded)
  }

  /** Puts a plan beside the others and opens it; gives the plan as it stands there. */
  async openNew(plan: Plan, isExample = false): Promise<Plan> {
    const added = await this.stores.shelf.add(plan, isExample)
    await this.open(added.id)
    return added
  }

  /** Goes back to a state that the open plan was in; undo leads forth again. */
  async goBack(at: number): Promise<void> {
    const { plans } = this.#around
    const id = plans.get()?.id ?? ''
    const text = await this.stores.history.text(id, at)
    if (text !== null) plans.replace(openable(text, timeInWords(at)))
  }

  /** Tries again after a failure, or writes over another tab's state after a conflict. */
  saveAnyway(): Promise<void> {
    return this.#save(true)
  }

  /** Takes the state that another tab has saved. The one of this tab can be had back by undo. */
  async takeStored(): Promise<void> {
    const stored = await this.stores.shelf.load(this.#around.plans.get()?.id ?? '')
    if (!stored) return
    this.#revision = stored.revision
    this.#savedPlan = stored.plan
    this.#around.plans.replace(stored.plan)
    this.#journal?.clear()
    this.useState.setState({ state: 'saved', reason: '' })
  }

  /** Settles when nothing is being saved. */
  async #settled(): Promise<void> {
    await this.#running
    await this.#remembering
  }

  #begin({ plan, revision, isExample }: Opened): void {
    this.#revision = revision
    this.#savedPlan = plan
    this.#journal?.clear()
    this.#around.plans.start(plan)
    this.#tab?.opened(plan.id)
    this.useState.setState({ state: 'saved', reason: '', isExample })
    this.#remember(plan.id, async (history) => {
      if ((await history.list(plan.id)).length === 0)
        await history.add(plan.id, storedText(plan), 'as it was at first')
    })
  }

  /** Every change stands in the journal before the next one can come, and in the shelf soon after. */
  #changed(): void {
    if (!this.#isDirty()) return
    const plan = this.#around.plans.get()
    if (!plan) return
    this.#journal?.write({
      planId: plan.id,
      baseRevision: this.#revision,
      text: storedText(plan),
      at: Date.now(),
    })
    void this.#save()
  }

  #isDirty(): boolean {
    return this.#around.plans.get() !== this.#savedPlan
  }

  #save(force = false): Promise<void> {
    if (this.#running) return this.#running
    if (!force && this.useState.getState().state === 'conflict') return Promise.resolve()
    this.#running = this.#saveAll(force).finally(() => (this.#running = null))
    return this.#running
  }

  async #saveAll(force: boolean): Promise<void> {
    try {
      let forced = force
      while (this.#isDirty() || forced) {
        const plan = this.#around.plans.get()
        if (!plan) return
        this.useState.setState({ state: 'saving' })
        // what is stored is what can be read
        checkPlan(plan, this.#savedPlan)
        const result = await this.#saveWithRoom(plan, forced)
        forced = false
        if (!result.ok) {
          this.useState.setState({ state: 'conflict' })
          return
        }
        this.#noteSaved(plan, result.revision)
      }
      this.useState.setState({ state: 'saved', reason: '' })
    } catch (error) {
      this.useState.setState({
        state: 'failed',
        reason: problemInWords(error),
      })
    }
  }

  async #saveWithRoom(plan: Plan, forced: boolean): ReturnType<Shelf['save']> {
    const { shelf, history } = this.stores
    try {
      return await shelf.save(plan, this.#revision, forced)
    } catch {
      // the past makes room for the present
      await history.makeRoom()
      return shelf.save(plan, this.#revision, forced)
    }
  }

  #noteSaved(plan: Plan, revision: number): void {
    const before = this.#savedPlan
    this.#revision = revision
    this.#savedPlan = plan
    if (!this.#isDirty()) this.#journal?.clear()
    this.#around.channel.postMessage({ planId: plan.id, revision } satisfies Saved)
    if (before)
      this.#remember(plan.id, (history) =>
        history.add(plan.id, storedText(plan), this.#around.inWords(before, plan)),
      )
  }

  /** One after the other; without room the plan itself is saved all the same. */
  #remember(planId: string, add: (history: PlanHistory) => Promise<void>): void {
    const { history } = this.stores
    this.#remembering = this.#remembering
      .then(() => (planId === '' ? undefined : add(history)))
      .catch(() => undefined)
  }

  async #lastOpen(): Promise<Opened | null> {
    const { shelf } = this.stores
    const ids = (await shelf.list()).filter((e) => e.deletedAt === null).map((e) => e.id)
    const last = this.#tab?.lastPlanId ?? null
    const unread: string[] = []
    for (const id of last !== null && ids.includes(last) ? [last, ...ids.filter((i) => i !== last)] : ids) {
      try {
        const loaded = await shelf.load(id)
        if (loaded) return loaded
      } catch (error) {
        unread.push(problemInWords(error))
      } finally {
        if (unread.length === 1)
          this.#notice(
            `A saved plan cannot be read and was put aside: ${unread[0]} All plans… has a way to mend it.`,
          )
      }
    }
    return null
  }

  #notice(text: string): void {
    const { notices } = this.useState.getState()
    if (!notices.includes(text)) this.useState.setState({ notices: [...notices, text] })
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

/** Without a channel the tabs do not notice each other before they save. */
const channel = (): SaveChannel =>
  'BroadcastChannel' in globalThis
    ? new BroadcastChannel('reach-plot')
    : { postMessage: () => undefined, onmessage: null }

/** The one of this tab. */
export const autosave = new Autosave({
  plans: openPlan,
  channel: channel(),
  thisTab,
  inWords: (before, after) => changeInWords(before, after, derive(after).env),
  async openStores() {
    const { kv, isKept } = await openKeyValue()
    return { shelf: new Shelf(kv), history: new PlanHistory(kv), isKept }
  },
})
