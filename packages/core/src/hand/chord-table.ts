import type { Control } from '../bench/index.js'
import { isModifierCode, type Modifier } from '../triggers/index.js'
import type { ChordReach, ReachSolver } from './reach.js'

/** How the hand reaches every place with one set of modifiers held; by the key's code, or the control's id without one. */
export type ReachByPlace = Readonly<Record<string, ChordReach>>

/**
 * One layer of the chord table: every key with `held`. Keys that are modifiers themselves are left out when any is held.
 * @param withIds  further controls that are held, such as a pad key that works as a modifier
 */
export function reachLayer(
  solver: ReachSolver,
  controls: readonly Control[],
  held: readonly Modifier[],
  altGraph: boolean,
  withIds: readonly string[] = [],
): ReachByPlace {
  const out: Record<string, ChordReach> = {}
  for (const { code, id } of controls) {
    const place = code ?? id
    if (place in out) continue
    if (code !== null && held.length > 0 && isModifierCode(code)) continue
    const reach = solver.reachChord(held, place, altGraph, withIds)
    if (reach) out[place] = reach
  }
  return out
}
