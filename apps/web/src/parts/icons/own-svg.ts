import DOMPurify from 'dompurify'
import svgpath from 'svgpath'
import { CoreError } from '@reach-plot/core'
import { ownIconSchema, plainPath, shapePath, type Icon } from '@reach-plot/core/label-design'

/** An icon file larger than this is no icon, bytes. */
const maxSvgBytes = 200_000

const bad = (name: string, what: string, remedy: string): CoreError =>
  new CoreError('ICON_UNREADABLE', { where: [name], what, remedy })

/**
 * Reads an SVG file as outlines of one colour. The file is cleaned first; of what is left only shapes are kept, with
 * their place and the width of their lines, so that nothing of the file itself is ever shown.
 * @throws CoreError `ICON_UNREADABLE`
 */
export function readSvgIcon(text: string, name: string): Omit<Icon, 'id'> {
  if (text.length > maxSvgBytes)
    throw bad(name, 'the file is larger than 200 kB', 'draw the icon with fewer points')
  const clean = DOMPurify.sanitize(text, { USE_PROFILES: { svg: true }, RETURN_DOM_FRAGMENT: true })
  const svg = clean.querySelector('svg')
  if (!svg) throw bad(name, 'there is no SVG drawing in the file', 'save the icon as plain SVG')
  const [x, y, width, height] = boxOf(svg)
  const side = Math.max(width, height)
  if (!(side > 0)) throw bad(name, 'the drawing has no size', 'give its svg element a viewBox')
  const paths: { d: string; strokeUnits: number | null }[] = []
  for (const shape of svg.querySelectorAll('path, circle, ellipse, rect, line, polyline, polygon')) {
    if (shape.closest('defs, clipPath, mask, symbol')) continue
    const attributes = Object.fromEntries([...shape.attributes].map((a) => [a.name, a.value]))
    const d = shapePath([shape.tagName.toLowerCase(), attributes])
    if (!d) continue
    const chain = ancestry(shape, svg)
    const transform = chain
      .map((e) => e.getAttribute('transform') ?? '')
      .filter(Boolean)
      .join(' ')
    // the drawing stands in the middle of its square
    const moved = svgpath(d)
      .transform(transform)
      .translate((side - width) / 2 - x, (side - height) / 2 - y)
    const plain = plainPath(moved.toString())
    const stroke = inherited(chain, 'stroke')
    const fill = inherited(chain, 'fill')
    if (stroke !== null && stroke !== 'none') paths.push({ d: plain, strokeUnits: strokeOf(chain) })
    if (fill !== 'none' && !(fill === null && shape.tagName.toLowerCase() === 'line'))
      paths.push({ d: plain, strokeUnits: null })
  }
  const read = ownIconSchema.safeParse({
    id: 'own-icon',
    name: name.replace(/\.svg$/i, '').slice(0, 80) || 'icon',
    units: side,
    paths,
  })
  if (!read.success)
    throw bad(
      name,
      paths.length === 0 ? 'there is no shape in it' : 'its shapes cannot be read',
      'use paths, circles, rectangles, lines or polygons; text and pictures are not taken',
    )
  const { id: _id, ...icon } = read.data
  return icon
}

function boxOf(svg: Element): [number, number, number, number] {
  const box = (svg.getAttribute('viewBox') ?? svg.getAttribute('viewbox') ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  if (box.length === 4 && box.every(Number.isFinite)) return box as [number, number, number, number]
  return [0, 0, parseFloat(svg.getAttribute('width') ?? ''), parseFloat(svg.getAttribute('height') ?? '')]
}

/** The drawing, then each group down to the shape. */
function ancestry(shape: Element, svg: Element): Element[] {
  const chain: Element[] = []
  for (let at: Element | null = shape; at; at = at === svg ? null : at.parentElement) chain.unshift(at)
  return chain
}

/** A property of the shape or of the nearest group that has it, as attribute or style. */
function inherited(chain: readonly Element[], name: string): string | null {
  for (const element of chain.toReversed()) {
    const style = new RegExp(`(?:^|;)\\s*${name}\\s*:\\s*([^;]+)`).exec(
      element.getAttribute('style') ?? '',
    )?.[1]
    const value = style ?? element.getAttribute(name)
    if (value !== null && value !== undefined) return value.trim()
  }
  return null
}

const strokeOf = (chain: readonly Element[]): number => {
  const width = parseFloat(inherited(chain, 'stroke-width') ?? '1')
  return width > 0 ? width : 1
}
