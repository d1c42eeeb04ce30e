import type { ProgramId } from '../ids.js'
import { triggerReach, verdicts, type ChordReach, type ReachAt, type Verdict } from '../hand/index.js'
import { commandsMet, reachContextOf, reservedBy, type PlaceIndex } from '../model/index.js'
import type { Candidate } from './candidates.js'

/** A free trigger with how it is reached. */
export interface FreePlace {
  readonly candidate: Candidate
  readonly reach: ChordReach
}

/**
 * Triggers that nobody of a program holds and nothing takes, within a verdict, quickest first.
 * @param programId  whose commands count as holders; any program's where null
 */
export function freePlaces(
  candidates: readonly Candidate[],
  reachAt: ReachAt,
  index: PlaceIndex,
  within: Verdict,
  programId: ProgramId | null,
): FreePlace[] {
  const reachContext = reachContextOf(index, reachAt)
  const worst = verdicts.indexOf(within)
  const program = index.env.programs.find((p) => p.id === programId)
  return candidates
    .filter(
      (at) =>
        at.reserved === null &&
        !at.barred &&
        !at.locked &&
        commandsMet(at.trigger, index).every((c) => programId !== null && c.programId !== programId) &&
        (program === undefined || reservedBy(at.trigger, index, program) === null),
    )
    .flatMap((at) => {
      const reach = triggerReach(at.trigger, reachContext)
      return reach && verdicts.indexOf(reach.verdict) <= worst ? [{ candidate: at, reach }] : []
    })
    .sort(
      (a, b) =>
        a.reach.timeMs - b.reach.timeMs ||
        a.reach.effort - b.reach.effort ||
        (a.candidate.key < b.candidate.key ? -1 : 1),
    )
}
