import localforage from 'localforage'
import { openable, type Shelf } from './shelf.js'

interface OldPlan {
  readonly revision: number
  readonly text: string
}

const oldJournal = 'reach-plot-journal'

/** Takes what an earlier version kept, which knew one plan: the plan, its journal, and what it had put aside. */
export async function takeOver(shelf: Shelf): Promise<void> {
  try {
    const names = await indexedDB.databases()
    if (!names.some((d) => d.name === 'reach-plot')) return
    const old = localforage.createInstance({
      name: 'reach-plot',
      storeName: 'plan',
      driver: localforage.INDEXEDDB,
    })
    for (const key of await old.keys()) {
      const kept = await old.getItem<OldPlan>(key)
      if (kept && (key === 'current' || key.startsWith('unreadable-'))) await putOn(shelf, kept.text)
    }
    await old.dropInstance()
    await localforage.dropInstance({ name: 'reach-plot' })
    const journal = localStorage.getItem(oldJournal)
    if (journal === null) return
    await putOn(shelf, (JSON.parse(journal) as OldPlan).text)
    localStorage.removeItem(oldJournal)
  } catch {
    // nothing of an earlier version that can be had
  }
}

async function putOn(shelf: Shelf, text: string): Promise<void> {
  const stored = await shelf.list()
  let plan
  try {
    plan = openable(text, 'saved plan')
  } catch {
    await shelf.addUnreadable(text, 'A plan of an earlier version')
    return
  }
  for (const { id } of stored) if ((await shelf.text(id))?.text === JSON.stringify(plan)) return
  await shelf.add(plan)
}
