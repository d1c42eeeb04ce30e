import type { Device } from '@reach-plot/core'
import { useRestNames } from '../../parts/use-rest-names.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** What is shown and can be done there. */
export function useSettingsDialog({ onClose }: { onClose: () => void }) {
  const plan = usePlan()
  const edit = useEdit()
  const { hand } = useDerived()
  const device = plan.devices.find((d) => d.id === hand.deviceId) as Device
  return { onClose, hand, edit, rests: useRestNames(), device, plan }
}

export type SettingsDialogView = ReturnType<typeof useSettingsDialog>
