import type { Bench, RestingHand } from '../bench/index.js'
import {
  chordTable,
  reachIn,
  reachSituation,
  type ChordTable,
  type ReachAt,
  type ReachContext,
  type ReachSituation,
} from '../hand/index.js'
import { activeArrangement, activeBench, onBench, type Arrangement, type Plan } from '../plan/index.js'
import { environmentOf, type BenchEnvironment, type Catalogues } from './environment.js'
import { indexPlaces, reachContextOf, type PlaceIndex } from './place-index.js'

/**
 * A plan prepared for every question about it: one arrangement over one bench. The check, the ranking, timing, solving,
 * comparing, the screens and the command line all ask this. What takes long is worked out when it is first asked for.
 */
export interface PreparedModel {
  readonly plan: Plan
  /** as it holds on the bench */
  readonly arrangement: Arrangement
  readonly bench: Bench
  /** the hand that places are judged for: the first that rests on the bench */
  readonly hand: RestingHand
  /** what surrounds the arrangement */
  readonly env: BenchEnvironment
  /** what is on which trigger */
  readonly index: PlaceIndex
  /** what reach depends on */
  readonly situation: ReachSituation
  /** how the hand reaches every control with every set of modifiers */
  readonly table: ChordTable
  readonly reachAt: ReachAt
  /** how triggers of every kind are reached */
  readonly reachContext: ReachContext
  /** the same bench and reach with another arrangement over it */
  withArrangement(arrangement: Arrangement): PreparedModel
}

/** What of a plan is prepared, where it is not what is in front. */
export interface PrepareOptions {
  readonly arrangement?: Arrangement
  readonly bench?: Bench
  /** the chord table of the bench, where there is one already */
  readonly table?: ChordTable
}

/**
 * Prepares a plan: the arrangement and the bench in front, or those that are given.
 * @throws CoreError `REFERENCE_UNKNOWN` when the plan names a layout or system that the catalogues lack,
 *   `DEVICE_MISSING` when the bench names a device that the plan lacks
 */
export function prepare(plan: Plan, catalogues: Catalogues, options: PrepareOptions = {}): PreparedModel {
  const { bench = activeBench(plan) } = options
  const arrangement = onBench(options.arrangement ?? activeArrangement(plan), bench.id)
  const env = environmentOf(plan, catalogues, arrangement, bench)
  const index = indexPlaces(arrangement.placements, env)
  let situation: ReachSituation | undefined = options.table?.situation
  let table = options.table
  let reachAt: ReachAt | undefined
  return {
    plan,
    arrangement,
    bench,
    hand: bench.hands[0] as RestingHand,
    env,
    index,
    get situation() {
      return (situation ??= reachSituation(bench, plan.devices, env.layout.altGraph))
    },
    get table() {
      return (table ??= chordTable(this.situation))
    },
    get reachAt() {
      return (reachAt ??= reachIn(this.table))
    },
    get reachContext() {
      return reachContextOf(index, this.reachAt)
    },
    withArrangement(other) {
      return prepare(plan, catalogues, { arrangement: other, bench, table: this.table })
    },
  }
}
