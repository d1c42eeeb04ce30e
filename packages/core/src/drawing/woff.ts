import { unzlibSync } from 'fflate'
import { CoreError } from '../errors.js'

/**
 * The TrueType or OpenType font inside a WOFF 1 file (W3C, WOFF File Format 1.0): the same tables, each deflated.
 * PDF needs them plain.
 * @throws CoreError `FONT_UNREADABLE`
 */
export function unwrapWoff(woff: Uint8Array): Uint8Array<ArrayBuffer> {
  const view = new DataView(woff.buffer, woff.byteOffset, woff.byteLength)
  if (woff.byteLength < 44 || view.getUint32(0) !== 0x774f4646) {
    throw new CoreError('FONT_UNREADABLE', {
      where: ['label font'],
      what: 'the file is not a WOFF 1 font',
      remedy: 'use the .woff file of the font',
    })
  }
  const count = view.getUint16(12)
  const tables = Array.from({ length: count }, (_, i) => {
    const at = 44 + 20 * i
    const [tag, offset, packed, length, checksum] = [0, 4, 8, 12, 16].map((o) => view.getUint32(at + o)) as [
      number,
      number,
      number,
      number,
      number,
    ]
    const bytes = woff.subarray(offset, offset + packed)
    return { tag, checksum, length, data: packed < length ? unzlibSync(bytes) : bytes }
  })
  const padded = (length: number): number => (length + 3) & ~3
  const out = new Uint8Array(12 + 16 * count + tables.reduce((s, t) => s + padded(t.length), 0))
  const dv = new DataView(out.buffer)
  const power = Math.floor(Math.log2(count))
  dv.setUint32(0, view.getUint32(4))
  dv.setUint16(4, count)
  dv.setUint16(6, 16 * 2 ** power)
  dv.setUint16(8, power)
  dv.setUint16(10, 16 * (count - 2 ** power))
  let at = 12 + 16 * count
  tables.forEach((table, i) => {
    const entry = 12 + 16 * i
    dv.setUint32(entry, table.tag)
    dv.setUint32(entry + 4, table.checksum)
    dv.setUint32(entry + 8, at)
    dv.setUint32(entry + 12, table.length)
    out.set(table.data, at)
    at += padded(table.length)
  })
  return out
}
