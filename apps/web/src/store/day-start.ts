import type { Arrangement, Plan } from '@reach-plot/core'
import localforage from 'localforage'
import { create } from 'zustand'
import { usePlanStore } from './plan-store.js'

/** The arrangements of the open plan as they were when today's work on it began. */
interface DayStart {
  readonly planId: string
  readonly arrangements: readonly Arrangement[]
}

export const useDayStart = create<DayStart>()(() => ({ planId: '', arrangements: [] }))

interface Stored {
  readonly day: string
  readonly arrangements: readonly Arrangement[]
}

/** The day of the person's own calendar. */
const today = (): string => {
  const now = new Date()
  return `${now.getFullYear()}-${now.getMonth() + 1}-${now.getDate()}`
}

const store = (): LocalForage =>
  localforage.createInstance({
    name: 'reach-plot-days',
    storeName: 'days',
    driver: localforage.INDEXEDDB,
  })

async function beginOf({ id, arrangements }: Plan): Promise<readonly Arrangement[]> {
  try {
    const kept = await store().getItem<Stored>(id)
    if (kept?.day === today()) return kept.arrangements
    await store().setItem(id, { day: today(), arrangements } satisfies Stored)
  } catch {
    // without storage the day begins when the page opens
  }
  return arrangements
}

/** Follows the plan that is open: the first time of a day its arrangements are noted. */
export function followDay(): void {
  const opened = async (plan: Plan): Promise<void> => {
    useDayStart.setState({ planId: plan.id, arrangements: plan.arrangements })
    const arrangements = await beginOf(plan)
    if (usePlanStore.getState().plan?.id === plan.id) useDayStart.setState({ planId: plan.id, arrangements })
  }
  let openId: string | undefined
  const look = (plan: Plan | null): void => {
    if (!plan || plan.id === openId) return
    openId = plan.id
    void opened(plan)
  }
  look(usePlanStore.getState().plan)
  usePlanStore.subscribe((s) => look(s.plan))
}
