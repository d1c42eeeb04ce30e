import type { Ticks } from '@reach-plot/core/carry'
import type { Calibration } from '@reach-plot/core/drawing'
import { useMemo } from 'react'
import { create } from 'zustand'
import { usePlanStore } from './plan-store.js'
import { useSettings } from './settings-store.js'
import { useView } from './view-store.js'

/** What belongs to the person rather than to the plan: kept in this browser beside the plan, by its id. */
export interface Personal {
  /** stock of the plan's own → what this machine's printer does to it, as it was measured */
  readonly calibrations: Readonly<Record<string, Calibration>>
  /** what of the set-up list is done */
  readonly ticks: Ticks
  /** the program and context that were in use */
  readonly programId: string | null
  readonly contextId: string | null
}

interface PersonalState extends Personal {
  readonly planId: string
  set(change: Partial<Personal>): void
}

const none: Personal = { calibrations: {}, ticks: {}, programId: null, contextId: null }
const keyOf = (planId: string): string => `reach-plot-personal/${planId}`

function read(planId: string): Personal {
  try {
    return { ...none, ...(JSON.parse(localStorage.getItem(keyOf(planId)) ?? '{}') as Partial<Personal>) }
  } catch {
    return none
  }
}

export const usePersonal = create<PersonalState>()((set, get) => ({
  ...none,
  planId: '',
  set(change) {
    set(change)
    const { planId, calibrations, ticks, programId, contextId } = get()
    try {
      localStorage.setItem(keyOf(planId), JSON.stringify({ calibrations, ticks, programId, contextId }))
    } catch {
      // without it the plan opens as it opened the first time
    }
  },
}))

/** Follows the plan that is open: what belongs to the person comes with it, and what was looked at. */
export function followPlan(): void {
  const opened = (planId: string): void => {
    const personal = read(planId)
    usePersonal.setState({ ...personal, planId })
    useView.getState().set({
      programId: personal.programId,
      contextId: personal.contextId,
      commandId: null,
      controlRef: null,
      displaced: [],
      query: '',
      triggerQuery: null,
      onlyUnplaced: false,
      openPages: {},
    })
  }
  const { plan } = usePlanStore.getState()
  if (plan) opened(plan.id)
  usePlanStore.subscribe((state, before) => {
    if (state.plan && state.plan.id !== before.plan?.id) opened(state.plan.id)
  })
  useView.subscribe(({ programId, contextId }, before) => {
    if (programId === before.programId && contextId === before.contextId) return
    const now = usePersonal.getState()
    if (programId !== now.programId || contextId !== now.contextId) now.set({ programId, contextId })
  })
}

/** Forgets what belongs to the person when the plan is deleted for good. */
export function forgetPersonal(planId: string): void {
  try {
    localStorage.removeItem(keyOf(planId))
  } catch {
    // there is nothing to forget
  }
}

/** Calibrations by stock: those of shipped sizes hold for every plan, those of the plan's own sizes for it alone. */
export function useCalibrations(): Readonly<Record<string, Calibration>> {
  const shipped = useSettings((s) => s.calibrations)
  const own = usePersonal((s) => s.calibrations)
  return useMemo(() => ({ ...shipped, ...own }), [shipped, own])
}

/** Keeps a calibration, or forgets it for null. */
export function setCalibration(stockId: string, found: Calibration | null): void {
  const isOwn = usePlanStore.getState().plan?.labels.stocks.some((s) => s.id === stockId) === true
  const without = (all: Personal['calibrations']): Personal['calibrations'] =>
    Object.fromEntries(Object.entries(all).filter(([id]) => id !== stockId))
  const [settings, personal] = [useSettings.getState(), usePersonal.getState()]
  settings.set({
    calibrations: { ...without(settings.calibrations), ...(found && !isOwn && { [stockId]: found }) },
  })
  personal.set({
    calibrations: { ...without(personal.calibrations), ...(found && isOwn && { [stockId]: found }) },
  })
}
