import { fingers, tappingCapacity, type Finger } from '../hand/index.js'
import type { HandSide } from '../bench/index.js'
import type { SolveSlot } from './rows.js'

/**
 * Presses of each finger of the hand on the keys. Over its fair share the cost of a finger grows with the square of what
 * it does too much, so that it is spread: weight × (presses − share)² / share.
 */
export interface FingerLoad {
  /** presses of a use of a slot, by finger: entries of a sparse matrix */
  readonly start: Int32Array
  readonly finger: Uint8Array
  readonly presses: Float64Array
  /** uses an hour of each row */
  readonly uses: Float64Array
  /** fair share of each finger, presses an hour */
  readonly fair: Float64Array
  /** what a press costs of a finger that has twice its share, half of it on the average, ms */
  readonly weightMs: number
}

/** Presses of a use by finger; where the hand leaves, its index finger presses, or the other hand helps. */
function pressesOf({ reach }: SolveSlot): Map<Finger, number> {
  const out = new Map<Finger, number>()
  const own = reach.verdict === 'away' && reach.help ? reach.help.ownReach : reach
  for (const key of own?.keys ?? []) {
    const finger = own?.fingers[key] ?? 'index'
    out.set(finger, (out.get(finger) ?? 0) + 1)
  }
  return out
}

/**
 * @param uses  uses an hour of each row
 * @param initialSlot  where rows stand: their presses a use are those of all uses
 */
export function fingerLoad(
  slots: readonly SolveSlot[],
  uses: Float64Array,
  initialSlot: Int32Array,
  side: HandSide,
  weightMs: number,
): FingerLoad {
  const bySlot = slots.map(pressesOf)
  const start = new Int32Array(slots.length + 1)
  bySlot.forEach((of, p) => (start[p + 1] = (start[p] as number) + of.size))
  const flat = bySlot.flatMap((of) => [...of])
  let [placed, presses, all] = [0, 0, 0]
  uses.forEach((n, i) => {
    all += n
    const p = initialSlot[i] as number
    if (p < 0) return
    placed += n
    for (const count of bySlot[p]?.values() ?? []) presses += n * count
  })
  const total = placed > 0 ? (presses / placed) * all : all
  const ability = tappingCapacity[side]
  const whole = fingers.reduce((sum, f) => sum + ability[f], 0)
  return {
    start,
    finger: Uint8Array.from(flat, ([finger]) => fingers.indexOf(finger)),
    presses: Float64Array.from(flat, ([, count]) => count),
    uses,
    fair: Float64Array.from(fingers, (f) => Math.max(1e-9, (total * ability[f]) / whole)),
    weightMs,
  }
}

/** What a finger's presses cost, ms an hour. */
export function loadCost({ fair, weightMs }: FingerLoad, finger: number, presses: number): number {
  const share = fair[finger] as number
  const over = presses - share
  return over > 0 ? (weightMs * over * over) / share : 0
}

/** The busiest finger of an answer over its fair share; 1 is fair. */
export function busiestShare(
  { start, finger, presses, uses, fair }: FingerLoad,
  slotOf: ArrayLike<number>,
): number {
  const load = new Float64Array(fair.length)
  for (let i = 0; i < uses.length; i++) {
    const p = slotOf[i] as number
    if (p < 0) continue
    for (let k = start[p] as number; k < (start[p + 1] as number); k++) {
      const f = finger[k] as number
      load[f] = (load[f] as number) + (uses[i] as number) * (presses[k] as number)
    }
  }
  // shares of what is pressed in this answer
  const all = load.reduce((sum, n) => sum + n, 0)
  const whole = fair.reduce((sum, n) => sum + n, 0)
  return all > 0 ? Math.max(...load.map((n, f) => n / ((all * (fair[f] as number)) / whole))) : 0
}
