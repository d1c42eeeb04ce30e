import type { Bits } from '@reach-plot/core/drawing'

/** The least width of a stroke that a thermal printer burns whole, dots. */
export const leastStrokeDots = 2

/** Ink up to this many dots that no square of 2 x 2 covers is a corner or a tip, not a stroke. */
const tipDots = 2

/**
 * Dots of strokes that are one dot wide: those that lie in no inked square of 2 x 2 dots, where three or more of them
 * touch. Fewer are the corner of an outline or the tip of a letter, which need no width.
 */
export const thinStrokeDots = (bits: Bits): number => thinStrokes(bits).length

/** Makes strokes of one dot two dots wide: each such dot gets the square of which it is a corner. */
export function thickened(bits: Bits): Bits {
  const thin = thinStrokes(bits)
  if (thin.length === 0) return bits
  const { width, height, bytesPerLine } = bits
  const data = bits.data.slice()
  for (const dot of thin) {
    // to the right and down, but from the last column and line inwards
    const x = Math.min(dot % width, width - 2)
    const y = Math.min(Math.floor(dot / width), height - 2)
    for (const [dx, dy] of [
      [0, 0],
      [1, 0],
      [0, 1],
      [1, 1],
    ] as const)
      data[(y + dy) * bytesPerLine + ((x + dx) >> 3)]! |= 0x80 >> ((x + dx) & 7)
  }
  return { ...bits, data }
}

/** Places of the dots of thin strokes, counted along the lines. */
function thinStrokes(bits: Bits): number[] {
  const { width, height } = bits
  // one byte a dot with a bare edge: many labels are looked at while they are designed
  const across = width + 2
  const ink = new Uint8Array(across * (height + 2))
  for (let y = 0; y < height; y++)
    for (let byte = 0; byte < bits.bytesPerLine; byte++) {
      const eight = bits.data[y * bits.bytesPerLine + byte] as number
      if (eight === 0) continue
      const at = (y + 1) * across + byte * 8 + 1
      for (let i = 0; i < 8 && byte * 8 + i < width; i++) ink[at + i] = (eight >> (7 - i)) & 1
    }
  const inSquare = (at: number): number =>
    (ink[at] as number) &
    (ink[at + 1] as number) &
    (ink[at + across] as number) &
    (ink[at + across + 1] as number)
  const thin = new Set<number>()
  for (let at = across; at < ink.length - across; at++) {
    if (ink[at] === 0) continue
    if (inSquare(at) | inSquare(at - 1) | inSquare(at - across) | inSquare(at - across - 1)) continue
    thin.add((Math.floor(at / across) - 1) * width + (at % across) - 1)
  }
  const strokes: number[] = []
  for (const start of thin) {
    const touching = takeTouching(thin, start, width)
    if (touching.length > tipDots) strokes.push(...touching)
  }
  return strokes
}

/** Takes out of `left` the dots that touch `start`, corners included, with `start` itself. */
function takeTouching(left: Set<number>, start: number, width: number): number[] {
  const open = [start]
  left.delete(start)
  for (let i = 0; i < open.length; i++) {
    const at = open[i] as number
    for (const dy of [-width, 0, width])
      for (const dx of [-1, 0, 1]) {
        // wrapping round a line's end joins only dots of the first and last column, which margins keep bare
        const near = at + dy + dx
        if (left.delete(near)) open.push(near)
      }
  }
  return open
}
