import { isLiveIn, type Command, type Context, type Program } from '../commands/index.js'
import {
  filled,
  line,
  pageAcrossMm,
  rectPath,
  text,
  type Document,
  type Drawing,
  type LabelFont,
  type Mark,
  type Stock,
} from '../drawing/index.js'
import type { LabelDesign } from '../label-design/index.js'
import { heldOf, controlRef, type Modifier, type Trigger } from '../triggers/index.js'
import { textAt } from './fit.js'
import { characterArcMinutes, heightAtMm } from './legibility.js'
import { shorteningSteps } from './shorten.js'
import { modifierSigns } from './signs.js'
import { leading, signAdvance } from './stack.js'
import { labelTextOf, printable, type LabelSource } from './texts.js'

type Stroke = Extract<Trigger, { kind: 'stroke' }>

/** The strokes of one field in one context. */
export interface StrokeSet {
  readonly program: Program
  readonly context: Context
  /** `device/control` */
  readonly controlRef: string
  readonly deviceName: string
  readonly of: number
  readonly strokes: readonly { readonly command: Command; readonly trigger: Stroke }[]
}

/** Each context and field that has strokes, in the order of the programs. */
export function strokeSets(source: LabelSource, programs: readonly Program[]): StrokeSet[] {
  const commands = new Map(source.commands.map((c) => [c.id, c]))
  const strokes = source.placements.flatMap(({ commandId, trigger }) => {
    const command = commands.get(commandId)
    return command && trigger.kind === 'stroke' ? [{ command, trigger }] : []
  })
  const fields = new Map(
    strokes.map(({ trigger }) => [
      `${controlRef(trigger.deviceId, trigger.controlId)} ${trigger.of}`,
      trigger,
    ]),
  )
  return programs.flatMap((program) =>
    program.contexts.flatMap((context) =>
      [...fields.values()].flatMap((field): StrokeSet[] => {
        const at = controlRef(field.deviceId, field.controlId)
        const here = strokes.filter(
          ({ command, trigger }) =>
            trigger.of === field.of &&
            controlRef(trigger.deviceId, trigger.controlId) === at &&
            isLiveIn(command, program, context.id),
        )
        if (here.length === 0) return []
        const deviceName = source.legends?.get(`device/${field.deviceId}`) ?? field.deviceId
        return [{ program, context, controlRef: at, deviceName, of: field.of, strokes: here }]
      }),
    ),
  )
}

export interface StrokeCards extends Document {
  /** strokes that found no room, in words */
  readonly unreadable: readonly string[]
}

/** A card for each context and mouse: the directions as they are drawn, with their commands at the ends. */
export function strokeCards(
  sets: readonly StrokeSet[],
  stock: Stock,
  design: LabelDesign,
  font: LabelFont,
): StrokeCards {
  // names run across, so the card lies across too
  const size = pageAcrossMm(stock)
  const unreadable: string[] = []
  const pages = sets.map((set) => card(set, size, design, font, unreadable))
  return { title: 'Stroke cards', pages, unreadable }
}

const edgeMm = 4

function card(
  set: StrokeSet,
  size: Pick<Drawing, 'widthMm' | 'heightMm'>,
  design: LabelDesign,
  font: LabelFont,
  unreadable: string[],
): Drawing {
  const { widthMm, heightMm } = size
  const distance = design.rule.readingDistanceMm
  const cap = heightAtMm(characterArcMinutes.good, distance)
  const least = heightAtMm(characterArcMinutes.least, distance)
  const title = `${set.program.name}, ${set.context.name}`
  const titleCap = Math.min(cap * 1.15, (cap * (widthMm - 2 * edgeMm)) / font.widthMm(title, cap))
  const top = edgeMm + titleCap * 1.15 + least * 1.6
  const centre = { x: widthMm / 2, y: (top + heightMm - edgeMm) / 2 }
  const arm = Math.min(widthMm * 0.19, (heightMm - top) * 0.24)
  const marks: Mark[] = [
    line(rectPath(0.1, 0.1, widthMm - 0.2, heightMm - 0.2), 0.2, '#8c8c8c'),
    text(printable(title, font), edgeMm, edgeMm + titleCap, titleCap),
    text(printable(`Strokes: ${set.deviceName}`, font), edgeMm, edgeMm + titleCap + least * 1.5, least),
    line(`M${edgeMm} ${top} H${widthMm - edgeMm}`, 0.2),
    filled(circle(centre.x, centre.y, 0.8)),
  ]
  for (let direction = 0; direction < set.of; direction++) {
    const here = set.strokes.filter((s) => s.trigger.direction === direction)
    const angle = (direction / set.of) * 2 * Math.PI
    const [dx, dy] = [Math.sin(angle), -Math.cos(angle)]
    marks.push(...arrow(centre, dx, dy, arm, here.length > 0))
    if (here.length === 0) continue
    const placed = words(here, { centre, dx, dy, arm, top }, size, design, [cap, least], font)
    if (placed) marks.push(...placed)
    else unreadable.push(...here.map((s) => `${title}: ${s.command.name}`))
  }
  return { ...size, marks }
}

const circle = (x: number, y: number, r: number): string =>
  `M${x - r} ${y} A${r} ${r} 0 1 1 ${x + r} ${y} A${r} ${r} 0 1 1 ${x - r} ${y} Z`

function arrow(
  { x, y }: { x: number; y: number },
  dx: number,
  dy: number,
  arm: number,
  isUsed: boolean,
): Mark[] {
  const [x0, y0, x1, y1] = [x + dx * 2, y + dy * 2, x + dx * arm, y + dy * arm]
  const shaft = line(`M${x0} ${y0} L${x1} ${y1}`, isUsed ? 0.6 : 0.25, isUsed ? '#000000' : '#8c8c8c')
  if (!isUsed) return [shaft]
  const head = (side: number): string =>
    `${x1 - dx * 2.2 + side * dy * 1.3} ${y1 - dy * 2.2 - side * dx * 1.3}`
  return [shaft, filled(`M${x1 + dx * 0.6} ${y1 + dy * 0.6} L${head(1)} L${head(-1)} Z`)]
}

interface Spoke {
  readonly centre: { readonly x: number; readonly y: number }
  readonly dx: number
  readonly dy: number
  readonly arm: number
  readonly top: number
}

/** The commands of one direction beyond its arrow: to the right of it, to the left, or over the middle. */
function words(
  here: StrokeSet['strokes'],
  { centre, dx, dy, arm, top }: Spoke,
  { widthMm, heightMm }: Pick<Drawing, 'widthMm' | 'heightMm'>,
  design: LabelDesign,
  caps: readonly number[],
  font: LabelFont,
): Mark[] | null {
  const [ex, ey] = [centre.x + dx * (arm + 2.5), centre.y + dy * (arm + 2.5)]
  const side = Math.abs(dx) < 0.2 ? 0 : Math.sign(dx)
  const room = side === 0 ? (widthMm - 2 * edgeMm) * 0.5 : side > 0 ? widthMm - edgeMm - ex : ex - edgeMm
  for (let step = -1; step < shorteningSteps; step++)
    for (const cap of caps) {
      const lines = here.flatMap(({ command, trigger }) => {
        const said = textAt({ text: labelTextOf(command, design), short: command.label }, step)
        return wrapped(said, heldOf(trigger), room, cap, font)
      })
      if (lines.length === 0 || lines.some((l) => l.width > room)) continue
      const height = lines.length * cap * leading
      // at most as high as the share of the circle that belongs to the direction
      if (side !== 0 && height > Math.max(2 * cap * leading, arm * 1.1)) continue
      const first =
        side === 0
          ? dy < 0
            ? ey - height + cap * (leading - 1)
            : ey
          : ey - height / 2 + cap * ((leading - 1) / 2)
      if (first < top + 0.5 || first + height - cap * (leading - 1) > heightMm - edgeMm + 1) continue
      return lines.flatMap((l, i) => {
        const x = side === 0 ? ex - l.width / 2 : side > 0 ? ex : ex - l.width
        const baseline = first + cap + i * cap * leading
        const signs = l.held.map((m, k) =>
          filled(modifierSigns[m], '#000000', {
            xMm: x + k * signAdvance * cap,
            yMm: baseline - cap,
            scale: cap,
          }),
        )
        return [...signs, text(printable(l.text, font), x + l.held.length * signAdvance * cap, baseline, cap)]
      })
    }
  return null
}

interface Line {
  readonly text: string
  readonly held: readonly Modifier[]
  readonly width: number
}

function wrapped(
  said: string,
  held: readonly Modifier[],
  room: number,
  cap: number,
  font: LabelFont,
): Line[] {
  const lines: Line[] = []
  let left = said.split(/\s+/)
  while (left.length > 0) {
    const signs = lines.length === 0 ? held : []
    const indent = signs.length * signAdvance * cap
    let count = 1
    while (count < left.length && indent + font.widthMm(left.slice(0, count + 1).join(' '), cap) <= room)
      count++
    const line = left.slice(0, count).join(' ')
    lines.push({ text: line, held: signs, width: indent + font.widthMm(line, cap) })
    left = left.slice(count)
  }
  return lines
}
