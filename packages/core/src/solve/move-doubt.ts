import type { CommandId } from '../ids.js'
import type { PreparedModel } from '../model/index.js'
import type { Trigger } from '../triggers/index.js'
import { drawnHandCosts, type Draw } from '../doubt/index.js'
import { rateSpreadOf } from '../usage/index.js'
import type { ProposedMove } from './moves.js'
import type { ArrangementProblem } from './problem.js'

/** How sure it is that a move helps. */
export type Confidence = 'sure' | 'likely' | 'unsure'

/** A move over all draws of the assumed constants and of the rates. */
export interface MoveDoubt {
  /** draws in which it gains at all, of `draws` */
  readonly holds: number
  readonly draws: number
  /** uses of its command that a log has counted; 0 where its rate is a guess */
  readonly counted: number
  /** 5th and 95th percentile of its gain, ms an hour */
  readonly lowMs: number
  readonly highMs: number
  readonly confidence: Confidence
}

/**
 * Draws all assumed constants and rates together and counts in how many each move gains. What a move gains by how its
 * trigger lies to others is kept as it is. Yields how far it is; ended early, it has the doubt of the moves so far.
 */
export function* moveDoubts(
  moves: readonly ProposedMove[],
  answer: ArrangementProblem,
  slotOf: ArrayLike<number>,
  model: PreparedModel,
  usesOf: (commandId: CommandId) => number,
  draws: readonly Draw[],
): Generator<number, ReadonlyMap<number, MoveDoubt>, boolean | undefined> {
  const out = new Map<number, MoveDoubt>()
  if (draws.length === 0) return out
  const costs = drawnHandCosts(model, draws)
  const spreadOf = (id: CommandId): number => rateSpreadOf(model.index.commands.get(id) ?? {}, usesOf(id))
  const rowOf = new Map(moves.map((m) => [m.id, m.row]))
  for (const [k, move] of moves.entries()) {
    if ((yield k / moves.length) === true) break
    const parts = move.needs.flatMap((id) => partOf(rowOf.get(id), answer, slotOf))
    const usual = parts.reduce((sum, part) => sum + finite(part.before.ms - part.after.ms), 0)
    // what lies in relations to others
    const related = move.gainMs - usual
    const gains = draws.map((draw, n) => {
      const gained = parts.reduce((sum, part) => {
        const spread = spreadOf(part.commandId) * draw.deviate(`uses ${part.commandId}`)
        const rate = Math.exp(spread)
        const costOn = ({ trigger, handMs, ms }: Stand): number =>
          trigger === null
            ? ms * rate * draw.menu
            : rate * (part.uses * (costs[n]?.(trigger) ?? 0) + (ms - handMs) * draw.rest)
        return sum + finite(costOn(part.before) - costOn(part.after))
      }, 0)
      return gained + related * draw.rest
    })
    out.set(move.id, doubtOf(gains, usesOf(move.command.id)))
  }
  return out
}

const finite = (ms: number): number => (Number.isFinite(ms) ? ms : 0)

/** What a command costs where it stands: all of it, and the part of the hand, ms an hour; by the menu without a trigger. */
interface Stand {
  readonly trigger: Trigger | null
  readonly ms: number
  readonly handMs: number
}

interface Part {
  readonly commandId: CommandId
  readonly uses: number
  readonly before: Stand
  readonly after: Stand
}

function partOf(
  row: number | undefined,
  { rows, slots, problem, weight }: ArrangementProblem,
  slotOf: ArrayLike<number>,
): Part[] {
  const of = row === undefined ? undefined : rows[row]
  if (row === undefined || of?.role !== 'main') return []
  const uses = weight[row] as number
  const stand = (p: number): Stand =>
    p < 0
      ? { trigger: null, ms: problem.unassignedCost[row] as number, handMs: 0 }
      : {
          trigger: slots[p]?.trigger ?? null,
          ms: problem.costs[row * problem.slots + p] as number,
          handMs: uses * (slots[p]?.handMs ?? 0),
        }
  return [
    {
      commandId: of.command.id,
      uses,
      before: stand(problem.initialSlot[row] as number),
      after: stand(slotOf[row] as number),
    },
  ]
}

/** Sure: nine draws of ten gain, and the 5th percentile does; likely: seven of ten. */
function doubtOf(gains: readonly number[], counted: number): MoveDoubt {
  const sorted = [...gains].sort((a, b) => a - b)
  const at = (share: number): number => sorted[Math.floor(share * (sorted.length - 1))] ?? 0
  const holds = gains.filter((ms) => ms > 0).length
  const share = gains.length > 0 ? holds / gains.length : 0
  return {
    holds,
    draws: gains.length,
    counted,
    lowMs: at(0.05),
    highMs: at(0.95),
    confidence: share >= 0.9 && at(0.05) > 0 ? 'sure' : share >= 0.7 ? 'likely' : 'unsure',
  }
}
