import { activeBench } from './access.js'
import type { Plan } from './plan.js'

/**
 * Parts of a plan that can be kept in its file and that nothing judges yet, each as a sentence. What gives figures or
 * findings says these beside them, so that nobody takes silence for a good answer.
 */
export function notLookedAt(plan: Plan): string[] {
  const bench = activeBench(plan)
  const layered = plan.devices.filter((d) => (d.layers ?? []).length > 0).map((d) => d.name)
  const [, ...further] = bench.hands
  return [
    ...(layered.length > 0
      ? [`The firmware layers of ${layered.join(', ')} are kept, but not yet checked, timed or labelled.`]
      : []),
    ...(further.length > 0
      ? [
          `Places on “${bench.name}” are judged for its first hand only; ${further.length === 1 ? 'the other is' : `${further.length} others are`} kept, but not yet looked at.`,
        ]
      : []),
  ]
}
