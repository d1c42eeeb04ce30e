import fontkit from '@pdf-lib/fontkit'
import { unwrapWoff } from './woff.js'

interface Face {
  readonly ttf: Uint8Array
  readonly unitsPerEm: number
  readonly capHeight: number
  hasGlyphForCodePoint(codePoint: number): boolean
  glyphForCodePoint(codePoint: number): { readonly advanceWidth: number }
}

/** The label font: one family in several files by script, as web fonts come. Sizes are given by the height of capitals. */
export interface LabelFont {
  readonly files: readonly Uint8Array[]
  /** height of capitals over the em */
  readonly capRatio: number
  /** width of `text` in mm when capitals are `capMm` high */
  widthMm(text: string, capMm: number): number
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
    const font = fontkit.create(ttf)
    return {
      ttf,
      unitsPerEm: font.unitsPerEm,
      capHeight: font.capHeight,
      hasGlyphForCodePoint: (c) => font.hasGlyphForCodePoint(c),
      glyphForCodePoint: (c) => font.glyphForCodePoint(c),
    }
  })
  const fileOf = (char: string): number =>
    faces.findIndex((face) => face.hasGlyphForCodePoint(char.codePointAt(0) as number))
  const first = faces[0] as Face
  const capRatio = first.capHeight / first.unitsPerEm
  return {
    files: faces.map((f) => f.ttf),
    capRatio,
    widthMm(text, capMm) {
      let em = 0
      for (const char of text) {
        const face = faces[Math.max(0, fileOf(char))] as Face
        em += face.glyphForCodePoint(char.codePointAt(0) as number).advanceWidth / face.unitsPerEm
      }
      return (em * capMm) / capRatio
    },
    runs(text) {
      const out: { file: number; text: string }[] = []
      for (const char of text) {
        const file = Math.max(0, fileOf(char))
        const last = out.at(-1)
        if (last && last.file === file) last.text += char
        else out.push({ file, text: char })
      }
      return out
    },
    missing: (text) => [...new Set([...text].filter((char) => fileOf(char) === -1))],
  }
}
