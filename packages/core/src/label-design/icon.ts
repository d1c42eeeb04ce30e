import svgpath from 'svgpath'
import { z } from '../zod.js'
import { ellipsePath, filled, line, type Colour, type Mark } from '../drawing/index.js'

/** Whether every command of a path has its numbers; `M1` has not. */
function isPath(d: string): boolean {
  const parsed = svgpath(d) as unknown as { readonly err: string; readonly segments: readonly unknown[] }
  return parsed.err === '' && parsed.segments.length > 0
}

const pathData = z
  .string()
  .min(1)
  .max(20_000)
  .regex(/^[MmLlHhVvCcSsQqTtAaZz0-9eE\s,.+-]+$/, 'must be the data of an SVG path')
  .refine(isPath, 'must be the data of an SVG path that is whole')

/** An icon of the person's own: outlines only, as they are left of an SVG file that was cleaned. */
export const ownIconSchema = z.strictObject({
  id: z.string().regex(/^own-[a-z0-9-]{1,50}$/, 'must begin with own-'),
  name: z.string().min(1).max(80),
  /** side of the square that the outlines lie in */
  units: z.number().min(1).max(10_000),
  paths: z
    .array(
      z.strictObject({
        d: pathData,
        /** width of the line along the path, in units; null for a shape that is filled */
        strokeUnits: z.number().min(0.01).max(10_000).nullable(),
      }),
    )
    .min(1)
    .max(200),
})

/** An icon as outlines in a square of `units`; those of the person's own are checked by `ownIconSchema`. */
export interface Icon {
  readonly id: string
  readonly name: string
  readonly units: number
  readonly paths: readonly { readonly d: string; readonly strokeUnits: number | null }[]
}

/** An element of an icon as the icon package lists it: its tag and its attributes. */
export type IconNode = readonly [tag: string, attributes: Readonly<Record<string, string | number>>]

/** Side of the package's icons and the width of their lines, in units. */
const packageUnits = 24
const packageStroke = 2

const n = (value: string | number | undefined): number => Number(value ?? 0)

/** The outline of a basic shape of SVG 1.1 (section 9) as path data, or null for another element. */
export function shapePath([tag, a]: IconNode): string | null {
  switch (tag) {
    case 'path':
      return String(a['d'] ?? '')
    case 'circle':
      return ellipsePath(n(a['cx']) - n(a['r']), n(a['cy']) - n(a['r']), 2 * n(a['r']), 2 * n(a['r']))
    case 'ellipse':
      return ellipsePath(n(a['cx']) - n(a['rx']), n(a['cy']) - n(a['ry']), 2 * n(a['rx']), 2 * n(a['ry']))
    case 'line':
      return `M${n(a['x1'])} ${n(a['y1'])} L${n(a['x2'])} ${n(a['y2'])}`
    case 'polyline':
    case 'polygon':
      return `M${String(a['points'] ?? '').trim()}${tag === 'polygon' ? ' Z' : ''}`
    case 'rect':
      return roundedRect(
        n(a['x']),
        n(a['y']),
        n(a['width']),
        n(a['height']),
        n(a['rx'] ?? a['ry']),
        n(a['ry'] ?? a['rx']),
      )
    default:
      return null
  }
}

function roundedRect(x: number, y: number, w: number, h: number, rxGiven: number, ryGiven: number): string {
  const [rx, ry] = [Math.min(rxGiven, w / 2), Math.min(ryGiven, h / 2)]
  if (rx <= 0 || ry <= 0) return `M${x} ${y} h${w} v${h} h${-w} Z`
  const corner = (dx: number, dy: number): string => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`
  return `M${x + rx} ${y} h${w - 2 * rx} ${corner(rx, ry)} v${h - 2 * ry} ${corner(-rx, ry)} h${2 * rx - w} ${corner(-rx, -ry)} v${2 * ry - h} ${corner(rx, -ry)} Z`
}

/** Path data with absolute places and no arcs or short forms, which every writer of files reads alike. */
export const plainPath = (d: string): string => svgpath(d).abs().unshort().unarc().round(4).toString()

/** An icon of the package from its elements. */
export const packageIcon = (id: string, nodes: readonly IconNode[]): Icon => ({
  id,
  name: id,
  units: packageUnits,
  paths: nodes.flatMap((node) => {
    const shape = shapePath(node)
    const d = shape === null ? null : plainPath(shape)
    const isFilled = node[1]['fill'] !== undefined && node[1]['fill'] !== 'none'
    return d === null
      ? []
      : [{ d, strokeUnits: packageStroke }, ...(isFilled ? [{ d, strokeUnits: null }] : [])]
  }),
})

const dotMm = 25.4 / 203

/** The least line of an icon, mm: two dots at 203 dpi, and a tenth more since edges fall between dots. */
export const leastStrokeMm = 2.2 * dotMm

/** Smaller than this the package's lines are thinner than two dots, and thickened they would run together, mm. */
export const leastIconMm = (2 * dotMm * packageUnits) / packageStroke

/** The icon in one colour, in a square of `sizeMm`; no line is thinner than `leastStrokeMm`. */
export function iconMarks(icon: Icon, xMm: number, yMm: number, sizeMm: number, colour: Colour): Mark[] {
  const scale = sizeMm / icon.units
  const at = { xMm, yMm, scale }
  return icon.paths.map(({ d, strokeUnits }) =>
    strokeUnits === null
      ? filled(d, colour, at)
      : line(d, Math.max(strokeUnits * scale, leastStrokeMm), colour, at),
  )
}
