import type { Control } from '../bench/index.js'
import { isModifierCode, type Modifier } from '../triggers/index.js'
import type { ChordReach, ReachSolver } from './reach.js'

/** How the hand reaches every key with one set of modifiers held; by the key's code. */
export type ReachByCode = Readonly<Record<string, ChordReach>>

/** One layer of the chord table: every key with `held`. Keys that are modifiers themselves are left out when any is held. */
export function reachLayer(
  solver: ReachSolver,
  controls: readonly Control[],
  held: readonly Modifier[],
  altGraph: boolean,
): ReachByCode {
  const out: Record<string, ChordReach> = {}
  for (const { code } of controls) {
    if (code === null || code in out) continue
    if (held.length > 0 && isModifierCode(code)) continue
    const reach = solver.reachChord(held, code, altGraph)
    if (reach) out[code] = reach
  }
  return out
}
