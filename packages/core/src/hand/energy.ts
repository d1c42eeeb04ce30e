import { crossingScaleMm, fingerWidthMm } from './constants.js'
import type { AimBox, HandModel } from './model.js'

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
  const tx = z[0] as number
  const ty = z[1] as number
  const turn = (z[2] as number) / turnLeverMm
  const turnWeight = hand.turnWeight / turnLeverMm ** 2
  let energy = (tx * tx + ty * ty) * hand.shiftWeight + turn * turn * hand.turnWeight
  if (g && h) {
    g.fill(0)
    h.fill(0)
    g[0] = 2 * tx * hand.shiftWeight
    g[1] = 2 * ty * hand.shiftWeight
    g[2] = 2 * (z[2] as number) * turnWeight
    h[0] = h[n + 1] = 2 * hand.shiftWeight
    h[2 * n + 2] = 2 * turnWeight
  }
  /** adds w·(Σ coefficient·unknown)², given its value and its coefficients */
  const addSquare = (
    w: number,
    value: number,
    at: readonly number[],
    coefficient: readonly number[],
  ): void => {
    energy += w * value * value
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
  for (let k = 0; k < boxes.length; k++) {
    const f = used[k] as number
    const bx = (hand.leverX[f] as number) / turnLeverMm
    const by = (hand.leverY[f] as number) / turnLeverMm
    const xi = 3 + 2 * k
    const dx = (z[xi] as number) - ((hand.tipX[f] as number) + tx - (z[2] as number) * by)
    const dy = (z[xi + 1] as number) - ((hand.tipY[f] as number) + ty + (z[2] as number) * bx)
    addSquare((dx > 0 ? hand.weightIn[f] : hand.weightOut[f]) as number, dx, [xi, 0, 2], [1, -1, by])
    addSquare(
      (dy > 0 ? hand.weightBack[f] : hand.weightForward[f]) as number,
      dy,
      [xi + 1, 1, 2],
      [1, -1, -bx],
    )
  }
  for (let a = 0; a < boxes.length; a++) {
    for (let b = a + 1; b < boxes.length; b++) {
      const fa = used[a] as number
      const fb = used[b] as number
      const xa = 3 + 2 * a
      const xb = 3 + 2 * b
      const ux = (z[xa] as number) - (z[xb] as number)
      const uy = (z[xa + 1] as number) - (z[xb + 1] as number)
      const length = Math.hypot(ux, uy)
      const relaxed = hand.relaxedMm[fa * 5 + fb] as number
      if (length > relaxed) {
        const w = 1 / ((hand.practicalMm[fa * 5 + fb] as number) - relaxed) ** 2
        const over = length - relaxed
        const nx = ux / length
        const ny = uy / length
        addSquare(w, over, [xa, xa + 1, xb, xb + 1], [nx, ny, -nx, -ny])
        // the curvature of |p − q| itself, which Gauss–Newton leaves out; with it the step is a true Newton step
        if (h) {
          const c = (2 * w * over) / length
          addDistanceCurvature(h, n, xa, xb, c * ny * ny, -c * nx * ny, c * nx * nx)
        }
      }
      const inner = fa < fb ? a : b
      const outer = fa < fb ? b : a
      const gap = uncrossedGapMm(Math.min(fa, fb), Math.max(fa, fb), (boxes[outer] as AimBox).bottomRow)
      if (gap > 0) {
        const xi = 3 + 2 * inner
        const xj = 3 + 2 * outer
        const short = gap - ((z[xi] as number) - (z[xj] as number))
        if (short > 0) addSquare(1 / crossingScaleMm ** 2, short, [xi, xj], [-1, 1])
      }
    }
  }
  return energy
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
