import { chordEnergy, chordEnergyInCaps, turnLeverMm, uncrossedGapMm } from './energy.js'
import { nearestAim, rotated, type AimBox, type NearestAim } from './aim.js'
import type { HandModel } from './model.js'
import type { Pose } from './pose.js'

/** Palm pose and aim points (x0, y0, x1, y1, …) of least energy for given fingers, in the model's frame. */
export interface Posture {
  readonly pose: Pose
  readonly aims: Float64Array
  readonly energy: number
}

const maxIterations = 200
const gradientTolerance = 1e-11

/** The posture of a free pose: each aim point is the place in its key nearest to its fingertip. */
export function postureAt(
  hand: HandModel,
  boxes: readonly AimBox[],
  used: ArrayLike<number>,
  pose: Pose,
): Posture & { coupled: boolean } {
  const aims = new Float64Array(2 * boxes.length)
  boxes.forEach((box, k) => {
    const f = used[k] as number
    const qx = (hand.tipX[f] as number) + pose.tx - pose.turn * (hand.leverY[f] as number)
    const qy = (hand.tipY[f] as number) + pose.ty + pose.turn * (hand.leverX[f] as number)
    if (box.turned) {
      const near: NearestAim = { dx: 0, dy: 0, wx: 0, wy: 0, hxx: 0, hxy: 0, hyy: 0 }
      nearestAim(box, qx, qy, hand, f, near)
      aims.set([qx + near.dx, qy + near.dy], 2 * k)
      return
    }
    aims[2 * k] = Math.min(Math.max(qx, box.x0), box.x1)
    aims[2 * k + 1] = Math.min(Math.max(qy, box.y0), box.y1)
  })
  const z = Float64Array.of(pose.tx, pose.ty, pose.turn * turnLeverMm, ...aims)
  return {
    pose,
    aims,
    energy: chordEnergy(hand, boxes, used, z),
    coupled: isCoupled(hand, boxes, used, aims),
  }
}

/** Whether any span or crossing term is active at these aim points. */
function isCoupled(
  hand: HandModel,
  boxes: readonly AimBox[],
  used: ArrayLike<number>,
  aims: Float64Array,
): boolean {
  for (let a = 0; a < boxes.length; a++) {
    for (let b = a + 1; b < boxes.length; b++) {
      const fa = used[a] as number
      const fb = used[b] as number
      const dx = (aims[2 * a] as number) - (aims[2 * b] as number)
      const dy = (aims[2 * a + 1] as number) - (aims[2 * b + 1] as number)
      if (Math.hypot(dx, dy) > (hand.relaxedMm[fa * 5 + fb] as number)) return true
      const outer = fa < fb ? b : a
      const gap = uncrossedGapMm(Math.min(fa, fb), Math.max(fa, fb), (boxes[outer] as AimBox).bottomRow)
      if (gap > 0 && (fa < fb ? dx : -dx) < gap) return true
    }
  }
  return false
}

/**
 * The posture of least whole energy, by projected Newton from `start`. The energy is convex, with aim points
 * confined to their boxes, so there is one optimum. A small decrease after a shortened step is not convergence:
 * only the projected gradient ends the search.
 */
export function bestPosture(
  hand: HandModel,
  boxes: readonly AimBox[],
  used: ArrayLike<number>,
  start: Posture,
): Posture {
  const n = 3 + 2 * boxes.length
  const lower = new Float64Array(n).fill(-Infinity)
  const upper = new Float64Array(n).fill(Infinity)
  boxes.forEach((box, k) => {
    lower.set([box.x0, box.y0], 3 + 2 * k)
    upper.set([box.x1, box.y1], 3 + 2 * k)
  })
  // aim points are searched in the axes of their caps, in which they are confined to upright boxes
  let z = Float64Array.of(start.pose.tx, start.pose.ty, start.pose.turn * turnLeverMm, ...start.aims)
  intoCaps(boxes, z, 3, -1)
  const g = new Float64Array(n)
  const h = new Float64Array(n * n)
  const step = new Float64Array(n)
  let trial = new Float64Array(n)
  let energy = chordEnergyInCaps(hand, boxes, used, z, g, h)
  for (let i = 0; i < maxIterations; i++) {
    const free: number[] = []
    let residual = 0
    for (let v = 0; v < n; v++) {
      const gv = g[v] as number
      const zv = z[v] as number
      if ((zv <= (lower[v] as number) && gv > 0) || (zv >= (upper[v] as number) && gv < 0)) continue
      free.push(v)
      residual = Math.max(residual, Math.abs(gv))
    }
    if (residual < gradientTolerance) break
    step.fill(0)
    newtonStep(h, g, n, free, step)
    let scale = 1
    let next = Infinity
    for (; scale > 1e-14; scale /= 2) {
      let slope = 0
      for (let v = 0; v < n; v++) {
        const moved = (z[v] as number) + scale * (step[v] as number)
        trial[v] = Math.min(Math.max(moved, lower[v] as number), upper[v] as number)
        slope += (g[v] as number) * ((trial[v] as number) - (z[v] as number))
      }
      next = chordEnergyInCaps(hand, boxes, used, trial)
      if (next <= energy + 1e-4 * slope) break
    }
    if (!(next < energy)) break
    ;[z, trial] = [trial, z]
    energy = chordEnergyInCaps(hand, boxes, used, z, g, h)
  }
  const aims = z.slice(3)
  intoCaps(boxes, aims, 0, 1)
  return {
    pose: { tx: z[0] as number, ty: z[1] as number, turn: (z[2] as number) / turnLeverMm },
    aims,
    energy,
  }
}

/** Turns the aim points of turned caps into the axes of their caps (`way` −1), or back. */
function intoCaps(boxes: readonly AimBox[], z: Float64Array, from: number, way: 1 | -1): void {
  boxes.forEach(({ turned }, k) => {
    if (!turned) return
    const at = from + 2 * k
    const { x, y } = rotated(turned, z[at] as number, z[at + 1] as number, way)
    z[at] = x
    z[at + 1] = y
  })
}

/** Solves h s = −g on the free unknowns by Cholesky. The Hessian is positive definite there: see energy.ts. */
function newtonStep(
  h: Float64Array,
  g: Float64Array,
  n: number,
  free: readonly number[],
  step: Float64Array,
): void {
  const m = free.length
  const l = new Float64Array(m * m)
  const y = new Float64Array(m)
  for (let r = 0; r < m; r++) {
    for (let c = 0; c <= r; c++) {
      let sum = h[(free[r] as number) * n + (free[c] as number)] as number
      for (let k = 0; k < c; k++) sum -= (l[r * m + k] as number) * (l[c * m + k] as number)
      l[r * m + c] = r === c ? Math.sqrt(Math.max(sum, 1e-12)) : sum / (l[c * m + c] as number)
    }
  }
  for (let r = 0; r < m; r++) {
    let sum = -(g[free[r] as number] as number)
    for (let k = 0; k < r; k++) sum -= (l[r * m + k] as number) * (y[k] as number)
    y[r] = sum / (l[r * m + r] as number)
  }
  for (let r = m - 1; r >= 0; r--) {
    let sum = y[r] as number
    for (let k = r + 1; k < m; k++) sum -= (l[k * m + r] as number) * (step[free[k] as number] as number)
    step[free[r] as number] = sum / (l[r * m + r] as number)
  }
}
