import {
  dotsFromMm,
  emptyBits,
  isInk,
  noAdjust,
  type Adjust,
  type Bits,
  type Colour,
  type Drawing,
  type LabelFont,
  type Mark,
} from '@reach-plot/core/drawing'
import { drawingSvg } from './svg.js'
import { thickened } from './thin.js'

/** Draws SVG as a picture: RGBA, one byte each, from the top left. The host brings the renderer. */
export type Rasterise = (svg: string) => Picture

export interface Picture {
  readonly widthPx: number
  readonly heightPx: number
  /** 4 x width x height bytes */
  readonly rgba: Uint8Array
}

/** The dots turned by a quarter, for a page that lies across the paper. */
export function quarterTurn(bits: Bits): Bits {
  const turned = emptyBits(bits.height, bits.width)
  for (let y = 0; y < bits.height; y++)
    for (let x = 0; x < bits.width; x++) {
      if (!isInk(bits, x, y)) continue
      const [tx, ty] = [bits.height - 1 - y, x]
      turned.data[ty * turned.bytesPerLine + (tx >> 3)]! |= 0x80 >> (tx & 7)
    }
  return turned
}

/** Dots that are darker than half grey on white become ink. */
export function bitsOf({ widthPx, heightPx, rgba }: Picture): Bits {
  const bits = emptyBits(widthPx, heightPx)
  for (let y = 0, at = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++, at += 4) {
      const alpha = rgba[at + 3] as number
      // most of a label is bare
      if (alpha < 128) continue
      const grey =
        0.2126 * (rgba[at] as number) + 0.7152 * (rgba[at + 1] as number) + 0.0722 * (rgba[at + 2] as number)
      const light = (grey * alpha) / 255 + 255 - alpha
      if (light < 127.5) bits.data[y * bits.bytesPerLine + (x >> 3)]! |= 0x80 >> (x & 7)
    }
  return bits
}

/** The drawing as the dots of a printer with one ink, with strokes of one dot made two dots wide. */
export const drawingBits = (...drawn: Parameters<typeof plainBits>): Bits => thickened(plainBits(...drawn))

/**
 * The drawing as the dots of a printer with one ink, as it is drawn: every mark is ink whatever its colour, but for marks in the colour
 * of the stock, which leave it bare.
 */
export function plainBits(
  drawing: Drawing,
  dpi: number,
  font: LabelFont,
  rasterise: Rasterise,
  stock: Colour,
  adjust: Adjust = noAdjust,
): Bits {
  const size = {
    width: dotsFromMm(drawing.widthMm, dpi),
    height: dotsFromMm(drawing.heightMm, dpi),
    // a tenth more than two dots, since edges fall between dots
    strokeMm: (2.2 * 25.4) / dpi,
  }
  const inked = { ...drawing, marks: drawing.marks.map((mark) => oneInk(mark, stock)) }
  return bitsOf(rasterise(drawingSvg(inked, font, adjust, size)))
}

function oneInk(mark: Mark, stock: Colour): Mark {
  const ink = (colour: Colour): Colour => (colour === stock ? '#ffffff' : '#000000')
  if (mark.kind === 'group') return { ...mark, marks: mark.marks.map((inner) => oneInk(inner, stock)) }
  if (mark.kind === 'text') return { ...mark, colour: ink(mark.colour) }
  return {
    ...mark,
    fill: mark.fill === null ? null : ink(mark.fill),
    stroke: mark.stroke === null ? null : ink(mark.stroke),
  }
}
