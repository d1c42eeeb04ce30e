import type { ChordReach, FieldArea, Finger, Modifier, ReachContour, ReachSituation } from '@reach-plot/core'

/** A hand over a bench; `key` names it, so that the worker builds each chord table once. */
export interface KeyedSituation extends ReachSituation {
  readonly key: string
}

export interface ChartRequest {
  readonly area: FieldArea
  readonly timesMs: readonly number[]
  readonly efforts: readonly number[]
  /** one finger, or the best of them for null */
  readonly finger: Finger | null
}

export interface ReachChart {
  readonly times: readonly ReachContour[]
  readonly efforts: readonly ReachContour[]
}

/** What the worker answers. Every call is a promise on the page's side. */
export interface ReachService {
  withHeld(
    situation: KeyedSituation,
    held: readonly Modifier[],
    withId?: string,
  ): Promise<Readonly<Record<string, ChordReach>>>
  chart(situation: KeyedSituation, request: ChartRequest): ReachChart
}
