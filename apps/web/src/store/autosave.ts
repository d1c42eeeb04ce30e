import { writePlan, type Plan } from '@reach-plot/core'
import { create } from 'zustand'
import { usePlanStore } from './plan-store.js'
import { clearJournal, loadStored, readJournal, savePlan, writeJournal } from './storage.js'

export interface SaveState {
  readonly state: 'loading' | 'saved' | 'saving' | 'failed' | 'conflict'
  /** what the browser said, for `failed` */
  readonly reason: string
  /** what was wrong with the stored plan, if it could not be read */
  readonly startError: string | null
}

export const useSaveState = create<SaveState>()(() => ({ state: 'loading', reason: '', startError: null }))

let revision = 0
let savedPlan: Plan | null = null
let running = false
const channel = new BroadcastChannel('reach-plot')

const isDirty = (): boolean => usePlanStore.getState().plan !== savedPlan

async function saveNow(force = false): Promise<void> {
  if (running || (!force && useSaveState.getState().state === 'conflict')) return
  running = true
  try {
    let forced = force
    while (isDirty() || forced) {
      const { plan } = usePlanStore.getState()
      if (!plan) return
      useSaveState.setState({ state: 'saving' })
      const result = await savePlan(writePlan(plan), revision, forced)
      forced = false
      if (!result.ok) {
        useSaveState.setState({ state: 'conflict' })
        return
      }
      revision = result.revision
      savedPlan = plan
      clearJournal()
      channel.postMessage(revision)
    }
    useSaveState.setState({ state: 'saved', reason: '' })
  } catch (error) {
    useSaveState.setState({ state: 'failed', reason: (error as Error).message || (error as Error).name })
  } finally {
    running = false
  }
}

/** Tries again after a failure, or writes over another tab's plan after a conflict. */
export const saveAnyway = (): Promise<void> => saveNow(true)

/** Takes the plan that another tab has saved. The plan of this tab can be had back by undo. */
export async function takeStored(): Promise<void> {
  const stored = await loadStored()
  if (!stored) return
  revision = stored.revision
  savedPlan = stored.plan
  usePlanStore.getState().replace(stored.plan)
  useSaveState.setState({ state: 'saved', reason: '' })
}

/** Opens the stored plan, changes left by a closed page, or what `fallback` gives; then saves every change at once. */
export async function startAutosave(fallback: () => Promise<Plan>): Promise<void> {
  let stored: Awaited<ReturnType<typeof loadStored>> = null
  try {
    stored = await loadStored()
  } catch (error) {
    useSaveState.setState({ startError: (error as Error).message })
  }
  let journal = readJournal()
  // the save went through after all while the page closed
  if (journal && stored && writePlan(journal.plan) === writePlan(stored.plan)) journal = null
  revision = stored?.revision ?? 0
  savedPlan = stored?.plan ?? null
  const plan = journal?.plan ?? stored?.plan ?? (await fallback())
  usePlanStore.getState().replace(plan)
  usePlanStore.temporal.getState().clear()
  useSaveState.setState({ state: 'saved' })
  // The journal's base is older than the store: another tab has gone on since. The person chooses.
  if (journal && journal.baseRevision !== revision) useSaveState.setState({ state: 'conflict' })
  else void saveNow()

  usePlanStore.subscribe((state, before) => {
    if (state.plan !== before.plan && isDirty()) void saveNow()
  })
  channel.onmessage = (event: MessageEvent<number>) => {
    if (event.data > revision && !running) useSaveState.setState({ state: 'conflict' })
  }
  addEventListener('pagehide', () => {
    const { plan: current } = usePlanStore.getState()
    if (current && isDirty()) writeJournal(writePlan(current), revision)
  })
}
