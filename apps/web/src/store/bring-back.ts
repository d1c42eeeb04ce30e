import type { Journal, JournalEntry } from './journal.js'
import { problemInWords } from './problem.js'
import { openable, type Opened, type Shelf } from './shelf.js'
import type { Tab } from './tab.js'
import { timeInWords } from './time-in-words.js'

/** What closed tabs had not saved, and where it is now. */
export interface BroughtBack {
  /** what this tab itself had left before it was loaded anew */
  readonly own: Opened | null
  readonly notices: readonly string[]
}

/**
 * Brings back what closed tabs had not saved: where nobody has gone on since, as the plan itself, else as a second plan
 * beside it. What cannot be read is put aside.
 */
export async function bringBack(shelf: Shelf, tab: Tab, journal: Journal): Promise<BroughtBack> {
  let own: Opened | null = null
  const notices: string[] = []
  for (const { tabId, entry } of journal.left((id) => tab.isOpen(id))) {
    try {
      const brought = await bringBackOne(shelf, entry)
      if (brought !== null && 'plan' in brought) own = tabId === tab.id ? brought : own
      else if (brought) notices.push(brought.notice)
    } catch (error) {
      await shelf.addUnreadable(entry.text, `Changes of ${timeInWords(entry.at)}`)
      notices.push(`Changes that were not saved cannot be read: ${problemInWords(error)}`)
    }
    journal.forget(tabId)
  }
  return { own, notices }
}

async function bringBackOne(
  shelf: Shelf,
  entry: JournalEntry,
): Promise<Opened | { readonly notice: string } | null> {
  const stored = await shelf.text(entry.planId)
  // the save went through after all while the page closed
  if (stored?.text === entry.text) return null
  const plan = openable(entry.text, `changes of ${timeInWords(entry.at)}`)
  const saved = stored ? await shelf.save(plan, entry.baseRevision) : null
  if (saved?.ok) return { plan, revision: saved.revision, isExample: stored?.isExample ?? false }
  const second = await shelf.add({ ...plan, name: `${plan.name.slice(0, 80)}, changed in another tab` })
  return {
    notice: `Changes of ${timeInWords(entry.at)} were not saved before their tab was closed. They are the plan “${second.name}”.`,
  }
}
