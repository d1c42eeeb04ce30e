import type { PointerHold } from '../bench/index.js'
import { isModifierCode } from '../triggers/index.js'
import { distanceMm, moveToMs } from './homing.js'
import type { HandAtRest } from './model.js'
import type { ChordReach, OtherHandHelp } from './chord-reach.js'
import type { ReachSolver } from './reach.js'
import { homingTimeMs } from './time.js'

/** The other hand, as a solver over the same controls from where it would rest. */
export interface HelpSolver {
  readonly hand: HandAtRest
  readonly holds: PointerHold | null
  readonly solver: ReachSolver
}

const codeOf = (id: string): string => id.slice(id.indexOf('/') + 1)

/** The key of a modifier on the other side; with a third-level key the two Alt keys are two modifiers. */
const mirrored = (id: string, altGraph: boolean): string => {
  if (altGraph && /Alt(Left|Right)$/.test(id)) return id
  if (id.endsWith('Left')) return `${id.slice(0, -4)}Right`
  return id.endsWith('Right') ? `${id.slice(0, -5)}Left` : id
}

/** The same keys with each modifier on either of its sides, as far as there is such a key. */
function sidesOf(ids: readonly string[], { has }: ReachSolver, altGraph: boolean): readonly string[][] {
  let out: string[][] = [[]]
  for (const id of ids) {
    const other = isModifierCode(codeOf(id)) ? mirrored(id, altGraph) : id
    const sides = other === id ? [id] : [id, other]
    out = out.flatMap((head) => sides.filter(has).map((side) => [...head, side]))
  }
  return out
}

/**
 * The quickest way of sharing a chord that this hand has to leave for: the other hand takes the key, or all modifiers,
 * and goes back to what it holds. Each modifier is taken on the side where it is nearer.
 * @returns null when neither way leaves this hand something that it makes without leaving
 */
export function otherHandHelp(
  reach: ChordReach,
  helper: HelpSolver,
  own: ReachSolver,
  altGraph: boolean,
): OtherHandHelp | null {
  const key = reach.keys.at(-1)
  if (key === undefined) return null
  const held = reach.keys.slice(0, -1)
  const shares: (readonly [readonly string[], readonly string[]])[] =
    held.length > 0
      ? [
          [held, [key]],
          [[key], held],
        ]
      : [[[], [key]]]
  let best: OtherHandHelp | null = null
  for (const [mine, theirs] of shares) {
    const ownReach = mine.length > 0 ? ownPart(mine, own, altGraph) : null
    if (mine.length > 0 && !ownReach) continue
    const part = theirPart(theirs, helper, altGraph)
    if (!part) continue
    const timeMs = Math.max(ownReach?.timeMs ?? 0, part.timeMs)
    if (!best || timeMs + part.backMs < best.timeMs + best.backMs) best = { ...part, timeMs, ownReach }
  }
  return best
}

/** How this hand soonest has its keys down without leaving; null where it has to leave. */
function ownPart(mine: readonly string[], own: ReachSolver, altGraph: boolean): ChordReach | null {
  let best: ChordReach | null = null
  for (const ids of sidesOf(mine, own, altGraph)) {
    const reach = own.reachControls(ids)
    if (reach.verdict !== 'away' && (best === null || reach.timeMs < best.timeMs)) best = reach
  }
  return best
}

function theirPart(
  theirs: readonly string[],
  { solver, holds }: HelpSolver,
  altGraph: boolean,
): Omit<OtherHandHelp, 'ownReach'> | null {
  let best: Omit<OtherHandHelp, 'ownReach'> | null = null
  for (const keys of sidesOf(theirs, solver, altGraph)) {
    const reach = solver.reachControls(keys)
    if (keys.length > 1 && reach.verdict === 'away') continue
    const at = solver.centreOf(keys.at(-1) as string)
    const timeMs = holds
      ? homingTimeMs(distanceMm(holds, at), at.targetMm) + solver.hand.pressMs * keys.length
      : reach.timeMs
    const backMs = holds ? moveToMs(at, holds) : 0
    if (!best || timeMs + backMs < best.timeMs + best.backMs) best = { keys, timeMs, backMs, reach }
  }
  return best
}
