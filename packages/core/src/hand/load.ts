import type { HandSide } from '../bench/index.js'
import { tappingCapacity, wristBandsDeg, type Finger } from './constants.js'

/** Tapping ability of a finger over that of the hand's strongest, 0 to 1. */
export const fingerCapacity = (side: HandSide, finger: Finger): number =>
  tappingCapacity[side][finger] / Math.max(...Object.values(tappingCapacity[side]))

export type WristBand = 'in line' | 'turned to 15°' | 'turned beyond 15°'

/** The band of RULA in which the palm's turn puts the wrist, the forearm lying still. A screening aid. */
export const wristBand = (turnDeg: number): WristBand =>
  turnDeg <= wristBandsDeg.inLine
    ? 'in line'
    : turnDeg <= wristBandsDeg.turned
      ? 'turned to 15°'
      : 'turned beyond 15°'
