import crc32 from 'crc-32'
import { decode, encode } from 'fast-png'
import { strToU8 } from 'fflate'
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

/** Where the first chunk, IHDR, ends: eight octets of signature, then length, name, thirteen octets and their sum. */
const afterHeader = 8 + 4 + 4 + 13 + 4

/**
 * The picture with its true size (PNG 1.2, 11.3.5.3: pHYs, dots in a metre), so that it is printed as large as it is; the
 * encoder leaves it out.
 */
export function withSize(
  png: Uint8Array,
  size: { readonly widthMm: number; readonly heightMm: number },
): Uint8Array {
  const { width, height } = pngSize(png)
  const chunk = new Uint8Array(4 + 4 + 9 + 4)
  const view = new DataView(chunk.buffer)
  view.setUint32(0, 9)
  chunk.set(strToU8('pHYs'), 4)
  view.setUint32(8, Math.round((width / size.widthMm) * 1000))
  view.setUint32(12, Math.round((height / size.heightMm) * 1000))
  chunk[16] = 1
  view.setInt32(17, crc32.buf(chunk.subarray(4, 17)))
  const sized = new Uint8Array(png.length + chunk.length)
  sized.set(png.subarray(0, afterHeader))
  sized.set(chunk, afterHeader)
  sized.set(png.subarray(afterHeader), afterHeader + chunk.length)
  return sized
}

/** Size and depth of a PNG as it says of itself. */
export function pngSize(png: Uint8Array): { width: number; height: number; depth: number; channels: number } {
  const { width, height, depth, channels } = decode(png)
  return { width, height, depth, channels }
}
