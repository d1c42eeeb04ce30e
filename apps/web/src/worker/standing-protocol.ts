import type { Plan, StandingMap } from '@reach-plot/core'

/** What the worker does that looks for where a device serves best. It is ended, not asked, to stop. */
export interface StandingService {
  /** @param onProgress is told the share of the desk that is done */
  best(plan: Plan, deviceId: string, onProgress: (share: number) => void): Promise<StandingMap>
}
