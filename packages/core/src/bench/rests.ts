import { homeKeys, type HandSide, type RestingHand } from './bench.js'
import type { Control } from './control.js'
import { deviceControls, type Device } from './device.js'

/** Centres of one row differ by less than this, mm. Assumed: well under half a key. */
const rowToleranceMm = 5

/**
 * Where four fingertips would rest on a device before the person says so: the home keys of a board; on another device
 * the middle four of the row nearest to its middle; the same control more than once where it has fewer than four.
 */
export function defaultRests(device: Device, side: HandSide): RestingHand['rests'] {
  if (device.kind === 'board') return { ...homeKeys[side] }
  const all = deviceControls(device)
  const keys = all.filter((c) => c.type !== 'dial' && c.type !== 'field')
  const row = middleRow(keys.length > 0 ? keys : all, device.heightMm / 2)
  const start = Math.max(0, Math.floor((row.length - 4) / 2))
  const four = Array.from({ length: 4 }, (_, i) => (row[Math.min(start + i, row.length - 1)] as Control).id)
  const [little, ring, middle, index] = (side === 'left' ? four : four.toReversed()) as [
    string,
    string,
    string,
    string,
  ]
  return { index, middle, ring, little }
}

function middleRow(controls: readonly Control[], middleMm: number): Control[] {
  const rows = controls.map((c) =>
    controls
      .filter((other) => Math.abs(other.yMm - c.yMm) < rowToleranceMm)
      .toSorted((a, b) => a.xMm - b.xMm),
  )
  const width = Math.max(...rows.map((r) => Math.min(4, r.length)))
  const off = (row: readonly Control[]): number => Math.abs((row[0] as Control).yMm - middleMm)
  return rows.filter((r) => r.length >= width).reduce((best, row) => (off(row) < off(best) ? row : best))
}
