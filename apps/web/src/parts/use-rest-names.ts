import { controlRef, keyLegend } from '@reach-plot/core'
import { usePlan } from '../store/plan-store.js'
import { useDerived } from '../store/selectors.js'

/** What the fingertips of the hand on the keys rest on, from left to right, as it is printed there. */
export function useRestNames(): readonly string[] {
  const plan = usePlan()
  const { hand, env } = useDerived()
  const device = plan.devices.find((d) => d.id === hand.deviceId)
  const { little, ring, middle, index } = hand.rests
  const tips = hand.side === 'left' ? [little, ring, middle, index] : [index, middle, ring, little]
  return tips.map((id) =>
    device?.kind === 'board'
      ? keyLegend(id, env.layout, env.systemId)
      : (env.legends?.get(controlRef(hand.deviceId, id)) ?? id),
  )
}
