import type { Modifier } from '@reach-plot/core'

/** A set of modifiers, and perhaps a control that is held with them, for which the whole bench is charted. */
export interface HeldSet {
  readonly held: readonly Modifier[]
  readonly withId?: string | undefined
}
