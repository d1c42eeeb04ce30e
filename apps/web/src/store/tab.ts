import { tabLocks } from './shelf.js'

/** This tab among the others of the app: it has a name as long as it is open, and others can tell that it is. */
export interface Tab {
  readonly id: string
  /** whether a tab of that id is open now, as far as the browser tells */
  isOpen(tabId: string): boolean
  /** the plan that was open here before the page was loaded anew */
  readonly lastPlanId: string | null
  /** notes which plan is open here */
  opened(planId: string): void
}

const [tabKey, planKey, lastKey] = ['reach-plot-tab', 'reach-plot-open', 'reach-plot-last'] as const
const lockOf = (tabId: string): string => `reach-plot-tab-${tabId}`

/** Reads and writes that a browser may deny. */
function denied<T>(run: () => T): T | null {
  try {
    return run()
  } catch {
    return null
  }
}

/** Holds a lock until the page goes; false where another tab holds it. */
const holds = (locks: LockManager, name: string): Promise<boolean> =>
  new Promise((resolve) => {
    void locks.request(name, { ifAvailable: true }, (lock) => {
      resolve(lock !== null)
      return lock === null ? undefined : new Promise(() => undefined)
    })
  })

/** Finds out which tab this is. A tab that was copied in the browser gets an id of its own. */
export async function thisTab(): Promise<Tab> {
  const session = denied(() => sessionStorage)
  let id = denied(() => session?.getItem(tabKey) ?? null) ?? crypto.randomUUID()
  let open: ReadonlySet<string> = new Set()
  const locks = tabLocks()
  if (locks) {
    if (!(await holds(locks, lockOf(id)))) {
      id = crypto.randomUUID()
      await holds(locks, lockOf(id))
    }
    const { held = [] } = await locks.query()
    open = new Set(held.map((lock) => lock.name ?? ''))
  }
  denied(() => session?.setItem(tabKey, id))
  return {
    id,
    isOpen: (tabId) => open.has(lockOf(tabId)),
    lastPlanId:
      denied(() => session?.getItem(planKey) ?? null) ?? denied(() => localStorage.getItem(lastKey)),
    opened(planId) {
      denied(() => session?.setItem(planKey, planId))
      denied(() => localStorage.setItem(lastKey, planId))
    },
  }
}
