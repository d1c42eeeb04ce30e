import { nearestAim, type AimBox, type NearestAim } from './aim.js'
import type { HandModel } from './model.js'

/** Pose of the palm: shift in mm and turn in radians, in the model's frame. */
export interface Pose {
  readonly tx: number
  readonly ty: number
  readonly turn: number
}

const maxIterations = 60
const gradientTolerance = 1e-12

/** Energy of a pose with its gradient and Hessian, in the piece of the quadratic that the pose lies in. */
class PoseEnergy {
  energy = 0
  // gradient and Hessian of the current piece; only a cap that is turned against the hand ties x to y
  g0 = 0
  g1 = 0
  g2 = 0
  hxx = 0
  hxy = 0
  hxt = 0
  hyy = 0
  hyt = 0
  htt = 0
  private near: NearestAim | undefined

  constructor(
    private readonly hand: HandModel,
    private readonly boxes: readonly AimBox[],
    private readonly used: ArrayLike<number>,
  ) {}

  /** Works out all of it for a shift in mm and a turn in radians. */
  at(x: number, y: number, t: number): number {
    const { hand, boxes, used } = this
    this.energy = (x * x + y * y) * hand.shiftWeight + t * t * hand.turnWeight
    this.g0 = 2 * x * hand.shiftWeight
    this.g1 = 2 * y * hand.shiftWeight
    this.g2 = 2 * t * hand.turnWeight
    this.hxx = this.hyy = 2 * hand.shiftWeight
    this.htt = 2 * hand.turnWeight
    this.hxt = this.hyt = this.hxy = 0
    for (let k = 0; k < boxes.length; k++) {
      const box = boxes[k] as AimBox
      const f = used[k] as number
      const bx = hand.leverX[f] as number
      const by = hand.leverY[f] as number
      const qx = (hand.tipX[f] as number) + x - t * by
      const qy = (hand.tipY[f] as number) + y + t * bx
      if (box.turned) this.addTurned(box, f, qx, qy)
      else this.addStraight(box, f, qx, qy)
    }
    return this.energy
  }

  private addTurned(box: AimBox, f: number, qx: number, qy: number): void {
    const { hand } = this
    const near = (this.near ??= { dx: 0, dy: 0, wx: 0, wy: 0, hxx: 0, hxy: 0, hyy: 0 })
    nearestAim(box, qx, qy, hand, f, near)
    const bx = hand.leverX[f] as number
    const by = hand.leverY[f] as number
    const { dx, dy, wx, wy } = near
    this.energy += wx * dx * dx + wy * dy * dy
    this.g0 -= 2 * wx * dx
    this.g1 -= 2 * wy * dy
    this.g2 += 2 * (wx * dx * by - wy * dy * bx)
    this.hxx += 2 * near.hxx
    this.hxy += 2 * near.hxy
    this.hyy += 2 * near.hyy
    this.hxt += 2 * (near.hxy * bx - near.hxx * by)
    this.hyt += 2 * (near.hyy * bx - near.hxy * by)
    this.htt += 2 * (near.hxx * by * by - 2 * near.hxy * bx * by + near.hyy * bx * bx)
  }

  private addStraight(box: AimBox, f: number, qx: number, qy: number): void {
    const { hand } = this
    const dx = qx < box.x0 ? box.x0 - qx : qx > box.x1 ? box.x1 - qx : 0
    const dy = qy < box.y0 ? box.y0 - qy : qy > box.y1 ? box.y1 - qy : 0
    if (dx !== 0) {
      const by = hand.leverY[f] as number
      const w = (dx > 0 ? hand.weightIn[f] : hand.weightOut[f]) as number
      this.energy += w * dx * dx
      this.g0 -= 2 * w * dx
      this.g2 += 2 * w * dx * by
      this.hxx += 2 * w
      this.hxt -= 2 * w * by
      this.htt += 2 * w * by * by
    }
    if (dy !== 0) {
      const bx = hand.leverX[f] as number
      const w = (dy > 0 ? hand.weightBack[f] : hand.weightForward[f]) as number
      this.energy += w * dy * dy
      this.g1 -= 2 * w * dy
      this.g2 -= 2 * w * dy * bx
      this.hyy += 2 * w
      this.hyt += 2 * w * bx
      this.htt += 2 * w * bx * bx
    }
  }
}

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
  const piece = new PoseEnergy(hand, boxes, used)
  let energy = piece.at(0, 0, 0)
  for (let i = 0; i < maxIterations; i++) {
    const { g0, g1, g2, hxx, hxy, hxt, hyy, hyt, htt } = piece
    // the turn's gradient is per radian; 70 mm makes it comparable to one per mm
    if (Math.abs(g0) + Math.abs(g1) + Math.abs(g2) / 70 < gradientTolerance) break
    // eliminate tx, then ty, from the 3 x 3 system: [hxx hxy hxt; hxy hyy hyt; hxt hyt htt] s = −g
    const kyy = hyy - (hxy * hxy) / hxx
    const kyt = hyt - (hxy * hxt) / hxx
    const k1 = g1 - (hxy * g0) / hxx
    const schur = htt - (hxt * hxt) / hxx - (kyt * kyt) / kyy
    const s2 = (-g2 + (hxt * g0) / hxx + (kyt * k1) / kyy) / schur
    const s1 = (-k1 - kyt * s2) / kyy
    const s0 = (-g0 - hxy * s1 - hxt * s2) / hxx
    const slope = g0 * s0 + g1 * s1 + g2 * s2
    let step = 1
    let next = piece.at(tx + s0, ty + s1, turn + s2)
    while (next > energy + 1e-4 * step * slope && step > 1e-12) {
      step /= 2
      next = piece.at(tx + step * s0, ty + step * s1, turn + step * s2)
    }
    if (next >= energy) break
    tx += step * s0
    ty += step * s1
    turn += step * s2
    energy = next
  }
  return { pose: { tx, ty, turn }, energy }
}
