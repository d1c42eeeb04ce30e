import type { ChordReach, Control, FieldArea, HandAtRest, Modifier, ReachContour } from '@reach-plot/core'

/** A hand over controls: all that reach depends on. `key` names it, so that the worker builds each solver once. */
export interface ReachSituation {
  readonly key: string
  readonly hand: HandAtRest
  readonly controls: readonly Control[]
  readonly altGraph: boolean
}

export interface ChartRequest {
  readonly area: FieldArea
  readonly timesMs: readonly number[]
  readonly efforts: readonly number[]
}

export interface ReachChart {
  readonly times: readonly ReachContour[]
  readonly efforts: readonly ReachContour[]
}

/** What the worker answers. Every call is a promise on the page's side. */
export interface ReachService {
  layer(
    situation: ReachSituation,
    held: readonly Modifier[],
    withId?: string,
  ): Readonly<Record<string, ChordReach>>
  chart(situation: ReachSituation, request: ChartRequest): ReachChart
}
