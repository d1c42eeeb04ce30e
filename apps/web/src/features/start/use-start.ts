import { useNavigate } from 'react-router'
import { goToStep, useStartStore } from '../../store/start.js'
import { useView } from '../../store/view-store.js'

export const steps = ['Desk', 'Hand', 'System and programs', 'Commands', 'How often'] as const

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
