/** Changes of a tab that are not saved yet, written in the same task as the change, so that no crash loses them. */
export interface JournalEntry {
  readonly planId: string
  /** the stored revision that the changes were made on */
  readonly baseRevision: number
  readonly text: string
  /** ms since 1970 */
  readonly at: number
}

const prefix = 'reach-plot-journal/'

/** The browser's small store, which writes at once; null where it is denied. */
function smallStore(): Storage | null {
  try {
    return globalThis.localStorage ?? null
  } catch {
    return null
  }
}

/** The journals of all tabs, one for each. */
export class Journal {
  readonly #tabId: string

  constructor(tabId: string) {
    this.#tabId = tabId
  }

  write(entry: JournalEntry): void {
    try {
      smallStore()?.setItem(prefix + this.#tabId, JSON.stringify(entry))
    } catch {
      // a second net; when it is full too, the status line has said so already
    }
  }

  clear(): void {
    smallStore()?.removeItem(prefix + this.#tabId)
  }

  /** What tabs left behind that are closed: of this tab before it was loaded anew, and of others that `isOpen` denies. */
  left(isOpen: (tabId: string) => boolean): { readonly tabId: string; readonly entry: JournalEntry }[] {
    const store = smallStore()
    if (!store) return []
    const keys = Array.from({ length: store.length }, (_, i) => store.key(i) ?? '').filter((k) =>
      k.startsWith(prefix),
    )
    return keys.flatMap((key) => {
      const tabId = key.slice(prefix.length)
      if (tabId !== this.#tabId && isOpen(tabId)) return []
      const entry = entryIn(store.getItem(key))
      if (entry) return [{ tabId, entry }]
      store.removeItem(key)
      return []
    })
  }

  /** Drops what a closed tab left, once it is safe elsewhere. */
  forget(tabId: string): void {
    smallStore()?.removeItem(prefix + tabId)
  }
}

function entryIn(text: string | null): JournalEntry | null {
  try {
    const entry = JSON.parse(text ?? 'null') as Partial<JournalEntry> | null
    return typeof entry?.planId === 'string' &&
      typeof entry.baseRevision === 'number' &&
      typeof entry.text === 'string' &&
      typeof entry.at === 'number'
      ? (entry as JournalEntry)
      : null
  } catch {
    return null
  }
}
