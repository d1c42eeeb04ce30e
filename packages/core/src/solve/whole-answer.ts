import { findClashes, severities, type Clash } from '../clashes/index.js'
import type { Placed } from '../plan/index.js'
import { triggerKey } from '../triggers/index.js'
import { applyList, movesTo, type MoveList } from './moves.js'
import type { ArrangementProblem } from './problem.js'
import type { ProblemInput } from './rows.js'
import { isCounted } from './slot-costs.js'

/** Worse than a caution, and not one that the cost counts by the uses where it happens. */
export const isAboveCaution = (clash: Clash): boolean =>
  !isCounted(clash) && severities.indexOf(clash.severity) < severities.indexOf('caution')

/** What a generator returns in the end. */
export function lastOf<T>(steps: Generator<T, T>): T {
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  return step.value
}

/** The arrangement with all moves of an answer. */
export const placementsOf = (
  { rows }: ArrangementProblem,
  { model }: ProblemInput,
  list: MoveList,
): Placed[] =>
  applyList(
    model.arrangement.placements,
    rows,
    list,
    list.moves.map((m) => m.id),
  )

/** Rows on slots that are barred now go elsewhere, and the search goes on from there. */
export const withoutBarred = (
  { problem: { costs, slots } }: ArrangementProblem,
  slotOf: Int32Array,
  elsewhere: (row: number) => number,
): Int32Array => slotOf.map((p, i) => (p >= 0 && costs[i * slots + p] === Infinity ? elsewhere(i) : p))

/**
 * Checks an answer as a whole, and bars what has brought a clash above caution: the rules that look at several commands
 * at once are only known then.
 * @returns whether something was barred
 */
export function barClashing(built: ArrangementProblem, input: ProblemInput, slotOf: Int32Array): boolean {
  const { problem, rows, slots } = built
  const placements = placementsOf(built, input, movesTo(built, slotOf))
  let barred = false
  for (const clash of findClashes(placements, input.model.env)) {
    if (!isAboveCaution(clash)) continue
    const key = triggerKey(clash.trigger)
    rows.forEach(({ command, role }, i) => {
      const p = slotOf[i] as number
      if (role !== 'main' || problem.fixed[i] === 1 || p < 0 || p === problem.initialSlot[i]) return
      if (!clash.commandIds.includes(command.id) || slots[p]?.key !== key) return
      problem.costs[i * problem.slots + p] = Infinity
      barred = true
    })
  }
  return barred
}
