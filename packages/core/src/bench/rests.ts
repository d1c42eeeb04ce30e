import { homeKeys, type HandSide, type LongFinger, type RestingHand } from './bench.js'
import type { Control } from './control.js'
import { deviceControls, type Device } from './device.js'

/** Centres of one row, or one column, differ by less than this, mm. Assumed: well under half a key. */
const rowToleranceMm = 5
/** A column that a finger has for itself has this many keys at least. */
const leastInColumn = 3

/**
 * Where four fingertips would rest on a device before the person says so: the home keys of a board, by the codes that they send;
 * on another device the middle four of the row nearest to its middle, or the middles of four columns where these are staggered; the
 * same control more than once where it has fewer than four.
 */
export function defaultRests(device: Device, side: HandSide): RestingHand['rests'] {
  if (device.kind === 'board') return { ...homeKeys[side] }
  const all = deviceControls(device)
  const byCode = homeByCodes(all, side)
  if (byCode) return byCode
  const keys = all.filter((c) => c.type !== 'dial' && c.type !== 'field')
  const row = middleRow(keys.length > 0 ? keys : all, device.heightMm / 2)
  const columns = row.length < 4 ? columnMiddles(keys, side) : []
  const line = columns.length >= 4 ? columns : row
  const start = Math.max(0, Math.floor((line.length - 4) / 2))
  const four = Array.from({ length: 4 }, (_, i) => (line[Math.min(start + i, line.length - 1)] as Control).id)
  const [little, ring, middle, index] = (side === 'left' ? four : four.toReversed()) as [
    string,
    string,
    string,
    string,
  ]
  return { index, middle, ring, little }
}

/** The controls that send the codes of the home row; null where one is lacking. */
function homeByCodes(controls: readonly Control[], side: HandSide): RestingHand['rests'] | null {
  const found = (finger: LongFinger): string | undefined =>
    controls.find((c) => c.code === homeKeys[side][finger])?.id
  const [index, middle, ring, little] = [found('index'), found('middle'), found('ring'), found('little')]
  return index !== undefined && middle !== undefined && ring !== undefined && little !== undefined
    ? { index, middle, ring, little }
    : null
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

/**
 * The middle keys of four columns side by side, as fingers of unlike length have them. Of five columns the innermost is the index
 * finger's second, of six the outermost the little finger's, too.
 */
function columnMiddles(controls: readonly Control[], side: HandSide): Control[] {
  const left: Control[] = controls.filter((c) => c.row !== 'bottom').toSorted((a, b) => a.xMm - b.xMm)
  const columns: Control[][] = []
  for (const control of left) {
    const last = columns.at(-1)
    if (last && control.xMm - (last[0] as Control).xMm < rowToleranceMm) last.push(control)
    else columns.push([control])
  }
  const middles = columns
    .filter((column) => column.length >= leastInColumn)
    .map((column) => {
      const sorted = column.toSorted((a, b) => a.yMm - b.yMm)
      return sorted[Math.floor((sorted.length - 1) / 2)] as Control
    })
  const fromOutside = side === 'left' ? middles : middles.toReversed()
  const four = fromOutside.slice(fromOutside.length >= 6 ? 1 : 0).slice(0, 4)
  return side === 'left' ? four : four.toReversed()
}
