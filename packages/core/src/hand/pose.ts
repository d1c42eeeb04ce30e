import type { AimBox, HandModel } from './model.js'

/** Pose of the palm: shift in mm and turn in radians, in the model's frame. */
export interface Pose {
  readonly tx: number
  readonly ty: number
  readonly turn: number
}

const maxIterations = 60
const gradientTolerance = 1e-12

/**
 * The best palm pose for given fingers on given keys, leaving out spans between fingers and crossings.
 * What is left is convex and piecewise quadratic, so a Newton step from piece to piece ends at the exact optimum:
 * a lower bound of the whole energy, and the optimum where no span or crossing is active.
 * @param used finger (0 to 4) for each box
 */
export function freePose(
  hand: HandModel,
  boxes: readonly AimBox[],
  used: ArrayLike<number>,
): { pose: Pose; energy: number } {
  let [tx, ty, turn] = [0, 0, 0]
  // gradient and Hessian of the current piece: g, then h as xx, xt, yy, yt, tt (xy is always 0)
  let [g0, g1, g2] = [0, 0, 0]
  let [hxx, hxt, hyy, hyt, htt] = [0, 0, 0, 0, 0]
  const evaluate = (x: number, y: number, t: number): number => {
    let energy = (x * x + y * y) * hand.shiftWeight + t * t * hand.turnWeight
    g0 = 2 * x * hand.shiftWeight
    g1 = 2 * y * hand.shiftWeight
    g2 = 2 * t * hand.turnWeight
    hxx = hyy = 2 * hand.shiftWeight
    htt = 2 * hand.turnWeight
    hxt = hyt = 0
    for (let k = 0; k < boxes.length; k++) {
      const box = boxes[k] as AimBox
      const f = used[k] as number
      const bx = hand.leverX[f] as number
      const by = hand.leverY[f] as number
      const qx = (hand.tipX[f] as number) + x - t * by
      const qy = (hand.tipY[f] as number) + y + t * bx
      const dx = qx < box.x0 ? box.x0 - qx : qx > box.x1 ? box.x1 - qx : 0
      const dy = qy < box.y0 ? box.y0 - qy : qy > box.y1 ? box.y1 - qy : 0
      if (dx !== 0) {
        const w = (dx > 0 ? hand.weightIn[f] : hand.weightOut[f]) as number
        energy += w * dx * dx
        g0 -= 2 * w * dx
        g2 += 2 * w * dx * by
        hxx += 2 * w
        hxt -= 2 * w * by
        htt += 2 * w * by * by
      }
      if (dy !== 0) {
        const w = (dy > 0 ? hand.weightBack[f] : hand.weightForward[f]) as number
        energy += w * dy * dy
        g1 -= 2 * w * dy
        g2 -= 2 * w * dy * bx
        hyy += 2 * w
        hyt += 2 * w * bx
        htt += 2 * w * bx * bx
      }
    }
    return energy
  }
  let energy = evaluate(0, 0, 0)
  for (let i = 0; i < maxIterations; i++) {
    // the turn's gradient is per radian; 70 mm makes it comparable to one per mm
    if (Math.abs(g0) + Math.abs(g1) + Math.abs(g2) / 70 < gradientTolerance) break
    // eliminate tx and ty from the 3 x 3 system: [hxx 0 hxt; 0 hyy hyt; hxt hyt htt] s = −g
    const schur = htt - (hxt * hxt) / hxx - (hyt * hyt) / hyy
    const s2 = (-g2 + (hxt * g0) / hxx + (hyt * g1) / hyy) / schur
    const s0 = (-g0 - hxt * s2) / hxx
    const s1 = (-g1 - hyt * s2) / hyy
    const slope = g0 * s0 + g1 * s1 + g2 * s2
    let step = 1
    let next = evaluate(tx + s0, ty + s1, turn + s2)
    while (next > energy + 1e-4 * step * slope && step > 1e-12) {
      step /= 2
      next = evaluate(tx + step * s0, ty + step * s1, turn + step * s2)
    }
    if (next >= energy) {
      evaluate(tx, ty, turn)
      break
    }
    tx += step * s0
    ty += step * s1
    turn += step * s2
    energy = next
  }
  return { pose: { tx, ty, turn }, energy }
}
