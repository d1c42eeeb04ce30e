import { isInk, type Bits, type LabelFont } from '@reach-plot/core/drawing'
import type { Label } from '@reach-plot/core/labels'
import { plainBits, type Rasterise } from './bits.js'
import { thinStrokeDots } from './thin.js'

/** What a one-colour printer would make of a label. */
export interface PrintCheck {
  /** dots of strokes that are one dot wide */
  readonly thinDots: number
  /** whether ink reaches the edge of the label, or leaves a round one */
  readonly leavesLabel: boolean
}

/** Renders a label as the dots of a printer with one ink and looks for what would not come out well. */
export function checkPrint(
  label: Pick<Label, 'drawing' | 'round'>,
  dpi: number,
  font: LabelFont,
  rasterise: Rasterise,
): PrintCheck {
  // everything is ink here: no mark is in the colour of the stock
  const bits = plainBits(label.drawing, dpi, font, rasterise, '')
  return { thinDots: thinStrokeDots(bits), leavesLabel: leaves(bits, label.round) }
}

function leaves(bits: Bits, round: boolean): boolean {
  const { width, height } = bits
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      if (!isInk(bits, x, y)) continue
      if (x === 0 || y === 0 || x === width - 1 || y === height - 1) return true
      const [dx, dy] = [(2 * (x + 0.5)) / width - 1, (2 * (y + 0.5)) / height - 1]
      if (round && dx * dx + dy * dy > 1) return true
    }
  return false
}
