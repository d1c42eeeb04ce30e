import {
  aimBox,
  assignments,
  degToRad,
  isAllowed,
  turnLeverMm,
  type AimBox,
  type Control,
  type HandModel,
} from '../../src/index.js'
import { rotated } from '../../src/hand/aim.js'
import { chordEnergyInCaps } from '../../src/hand/energy.js'

/** A plain reference: every finger assignment at every palm pose of a grid, with aim points that slide in their keys. */
export interface GridStep {
  readonly palmMm: number
  readonly turnDeg: number
}

/** Aim points are tried at this many places along each side of their box. */
const slideSteps = 9
const slideSweeps = 2

/** The least energy that the grid finds. Never below the true optimum, since every point of it is a real posture. */
export function gridEnergy(hand: HandModel, controls: readonly Control[], step: GridStep): number {
  const boxes = controls.map((c) => aimBox(c, hand.frame))
  const allowed = assignments(boxes.length).filter((used) => isAllowed(boxes, used))
  // A coarse pass first gives an energy that leaves the fine pass fewer poses to look at; it changes no result.
  const coarse = { palmMm: step.palmMm * 4, turnDeg: step.turnDeg * 4 }
  let best = Infinity
  for (const pass of [coarse, step])
    for (const used of allowed) best = Math.min(best, searchPoses(hand, boxes, used, pass, best))
  return best
}

function searchPoses(
  hand: HandModel,
  boxes: readonly AimBox[],
  used: readonly number[],
  step: GridStep,
  best: number,
): number {
  let least = best
  const z = new Float64Array(3 + 2 * boxes.length)
  const at = (tx: number, ty: number, turn: number): void => {
    // a palm that costs more by itself than all found so far cannot win
    const palm = (tx * tx + ty * ty) * hand.shiftWeight + turn * turn * hand.turnWeight
    if (palm >= least) return
    z[0] = tx
    z[1] = ty
    z[2] = turn * turnLeverMm
    least = Math.min(least, slide(hand, boxes, used, z, least))
  }
  at(0, 0, 0)
  const reach = Math.sqrt(Math.min(least, 40))
  const palms = Math.ceil(reach / Math.sqrt(hand.shiftWeight) / step.palmMm)
  const turns = Math.ceil(reach / Math.sqrt(hand.turnWeight) / degToRad(step.turnDeg))
  for (let i = -palms; i <= palms; i++) {
    for (let j = -palms; j <= palms; j++) {
      for (let k = -turns; k <= turns; k++) at(i * step.palmMm, j * step.palmMm, k * degToRad(step.turnDeg))
    }
  }
  return least
}

/**
 * Aim points at the places nearest to their fingertips, then slid one coordinate at a time. A pose whose palm and
 * fingers alone cost `best` or more is left at once: spans and crossings only add to it.
 */
function slide(
  hand: HandModel,
  boxes: readonly AimBox[],
  used: readonly number[],
  z: Float64Array,
  best: number,
): number {
  const turn = z[2]! / turnLeverMm
  let alone = (z[0]! ** 2 + z[1]! ** 2) * hand.shiftWeight + turn ** 2 * hand.turnWeight
  boxes.forEach((box, k) => {
    const f = used[k]!
    const qx = hand.tipX[f]! + z[0]! - turn * hand.leverY[f]!
    const qy = hand.tipY[f]! + z[1]! + turn * hand.leverX[f]!
    if (box.turned) {
      // any point of the cap is a real posture; sliding finds a better one
      const at = rotated(box.turned, qx, qy, -1)
      z[3 + 2 * k] = Math.min(Math.max(at.x, box.x0), box.x1)
      z[4 + 2 * k] = Math.min(Math.max(at.y, box.y0), box.y1)
      return
    }
    const x = Math.min(Math.max(qx, box.x0), box.x1)
    const y = Math.min(Math.max(qy, box.y0), box.y1)
    z[3 + 2 * k] = x
    z[4 + 2 * k] = y
    alone +=
      (x > qx ? hand.weightIn : hand.weightOut)[f]! * (x - qx) ** 2 +
      (y > qy ? hand.weightBack : hand.weightForward)[f]! * (y - qy) ** 2
  })
  if (alone >= best) return Infinity
  const hasTurned = boxes.some((box) => box.turned !== undefined)
  let energy = chordEnergyInCaps(hand, boxes, used, z)
  if (!hasTurned && (boxes.length === 1 || energy <= alone + 1e-12)) return energy
  for (let sweep = 0; sweep < slideSweeps; sweep++) {
    for (let v = 3; v < z.length; v++) {
      const box = boxes[(v - 3) >> 1]!
      const [low, high] = v % 2 === 1 ? [box.x0, box.x1] : [box.y0, box.y1]
      let kept = z[v]!
      for (let s = 0; s < slideSteps; s++) {
        z[v] = low + ((high - low) * s) / (slideSteps - 1)
        const trial = chordEnergyInCaps(hand, boxes, used, z)
        if (trial < energy) {
          energy = trial
          kept = z[v]!
        }
      }
      z[v] = kept
    }
  }
  return energy
}
