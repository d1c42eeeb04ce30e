import { XMLParser } from 'fast-xml-parser'
import svgpath from 'svgpath'
import type { DrawnControl, DrawnDevice } from '../bench/index.js'
import { CoreError } from '../errors.js'

/** How large a drawing is: one shape of it whose width is known, or mm for a unit; by the drawing's own mm where left out. */
export interface SvgScale {
  /** id or name of a shape, and the width of its cap */
  readonly known?: { readonly shape: string; readonly widthMm: number }
  readonly mmPerUnit?: number
}

/** A cap is no smaller and no larger than this, mm; what is larger is the casing. Assumed: half a small key, a long space bar. */
const capMm = { least: 5, most: 160 } as const
const mostShapes = 5_000
const mostControls = 400

interface Shape {
  readonly id: string
  readonly title: string
  /** centre, sides and turn, units of the drawing */
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly turnDeg: number
  readonly isRound: boolean
}

interface Label {
  readonly x: number
  readonly y: number
  readonly text: string
}

type Node = Readonly<Record<string, unknown>>

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  processEntities: false,
  trimValues: true,
})

const fail = (fileName: string, what: string, remedy: string): CoreError =>
  new CoreError('SVG_UNREADABLE', { where: [fileName], what, remedy })

/**
 * A device from a drawing: every rectangle, circle, polygon or closed path of the size of a cap becomes a control, with the turn that its
 * transformations give it, called by its title, by the text that lies on it, or by its id.
 * @throws CoreError `SVG_UNREADABLE` where it is no SVG, where nothing tells its scale, or where no shape is of the size of a key
 */
export function deviceFromSvg(
  text: string,
  fileName: string,
  scale: SvgScale = {},
  id = 'drawn',
): DrawnDevice {
  const root = svgOf(text, fileName)
  const shapes: Shape[] = []
  const labels: Label[] = []
  walk(childrenOf(root, 'svg'), [], shapes, labels, fileName)
  const mm = mmPerUnit(root, shapes, scale, fileName)
  const caps = withoutCasings(
    shapes.filter(
      ({ width, height }) =>
        Math.min(width, height) * mm >= capMm.least && Math.max(width, height) * mm <= capMm.most,
    ),
  )
  if (caps.length === 0)
    throw fail(
      fileName,
      'no shape of the drawing is of the size of a key',
      'say how wide one shape is; keys are rectangles, circles or closed paths',
    )
  const x0 = Math.min(...caps.map((c) => (c.x - c.width / 2) * mm)) - 5
  const y0 = Math.min(...caps.map((c) => (c.y - c.height / 2) * mm)) - 5
  const seen = new Set<string>()
  const controls = caps.slice(0, mostControls).map((cap, i): DrawnControl => {
    const name = (cap.title || labelOn(cap, labels) || '').slice(0, 40)
    const code = /^[A-Z][A-Za-z0-9]{1,31}$/.test(cap.id) && knownCode.test(cap.id) ? cap.id : null
    const own = /^[\w-]{1,60}$/.test(cap.id) && !seen.has(cap.id) ? cap.id : `k${i + 1}`
    seen.add(own)
    return {
      id: own,
      name,
      type: 'key',
      shape: cap.isRound ? 'round' : 'rect',
      xMm: tenth(cap.x * mm - x0),
      yMm: tenth(cap.y * mm - y0),
      widthMm: tenth(cap.width * mm),
      heightMm: tenth(cap.height * mm),
      code,
      ...(Math.abs(cap.turnDeg) > 0.05 && { turnDeg: tenth(cap.turnDeg) }),
    }
  })
  return {
    id,
    name: fileName.replace(/\.svg$/i, '').slice(0, 120) || 'Drawn device',
    kind: 'drawn',
    form: controls.some((c) => c.code?.startsWith('Key') === true) ? 'keyboard' : 'keypad',
    widthMm: Math.min(1000, Math.ceil(Math.max(...controls.map((c) => c.xMm + c.widthMm / 2)) + 5)),
    heightMm: Math.min(1000, Math.ceil(Math.max(...controls.map((c) => c.yMm + c.heightMm / 2)) + 5)),
    controls,
    pages: [],
  }
}

/** Ids that are key codes; others are just names. */
const knownCode =
  /^(Key[A-Z]|Digit\d|F\d\d?|Numpad\w+|Arrow\w+|(Shift|Control|Alt|Meta)(Left|Right)|Space|Enter|Tab|Escape|Backspace|Delete|Insert|Home|End|PageUp|PageDown|CapsLock|Minus|Equal|Bracket(Left|Right)|Backslash|Semicolon|Quote|Backquote|Comma|Period|Slash|Intl\w+|ContextMenu|PrintScreen|ScrollLock|Pause)$/

const tenth = (value: number): number => Math.round(value * 10) / 10

function svgOf(text: string, fileName: string): Node {
  let nodes: unknown
  try {
    nodes = parser.parse(text)
  } catch (error) {
    throw fail(
      fileName,
      `this is no SVG: ${(error as Error).message.slice(0, 80)}`,
      'choose a drawing in SVG',
    )
  }
  const root = Array.isArray(nodes) ? (nodes as Node[]).find((n) => 'svg' in n) : undefined
  if (!root) throw fail(fileName, 'this is no SVG', 'choose a drawing in SVG')
  return root
}

const childrenOf = (node: Node, name: string): readonly Node[] => {
  const inner = node[name]
  return Array.isArray(inner) ? (inner as Node[]) : []
}
const attributesOf = (node: Node): Readonly<Record<string, string>> =>
  (node[':@'] as Readonly<Record<string, string>> | undefined) ?? {}
const nameOf = (node: Node): string => Object.keys(node).find((key) => key !== ':@') ?? ''
const textIn = (nodes: readonly Node[]): string =>
  nodes
    .map((n) => ('#text' in n ? String(n['#text']) : textIn(childrenOf(n, nameOf(n)))))
    .join(' ')
    .trim()

function walk(
  nodes: readonly Node[],
  transforms: readonly string[],
  shapes: Shape[],
  labels: Label[],
  fileName: string,
): void {
  for (const node of nodes) {
    const name = nameOf(node)
    if (name === 'defs' || name === 'clipPath' || name === 'mask') continue
    const attributes = attributesOf(node)
    const own = attributes['transform']
    const all = own === undefined ? transforms : [...transforms, own]
    const inner = childrenOf(node, name)
    if (name === 'text') {
      const at = placed(`M${attributes['x'] ?? 0} ${attributes['y'] ?? 0}`, all)[0]
      if (at) labels.push({ x: at[0], y: at[1], text: textIn(inner) })
      continue
    }
    const path = pathOf(name, attributes)
    if (path !== null) {
      const shape = shapeOf(
        path,
        all,
        attributes['id'] ?? '',
        textIn(inner.filter((n) => 'title' in n)),
        name,
      )
      if (shape) shapes.push(shape)
      if (shapes.length > mostShapes)
        throw fail(fileName, `there are more than ${mostShapes} shapes`, 'leave out what is no key')
    } else walk(inner, all, shapes, labels, fileName)
  }
}

/** An element as the data of a path; null for what is no shape. */
function pathOf(name: string, attributes: Readonly<Record<string, string>>): string | null {
  const number = (key: string): number => Number.parseFloat(attributes[key] ?? '0') || 0
  switch (name) {
    case 'rect': {
      const [x, y, w, h] = [number('x'), number('y'), number('width'), number('height')]
      return `M${x} ${y}H${x + w}V${y + h}H${x}Z`
    }
    case 'circle':
    case 'ellipse': {
      const rx = number(name === 'circle' ? 'r' : 'rx')
      const ry = number(name === 'circle' ? 'r' : 'ry')
      const [x, y] = [number('cx') - rx, number('cy') - ry]
      return `M${x} ${y}H${x + 2 * rx}V${y + 2 * ry}H${x}Z`
    }
    case 'polygon':
      return `M${attributes['points'] ?? ''}Z`
    case 'path':
      return attributes['d'] ?? ''
    default:
      return null
  }
}

/** The points of a path, moved by the transformations around it, the innermost first. */
function placed(d: string, transforms: readonly string[]): [number, number][] {
  const path = transforms.toReversed().reduce((p, t) => p.transform(t), svgpath(d).abs().unshort().unarc())
  const points: [number, number][] = []
  path.iterate((segment, _index, x, y) => {
    const [kind, ...numbers] = segment as [string, ...number[]]
    if (kind === 'H') points.push([numbers[0] as number, y])
    else if (kind === 'V') points.push([x, numbers[0] as number])
    else if (kind !== 'Z' && kind !== 'z') {
      // only where a curve ends: its handles lie outside of it
      points.push(numbers.slice(-2) as [number, number])
    }
  })
  return points
}

/** Centre, sides and turn of what a path encloses: its box in its own axes, then turned as the transformations turn it. */
function shapeOf(
  d: string,
  transforms: readonly string[],
  id: string,
  title: string,
  name: string,
): Shape | null {
  const points = placed(d, [])
  if (points.length < 2) return null
  const xs = points.map(([x]) => x)
  const ys = points.map(([, y]) => y)
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const [a, b, c] = placed(`M${x0} ${y0}L${x1} ${y0}L${x1} ${y1}`, transforms) as [number, number][]
  if (!a || !b || !c) return null
  return {
    id,
    title,
    x: (a[0] + c[0]) / 2,
    y: (a[1] + c[1]) / 2,
    width: Math.hypot(b[0] - a[0], b[1] - a[1]),
    height: Math.hypot(c[0] - b[0], c[1] - b[1]),
    turnDeg: (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI,
    isRound: name === 'circle' || name === 'ellipse',
  }
}

const unitsInMm: Readonly<Record<string, number>> = { mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, pc: 25.4 / 6 }

function mmPerUnit(root: Node, shapes: readonly Shape[], scale: SvgScale, fileName: string): number {
  const { known } = scale
  if (known) {
    const shape = shapes.find((s) => s.id === known.shape || s.title === known.shape)
    if (!shape)
      throw fail(
        fileName,
        `no shape is called "${known.shape.slice(0, 40)}"`,
        'name a shape by its id or its title',
      )
    return known.widthMm / shape.width
  }
  if (scale.mmPerUnit !== undefined) return scale.mmPerUnit
  const { width = '', viewBox = '' } = attributesOf(root)
  const size = /^\s*([\d.]+)\s*(mm|cm|in|pt|pc)\s*$/.exec(width)
  const across = Number(viewBox.trim().split(/[\s,]+/)[2])
  if (size && across > 0) return (Number(size[1]) * (unitsInMm[size[2] as string] as number)) / across
  throw fail(
    fileName,
    'nothing tells how large the drawing is',
    'say how wide one of its shapes is, or give the drawing a width in mm',
  )
}

/** Without frames around other shapes, and without what is drawn on a cap. */
function withoutCasings(shapes: readonly Shape[]): Shape[] {
  const holds = (outer: Shape, x: number, y: number): boolean => {
    const angle = (-outer.turnDeg * Math.PI) / 180
    const dx = (x - outer.x) * Math.cos(angle) - (y - outer.y) * Math.sin(angle)
    const dy = (x - outer.x) * Math.sin(angle) + (y - outer.y) * Math.cos(angle)
    return Math.abs(dx) <= outer.width / 2 && Math.abs(dy) <= outer.height / 2
  }
  const area = (s: Shape): number => s.width * s.height
  const apart = (a: Shape, b: Shape): boolean =>
    Math.hypot(a.x - b.x, a.y - b.y) > Math.min(a.width, a.height)
  const caps = shapes.filter((outer) => {
    const inside = shapes.filter((s) => s !== outer && area(s) < area(outer) && holds(outer, s.x, s.y))
    // two keys that lie apart from each other stand on a frame; a second outline of one cap does not
    return !inside.some((a, i) => inside.slice(i + 1).some((b) => apart(a, b)))
  })
  return caps.filter(
    (s) => !caps.some((outer) => outer !== s && area(outer) > area(s) && holds(outer, s.x, s.y)),
  )
}

const labelOn = (cap: Shape, labels: readonly Label[]): string | undefined =>
  labels.find(({ x, y }) => Math.abs(x - cap.x) <= cap.width / 2 && Math.abs(y - cap.y) <= cap.height / 2)
    ?.text
