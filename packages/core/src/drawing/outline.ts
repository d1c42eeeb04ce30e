import { table } from '../table.js'

/** A sign of a font file as its library gives it; lengths in units of the font. */
export interface Glyph {
  readonly advanceWidth: number
  readonly path: {
    readonly commands: readonly { readonly command: string; readonly args: readonly number[] }[]
  }
}

/** A sign with its origin in ems from the left end of its run; y upwards. */
export interface PlacedGlyph {
  readonly glyph: Glyph
  readonly xEm: number
  readonly yEm: number
}

const pathLetter = table<string>({
  moveTo: 'M',
  lineTo: 'L',
  quadraticCurveTo: 'Q',
  bezierCurveTo: 'C',
  closePath: 'Z',
})

/** The signs as an SVG path in mm, the run's left end at `xMm` on the baseline. */
export function outlineOf(
  glyphs: readonly PlacedGlyph[],
  unitsPerEm: number,
  emMm: number,
  xMm: number,
  baselineMm: number,
): string {
  const mmPerUnit = emMm / unitsPerEm
  let d = ''
  for (const { glyph, xEm, yEm } of glyphs) {
    const x = xMm + xEm * emMm
    const y = baselineMm - yEm * emMm
    for (const { command, args } of glyph.path.commands) {
      // x and y take turns; fonts count y upwards
      const points = args.map((v, i) => (i % 2 === 0 ? x + v * mmPerUnit : y - v * mmPerUnit))
      d += (pathLetter[command] ?? '') + points.map((v) => v.toFixed(3)).join(' ')
    }
  }
  return d
}
