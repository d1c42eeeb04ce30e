import { filled, rectPath, type Mark } from '../drawing/index.js'

const barMm = 0.4
/** between the bar and what it marks */
const barGapMm = 0.5

/** The bar on the left of what is new, from `topMm` to `footMm`: seen in one ink too. */
export const newBar = (leftMm: number, topMm: number, footMm: number, colour: string): Mark =>
  filled(rectPath(leftMm - barGapMm - barMm, topMm, barMm, footMm - topMm), colour)
