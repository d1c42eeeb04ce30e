import fontkit from '@pdf-lib/fontkit'
import { isRightToLeft, visualParts } from './direction.js'
import { outlineOf, type Glyph, type PlacedGlyph } from './outline.js'
import { unwrapWoff } from './woff.js'

interface Face {
  readonly ttf: Uint8Array
  readonly unitsPerEm: number
  readonly capHeight: number
  hasGlyphForCodePoint(codePoint: number): boolean
  glyphForCodePoint(codePoint: number): Glyph
  layout(text: string): { readonly glyphs: readonly Glyph[]; readonly positions: readonly Position[] }
}

/** How far a sign moves the pen, and how far it is moved itself; units of the font. */
interface Position {
  readonly xAdvance: number
  readonly xOffset: number
  readonly yOffset: number
}

/** A part of a text that one file draws. */
export interface FontRun {
  readonly file: number
  readonly text: string
  /** signs are joined or moved, as in Arabic: only its outline shows it as it is */
  readonly isJoined: boolean
}

/** The label font: one family in several files by script, as web fonts come. Sizes are given by the height of capitals. */
export interface LabelFont {
  readonly files: readonly Uint8Array[]
  /** height of capitals over the em */
  readonly capRatio: number
  /** width of `text` in mm when capitals are `capMm` high */
  widthMm(text: string, capMm: number): number
  /** outlines of `text` as an SVG path in mm, from the left end of its baseline at `xMm`, `baselineMm` */
  outline(text: string, capMm: number, xMm: number, baselineMm: number): string
  /** `text` cut into runs by the file that has its characters, from left to right */
  runs(text: string): FontRun[]
  /** characters that no file has */
  missing(text: string): string[]
}

/** A run with its signs, in ems from its left end. */
interface Shaped extends FontRun {
  readonly glyphs: readonly PlacedGlyph[]
  readonly widthEm: number
}

/** Shaped texts that are remembered; fitting a label measures the same words many times. */
const remembered = 5000

/**
 * @param woffs WOFF 1 files of one weight; where several have a character, the first is used
 * @throws CoreError `FONT_UNREADABLE` when a file is not WOFF 1
 */
export function loadLabelFont(woffs: readonly Uint8Array[]): LabelFont {
  const faces = woffs.map(readFace)
  const fileOf = fileFinder(faces)
  const shaper = runShaper(faces, fileOf)
  const first = faces[0] as Face
  const capRatio = first.capHeight / first.unitsPerEm
  return {
    files: faces.map((f) => f.ttf),
    capRatio,
    widthMm: (text, capMm) => (shaper(text).reduce((sum, run) => sum + run.widthEm, 0) * capMm) / capRatio,
    outline(text, capMm, xMm, baselineMm) {
      const emMm = capMm / capRatio
      let x = xMm
      let d = ''
      for (const { file, glyphs, widthEm } of shaper(text)) {
        d += outlineOf(glyphs, (faces[file] as Face).unitsPerEm, emMm, x, baselineMm)
        x += widthEm * emMm
      }
      return d
    },
    runs: (text) => shaper(text).map(({ file, text: part, isJoined }) => ({ file, text: part, isJoined })),
    missing: (text) => [...new Set([...text].filter((char) => fileOf(char) === -1))],
  }
}

function readFace(woff: Uint8Array): Face {
  const ttf = unwrapWoff(woff)
  // the package's types leave out what a path is made of
  const font = fontkit.create(ttf) as unknown as Omit<Face, 'ttf'>
  return {
    ttf,
    unitsPerEm: font.unitsPerEm,
    capHeight: font.capHeight,
    hasGlyphForCodePoint: (c) => font.hasGlyphForCodePoint(c),
    glyphForCodePoint: (c) => font.glyphForCodePoint(c),
    layout: (text) => font.layout(text),
  }
}

/** The first file that has a character; -1 for none. */
function fileFinder(faces: readonly Face[]): (char: string) => number {
  const known = new Map<string, number>()
  return (char) => {
    let file = known.get(char)
    if (file === undefined) {
      file = faces.findIndex((face) => face.hasGlyphForCodePoint(char.codePointAt(0) as number))
      known.set(char, file)
    }
    return file
  }
}

function runShaper(
  faces: readonly Face[],
  fileOf: (char: string) => number,
): (text: string) => readonly Shaped[] {
  const known = new Map<string, readonly Shaped[]>()
  return (text) => {
    let runs = known.get(text)
    if (!runs) {
      const file = (char: string): number => Math.max(0, fileOf(char))
      runs = visualParts(text, file).map(({ text: part, file: at }) =>
        isRightToLeft(part) ? joined(part, at, faces[at] as Face) : plain(part, at, faces[at] as Face),
      )
      if (known.size >= remembered) known.clear()
      known.set(text, runs)
    }
    return runs
  }
}

/** Signs one after the other. */
function plain(text: string, file: number, face: Face): Shaped {
  const glyphs: PlacedGlyph[] = []
  let widthEm = 0
  for (const char of text) {
    const glyph = face.glyphForCodePoint(char.codePointAt(0) as number)
    glyphs.push({ glyph, xEm: widthEm, yEm: 0 })
    widthEm += glyph.advanceWidth / face.unitsPerEm
  }
  return { file, text, isJoined: false, glyphs, widthEm }
}

/** Signs that take the form of their place in the word, with their marks; from left to right as they are seen. */
function joined(text: string, file: number, face: Face): Shaped {
  const { glyphs, positions } = face.layout(text)
  const isMoved = ({ xAdvance, xOffset, yOffset }: Position): boolean =>
    yOffset !== 0 || (xOffset !== 0 && xAdvance === 0)
  // letters that are only moved closer are kerned; text in a PDF has no kerning and takes its plain widths
  const isJoined = positions.some(isMoved)
  const placed: PlacedGlyph[] = []
  let widthEm = 0
  for (const [i, glyph] of glyphs.entries()) {
    const unmoved = { xAdvance: glyph.advanceWidth, xOffset: 0, yOffset: 0 }
    const at = isJoined ? (positions[i] as Position) : unmoved
    placed.push({ glyph, xEm: widthEm + at.xOffset / face.unitsPerEm, yEm: at.yOffset / face.unitsPerEm })
    widthEm += at.xAdvance / face.unitsPerEm
  }
  return { file, text, isJoined, glyphs: placed, widthEm }
}
