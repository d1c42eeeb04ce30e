import type { Control } from '../bench/index.js'
import { degToRad } from './angles.js'
import { aimInsetMm } from './constants.js'
import { toFrame, type HandFrame } from './frame.js'

/** A turn as a rotation of the plane, about the origin. */
export interface Rotation {
  readonly cos: number
  readonly sin: number
}

/**
 * Where a fingertip may land on a key, in the model's frame. The box of a cap that is turned against the hand is upright in the
 * cap's own axes: the frame's, rotated by `turned`.
 */
export interface AimBox {
  readonly x0: number
  readonly x1: number
  readonly y0: number
  readonly y1: number
  /** how the cap is turned against the hand; left out where it is not */
  readonly turned?: Rotation
  readonly bottomRow: boolean
  /** height above the desk, mm */
  readonly z: number
  /** the smaller side of the cap, mm: the W of Fitts */
  readonly targetMm: number
  /** what Fitts measures to: the cap's centre, or half a long cap's centre line to either side of it, mm, in the cap's axes */
  readonly centre: { readonly x: number; readonly y: number; readonly halfX: number; readonly halfY: number }
}

/** A turn of a cap against the hand below which it counts as none, degrees: far under what a hand feels. */
const leastTurnDeg = 1e-9

/** Where on a control a finger may aim, mm, for a hand with these axes. */
export function aimBox(control: Control, frame: HandFrame): AimBox {
  const at = toFrame(frame, control.xMm, control.yMm)
  const against = ((control.turnDeg ?? 0) - frame.turnDeg) * frame.sign
  const turned = Math.abs(against) < leastTurnDeg ? undefined : rotation(against)
  const { x, y } = turned ? rotated(turned, at.x, at.y, -1) : at
  const widthMm = control.capWidthMm ?? control.widthMm
  const heightMm = control.capHeightMm ?? control.heightMm
  const halfX = Math.max(0, widthMm / 2 - aimInsetMm)
  const halfY = Math.max(0, heightMm / 2 - aimInsetMm)
  return {
    x0: x - halfX,
    x1: x + halfX,
    y0: y - halfY,
    y1: y + halfY,
    ...(turned && { turned }),
    bottomRow: control.row === 'bottom',
    z: control.zMm ?? 0,
    targetMm: Math.min(widthMm, heightMm),
    centre: {
      x,
      y,
      halfX: Math.max(0, widthMm - heightMm) / 2,
      halfY: Math.max(0, heightMm - widthMm) / 2,
    },
  }
}

const rotation = (turnDeg: number): Rotation => ({
  cos: Math.cos(degToRad(turnDeg)),
  sin: Math.sin(degToRad(turnDeg)),
})

/** A point rotated, or back with `way` −1. */
export const rotated = (
  { cos, sin }: Rotation,
  x: number,
  y: number,
  way: 1 | -1 = 1,
): { readonly x: number; readonly y: number } => ({ x: x * cos - way * y * sin, y: way * x * sin + y * cos })

/**
 * Way from a fingertip to the centre of a cap, mm. A long cap is hit anywhere along its centre line as well as a square
 * one of its smaller side.
 */
export function toCentreMm({ centre, z, turned }: AimBox, x: number, y: number, fromZ: number): number {
  const at = turned ? rotated(turned, x, y, -1) : { x, y }
  return Math.hypot(
    Math.max(0, Math.abs(at.x - centre.x) - centre.halfX),
    Math.max(0, Math.abs(at.y - centre.y) - centre.halfY),
    z - fromZ,
  )
}

/** 1 / radius² of each finger, inward, outward, back and forward. */
export interface AxisWeights {
  readonly weightIn: ArrayLike<number>
  readonly weightOut: ArrayLike<number>
  readonly weightForward: ArrayLike<number>
  readonly weightBack: ArrayLike<number>
}

/** The aim point of least cost for a fingertip, from the tip; what it costs, and half the curvature of that by the tip. */
export interface NearestAim {
  dx: number
  dy: number
  wx: number
  wy: number
  hxx: number
  hxy: number
  hyy: number
}

/**
 * The point of a turned box that costs a fingertip at (qx, qy) least: exact, for the cost along each edge that faces the tip is
 * made of at most four parabolas.
 * @param out is written to; all 0 where the tip lies over the box
 */
export function nearestAim(
  box: AimBox,
  qx: number,
  qy: number,
  hand: AxisWeights,
  f: number,
  out: NearestAim,
): void {
  const turn = box.turned as Rotation
  const at = rotated(turn, qx, qy, -1)
  out.dx = out.dy = out.wx = out.wy = out.hxx = out.hxy = out.hyy = 0
  const overX = at.x < box.x0 ? box.x0 : at.x > box.x1 ? box.x1 : null
  const overY = at.y < box.y0 ? box.y0 : at.y > box.y1 ? box.y1 : null
  let least = Infinity
  if (overX !== null) {
    const corner = rotated(turn, overX - at.x, box.y0 - at.y)
    least = alongEdge(corner.x, corner.y, -turn.sin, turn.cos, box.y1 - box.y0, hand, f, least, out)
  }
  if (overY !== null) {
    const corner = rotated(turn, box.x0 - at.x, overY - at.y)
    alongEdge(corner.x, corner.y, turn.cos, turn.sin, box.x1 - box.x0, hand, f, least, out)
  }
}

/**
 * The best point of an edge that begins at (ax, ay) from the tip and runs in the direction (tx, ty) for `length`; written to `out`
 * where it costs less than `least`.
 */
function alongEdge(
  ax: number,
  ay: number,
  tx: number,
  ty: number,
  length: number,
  hand: AxisWeights,
  f: number,
  least: number,
  out: NearestAim,
): number {
  const inward = hand.weightIn[f] as number
  const outward = hand.weightOut[f] as number
  const back = hand.weightBack[f] as number
  const forward = hand.weightForward[f] as number
  for (let signs = 0; signs < 4; signs++) {
    const px = (signs & 1) === 0 ? inward : outward
    const py = (signs & 2) === 0 ? back : forward
    const steep = px * tx * tx + py * ty * ty
    const s = Math.min(Math.max(-(px * ax * tx + py * ay * ty) / steep, 0), length)
    const dx = ax + s * tx
    const dy = ay + s * ty
    const wx = dx > 0 ? inward : outward
    const wy = dy > 0 ? back : forward
    const cost = wx * dx * dx + wy * dy * dy
    if (cost >= least) continue
    least = cost
    const isInside = s > 0 && s < length
    // within an edge only the way across it costs; at a corner each way does
    const across = (wx * wy) / (wx * tx * tx + wy * ty * ty)
    out.dx = dx
    out.dy = dy
    out.wx = wx
    out.wy = wy
    out.hxx = isInside ? across * ty * ty : wx
    out.hxy = isInside ? -across * tx * ty : 0
    out.hyy = isInside ? across * tx * tx : wy
  }
  return least
}
