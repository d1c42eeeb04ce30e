import { fingers } from './constants.js'
import type { AimBox } from './aim.js'
import type { HandModel } from './model.js'
import { freePose } from './pose.js'
import { bestPosture, postureAt, type Posture } from './posture.js'

/** Fingers (0 to 4) on keys, in the order of the keys, with the posture that they need. */
export interface Fingering extends Posture {
  readonly used: readonly number[]
}

/** Energies within this ratio of the least count as equal: the half-unit stagger makes true ties on Z, X, C. */
const tieRatio = 1.01

const assignmentsOf = new Map<number, readonly (readonly number[])[]>()

/** All ways to give `count` keys different fingers, as arrays of finger numbers 0 to 4. */
export function assignments(count: number): readonly (readonly number[])[] {
  const known = assignmentsOf.get(count)
  if (known) return known
  let out: number[][] = [[]]
  for (let k = 0; k < count; k++) {
    out = out.flatMap((head) => fingers.flatMap((_, f) => (head.includes(f) ? [] : [[...head, f]])))
  }
  assignmentsOf.set(count, out)
  return out
}

/** Whether each finger may take its key at all: the thumb takes keys of the bottom row only. */
export const isAllowed = (boxes: readonly AimBox[], used: readonly number[]): boolean =>
  used.every((f, k) => f !== 0 || (boxes[k] as AimBox).bottomRow)

/**
 * The fingering of least energy, and the least energy itself.
 *
 * Bounds first: a key alone never costs more than with others, and a free pose never more than the whole energy,
 * so most assignments fall without a full solve. Where several are within 1 % of the least, the outermost fingers
 * are shown, but `leastEnergy` stays the true minimum, so that adding a key or span never lowers or raises it by a tie.
 * @param singles energy of key k alone with finger f at [k][f]
 * @param cutoff  give up when nothing is below this energy
 * @returns null when no assignment is allowed or none is below `cutoff`
 */
export function bestFingering(
  hand: HandModel,
  boxes: readonly AimBox[],
  singles: readonly ArrayLike<number>[],
  cutoff: number,
): { fingering: Fingering; leastEnergy: number } | null {
  const bounded: { used: readonly number[]; bound: number; pose: ReturnType<typeof freePose>['pose'] }[] = []
  for (const used of assignments(boxes.length)) {
    if (!isAllowed(boxes, used)) continue
    let alone = 0
    for (let k = 0; k < used.length; k++) alone = Math.max(alone, singles[k]?.[used[k] as number] as number)
    if (alone > cutoff) continue
    const cost = costOf(hand, used)
    if (cost > cutoff || cost === Infinity) continue
    const { pose, energy } = freePose(hand, boxes, used)
    if (energy + cost <= cutoff) bounded.push({ used, bound: energy + cost, pose })
  }
  bounded.sort((a, b) => a.bound - b.bound)
  let least = Infinity
  const solved: Fingering[] = []
  for (const { used, bound, pose } of bounded) {
    if (bound > least * tieRatio || bound > cutoff) break
    const start = postureAt(hand, boxes, used, pose)
    const posture = start.coupled ? bestPosture(hand, boxes, used, start) : start
    const energy = posture.energy + costOf(hand, used)
    solved.push({ used, pose: posture.pose, aims: posture.aims, energy })
    least = Math.min(least, energy)
  }
  if (solved.length === 0 || least > cutoff) return null
  const tied = solved.filter((s) => s.energy <= least * tieRatio + 1e-12)
  tied.sort((a, b) => sum(b.used) - sum(a.used) || compareOutermost(a.used, b.used))
  return { fingering: tied[0] as Fingering, leastEnergy: least }
}

/** What the fingers cost by themselves, wherever they press. */
function costOf({ fingerCost }: HandModel, used: readonly number[]): number {
  let total = 0
  for (let k = 0; k < used.length; k++) total += fingerCost[used[k] as number] as number
  return total
}

const sum = (numbers: readonly number[]): number => numbers.reduce((s, n) => s + n, 0)

const compareOutermost = (a: readonly number[], b: readonly number[]): number => {
  for (let k = 0; k < a.length; k++) if (a[k] !== b[k]) return (b[k] as number) - (a[k] as number)
  return 0
}
