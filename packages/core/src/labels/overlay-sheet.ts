import { deviceControls, type Control, type Device } from '../bench/index.js'
import {
  black,
  ellipsePath,
  filled,
  hairMm,
  line,
  pageSizeMm,
  rectPath,
  text,
  type Document,
  type LabelFont,
  type Mark,
  type Stock,
} from '../drawing/index.js'
import { CoreError } from '../errors.js'
import { controlRef, controlRefOf } from '../triggers/index.js'
import { blockBounds, blocksOf } from './blocks.js'
import { makeLabels, type LabelSet } from './labels.js'
import type { LabelSource } from './texts.js'

/** How far the colour runs over the edge, so that a knife that strays leaves no white, mm. Common practice, no source. */
export const bleedMm = 3
/** From the outermost keys to the edge of the overlay, mm. Assumed. */
const rimMm = 4
/** Length of a mark of cutting, and its distance from the colour. */
const markMm = 5
const markGapMm = 1
const outline = '#8c8c8c'

/**
 * One sticker for a whole device, in true size: every label where its key is, the colour over the edge by 3 mm, and marks
 * where to cut, so that it can be sealed under a clear film.
 * @throws CoreError `OVERLAY_TOO_LARGE` when the device is larger than the paper
 */
export function overlaySheet(
  device: Device,
  source: LabelSource,
  title: string,
  stock: Stock,
  font: LabelFont,
): {
  readonly document: Document
  readonly unreadable: { readonly what: string; readonly reason: string }[]
} {
  const isUsed = new Set(source.placements.map((p) => controlRefOf(p.trigger)))
  const all = deviceControls(device).filter((c) => (c.type ?? 'key') !== 'field')
  const used = blocksOf(all).filter((block) =>
    block.some((c) => isUsed.has(controlRef(device.id, c.id)) || (c.code !== null && isUsed.has(c.code))),
  )
  const controls = used.length > 0 ? used.flat() : all
  const keys = blockBounds(controls)
  const trim = { widthMm: keys.widthMm + 2 * rimMm, heightMm: keys.heightMm + 2 * rimMm }
  const aroundMm = bleedMm + markGapMm + markMm
  const page = pageFor(device, trim, aroundMm, stock)
  const left = (page.widthMm - trim.widthMm) / 2
  const top = (page.heightMm - trim.heightMm) / 2
  const set = makeLabels(
    {
      ...source,
      controls: source.controls.filter((c) => c.id.startsWith(`${device.id}/`)),
      // labels of a stock may be smaller than the keys
      design: { ...source.design, rule: { ...source.design.rule, stockId: 'a4' } },
    },
    font,
  )
  const box = rectPath(left - bleedMm, top - bleedMm, trim.widthMm + 2 * bleedMm, trim.heightMm + 2 * bleedMm)
  // paper is white, and clear film shows the device: only a black overlay is printed on its ground
  const colour = source.design.rule.material === 'black' ? [filled(box, black)] : []
  const at = (control: Control): { xMm: number; yMm: number } => ({
    xMm: left + rimMm + control.xMm - keys.xMm,
    yMm: top + rimMm + control.yMm - keys.yMm,
  })
  const marks: Mark[] = [
    ...colour,
    ...controls.flatMap((control) => onKey(control, at(control), set, device)),
    ...cutMarks(left, top, trim.widthMm, trim.heightMm),
    ...note(title, device, left, top + trim.heightMm + aroundMm, page, font),
  ]
  return {
    document: { title, pages: [{ ...page, marks }] },
    unreadable: set.unreadable.map((u) => ({ what: u.legend, reason: u.reason })),
  }
}

/** The paper as it lies, or turned by a quarter; the first on which the overlay finds room. */
function pageFor(
  device: Device,
  trim: { readonly widthMm: number; readonly heightMm: number },
  aroundMm: number,
  stock: Stock,
): { readonly widthMm: number; readonly heightMm: number } {
  const { widthMm, heightMm } = pageSizeMm(stock)
  const need = { widthMm: trim.widthMm + 2 * aroundMm, heightMm: trim.heightMm + 2 * aroundMm }
  const found = [
    { widthMm, heightMm },
    { widthMm: heightMm, heightMm: widthMm },
  ].find((page) => page.widthMm >= need.widthMm && page.heightMm >= need.heightMm)
  if (found) return found
  const size = `${Math.ceil(need.widthMm)} x ${Math.ceil(need.heightMm)} mm`
  throw new CoreError('OVERLAY_TOO_LARGE', {
    where: ['labels', 'paper'],
    what: `an overlay for ${device.name} needs a sheet of ${size}, and ${stock.name} is smaller`,
    remedy: 'choose a larger paper, or labels for single keys',
  })
}

/** The outline of a key, and its label in the middle of its top. */
function onKey(
  control: Control,
  { xMm, yMm }: { readonly xMm: number; readonly yMm: number },
  set: LabelSet,
  device: Device,
): Mark[] {
  const { widthMm: w, heightMm: h } = control
  const box = [xMm - w / 2, yMm - h / 2, w, h] as const
  const edge = line(control.round === true ? ellipsePath(...box) : rectPath(...box), hairMm, outline)
  const id = controlRef(device.id, control.id)
  const label = set.labels.find((l) => l.controlId === id && !l.isHidden)
  if (!label) return [edge]
  const { widthMm, heightMm, marks } = label.drawing
  return [edge, { kind: 'group', id, xMm: xMm - widthMm / 2, yMm: yMm - heightMm / 2, marks }]
}

/** Two lines at each corner that lead up to the colour from outside, where the knife goes. */
function cutMarks(left: number, top: number, widthMm: number, heightMm: number): Mark[] {
  const from = bleedMm + markGapMm
  const d = [left, left + widthMm].flatMap((x) =>
    [top, top + heightMm].map((y) => {
      const [outX, outY] = [x === left ? -1 : 1, y === top ? -1 : 1]
      return `M${x + outX * from} ${y} h${outX * markMm} M${x} ${y + outY * from} v${outY * markMm}`
    }),
  )
  return [line(d.join(' '), hairMm)]
}

/** What the sheet is and how it is cut, below it where there is room. */
function note(
  title: string,
  device: Device,
  left: number,
  yMm: number,
  page: { readonly heightMm: number },
  font: LabelFont,
): Mark[] {
  const capMm = 2
  const words = `${device.name}, ${title}. Print at 100 % and cut along the marks.`
  const hasRoom = yMm + 2 * capMm < page.heightMm - 5 && font.missing(words).length === 0
  return hasRoom ? [text(words, left, yMm + 2 * capMm, capMm)] : []
}
