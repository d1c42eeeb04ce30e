import { useNavigate } from 'react-router'
import { create } from 'zustand'
import { emptyPlan } from '@reach-plot/core'
import { openNewPlan } from '../../store/open-plan.js'
import { useView } from '../../store/view-store.js'

export const steps = ['Desk', 'Hand', 'System and programs', 'Commands', 'How often'] as const
export type Step = (typeof steps)[number]

interface Start {
  readonly step: number
  /** the plan that the start is made with */
  readonly planId: string | null
}

/** How far the start is. It lives outside the screen, so that looking elsewhere does not lose it. */
export const useStartStore = create<Start>()(() => ({ step: 0, planId: null }))

export const goToStep = (step: number): void => useStartStore.setState({ step })

/** Begins with a plan of one's own, beside those that there are. */
export async function beginStart(): Promise<void> {
  await openNewPlan({ ...emptyPlan(), name: 'My desk' })
  useStartStore.setState({ step: 0 })
}

/** The steps and what leads from one to the next; the end is the Plot, with what gains most on top. */
export function useStart() {
  const { step } = useStartStore()
  const navigate = useNavigate()
  const isLast = step === steps.length - 1
  return {
    step,
    next: (): void => {
      if (!isLast) {
        goToStep(step + 1)
        return
      }
      useView.getState().set({ listOrder: 'gain', onlyUnplaced: false, query: '', commandId: null })
      void navigate('/')
    },
    nextWords: isLast ? 'Show me what gains most' : `Next: ${(steps[step + 1] ?? '').toLowerCase()}`,
  }
}
