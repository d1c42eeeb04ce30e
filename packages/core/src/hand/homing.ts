import type { Home, PointerHold } from '../bench/index.js'
import { homingTimeMs } from './time.js'

interface Point {
  readonly xMm: number
  readonly yMm: number
}

export const distanceMm = (a: Point, b: Point): number => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)

/** The hand from where it is to one of its homes, or to what it points with. */
export const moveToMs = (from: Point, to: Home | PointerHold): number =>
  homingTimeMs(distanceMm(from, to), to.targetMm)
