import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { decode } from 'fast-png'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  bitsPng,
  drawingBits,
  plainBits,
  pwgRaster,
  quarterTurn,
  rasterTypes,
  readPwgRaster,
  thickened,
  thinStrokeDots,
} from '../src/index.js'
import { dotsFromMm, filled, isInk, rectPath, text, type Bits, type Drawing } from '@reach-plot/core/drawing'
import { font, rasteriser } from './tools.js'

const folder = mkdtempSync(join(tmpdir(), 'reach-plot-raster-'))

/** Dots drawn with letters: `#` is ink. */
function bitsFrom(lines: readonly string[]): Bits {
  const width = lines[0]!.length
  const bytesPerLine = Math.ceil(width / 8)
  const data = new Uint8Array(bytesPerLine * lines.length)
  lines.forEach((line, y) =>
    [...line].forEach((c, x) => {
      if (c === '#') data[y * bytesPerLine + (x >> 3)]! |= 0x80 >> (x & 7)
    }),
  )
  return { width, height: lines.length, bytesPerLine, data }
}

const anyBits = fc
  .tuple(fc.integer({ min: 1, max: 70 }), fc.integer({ min: 1, max: 40 }))
  .chain(([width, height]) => {
    const bytesPerLine = Math.ceil(width / 8)
    return fc
      .tuple(
        fc.uint8Array({ minLength: bytesPerLine * height, maxLength: bytesPerLine * height }),
        fc.boolean(),
      )
      .map(([data, isPlain]): Bits => {
        const clean = data.map((byte, i) => {
          const last = i % bytesPerLine === bytesPerLine - 1 && width % 8 > 0
          const value = isPlain ? (byte > 200 ? 255 : 0) : byte
          return last ? value & (0xff << (8 - (width % 8))) & 0xff : value
        })
        return { width, height, bytesPerLine, data: clean }
      })
  })

describe('dots', () => {
  test('203 dots are an inch', () => {
    expect([25.4, 14, 210].map((mm) => dotsFromMm(mm, 203))).toEqual([203, 112, 1678])
  })
  test('a square of 5 mm is as many dots wide and high, and lies where it is drawn', async () => {
    const drawing: Drawing = { widthMm: 15, heightMm: 15, marks: [filled(rectPath(5, 2, 5, 5))] }
    for (const dpi of [203, 300, 600]) {
      const bits = drawingBits(drawing, dpi, font, await rasteriser(), '')
      const inked = Array.from({ length: bits.width * bits.height }, (_, i) => i).filter((i) =>
        isInk(bits, i % bits.width, Math.floor(i / bits.width)),
      )
      const xs = inked.map((i) => i % bits.width)
      const ys = inked.map((i) => Math.floor(i / bits.width))
      const near = (dots: number, mm: number): void =>
        expect(Math.abs(dots - (mm / 25.4) * dpi)).toBeLessThanOrEqual(1)
      near(Math.min(...xs), 5)
      near(Math.max(...xs) + 1, 10)
      near(Math.min(...ys), 2)
      near(Math.max(...ys) + 1, 7)
    }
  })
  test('marks in the colour of the stock stay bare, all others are ink', async () => {
    const drawing: Drawing = {
      widthMm: 4,
      heightMm: 4,
      marks: [filled(rectPath(0, 0, 4, 4), '#ffcc00'), filled(rectPath(1, 1, 2, 2), '#ffffff')],
    }
    const bits = drawingBits(drawing, 203, font, await rasteriser(), '#ffffff')
    expect([isInk(bits, 3, 3), isInk(bits, 16, 16)]).toEqual([true, false])
  })
  test('a quarter turn four times is the same again', () => {
    fc.assert(
      fc.property(anyBits, (bits) => {
        expect(quarterTurn(quarterTurn(quarterTurn(quarterTurn(bits))))).toEqual(bits)
      }),
    )
  })
})

describe('strokes that are too thin', () => {
  test.each([
    ['a stroke of one dot', ['......', '.####.', '......'], 4],
    ['a stroke of two dots', ['......', '.####.', '.####.', '......'], 0],
    ['a slanted one of one dot', ['#....', '.#...', '..#..', '...#.'], 4],
    ['a slanted one of two dots', ['##....', '###...', '.###..', '..###.', '...###', '....##'], 0],
    ['the tip of a triangle', ['.#...', '###..', '###..'], 0],
    ['nothing', ['...', '...'], 0],
  ])('%s', (_name, lines, dots) => {
    expect(thinStrokeDots(bitsFrom(lines))).toBe(dots)
  })
  test('letters at 16 minutes of arc and 500 mm have none at 203 dpi, wherever they fall between the dots', async () => {
    const rasterise = await rasteriser()
    const alphabet = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ abcdefghijklmnopqrstuvwxyz 0123456789 äöüß .:,+-&'
    const draw = { drawn: plainBits, mended: drawingBits }
    const thin = (words: string, bits: keyof typeof draw, shift: number): number => {
      const marks = words.split(' ').map((word, i) => text(word, 1 + shift, 4 + i * 5 + shift, 2.327))
      return thinStrokeDots(draw[bits]({ widthMm: 60, heightMm: 32, marks }, 203, font, rasterise, ''))
    }
    for (let phase = 0; phase < 8; phase++) {
      const shift = (phase / 8) * (25.4 / 203)
      expect(thin(alphabet, 'drawn', shift)).toBe(0)
      // fine accents and the percent sign are thinner, and are made two dots wide
      expect(thin(`${alphabet} åñéçž%`, 'mended', shift)).toBe(0)
    }
  })
  test('what is made thicker keeps all its ink and has no thin stroke left', () => {
    fc.assert(
      fc.property(
        anyBits.filter((b) => b.width > 1 && b.height > 1),
        (bits) => {
          const thick = thickened(bits)
          for (const [i, byte] of bits.data.entries()) expect(thick.data[i]! & byte).toBe(byte)
          expect(thinStrokeDots(thick)).toBe(0)
        },
      ),
    )
  })
})

test('a PNG of one bit has the dots, black for ink', () => {
  fc.assert(
    fc.property(anyBits, (bits) => {
      const png = decode(bitsPng(bits))
      expect([png.width, png.height, png.depth, png.channels]).toEqual([bits.width, bits.height, 1, 1])
      for (let y = 0; y < bits.height; y++)
        for (let x = 0; x < bits.width; x++) {
          const bit = ((png.data[y * Math.ceil(bits.width / 8) + (x >> 3)] as number) >> (7 - (x & 7))) & 1
          expect(bit).toBe(isInk(bits, x, y) ? 0 : 1)
        }
    }),
    { numRuns: 30 },
  )
})

describe('PWG raster', () => {
  test('what is written is read back, in both types', () => {
    fc.assert(
      fc.property(
        fc.array(anyBits, { minLength: 1, maxLength: 4 }),
        fc.constantFrom(...rasterTypes),
        (pages, type) => {
          const given = pages.map((bits) => ({ bits, dpi: 203, media: 'custom_label_14x14mm' }))
          expect(readPwgRaster(pwgRaster(given, type))).toEqual(given)
        },
      ),
    )
  })
  test('bytes that are no raster are refused in words, never read past their end', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 4000 }), fc.boolean(), (bytes, begins) => {
        const given = begins ? Uint8Array.from([0x52, 0x61, 0x53, 0x32, ...bytes]) : bytes
        expect(() => readPwgRaster(given)).toThrow(/PWG raster › page \d+: .*black_1/)
      }),
    )
  })
  test('a document cut short anywhere is refused', () => {
    const whole = pwgRaster([{ bits: bitsFrom(['#.#.####', '........', '##......']), dpi: 203, media: 'x' }])
    for (let length = 5; length < whole.length; length++)
      expect(() => readPwgRaster(whole.subarray(0, length))).toThrow(/cut short/)
  })
  test('a header that asks for a huge picture is refused before anything is reserved', () => {
    const bytes = pwgRaster([{ bits: bitsFrom(['#']), dpi: 203, media: 'x' }])
    new DataView(bytes.buffer).setUint32(4 + 372, 0xffffffff)
    expect(() => readPwgRaster(bytes)).toThrow(/dots/)
  })

  // libcups 2.4 reads what is written here: an implementation that nobody here wrote
  test.each(rasterTypes)('libcups reads the header and every line of %s', (type) => {
    const pages = [
      bitsFrom(['#.#.#####.', '..........', '..........', '##......#.']),
      bitsFrom(
        Array.from({ length: 300 }, (_, y) =>
          y % 7 === 0 ? '#'.repeat(200) : `${'.'.repeat(100)}${'#.'.repeat(50)}`,
        ),
      ),
    ]
    const path = join(folder, `${type}.pwg`)
    writeFileSync(
      path,
      pwgRaster(
        pages.map((bits) => ({ bits, dpi: 300, media: 'iso_a4_210x297mm' })),
        type,
      ),
    )
    const script = new URL('cups-raster.py', import.meta.url).pathname
    const read = JSON.parse(execFileSync('python3', [script, path], { encoding: 'utf8' })) as Record<
      string,
      unknown
    >[]
    expect(read).toEqual(
      pages.map((bits) => ({
        dpi: [300, 300],
        width: bits.width,
        height: bits.height,
        bits: type === 'black_1' ? 1 : 8,
        space: type === 'black_1' ? 3 : 18,
        name: 'iso_a4_210x297mm',
        lines: Array.from({ length: bits.height }, (_, y) =>
          Array.from({ length: bits.width }, (_, x) => (isInk(bits, x, y) ? '#' : '.')).join(''),
        ),
      })),
    )
  })
})
