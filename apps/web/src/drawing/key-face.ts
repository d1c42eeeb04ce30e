import type { BenchControl, Command, Modifier, Trigger } from '@reach-plot/core'

/** One of several triggers of a control: a way of a dial, a direction of a field. */
export interface FacePart {
  readonly trigger: Trigger
  readonly key: string
  readonly holders: readonly Command[]
  readonly caption: string
  readonly rank: number | null
}

export interface KeyFace {
  readonly control: BenchControl
  /** the key's code, or the control's id */
  readonly controlRef: string
  /** for a control with several triggers; empty for a key */
  readonly parts: readonly FacePart[]
  readonly legend: string
  /** `held` is a modifier key; `none` sends nothing */
  readonly state: 'free' | 'taken' | 'system' | 'held' | 'none'
  readonly caption: string
  /** reach tint 0 (none) to 5 (best) */
  readonly tint: number
  readonly timeMs: number | null
  readonly rank: number | null
  /** other levels of the key that are taken in front */
  readonly pennants: readonly Modifier[]
  readonly isStation: boolean
  readonly isClash: boolean
  /** the person keeps what stands on it */
  readonly isLocked: boolean
  /** the chosen command is here now */
  readonly isCurrent: boolean
  readonly isChosen: boolean
  readonly isDown: boolean
  readonly description: string
  readonly tabIndex: 0 | -1
}
