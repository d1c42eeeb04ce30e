import { homeKeyMm } from './constants.js'
import type { ChordReach } from './chord-reach.js'
import { homingTimeMs, movementMs } from './time.js'

/**
 * The way back of a hand, alone, ms: of one that had to leave, and of a palm that a stretch took along; 0 for what it
 * makes at home.
 */
export function returnMs({ verdict, distanceMm, palmShiftMm }: ChordReach): number {
  if (verdict === 'stretch') return palmShiftMm > 0 ? movementMs(palmShiftMm, homeKeyMm) : 0
  if (verdict !== 'away') return 0
  return Number.isFinite(distanceMm) ? homingTimeMs(distanceMm, homeKeyMm) : Infinity
}

/** From rest until the key is down, and until the hand that left is back, ms: alone, or with the other hand's help. */
export function thereAndBackMs(reach: ChordReach): number {
  const alone = reach.timeMs + returnMs(reach)
  return reach.help && reach.verdict === 'away'
    ? Math.min(alone, reach.help.timeMs + reach.help.backMs)
    : alone
}
