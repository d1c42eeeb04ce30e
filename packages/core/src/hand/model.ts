import type { Control, HandSide, RestingHand } from '../bench/index.js'
import { CoreError } from '../errors.js'
import {
  aimInsetMm,
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
} from './constants.js'

/**
 * A resting hand with everything scaled to its span, in the frame of a left hand: for a right hand x is mirrored,
 * so that `in` is always +x. Arrays run from thumb (0) to little finger (4).
 */
export interface HandModel {
  readonly side: HandSide
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
  readonly shiftWeight: number
  readonly turnWeight: number
  /** height of the resting fingertips, and 1 / radius² up or down from it */
  readonly restZMm: number
  readonly heightWeight: number
  /** the person's press, ms, and slope of each finger, ms a bit */
  readonly pressMs: number
  readonly msPerBit: Float64Array
}

/** Degrees to radians. */
export const degToRad = (angleDeg: number): number => (angleDeg * Math.PI) / 180
export const radToDeg = (angleRad: number): number => (angleRad * 180) / Math.PI

/** +1 for a left hand, −1 for a right hand: x in the model's frame is x on the desk times this. */
export const frameSign = (side: HandSide): 1 | -1 => (side === 'left' ? 1 : -1)

/** A hand and the ids of the controls that its fingertips rest on. */
export interface HandAtRest extends Pick<RestingHand, 'side' | 'spanMm' | 'rests' | 'fit'> {
  /** the control under the thumb; the key "Space" where left out */
  readonly thumbRest?: string
}

/**
 * The hand model for a hand that rests on `controls`.
 * @throws CoreError `REST_MISSING` when a fingertip rests on a control that is not there
 */
export function handModel(hand: HandAtRest, controls: readonly Control[]): HandModel {
  const sign = frameSign(hand.side)
  const at = (id: string, finger: string): { x: number; y: number; z: number } => {
    const control = controls.find((c) => c.id === id)
    if (!control) {
      throw new CoreError('REST_MISSING', {
        where: ['hands', hand.side, 'rests', finger],
        what: `the ${finger} finger rests on "${id}", which is not on the device`,
        remedy: 'choose a control that the device has',
      })
    }
    return { x: control.xMm * sign, y: control.yMm, z: control.zMm ?? 0 }
  }
  const index = at(hand.rests.index, 'index')
  const long = [
    index,
    at(hand.rests.middle, 'middle'),
    at(hand.rests.ring, 'ring'),
    at(hand.rests.little, 'little'),
  ]
  const space = controls.find((c) => c.id === (hand.thumbRest ?? 'Space'))
  // Without a space bar the thumb lies where one would be: two rows nearer than the home row.
  const tips = [{ x: index.x + thumbInwardMm, y: space?.yMm ?? index.y + 38.1 }, ...long]
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

/** Where a fingertip may land on a key, in the model's frame. */
export interface AimBox {
  readonly x0: number
  readonly x1: number
  readonly y0: number
  readonly y1: number
  readonly bottomRow: boolean
  /** height above the desk, mm */
  readonly z: number
  /** the smaller side of the cap, mm: the W of Fitts */
  readonly targetMm: number
  /** what Fitts measures to: the cap's centre, or half a long cap's centre line to either side of it, mm */
  readonly centre: { readonly x: number; readonly y: number; readonly halfX: number; readonly halfY: number }
}

/**
 * Way from a fingertip to the centre of a cap, mm. A long cap is hit anywhere along its centre line as well as a square
 * one of its smaller side.
 */
export const toCentreMm = ({ centre, z }: AimBox, x: number, y: number, fromZ: number): number =>
  Math.hypot(
    Math.max(0, Math.abs(x - centre.x) - centre.halfX),
    Math.max(0, Math.abs(y - centre.y) - centre.halfY),
    z - fromZ,
  )

/** Where on a control a finger may aim, mm, in the axes of the hand's frame. */
export function aimBox(control: Control, side: HandSide): AimBox {
  const x = control.xMm * frameSign(side)
  const halfX = Math.max(0, control.widthMm / 2 - aimInsetMm)
  const halfY = Math.max(0, control.heightMm / 2 - aimInsetMm)
  return {
    x0: x - halfX,
    x1: x + halfX,
    y0: control.yMm - halfY,
    y1: control.yMm + halfY,
    bottomRow: control.row === 'bottom',
    z: control.zMm ?? 0,
    targetMm: Math.min(control.widthMm, control.heightMm),
    centre: {
      x,
      y: control.yMm,
      halfX: Math.max(0, control.widthMm - control.heightMm) / 2,
      halfY: Math.max(0, control.heightMm - control.widthMm) / 2,
    },
  }
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
