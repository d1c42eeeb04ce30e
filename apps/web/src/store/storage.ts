import localforage from 'localforage'
import { checkPlanOpens, readPlan, type Plan } from '@reach-plot/core'
import { catalogues } from '../worker/catalogues.js'

/** What is stored: the plan, and a number that rises with each save, by which tabs notice each other. */
export interface StoredPlan {
  readonly revision: number
  readonly plan: Plan
}

const store = localforage.createInstance({ name: 'reach-plot', storeName: 'plan' })
const planKey = 'current'
const journalKey = 'reach-plot-journal'

function openable(text: string, name: string): Plan {
  const plan = readPlan(text, name)
  checkPlanOpens(plan, catalogues)
  return plan
}

/** The stored plan, or null. A stored plan that no longer reads is moved aside, never thrown away. */
export async function loadStored(): Promise<StoredPlan | null> {
  const raw = await store.getItem<{ revision: number; text: string }>(planKey)
  if (!raw) return null
  try {
    return { revision: raw.revision, plan: openable(raw.text, 'saved plan') }
  } catch (error) {
    await store.setItem(`unreadable-${raw.revision}`, raw)
    await store.removeItem(planKey)
    throw error
  }
}

export type SaveResult =
  { readonly ok: true; readonly revision: number } | { readonly ok: false; readonly storedRevision: number }

/**
 * Saves when the stored revision is still `baseRevision`; otherwise another tab has saved in between and nothing is
 * written. The check and the write are one step across tabs.
 * @param force writes over the other tab's plan, which the person has chosen
 * @throws when the browser refuses, such as on full storage
 */
export async function savePlan(text: string, baseRevision: number, force = false): Promise<SaveResult> {
  const write = async (): Promise<SaveResult> => {
    const stored = await store.getItem<{ revision: number; text: string }>(planKey)
    const storedRevision = stored?.revision ?? 0
    // two tabs that hold the same plan have nothing to settle
    if (stored?.text === text) return { ok: true, revision: storedRevision }
    if (storedRevision !== baseRevision && !force) return { ok: false, storedRevision }
    const revision = Math.max(storedRevision, baseRevision) + 1
    await store.setItem(planKey, { revision, text })
    return { ok: true, revision }
  }
  return navigator.locks.request('reach-plot-save', write)
}

/** Keeps changes that the page could not save before it was closed; written at once, unlike the store. */
export function writeJournal(text: string, baseRevision: number): void {
  try {
    localStorage.setItem(journalKey, JSON.stringify({ baseRevision, text }))
  } catch {
    // the journal is a second net; when it is full too, the status line has said so already
  }
}

export const clearJournal = (): void => localStorage.removeItem(journalKey)

/** Changes left by a page that was closed before it could save, or null. */
export function readJournal(): { readonly baseRevision: number; readonly plan: Plan } | null {
  const raw = localStorage.getItem(journalKey)
  if (raw === null) return null
  try {
    const { baseRevision, text } = JSON.parse(raw) as { baseRevision: number; text: string }
    return { baseRevision, plan: openable(text, 'journal') }
  } catch {
    return null
  }
}
