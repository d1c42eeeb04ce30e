import {
  flat,
  isPlain,
  noAdjust,
  pageMatrix,
  type Adjust,
  type Drawing,
  type LabelFont,
  type Mark,
  type PathMark,
  type TextMark,
} from '@reach-plot/core/drawing'

const attribute = (value: string): string =>
  value.replace(/[&<>"']/g, (sign) => `&#${sign.codePointAt(0) as number};`)

/**
 * Width of the label font's thinnest strokes that stand free, the hyphen's, over the height of capitals: 63 of 700 units.
 * The bar of e is thinner, but between bowls.
 */
const thinnestStroke = 0.09

const short = (n: number): string => String(Math.round(n * 1e4) / 1e4)

/**
 * A page as SVG in true millimetres. Text is drawn as outlines, so that it looks the same where the font is missing;
 * what it says stands in the title of its group.
 * @param dots size in dots for a picture; millimetres when left out. Strokes of letters that would be thinner than
 *   `strokeMm` are drawn with a line round them.
 */
export function drawingSvg(
  drawing: Drawing,
  font: LabelFont,
  adjust: Adjust = noAdjust,
  dots?: { readonly width: number; readonly height: number; readonly strokeMm?: number },
): string {
  const { widthMm, heightMm } = drawing
  const size = dots
    ? `width="${dots.width}" height="${dots.height}" preserveAspectRatio="none"`
    : `width="${short(widthMm)}mm" height="${short(heightMm)}mm"`
  const m = pageMatrix(adjust, widthMm)
  const body = dots
    ? [...flat(drawing.marks)].map((p) => plain(p.mark, p.xMm, p.yMm, font, dots.strokeMm))
    : drawing.marks.map((mark) => marked(mark, font))
  const inner = body.join('\n')
  return `<svg xmlns="http://www.w3.org/2000/svg" ${size} viewBox="0 0 ${short(widthMm)} ${short(heightMm)}">
${isPlain(m) ? inner : `<g transform="matrix(${m.a} 0 0 ${m.d} ${m.e} ${m.f})">\n${inner}\n</g>`}
</svg>
`
}

/** A mark with its group around it, for a file that people open. */
function marked(mark: Mark, font: LabelFont): string {
  if (mark.kind !== 'group') return plain(mark, 0, 0, font)
  const words = [...flat(mark.marks)].flatMap((p) => (p.mark.kind === 'text' ? [p.mark.text] : []))
  return `<g id="${attribute(mark.id)}" transform="translate(${short(mark.xMm)} ${short(mark.yMm)})"><title>${attribute(words.join(' '))}</title>
${mark.marks.map((inner) => marked(inner, font)).join('\n')}
</g>`
}

function plain(mark: PathMark | TextMark, dxMm: number, dyMm: number, font: LabelFont, strokeMm = 0): string {
  if (mark.kind === 'text') {
    const d = font.outline(mark.text, mark.capMm, mark.xMm + dxMm, mark.baselineMm + dyMm)
    const missingParts = strokeMm - thinnestStroke * mark.capMm
    const round = missingParts > 0 ? ` stroke="${mark.colour}" stroke-width="${short(missingParts)}"` : ''
    return `<path d="${d}" fill="${mark.colour}"${round}/>`
  }
  const line =
    mark.stroke === null
      ? ''
      : ` stroke="${mark.stroke}" stroke-width="${short(mark.strokeMm / mark.scale)}" stroke-linecap="round" stroke-linejoin="round"`
  const x = mark.xMm + dxMm
  const y = mark.yMm + dyMm
  const moved =
    x === 0 && y === 0 && mark.scale === 1
      ? ''
      : ` transform="translate(${short(x)} ${short(y)}) scale(${mark.scale})"`
  return `<path d="${attribute(mark.d)}" fill="${mark.fill ?? 'none'}"${line}${moved}/>`
}
