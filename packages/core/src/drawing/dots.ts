/** A picture of one bit a dot, 1 for ink; each line starts on a byte, the first dot in its highest bit. */
export interface Bits {
  readonly width: number
  readonly height: number
  readonly bytesPerLine: number
  readonly data: Uint8Array
}

/** Resolutions of label printers, dots per inch. */
export const labelDpis = [203, 300, 600] as const

export const dotsFromMm = (lengthMm: number, dpi: number): number => Math.round((lengthMm / 25.4) * dpi)

export const isInk = (bits: Bits, x: number, y: number): boolean =>
  x >= 0 &&
  y >= 0 &&
  x < bits.width &&
  y < bits.height &&
  ((bits.data[y * bits.bytesPerLine + (x >> 3)] as number) & (0x80 >> (x & 7))) !== 0

export const emptyBits = (width: number, height: number): Bits => {
  const bytesPerLine = Math.ceil(width / 8)
  return { width, height, bytesPerLine, data: new Uint8Array(bytesPerLine * height) }
}
