import {
  controlRefOf,
  type Candidate,
  type CandidatePlace,
  type Command,
  type ReachAt,
} from '@reach-plot/core'

/** Places of one command, as the chart shows them. */
export interface Places {
  readonly command: Command
  /** the best place on every key or control of the modifier set that is shown, by its reference */
  readonly byControlRef: ReadonlyMap<string, CandidatePlace>
  /** those that can be had and pass the filter, best first */
  readonly ranked: readonly CandidatePlace[]
  /** where it stands today */
  readonly now: readonly CandidatePlace[]
  readonly ready: boolean
  /** nothing better can still come: every set of modifiers is known */
  readonly isWhole: boolean
  /** what a chain of displacements may choose from */
  readonly candidates: readonly Candidate[]
  readonly reachAt: ReachAt
}

/** Of several places on one control, such as the ways of a dial, the cheapest stands for it. */
export function bestByControlRef(places: readonly CandidatePlace[]): ReadonlyMap<string, CandidatePlace> {
  const best = new Map<string, CandidatePlace>()
  for (const place of places) {
    const at = controlRefOf(place.trigger)
    if (at === null) continue
    const known = best.get(at)
    if (!known || place.totalMs < known.totalMs) best.set(at, place)
  }
  return best
}

/** How many ranks stand as flags on the chart. */
export const flaggedRanks = 7
