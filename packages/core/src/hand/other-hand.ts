import type { PointerHold } from '../bench/index.js'
import { isModifierCode } from '../triggers/index.js'
import { distanceMm, moveToMs } from './homing.js'
import type { HandAtRest } from './model.js'
import type { ChordReach, OtherHandHelp, ReachSolver } from './reach.js'
import { homingTimeMs } from './time.js'

/** The other hand, as a solver over the same controls from where it would rest. */
export interface HelpSolver {
  readonly hand: HandAtRest
  readonly holds: PointerHold | null
  readonly solver: ReachSolver
}

const codeOf = (id: string): string => id.slice(id.indexOf('/') + 1)

/** The key of a modifier on the other side, where the other hand has it nearer. */
const mirrored = (id: string): string =>
  id.endsWith('Left') ? `${id.slice(0, -4)}Right` : id.endsWith('Right') ? `${id.slice(0, -5)}Left` : id

/**
 * The quickest way of sharing a chord that this hand has to leave for: the other hand takes the key, or all modifiers,
 * and goes back to what it holds.
 * @returns null when neither way leaves this hand something that it makes without leaving
 */
export function otherHandHelp(reach: ChordReach, helper: HelpSolver, own: ReachSolver): OtherHandHelp | null {
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
    const mineReach = mine.length > 0 ? own.reachControls(mine) : null
    if (mineReach?.verdict === 'away') continue
    const part = theirPart(theirs, helper)
    if (!part) continue
    const timeMs = Math.max(mineReach?.timeMs ?? 0, part.timeMs)
    if (!best || timeMs + part.backMs < best.timeMs + best.backMs)
      best = { keys: part.keys, timeMs, backMs: part.backMs }
  }
  return best
}

function theirPart(theirs: readonly string[], { solver, holds }: HelpSolver): OtherHandHelp | null {
  const choices = [theirs, theirs.map((id) => (isModifierCode(codeOf(id)) ? mirrored(id) : id))]
  let best: OtherHandHelp | null = null
  for (const keys of choices) {
    if (keys.some((id) => !solver.has(id))) continue
    const reach = solver.reachControls(keys)
    if (keys.length > 1 && reach.verdict === 'away') continue
    const at = solver.centreOf(keys.at(-1) as string)
    const timeMs = holds
      ? homingTimeMs(distanceMm(holds, at), at.targetMm) + solver.hand.pressMs * keys.length
      : reach.timeMs
    const backMs = holds ? moveToMs(at, holds) : 0
    if (!best || timeMs + backMs < best.timeMs + best.backMs) best = { keys, timeMs, backMs }
  }
  return best
}
