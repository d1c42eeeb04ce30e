import type { Modifier } from '@reach-plot/core'
import { modifierSigns } from '@reach-plot/core/labels'

/** The sign of a modifier: told apart by its shape. Decorative, so the name stands beside it. */
export function ModifierSign({ modifier, size = 9 }: { modifier: Modifier; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 1 1" aria-hidden="true" className="shrink-0">
      <path d={modifierSigns[modifier]} fill="currentColor" />
    </svg>
  )
}
