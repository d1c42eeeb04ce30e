import type { Control, HandSide, RestingHand } from '../bench/index.js'
import { CoreError } from '../errors.js'
import { aimBox, rotated } from './aim.js'
import { degToRad } from './angles.js'
import {
  comfortRadiiMm,
  fingers,
  fingerSpansSemitones,
  fittsMsPerBit,
  heightRadiusMm,
  palmShiftScaleMm,
  palmTurnScaleDeg,
  pivotBehindTipsMm,
  pressMs,
  referenceSpanMm,
  semitoneMm,
  thumbInwardMm,
  mostThumbWayMm,
  thumbNearerMm,
  verdictLimits,
} from './constants.js'
import { handFrame, toFrame, turnOfRests, type HandFrame } from './frame.js'

/** A resting hand with everything scaled to its span, in its own axes. Arrays run from thumb (0) to little finger (4). */
export interface HandModel {
  readonly side: HandSide
  readonly frame: HandFrame
  readonly spanMm: number
  readonly tipX: Float64Array
  readonly tipY: Float64Array
  /** tip − pivot */
  readonly leverX: Float64Array
  readonly leverY: Float64Array
  /** 1 / radius² towards the thumb, away from it, forward, back */
  readonly weightIn: Float64Array
  readonly weightOut: Float64Array
  readonly weightForward: Float64Array
  readonly weightBack: Float64Array
  /** 5 x 5, mm: largest relaxed and largest practical span of two fingertips */
  readonly relaxedMm: Float64Array
  readonly practicalMm: Float64Array
  /** largest efforts of what is easy and of what is a stretch */
  readonly limits: { readonly easy: number; readonly stretch: number }
  /** energy that a press of each finger adds: 0, more for a spared one, Infinity for one that is never used */
  readonly fingerCost: Float64Array
  readonly shiftWeight: number
  readonly turnWeight: number
  /** height of the resting fingertips, and 1 / radius² up or down from it */
  readonly restZMm: number
  readonly heightWeight: number
  /** the person's press, ms, and slope of each finger, ms a bit */
  readonly pressMs: number
  readonly msPerBit: Float64Array
}

/** A hand and the ids of the controls that its fingertips rest on. */
export interface HandAtRest extends Pick<
  RestingHand,
  'side' | 'spanMm' | 'rests' | 'fit' | 'reach' | 'limits'
> {
  /** the control under the thumb; the key "Space" where left out */
  readonly thumbRest?: string
}

/**
 * The hand model for a hand that rests on `controls`.
 * @throws CoreError `REST_MISSING` when a fingertip rests on a control that is not there
 */
export function handModel(hand: HandAtRest, controls: readonly Control[]): HandModel {
  const under = (id: string, finger: string): Control => {
    const control = controls.find((c) => c.id === id)
    if (!control) {
      throw new CoreError('REST_MISSING', {
        where: ['hands', hand.side, 'rests', finger],
        what: `the ${finger} finger rests on "${id}", which is not on the device`,
        remedy: 'choose a control that the device has',
      })
    }
    return control
  }
  const rests = (['index', 'middle', 'ring', 'little'] as const).map((f) => under(hand.rests[f], f))
  const frame = handFrame(hand.side, turnOfRests(rests))
  const long = rests.map((c) => ({ ...toFrame(frame, c.xMm, c.yMm), z: c.zMm ?? 0 }))
  const thumb = hand.rests.thumb === undefined ? undefined : under(hand.rests.thumb, 'thumb')
  const space = controls.find((c) => c.id === (hand.thumbRest ?? 'Space'))
  const tips = [
    thumb
      ? along(frame, freeThumb(long[0] as Point), thumb)
      : thumbTip(frame, freeThumb(long[0] as Point), space, controls, hand.rests.index),
    ...long,
  ]
  const mean = (pick: (tip: { x: number; y: number; z: number }) => number): number =>
    long.reduce((s, t) => s + pick(t), 0) / 4
  const pivot = { x: mean((t) => t.x), y: mean((t) => t.y) + pivotBehindTipsMm }
  const scale = hand.spanMm / referenceSpanMm
  const weights = (part: number): Float64Array =>
    Float64Array.from(fingers, (finger) => 1 / ((comfortRadiiMm[finger][part] as number) * scale) ** 2)
  const spans = (part: number): Float64Array => {
    const out = new Float64Array(25)
    for (const [pair, semitones] of Object.entries(fingerSpansSemitones)) {
      const [i, j] = pair.split('-').map((n) => Number(n) - 1) as [number, number]
      out[i * 5 + j] = out[j * 5 + i] = (semitones[part] as number) * semitoneMm * scale
    }
    return out
  }
  return {
    side: hand.side,
    frame,
    spanMm: hand.spanMm,
    tipX: Float64Array.from(tips, (t) => t.x),
    tipY: Float64Array.from(tips, (t) => t.y),
    leverX: Float64Array.from(tips, (t) => t.x - pivot.x),
    leverY: Float64Array.from(tips, (t) => t.y - pivot.y),
    weightForward: weights(0),
    weightBack: weights(1),
    weightIn: weights(2),
    weightOut: weights(3),
    relaxedMm: spans(0),
    practicalMm: spans(2),
    limits: verdictLimits,
    fingerCost: new Float64Array(fingers.length),
    shiftWeight: 1 / palmShiftScaleMm ** 2,
    turnWeight: 1 / degToRad(palmTurnScaleDeg) ** 2,
    restZMm: mean((t) => t.z),
    heightWeight: 1 / (heightRadiusMm * scale) ** 2,
    pressMs: hand.fit?.pressMs ?? pressMs,
    msPerBit: Float64Array.from(
      fingers,
      (finger) => (hand.fit?.msPerBit ?? fittsMsPerBit) * (hand.fit?.fingerFactors[finger] ?? 1),
    ),
  }
}

interface Point {
  readonly x: number
  readonly y: number
}

/** Where a thumb hangs that rests on nothing: inward of the index fingertip, two rows nearer than it. */
const freeThumb = (index: Point): Point => ({ x: index.x + thumbInwardMm, y: index.y + thumbNearerMm })

/**
 * Where the thumb rests before the person says so: on the space bar, where that lies under it; else on the nearest key of the thumb on
 * the same device; else on nothing.
 */
function thumbTip(
  frame: HandFrame,
  free: Point,
  space: Control | undefined,
  controls: readonly Control[],
  index: string,
): Point {
  const device = index.slice(0, index.indexOf('/') + 1)
  const others = controls.filter((c) => c.row === 'bottom' && c.id.startsWith(device) && c !== space)
  for (const near of [space ? [space] : [], others]) {
    const tips = near.map((control) => along(frame, free, control))
    const off = (tip: Point): number => Math.abs(tip.x - free.x) + Math.abs(tip.y - free.y)
    const best = tips.toSorted((p, q) => off(p) - off(q))[0]
    if (best && Math.hypot(best.x - free.x, best.y - free.y) <= mostThumbWayMm) return best
  }
  return free
}

/** The point along the middle of a control that lies nearest to where the thumb hangs. */
function along(frame: HandFrame, free: Point, control: Control): Point {
  const { centre, x0, x1, turned } = aimBox(control, frame)
  const at = turned ? rotated(turned, free.x, free.y, -1).x : free.x
  const x = Math.min(Math.max(at, x0), x1)
  return turned ? rotated(turned, x, centre.y) : { x, y: centre.y }
}

/**
 * The part of a chord's energy that comes from keys above or below the resting fingertips. The palm rises and sinks
 * as it shifts, so the least over its height is known at once, and does not depend on which finger takes which key.
 * @param heightsMm of the keys above the resting fingertips
 */
export function heightEnergy(hand: HandModel, heightsMm: readonly number[]): number {
  const w = hand.heightWeight
  const palm = (w * heightsMm.reduce((sum, h) => sum + h, 0)) / (hand.shiftWeight + w * heightsMm.length)
  return heightsMm.reduce((sum, h) => sum + w * (h - palm) ** 2, palm * palm * hand.shiftWeight)
}
