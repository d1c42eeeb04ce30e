import { contours, type ContourMultiPolygon } from 'd3-contour'
import { capGapMm, pitchMm } from '../bench/index.js'
import { fingers, type Finger } from './constants.js'
import type { AimBox } from './aim.js'
import { toFrame } from './frame.js'
import type { HandModel } from './model.js'
import { freePose } from './pose.js'
import { movementMs } from './time.js'

/** Effort and time of the best single finger on a regular grid over the desk. Values run row by row. */
export interface ReachField {
  readonly x0Mm: number
  readonly y0Mm: number
  readonly cellMm: number
  readonly columns: number
  readonly rows: number
  readonly effort: Float64Array
  readonly timeMs: Float64Array
}

/** The part of the desk for which the field of reach is drawn, mm. */
export interface FieldArea {
  readonly x0Mm: number
  readonly x1Mm: number
  readonly y0Mm: number
  readonly y1Mm: number
  readonly cellMm: number
}

/**
 * The energy of a single finger at any point of the desk, for the best of `allowed` fingers, as a chart.
 * A point has no cap around it: effort is that of aiming exactly there, time that of a one-unit key there.
 * The thumb is left out by default, since it takes keys of the bottom row only.
 */
export function reachField(
  hand: HandModel,
  area: FieldArea,
  allowed: readonly Finger[] = fingers.slice(1),
): ReachField {
  const columns = Math.max(2, Math.floor((area.x1Mm - area.x0Mm) / area.cellMm) + 1)
  const rows = Math.max(2, Math.floor((area.y1Mm - area.y0Mm) / area.cellMm) + 1)
  const effort = new Float64Array(columns * rows)
  const timeMs = new Float64Array(columns * rows)
  const used = allowed.map((finger) => fingers.indexOf(finger))
  for (let r = 0; r < rows; r++) {
    for (let c = 0; c < columns; c++) {
      const { x, y } = toFrame(hand.frame, area.x0Mm + c * area.cellMm, area.y0Mm + r * area.cellMm)
      let least = Infinity
      let distance = 0
      let finger = 0
      for (const f of used) {
        const { energy } = freePose(hand, [pointAt(x, y, hand.restZMm)], [f])
        if (energy < least) {
          least = energy
          finger = f
          distance = Math.hypot(x - (hand.tipX[f] as number), y - (hand.tipY[f] as number))
        }
      }
      effort[r * columns + c] = Math.sqrt(least)
      timeMs[r * columns + c] = hand.pressMs + movementMs(distance, pitchMm - capGapMm, hand.msPerBit[finger])
    }
  }
  return { x0Mm: area.x0Mm, y0Mm: area.y0Mm, cellMm: area.cellMm, columns, rows, effort, timeMs }
}

/** A point to aim exactly at, in the middle of a one-unit key. */
const pointAt = (x: number, y: number, z: number): AimBox => ({
  x0: x,
  x1: x,
  y0: y,
  y1: y,
  z,
  bottomRow: false,
  targetMm: pitchMm - capGapMm,
  centre: { x, y, halfX: 0, halfY: 0 },
})

/** A region of the desk where a quantity is at most `value`; rings in mm. */
export type ReachContour = ContourMultiPolygon

/** Contours of one quantity of a field, in mm on the desk, each around what lies within its threshold. */
export function reachContours(
  field: ReachField,
  quantity: 'effort' | 'timeMs',
  thresholds: readonly number[],
): ReachContour[] {
  // d3-contour surrounds what is above a threshold; the reach is what lies below one, hence the minus signs.
  const below = contours()
    .size([field.columns, field.rows])
    .thresholds(thresholds.map((t) => -t))(Array.from(field[quantity], (v) => -v))
  // d3-contour puts the value of cell i at i + 0.5
  const x = (i: number): number => field.x0Mm + (i - 0.5) * field.cellMm
  const y = (j: number): number => field.y0Mm + (j - 0.5) * field.cellMm
  return below
    .map((shape) => ({
      ...shape,
      value: -shape.value,
      coordinates: shape.coordinates.map((polygon) =>
        polygon.map((ring) => ring.map(([i, j]) => [x(i as number), y(j as number)])),
      ),
    }))
    .sort((a, b) => a.value - b.value)
}
