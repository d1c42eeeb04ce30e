import { CoreError } from '../errors.js'
import { unreadable } from './xkb-tokens.js'
import { xkbTree, type XkbItem, type XkbStatement, type XkbValue } from './xkb-tree.js'

/** A key of an XKB geometry as it lies, mm: centre and sides of its cap in the cap's axes, turned clockwise. */
export interface GeometryKey {
  /** four characters at most, such as AC01 */
  readonly name: string
  readonly section: string
  readonly xMm: number
  readonly yMm: number
  readonly widthMm: number
  readonly heightMm: number
  readonly turnDeg: number
  /** corners from the centre, in the cap's axes, where it is no rectangle */
  readonly outlineMm?: readonly (readonly [number, number])[]
}

/** A board of an XKB geometry file. */
export interface Geometry {
  readonly name: string
  readonly description: string
  readonly widthMm: number
  readonly heightMm: number
  readonly keys: readonly GeometryKey[]
}

interface Shape {
  readonly x0: number
  readonly y0: number
  readonly x1: number
  readonly y1: number
  readonly corners: readonly (readonly [number, number])[]
}

type Settings = ReadonlyMap<string, XkbValue>

/** The names of the geometries of a file, the one that is meant without a name first. */
export function geometryNames(text: string, fileName: string): string[] {
  const maps = mapsOf(xkbTree(text, fileName))
  // a part that others include has no keys of its own
  const isBoard = (map: XkbStatement): boolean => {
    try {
      return new GeometryReader(fileName, maps).read(map).keys.length > 0
    } catch {
      return false
    }
  }
  return maps
    .filter(isBoard)
    .toSorted((a, b) => Number(b.words.includes('default')) - Number(a.words.includes('default')))
    .map((m) => m.label ?? '')
}

/**
 * Reads one board of an XKB geometry file: shapes, sections with their turn, rows either way, gaps. Overlays, lamps and texts are
 * passed over. Format: the X Keyboard Extension's geometry, as `xkbcomp` takes it.
 * @param wanted name of the geometry; the file's default, or its first, where left out
 * @throws CoreError `XKB_UNREADABLE`, `GEOMETRY_UNKNOWN`
 */
export function readGeometry(text: string, fileName: string, wanted?: string): Geometry {
  const maps = mapsOf(xkbTree(text, fileName))
  const map =
    wanted === undefined
      ? (maps.find((m) => m.words.includes('default')) ?? maps[0])
      : maps.find((m) => m.label === wanted)
  if (!map) {
    throw new CoreError('GEOMETRY_UNKNOWN', {
      where: [fileName],
      what:
        maps.length === 0
          ? 'there is no geometry in the file'
          : `there is no geometry "${(wanted ?? '').slice(0, 60)}" in the file`,
      remedy:
        maps.length === 0
          ? 'choose a geometry file of the X keyboard extension'
          : `name one of ${maps.map((m) => m.label).join(', ')}`,
    })
  }
  return new GeometryReader(fileName, maps).read(map)
}

const mapsOf = (statements: readonly XkbStatement[]): XkbStatement[] =>
  statements.filter((s) => s.words.includes('xkb_geometry') && s.body !== undefined)

const mostIncludes = 20
const mostKeys = 400

/** Reads the statements of one geometry, with those that it includes from the same file. */
class GeometryReader {
  private readonly shapes = new Map<string, Shape>()
  private readonly keys: GeometryKey[] = []
  private readonly top = new Map<string, XkbValue>()
  private includes = 0

  constructor(
    private readonly fileName: string,
    private readonly maps: readonly XkbStatement[],
  ) {}

  read(map: XkbStatement): Geometry {
    this.readMap(map)
    const xs = this.keys.map((k) => k.xMm + k.widthMm / 2)
    const ys = this.keys.map((k) => k.yMm + k.heightMm / 2)
    if (this.keys.length === 0) throw unreadable(this.fileName, map.line, 'the geometry has no keys')
    return {
      name: map.label ?? '',
      description: textOf(this.top.get('description')) ?? map.label ?? '',
      widthMm: numberOf(this.top.get('width')) ?? Math.max(...xs),
      heightMm: numberOf(this.top.get('height')) ?? Math.max(...ys),
      keys: this.keys,
    }
  }

  private readMap(map: XkbStatement): void {
    for (const statement of map.body ?? []) {
      const { words, label, value, line } = statement
      const [word = ''] = words
      if (word === 'include') this.include(label ?? '', line)
      else if (word === 'shape' && label !== undefined) this.shapes.set(label, this.shapeOf(value, line))
      else if (word === 'section') this.readSection(statement)
      else if (value && label === undefined) this.top.set(words.join(' '), value)
    }
  }

  private include(named: string, line: number): void {
    const wanted = /\(([^)]*)\)/.exec(named)?.[1] ?? named
    const map = this.maps.find((m) => m.label === wanted)
    if (!map || ++this.includes > mostIncludes)
      throw unreadable(this.fileName, line, `"${named.slice(0, 60)}" is included, which is not in the file`)
    this.readMap(map)
  }

  private shapeOf(value: XkbValue | undefined, line: number): Shape {
    const items = value && 'items' in value ? value.items : []
    const outlines = items.flatMap((item) =>
      item.value.kind === 'list' && (item.name === undefined || item.name === 'primary')
        ? [item.value.items.map(pointOf)]
        : [],
    )
    // one outline may stand without braces of its own
    const first = outlines[0] ?? items.map(pointOf)
    const corners = first?.flatMap((corner) => (corner ? [corner] : [])) ?? []
    if (corners.length === 0) throw unreadable(this.fileName, line, 'the shape has no outline')
    // one corner is the far one of a rectangle at the origin
    const all = corners.length === 1 ? [[0, 0] as const, ...corners] : corners
    const xs = all.map(([x]) => x)
    const ys = all.map(([, y]) => y)
    return {
      x0: Math.min(...xs),
      y0: Math.min(...ys),
      x1: Math.max(...xs),
      y1: Math.max(...ys),
      corners: corners.length > 2 ? corners : [],
    }
  }

  private readSection(section: XkbStatement): void {
    const settings = new Map(this.top)
    for (const { words, value, label } of section.body ?? [])
      if (value && label === undefined && words.length === 1) settings.set(words[0] as string, value)
    const own = (name: string): number =>
      numberOf(valueIn(section, name)) ?? numberOf(this.top.get(`section.${name}`)) ?? 0
    const at = { x: own('left'), y: own('top'), turnDeg: own('angle') }
    for (const row of section.body ?? [])
      if (row.words[0] === 'row') this.readRow(row, section.label ?? '', at, settings)
  }

  private readRow(
    row: XkbStatement,
    section: string,
    at: { readonly x: number; readonly y: number; readonly turnDeg: number },
    settings: Settings,
  ): void {
    const own = (name: string): XkbValue | undefined => valueIn(row, name) ?? settings.get(`row.${name}`)
    const isVertical = isTrue(own('vertical'))
    let x = numberOf(own('left')) ?? 0
    let y = numberOf(own('top')) ?? 0
    const rowKey = (name: string): XkbValue | undefined =>
      valueIn(row, `key.${name}`) ?? settings.get(`key.${name}`)
    for (const { words, value, line } of row.body ?? []) {
      if (words[0] !== 'keys' || !value || !('items' in value)) continue
      for (const item of value.items) {
        const key = keyOf(item)
        if (!key) throw unreadable(this.fileName, line, 'a key name in angle brackets is expected')
        const gap = key.gap ?? numberOf(rowKey('gap')) ?? 0
        const shapeName = key.shape ?? textOf(rowKey('shape')) ?? this.usualShape()
        const shape = this.shapes.get(shapeName)
        if (!shape)
          throw unreadable(
            this.fileName,
            line,
            `the key ${key.name} has the shape "${shapeName}", which is not in the file`,
          )
        if (isVertical) y += gap
        else x += gap
        this.keys.push(this.placed(key.name, section, shape, x, y, at))
        if (this.keys.length > mostKeys)
          throw unreadable(this.fileName, line, `there are more than ${mostKeys} keys`)
        if (isVertical) y += shape.y1
        else x += shape.x1
      }
    }
  }

  /** The shape of keys for which none is said: the one that every file calls NORM, else the first. */
  private usualShape(): string {
    return this.shapes.has('NORM') ? 'NORM' : ([...this.shapes.keys()][0] ?? '')
  }

  /** A key whose shape begins at (x, y) of its section, which is turned about its own corner. */
  private placed(
    name: string,
    section: string,
    shape: Shape,
    x: number,
    y: number,
    at: { readonly x: number; readonly y: number; readonly turnDeg: number },
  ): GeometryKey {
    const [halfX, halfY] = [(shape.x0 + shape.x1) / 2, (shape.y0 + shape.y1) / 2]
    const angle = (at.turnDeg * Math.PI) / 180
    const [dx, dy] = [x + halfX, y + halfY]
    return {
      name,
      section,
      xMm: round(at.x + dx * Math.cos(angle) - dy * Math.sin(angle)),
      yMm: round(at.y + dx * Math.sin(angle) + dy * Math.cos(angle)),
      widthMm: round(shape.x1 - shape.x0),
      heightMm: round(shape.y1 - shape.y0),
      turnDeg: at.turnDeg,
      ...(shape.corners.length > 0 && {
        outlineMm: shape.corners.map(([cx, cy]) => [round(cx - halfX), round(cy - halfY)] as const),
      }),
    }
  }
}

/** Thousandths of a mm, so that files stay legible. */
const round = (mm: number): number => Math.round(mm * 1000) / 1000

const numberOf = (value: XkbValue | undefined): number | undefined =>
  value?.kind === 'number' ? value.number : undefined
const textOf = (value: XkbValue | undefined): string | undefined =>
  value && 'text' in value ? value.text : undefined
const isTrue = (value: XkbValue | undefined): boolean =>
  numberOf(value) === 1 || /^(true|yes|on)$/i.test(textOf(value) ?? '')

const valueIn = (statement: XkbStatement, name: string): XkbValue | undefined =>
  statement.body?.findLast((s) => s.words.join(' ') === name && s.label === undefined)?.value

function pointOf({ value }: XkbItem): readonly [number, number] | null {
  if (value.kind !== 'point') return null
  const [x, y] = value.items.map((item) => numberOf(item.value))
  return x === undefined || y === undefined ? null : [x, y]
}

/** A key in a row: its name, and what is its own of gap and shape. */
function keyOf({ value }: XkbItem): { name: string; gap?: number; shape?: string } | null {
  if (value.kind === 'key') return { name: value.text }
  if (value.kind !== 'list') return null
  const name = value.items.find((item) => item.value.kind === 'key')?.value
  if (!name || !('text' in name)) return null
  const gap = value.items.find(
    (item) => item.value.kind === 'number' && (item.name === undefined || item.name === 'gap'),
  )?.value
  const shape = value.items.find(
    (item) => item.value.kind === 'text' && (item.name === undefined || item.name === 'shape'),
  )?.value
  return {
    name: name.text,
    ...(gap && { gap: numberOf(gap) as number }),
    ...(shape && { shape: textOf(shape) as string }),
  }
}
