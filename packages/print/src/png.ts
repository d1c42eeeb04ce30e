import { decode, encode } from 'fast-png'
import type { Bits } from '@reach-plot/core/drawing'
import type { Picture } from './bits.js'

/** The dots as PNG of one bit and one channel: ink is black. */
export function bitsPng(bits: Bits): Uint8Array {
  // in a picture of one bit, 0 is black
  const data = bits.data.map((byte) => ~byte & 0xff)
  return encode({ width: bits.width, height: bits.height, channels: 1, depth: 1, data })
}

export const picturePng = ({ widthPx, heightPx, rgba }: Picture): Uint8Array =>
  encode({ width: widthPx, height: heightPx, channels: 4, depth: 8, data: rgba })

/** Size and depth of a PNG as it says of itself. */
export function pngSize(png: Uint8Array): { width: number; height: number; depth: number; channels: number } {
  const { width, height, depth, channels } = decode(png)
  return { width, height, depth, channels }
}
