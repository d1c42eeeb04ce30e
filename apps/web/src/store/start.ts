import { create } from 'zustand'
import { emptyPlan } from '@reach-plot/core'
import { openNewPlan } from './open-plan.js'

/** How far the start is. It lives outside the screen, so that looking elsewhere does not lose it. */
export const useStartStore = create<{ readonly step: number }>()(() => ({ step: 0 }))

export const goToStep = (step: number): void => useStartStore.setState({ step })

/** Begins with a plan of one's own, beside those that there are. */
export async function beginStart(): Promise<void> {
  await openNewPlan({ ...emptyPlan(), name: 'My desk' })
  goToStep(0)
}
