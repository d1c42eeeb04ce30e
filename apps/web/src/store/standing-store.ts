import { proxy } from 'comlink'
import { create } from 'zustand'
import type { Plan, StandingMap } from '@reach-plot/core'
import { WorkerHost } from '../worker/host.js'
import type { StandingService } from '../worker/standing-protocol.js'
import { usePlanStore } from './plan-store.js'
import { showProblem } from './problem.js'

const host = new WorkerHost<StandingService>(
  (name) => new Worker(new URL('../worker/standing.worker.ts', import.meta.url), { type: 'module', name }),
)

interface StandingState {
  /** the device that is looked at, and the share of the desk that is done; null when nothing runs */
  readonly running: { readonly deviceId: string; readonly share: number } | null
  /** the last map, and the plan that it is about */
  readonly found: { readonly map: StandingMap; readonly plan: Plan } | null
}

/** Where a device serves best: what is being looked for, and what was found. */
export const useStanding = create<StandingState>(() => ({ running: null, found: null }))

/** Looks for where a device serves best on the plan as it is. */
export async function findStanding(deviceId: string): Promise<void> {
  const { plan } = usePlanStore.getState()
  if (!plan) return
  const tell = (share: number): void => useStanding.setState({ running: { deviceId, share } })
  useStanding.setState({ running: { deviceId, share: 0 }, found: null })
  try {
    const map = await host.service.best(plan, deviceId, proxy(tell))
    useStanding.setState({ running: null, found: { map, plan } })
  } catch (error) {
    useStanding.setState({ running: null })
    showProblem(error)
  }
}

export function stopStanding(): void {
  host.end()
  useStanding.setState({ running: null })
}

export const clearStanding = (): void => useStanding.setState({ found: null })
