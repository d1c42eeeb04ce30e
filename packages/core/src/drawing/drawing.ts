/** A colour as `#rrggbb`. */
export type Colour = string

/** An outline in units of `scale` mm, placed by its origin; `strokeMm` is the width of its line as it is drawn. */
export interface PathMark {
  readonly kind: 'path'
  readonly d: string
  readonly xMm: number
  readonly yMm: number
  readonly scale: number
  readonly fill: Colour | null
  readonly stroke: Colour | null
  readonly strokeMm: number
}

/** A line of text in the label font, from its left end on the baseline; its size is the height of capitals. */
export interface TextMark {
  readonly kind: 'text'
  readonly text: string
  readonly xMm: number
  readonly baselineMm: number
  readonly capMm: number
  readonly colour: Colour
}

/** Marks that belong together, such as one label on a sheet; their places count from the group's corner. */
export interface GroupMark {
  readonly kind: 'group'
  readonly id: string
  readonly xMm: number
  readonly yMm: number
  readonly marks: readonly Mark[]
}

/** What ink can do. A union on `kind`. */
export type Mark = PathMark | TextMark | GroupMark

/** A page, a label or a card in true millimetres: x to the right, y down, from its top left corner. */
export interface Drawing {
  readonly widthMm: number
  readonly heightMm: number
  readonly marks: readonly Mark[]
}

/** Drawings that are printed one after the other. */
export interface Document {
  readonly title: string
  readonly pages: readonly Drawing[]
}

export const black: Colour = '#000000'
export const white: Colour = '#ffffff'

/** Lines of cutting and folding, and of scales, mm. Assumed: seen well, and thin beside what is printed. */
export const hairMm = 0.15

export const text = (
  words: string,
  xMm: number,
  baselineMm: number,
  capMm: number,
  colour = black,
): TextMark => ({
  kind: 'text',
  text: words,
  xMm,
  baselineMm,
  capMm,
  colour,
})

const path = (
  d: string,
  fill: Colour | null,
  stroke: Colour | null,
  strokeMm: number,
  at: { readonly xMm: number; readonly yMm: number; readonly scale: number },
): PathMark => ({ kind: 'path', d, fill, stroke, strokeMm, ...at })

const origin = { xMm: 0, yMm: 0, scale: 1 }

/** A shape filled with one colour, in units of `scale` mm. */
export const filled = (d: string, colour = black, at = origin): PathMark => path(d, colour, null, 0, at)

/** The line along a path; `strokeMm` is not scaled. */
export const line = (d: string, strokeMm = hairMm, colour = black, at = origin): PathMark =>
  path(d, null, colour, strokeMm, at)

/** Path of a rectangle. */
export const rectPath = (xMm: number, yMm: number, widthMm: number, heightMm: number): string =>
  `M${xMm} ${yMm} h${widthMm} v${heightMm} h${-widthMm} Z`

/** Path of an ellipse inside a box, in four arcs' worth of two. */
export function ellipsePath(xMm: number, yMm: number, widthMm: number, heightMm: number): string {
  const [rx, ry] = [widthMm / 2, heightMm / 2]
  return `M${xMm} ${yMm + ry} A${rx} ${ry} 0 1 1 ${xMm + widthMm} ${yMm + ry} A${rx} ${ry} 0 1 1 ${xMm} ${yMm + ry} Z`
}

/** All marks but groups, with their place on the page. */
export function* flat(
  marks: readonly Mark[],
  xMm = 0,
  yMm = 0,
): Generator<{ mark: PathMark | TextMark; xMm: number; yMm: number }> {
  for (const mark of marks) {
    if (mark.kind === 'group') yield* flat(mark.marks, xMm + mark.xMm, yMm + mark.yMm)
    else yield { mark, xMm, yMm }
  }
}

/** All that is written on drawings. */
export const wordsOn = (drawings: readonly Drawing[]): string =>
  drawings
    .flatMap((d) => [...flat(d.marks)].map(({ mark }) => (mark.kind === 'text' ? mark.text : '')))
    .join('')
