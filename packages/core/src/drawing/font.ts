import { table } from '../table.js'
import fontkit from '@pdf-lib/fontkit'
import { unwrapWoff } from './woff.js'

interface Face {
  readonly ttf: Uint8Array
  readonly unitsPerEm: number
  readonly capHeight: number
  hasGlyphForCodePoint(codePoint: number): boolean
  glyphForCodePoint(codePoint: number): Glyph
}

interface Glyph {
  readonly advanceWidth: number
  readonly path: {
    readonly commands: readonly { readonly command: string; readonly args: readonly number[] }[]
  }
}

const pathLetter = table<string>({
  moveTo: 'M',
  lineTo: 'L',
  quadraticCurveTo: 'Q',
  bezierCurveTo: 'C',
  closePath: 'Z',
})

/** The label font: one family in several files by script, as web fonts come. Sizes are given by the height of capitals. */
export interface LabelFont {
  readonly files: readonly Uint8Array[]
  /** height of capitals over the em */
  readonly capRatio: number
  /** width of `text` in mm when capitals are `capMm` high */
  widthMm(text: string, capMm: number): number
  /** outlines of `text` as an SVG path in mm, from the left end of its baseline at `xMm`, `baselineMm` */
  outline(text: string, capMm: number, xMm: number, baselineMm: number): string
  /** `text` cut into runs by the file that has its characters */
  runs(text: string): { readonly file: number; readonly text: string }[]
  /** characters that no file has */
  missing(text: string): string[]
}

/**
 * @param woffs WOFF 1 files of one weight; where several have a character, the first is used
 * @throws CoreError `FONT_UNREADABLE` when a file is not WOFF 1
 */
export function loadLabelFont(woffs: readonly Uint8Array[]): LabelFont {
  const faces = woffs.map((woff): Face => {
    const ttf = unwrapWoff(woff)
    // the package's types leave out what a path is made of
    const font = fontkit.create(ttf) as unknown as Omit<Face, 'ttf'>
    return {
      ttf,
      unitsPerEm: font.unitsPerEm,
      capHeight: font.capHeight,
      hasGlyphForCodePoint: (c) => font.hasGlyphForCodePoint(c),
      glyphForCodePoint: (c) => font.glyphForCodePoint(c),
    }
  })
  interface Known {
    readonly file: number
    readonly isThere: boolean
    readonly glyph: Glyph
    /** width over the em */
    readonly advanceEm: number
  }
  // fitting a label measures the same letters many times
  const known = new Map<string, Known>()
  const of = (char: string): Known => {
    let letter = known.get(char)
    if (!letter) {
      const code = char.codePointAt(0) as number
      const found = faces.findIndex((face) => face.hasGlyphForCodePoint(code))
      const file = Math.max(0, found)
      const face = faces[file] as Face
      const glyph = face.glyphForCodePoint(code)
      letter = { file, isThere: found !== -1, glyph, advanceEm: glyph.advanceWidth / face.unitsPerEm }
      known.set(char, letter)
    }
    return letter
  }
  const first = faces[0] as Face
  const capRatio = first.capHeight / first.unitsPerEm
  return {
    files: faces.map((f) => f.ttf),
    capRatio,
    widthMm(text, capMm) {
      let em = 0
      for (const char of text) em += of(char).advanceEm
      return (em * capMm) / capRatio
    },
    outline(text, capMm, xMm, baselineMm) {
      let x = xMm
      let d = ''
      for (const char of text) {
        const { file, glyph } = of(char)
        const mmPerUnit = capMm / capRatio / (faces[file] as Face).unitsPerEm
        for (const { command, args } of glyph.path.commands) {
          // x and y take turns; fonts count y upwards
          const points = args.map((v, i) => (i % 2 === 0 ? x + v * mmPerUnit : baselineMm - v * mmPerUnit))
          d += (pathLetter[command] ?? '') + points.map((v) => v.toFixed(3)).join(' ')
        }
        x += glyph.advanceWidth * mmPerUnit
      }
      return d
    },
    runs(text) {
      const out: { file: number; text: string }[] = []
      for (const char of text) {
        const { file } = of(char)
        const last = out.at(-1)
        if (last && last.file === file) last.text += char
        else out.push({ file, text: char })
      }
      return out
    },
    missing: (text) => [...new Set([...text].filter((char) => !of(char).isThere))],
  }
}
