import { emptyBits, isInk, type Bits } from '@reach-plot/core/drawing'
import { CoreError } from '@reach-plot/core'

const sync = 'RaS2'
const headerBytes = 1796
/** Colour spaces of PWG 5102.4: black, where 1 is ink, and grey by sRGB, where 0 is black. */
const colourSpace = { black: 3, grey: 18 } as const

/** Kinds of page that are written, by their keywords in `pwg-raster-document-type-supported`. */
export const rasterTypes = ['black_1', 'sgray_8'] as const
export type RasterType = (typeof rasterTypes)[number]

/** Places of the header's fields that are not zero. PWG 5102.4-2012, table 2; lengths in points are whole numbers. */
const field = {
  resolutionX: 276,
  resolutionY: 280,
  copies: 340,
  pageWidthPt: 352,
  pageHeightPt: 356,
  width: 372,
  height: 376,
  bitsPerColour: 384,
  bitsPerDot: 388,
  bytesPerLine: 392,
  colourSpace: 400,
  colours: 420,
  pageCount: 452,
  crossFeedTransform: 456,
  feedTransform: 460,
  boxRight: 472,
  boxBottom: 476,
  mediaName: 1732,
} as const

export interface RasterPage {
  readonly bits: Bits
  readonly dpi: number
  /** PWG 5101.1 name */
  readonly media: string
}

/** Pages of one bit as a PWG raster document (PWG 5102.4): a sync word, then for each page its header and packed lines. */
export function pwgRaster(pages: readonly RasterPage[], type: RasterType = 'black_1'): Uint8Array {
  const parts: Uint8Array[] = [ascii(sync)]
  for (const page of pages) {
    const lines = type === 'black_1' ? page.bits : greyOf(page.bits)
    parts.push(pageHeader(page, lines.bytesPerLine, type, pages.length), packed(lines))
  }
  const out = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0))
  let at = 0
  for (const part of parts) {
    out.set(part, at)
    at += part.length
  }
  return out
}

const ascii = (text: string): Uint8Array => Uint8Array.from(text, (char) => char.charCodeAt(0) & 0x7f)

/** One byte a dot, for printers that take no single bits. */
function greyOf(bits: Bits): Bits {
  const data = new Uint8Array(bits.width * bits.height).fill(255)
  for (let y = 0; y < bits.height; y++)
    for (let x = 0; x < bits.width; x++) if (isInk(bits, x, y)) data[y * bits.width + x] = 0
  return { ...bits, bytesPerLine: bits.width, data }
}

function pageHeader(
  { bits, dpi, media }: RasterPage,
  bytesPerLine: number,
  type: RasterType,
  pageCount: number,
): Uint8Array {
  const depth = type === 'black_1' ? 1 : 8
  const header = new Uint8Array(headerBytes)
  const view = new DataView(header.buffer)
  header.set(ascii('PwgRaster'), 0)
  const put = (at: number, value: number): void => view.setUint32(at, value)
  put(field.resolutionX, dpi)
  put(field.resolutionY, dpi)
  put(field.copies, 1)
  put(field.pageWidthPt, Math.round((bits.width / dpi) * 72))
  put(field.pageHeightPt, Math.round((bits.height / dpi) * 72))
  put(field.width, bits.width)
  put(field.height, bits.height)
  put(field.bitsPerColour, depth)
  put(field.bitsPerDot, depth)
  put(field.bytesPerLine, bytesPerLine)
  put(field.colourSpace, type === 'black_1' ? colourSpace.black : colourSpace.grey)
  put(field.colours, 1)
  put(field.pageCount, pageCount)
  put(field.crossFeedTransform, 1)
  put(field.feedTransform, 1)
  put(field.boxRight, bits.width)
  put(field.boxBottom, bits.height)
  header.set(ascii(media).subarray(0, 63), field.mediaName)
  return header
}

/** Lines with the count of their repeats, each packed in runs of equal and of different bytes. */
function packed({ data, bytesPerLine, height }: Bits): Uint8Array {
  const out: number[] = []
  const lineAt = (y: number): Uint8Array => data.subarray(y * bytesPerLine, (y + 1) * bytesPerLine)
  for (let y = 0; y < height;) {
    const line = lineAt(y)
    let same = 1
    while (same < 256 && y + same < height && equal(line, lineAt(y + same))) same++
    out.push(same - 1)
    packLine(line, out)
    y += same
  }
  return Uint8Array.from(out)
}

const equal = (a: Uint8Array, b: Uint8Array): boolean => a.every((byte, i) => byte === b[i])

function packLine(line: Uint8Array, out: number[]): void {
  for (let at = 0; at < line.length;) {
    let run = 1
    while (run < 128 && at + run < line.length && line[at + run] === line[at]) run++
    if (run > 1) {
      out.push(run - 1, line[at] as number)
      at += run
      continue
    }
    let end = at + 1
    while (end - at < 128 && end < line.length && line[end] !== line[end + 1]) end++
    // a single byte is written as a run of one, since 256 would not fit
    if (end - at === 1) out.push(0, line[at] as number)
    else out.push(257 - (end - at), ...line.subarray(at, end))
    at = end
  }
}

/** Bounds on what is read, so that a small file cannot ask for a large picture. */
export const rasterLimits = { pages: 2000, dots: 120_000_000 } as const

/**
 * Reads a PWG raster document of one bit or of eight bits grey (darker than half is ink).
 * @throws CoreError `RASTER_UNREADABLE` with the page at fault
 */
export function readPwgRaster(bytes: Uint8Array): RasterPage[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const bad = (page: number, what: string): CoreError =>
    new CoreError('RASTER_UNREADABLE', {
      where: ['PWG raster', `page ${page}`],
      what,
      remedy: 'send a PWG raster document of black_1 or sgray_8 pages',
    })
  if (bytes.length < 4 || String.fromCharCode(...bytes.subarray(0, 4)) !== sync)
    throw bad(1, 'the document does not begin with RaS2')
  const pages: RasterPage[] = []
  let dots = 0
  let at = 4
  while (at < bytes.length) {
    const number = pages.length + 1
    if (number > rasterLimits.pages) throw bad(number, `more than ${rasterLimits.pages} pages`)
    if (at + headerBytes > bytes.length) throw bad(number, 'its header is cut short')
    const get = (offset: number): number => view.getUint32(at + offset)
    const [width, height, depth, space] = [
      get(field.width),
      get(field.height),
      get(field.bitsPerDot),
      get(field.colourSpace),
    ]
    const bytesPerLine = get(field.bytesPerLine)
    dots += width * height
    if (width < 1 || height < 1 || dots > rasterLimits.dots) throw bad(number, `${width} x ${height} dots`)
    const isGrey = depth === 8 && space === colourSpace.grey
    if (!isGrey && !(depth === 1 && space === colourSpace.black))
      throw bad(number, `${depth} bits a dot in colour space ${space}`)
    if (bytesPerLine !== Math.ceil((width * depth) / 8)) throw bad(number, `lines of ${bytesPerLine} bytes`)
    const dpi = get(field.resolutionX)
    if (dpi < 50 || dpi > 2400 || dpi !== get(field.resolutionY))
      throw bad(number, `a resolution of ${dpi} dpi`)
    const media = String.fromCharCode(
      ...bytes.subarray(at + field.mediaName, at + field.mediaName + 64),
    ).replace(/\0.*$/s, '')
    const raw = new Uint8Array(bytesPerLine * height)
    const end = unpack(bytes, at + headerBytes, raw, bytesPerLine, height, isGrey ? 0xff : 0)
    if (end === null) throw bad(number, 'its lines are cut short or too long')
    pages.push({
      bits: isGrey ? fromGrey(raw, width, height) : { width, height, bytesPerLine, data: raw },
      dpi,
      media,
    })
    at = end
  }
  if (pages.length === 0) throw bad(1, 'the document has no page')
  return pages
}

/** Fills `raw` from packed lines and returns where they end, or null when they do not fit. */
function unpack(
  bytes: Uint8Array,
  from: number,
  raw: Uint8Array,
  bytesPerLine: number,
  height: number,
  bare: number,
): number | null {
  let at = from
  for (let y = 0; y < height;) {
    const repeats = (bytes[at++] ?? -1) + 1
    if (repeats < 1 || y + repeats > height) return null
    const start = y * bytesPerLine
    let x = 0
    while (x < bytesPerLine) {
      const code = bytes[at++]
      if (code === undefined) return null
      // 128 leaves the rest of the line bare
      const count = code < 128 ? code + 1 : code === 128 ? bytesPerLine - x : 257 - code
      if (x + count > bytesPerLine) return null
      if (code < 128) {
        const byte = bytes[at++]
        if (byte === undefined) return null
        raw.fill(byte, start + x, start + x + count)
      } else if (code === 128) raw.fill(bare, start + x, start + bytesPerLine)
      else {
        if (at + count > bytes.length) return null
        raw.set(bytes.subarray(at, at + count), start + x)
        at += count
      }
      x += count
    }
    for (let i = 1; i < repeats; i++) raw.copyWithin(start + i * bytesPerLine, start, start + bytesPerLine)
    y += repeats
  }
  return at
}

function fromGrey(raw: Uint8Array, width: number, height: number): Bits {
  const bits = emptyBits(width, height)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      if ((raw[y * width + x] as number) < 128)
        bits.data[y * bits.bytesPerLine + (x >> 3)]! |= 0x80 >> (x & 7)
  return bits
}
