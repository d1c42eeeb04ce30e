import { activeBench } from './access.js'
import type { Plan } from './plan.js'

/**
 * Parts of a plan that can be kept in its file and that nothing judges yet, each as a sentence. What gives figures or
 * findings says these beside them, so that nobody takes silence for a good answer.
 */
export function notLookedAt(plan: Plan): string[] {
  const bench = activeBench(plan)
  const chains = plan.devices.flatMap((d) =>
    (d.layers ?? []).some((l) => l.keys.some((k) => k.sends.length > 1)) ? [d.name] : [],
  )
  const [, ...further] = bench.hands
  return [
    ...(chains.length > 0
      ? [
          `Keys of firmware layers that send several combinations (${chains.join(', ')}) are kept, but not timed.`,
        ]
      : []),
    ...(further.length > 0
      ? [
          `Places on “${bench.name}” are judged for its first hand only; ${further.length === 1 ? 'the other is' : `${further.length} others are`} kept, but not yet looked at.`,
        ]
      : []),
  ]
}
