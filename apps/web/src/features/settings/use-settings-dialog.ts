import { keyLegend, controlRef, type Device } from '@reach-plot/core'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

/** What is shown and can be done there. */
export function useSettingsDialog({ onClose }: { onClose: () => void }) {
  const plan = usePlan()
  const edit = useEdit()
  const { hand, env } = useDerived()
  const device = plan.devices.find((d) => d.id === hand.deviceId) as Device
  const { little, ring, middle, index } = hand.rests
  const tips = hand.side === 'left' ? [little, ring, middle, index] : [index, middle, ring, little]
  const rests = tips.map((id) =>
    device.kind === 'board'
      ? keyLegend(id, env.layout, env.systemId)
      : (env.legends?.get(controlRef(device.id, id)) ?? id),
  )
  return { onClose, hand, edit, rests, device, plan }
}

export type SettingsDialogView = ReturnType<typeof useSettingsDialog>
