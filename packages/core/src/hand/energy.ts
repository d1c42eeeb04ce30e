import { crossingScaleMm, fingerWidthMm } from './constants.js'
import { rotated, type AimBox } from './aim.js'
import type { HandModel } from './model.js'

/** Turn is scaled by this lever in the vector of unknowns, so that all unknowns are of the size of a mm. */
export const turnLeverMm = 70

/**
 * How far finger i must lie inward of finger j (i < j, 0 = thumb) not to cross it, mm; 0 when the pair is not judged.
 * The thumb counts only against another finger on the bottom row.
 */
export function uncrossedGapMm(i: number, j: number, otherOnBottomRow: boolean): number {
  if (i === 0) return otherOnBottomRow ? fingerWidthMm : 0
  return fingerWidthMm * (j - i)
}

/** A sum of weighted squares of linear terms, with gradient and Hessian (row-major n x n) where they are wanted. */
class SquareSum {
  energy = 0

  constructor(
    private readonly n: number,
    private readonly g: Float64Array | undefined,
    readonly h: Float64Array | undefined,
  ) {}

  /** Adds w·(Σ coefficient·unknown)², given its value and its coefficients. */
  add(w: number, value: number, at: readonly number[], coefficient: readonly number[]): void {
    const { g, h, n } = this
    this.energy += w * value * value
    if (!g || !h) return
    for (let a = 0; a < at.length; a++) {
      const ia = at[a] as number
      const ca = coefficient[a] as number
      g[ia] = (g[ia] as number) + 2 * w * value * ca
      for (let b = 0; b < at.length; b++) {
        const cell = ia * n + (at[b] as number)
        h[cell] = (h[cell] as number) + 2 * w * ca * (coefficient[b] as number)
      }
    }
  }
}

/**
 * The whole energy of docs/hand-model.md at `z` = [tx, ty, turn·70, x0, y0, x1, y1, …] (aim points), with gradient and
 * Hessian when `g` and `h` (row-major n x n) are given. Convex in z for given fingers.
 */
export function chordEnergy(
  hand: HandModel,
  boxes: readonly AimBox[],
  used: ArrayLike<number>,
  z: Float64Array,
  g?: Float64Array,
  h?: Float64Array,
): number {
  const n = z.length
  const sum = new SquareSum(n, g, h)
  addPose(sum, hand, z, g, h)
  for (let k = 0; k < boxes.length; k++) addFinger(sum, hand, used[k] as number, z, 3 + 2 * k)
  for (let a = 0; a < boxes.length; a++)
    for (let b = a + 1; b < boxes.length; b++) {
      const [fa, fb] = [used[a] as number, used[b] as number]
      addSpan(sum, hand, z, n, fa, fb, 3 + 2 * a, 3 + 2 * b)
      const [inner, outer] = fa < fb ? [a, b] : [b, a]
      const gap = uncrossedGapMm(Math.min(fa, fb), Math.max(fa, fb), (boxes[outer] as AimBox).bottomRow)
      if (gap > 0) addCrossing(sum, z, gap, 3 + 2 * inner, 3 + 2 * outer)
    }
  return sum.energy
}

/**
 * `chordEnergy` with each aim point in the axes of its cap: the same where no cap is turned against the hand. Gradient and Hessian
 * follow by the chain rule, so the energy stays convex.
 */
export function chordEnergyInCaps(
  hand: HandModel,
  boxes: readonly AimBox[],
  used: ArrayLike<number>,
  z: Float64Array,
  g?: Float64Array,
  h?: Float64Array,
): number {
  if (boxes.every((box) => box.turned === undefined)) return chordEnergy(hand, boxes, used, z, g, h)
  const n = z.length
  const inFrame = Float64Array.from(z)
  const turnPair = (values: Float64Array, at: number, step: number, k: number, way: 1 | -1): void => {
    const turned = boxes[k]?.turned
    if (!turned) return
    const { x, y } = rotated(turned, values[at] as number, values[at + step] as number, way)
    values[at] = x
    values[at + step] = y
  }
  boxes.forEach((_, k) => turnPair(inFrame, 3 + 2 * k, 1, k, 1))
  const energy = chordEnergy(hand, boxes, used, inFrame, g, h)
  if (!g || !h) return energy
  boxes.forEach((_, k) => {
    const at = 3 + 2 * k
    turnPair(g, at, 1, k, -1)
    for (let row = 0; row < n; row++) turnPair(h, row * n + at, 1, k, -1)
    for (let column = 0; column < n; column++) turnPair(h, at * n + column, n, k, -1)
  })
  return energy
}

/** What shifting and turning the palm costs; begins gradient and Hessian. */
function addPose(sum: SquareSum, hand: HandModel, z: Float64Array, g?: Float64Array, h?: Float64Array): void {
  const n = z.length
  const tx = z[0] as number
  const ty = z[1] as number
  const turn = (z[2] as number) / turnLeverMm
  const turnWeight = hand.turnWeight / turnLeverMm ** 2
  sum.energy = (tx * tx + ty * ty) * hand.shiftWeight + turn * turn * hand.turnWeight
  if (!g || !h) return
  g.fill(0)
  h.fill(0)
  g[0] = 2 * tx * hand.shiftWeight
  g[1] = 2 * ty * hand.shiftWeight
  g[2] = 2 * (z[2] as number) * turnWeight
  h[0] = h[n + 1] = 2 * hand.shiftWeight
  h[2 * n + 2] = 2 * turnWeight
}

/** What moving finger f from its resting tip to its aim point costs; the point begins at `xi` in the unknowns. */
function addFinger(sum: SquareSum, hand: HandModel, f: number, z: Float64Array, xi: number): void {
  const tx = z[0] as number
  const ty = z[1] as number
  const bx = (hand.leverX[f] as number) / turnLeverMm
  const by = (hand.leverY[f] as number) / turnLeverMm
  const dx = (z[xi] as number) - ((hand.tipX[f] as number) + tx - (z[2] as number) * by)
  const dy = (z[xi + 1] as number) - ((hand.tipY[f] as number) + ty + (z[2] as number) * bx)
  sum.add((dx > 0 ? hand.weightIn[f] : hand.weightOut[f]) as number, dx, [xi, 0, 2], [1, -1, by])
  sum.add((dy > 0 ? hand.weightBack[f] : hand.weightForward[f]) as number, dy, [xi + 1, 1, 2], [1, -1, -bx])
}

/** What spreading two fingers beyond their relaxed span costs. */
function addSpan(
  sum: SquareSum,
  hand: HandModel,
  z: Float64Array,
  n: number,
  fa: number,
  fb: number,
  xa: number,
  xb: number,
): void {
  const ux = (z[xa] as number) - (z[xb] as number)
  const uy = (z[xa + 1] as number) - (z[xb + 1] as number)
  const length = Math.hypot(ux, uy)
  const relaxed = hand.relaxedMm[fa * 5 + fb] as number
  if (length <= relaxed) return
  const w = 1 / ((hand.practicalMm[fa * 5 + fb] as number) - relaxed) ** 2
  const over = length - relaxed
  const nx = ux / length
  const ny = uy / length
  sum.add(w, over, [xa, xa + 1, xb, xb + 1], [nx, ny, -nx, -ny])
  if (!sum.h) return
  // the curvature of |p − q| itself, which Gauss–Newton leaves out; with it the step is a true Newton step
  const c = (2 * w * over) / length
  addDistanceCurvature(sum.h, n, xa, xb, c * ny * ny, -c * nx * ny, c * nx * nx)
}

/** What crossing two fingers costs: the inner one has to lie a gap inward of the outer one. */
function addCrossing(sum: SquareSum, z: Float64Array, gap: number, xi: number, xj: number): void {
  const short = gap - ((z[xi] as number) - (z[xj] as number))
  if (short > 0) sum.add(1 / crossingScaleMm ** 2, short, [xi, xj], [-1, 1])
}

function addDistanceCurvature(
  h: Float64Array,
  n: number,
  xa: number,
  xb: number,
  cxx: number,
  cxy: number,
  cyy: number,
): void {
  const block = (r: number, c: number, sign: number): void => {
    h[r * n + c] = (h[r * n + c] as number) + sign * cxx
    h[r * n + c + 1] = (h[r * n + c + 1] as number) + sign * cxy
    h[(r + 1) * n + c] = (h[(r + 1) * n + c] as number) + sign * cxy
    h[(r + 1) * n + c + 1] = (h[(r + 1) * n + c + 1] as number) + sign * cyy
  }
  block(xa, xa, 1)
  block(xb, xb, 1)
  block(xa, xb, -1)
  block(xb, xa, -1)
}
