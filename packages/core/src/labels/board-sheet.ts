import { deviceControls, isPointingDevice, type Control, type Device } from '../bench/index.js'
import {
  ellipsePath,
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
import { controlRef, modifierName, modifiers } from '../triggers/index.js'
import { blockBounds, blocksOf } from './blocks.js'
import { columnBoxes, columns, levelHeight, type ColumnBox, type ColumnRow } from './columns.js'
import { textAt } from './fit.js'
import { labelMarks } from './label-marks.js'
import { changedIn } from './labels.js'
import { characterArcMinutes, heightAtMm } from './legibility.js'
import { layOutMostUsed } from './most-used.js'
import { cuttingStep } from './shorten.js'
import { modifierSigns } from './signs.js'
import { labelTexts, printable, printedLegend, type LabelSource, type NamedLabel } from './texts.js'

const edgeMm = 8
/** Share of a column of notes for the key. Assumed. */
const noteShare = 0.2
/** Width of a column of notes over the height of its capitals. Assumed: some eighteen letters. */
const columnCaps = 26
/** Where a sheet stands beside the screen, and nearer, down to where a hand holds it; the farthest at which all finds room is taken, mm. */
const distancesMm = [900, 750, 600, 560, 520, 490, 460, 430, 400, 375, 350]
/** Share of the keys with commands that may show none of them, all in the list. Assumed. */
const mostBare = 0.1
/** Known abbreviations will do; no word is cut, since there is room to write them out. */
const abbreviated = [cuttingStep - 1, cuttingStep - 1] as const
/** Small devices are drawn larger, but no more than so. */
const largest = 2
const quiet = '#566673'

/** What the whole sheet is laid out with. */
interface Layout {
  readonly source: LabelSource
  readonly font: LabelFont
  readonly distanceMm: number
  /** the least height of capitals, mm */
  readonly leastMm: number
  readonly scale: number
}

/**
 * Every level of every key of a device, drawn to scale across the sheet, in letters that can be read as far away as the
 * page allows. Blocks without a command are left out. Commands that find no room on their key stand in the list below.
 */
export function boardSheet(
  device: Device,
  source: LabelSource,
  title: string,
  stock: Stock,
  font: LabelFont,
): Document {
  const all = deviceControls(device).filter((c) => (c.type ?? 'key') !== 'field')
  const texts = textsOf(device, source, all)
  const used = blocksOf(all)
    .filter((block) => block.some((c) => texts.get(c.id)?.entries.length))
    .flat()
  const controls = used.length > 0 ? used : all
  let laid: { readonly pages: Drawing[]; readonly bareShare: number } = { pages: [], bareShare: 0 }
  for (const distanceMm of distancesMm) {
    laid = pagesAt(distanceMm, device, controls, texts, source, title, stock, font)
    if (laid.pages.length === 1 && laid.bareShare <= mostBare) break
  }
  return { title, pages: laid.pages }
}

function pagesAt(
  distanceMm: number,
  device: Device,
  controls: readonly Control[],
  texts: ReadonlyMap<string, NamedLabel['text']>,
  source: LabelSource,
  title: string,
  stock: Stock,
  font: LabelFont,
): { readonly pages: Drawing[]; readonly bareShare: number } {
  const size = pageAcrossMm(stock)
  const bounds = blockBounds(controls)
  const leastMm = heightAtMm(characterArcMinutes.least, distanceMm)
  const titleMm = leastMm * 1.4
  const top = edgeMm + titleMm + leastMm * 2.6
  const scale = Math.min(
    (size.widthMm - 2 * edgeMm) / bounds.widthMm,
    (size.heightMm - top - edgeMm) / bounds.heightMm,
    largest,
  )
  const layout: Layout = { source, font, distanceMm, leastMm, scale }
  const drawn = controls.map((control, i) => ({
    control,
    ...keyDrawing(control, texts.get(control.id), i + 1, layout),
  }))
  const notes = drawn.flatMap((key) => key.note)
  const bareShare = drawn.filter((key) => key.isBare).length / Math.max(1, texts.size)
  const marks: Mark[] = [
    text(printable(title, font), edgeMm, edgeMm + titleMm, titleMm),
    ...signKey(device, [...texts.values()], notes.length > 0, edgeMm + titleMm + leastMm * 1.8, layout),
    ...drawn.map(({ control, marks: own }): Mark => ({
      kind: 'group',
      id: control.id,
      xMm: edgeMm + (control.xMm - control.widthMm / 2 - bounds.xMm) * scale,
      yMm: top + (control.yMm - control.heightMm / 2 - bounds.yMm) * scale,
      marks: own,
    })),
  ]
  const page = { ...size, marks }
  const foot = top + bounds.heightMm * scale + leastMm * 1.6
  return {
    pages: notes.length === 0 ? [page] : withNotes(page, notes, foot, leastMm, font),
    bareShare,
  }
}

/** The device, what the signs of modifiers mean, and where the rest stands. */
function signKey(
  device: Device,
  texts: readonly NamedLabel['text'][],
  hasNotes: boolean,
  baselineMm: number,
  { source, font, leastMm }: Layout,
): Mark[] {
  const entries = texts.flatMap((t) => t.entries)
  const held = modifiers.filter((m) => entries.some((e) => e.held.includes(m)))
  let x = edgeMm
  const words = (said: string): Mark => {
    const mark = text(printable(said, font), x, baselineMm, leastMm)
    x += font.widthMm(mark.text, leastMm) + leastMm * 1.6
    return mark
  }
  const marks: Mark[] = [words(device.name)]
  for (const modifier of held) {
    marks.push(
      filled(modifierSigns[modifier], '#000000', { xMm: x, yMm: baselineMm - leastMm, scale: leastMm }),
    )
    x += leastMm * 1.3
    marks.push(words(modifierName(modifier, source.systemId)))
  }
  if (hasNotes) marks.push(words('+2: two more, in the list below'))
  if (source.changed && entries.some((e) => e.isNew)) {
    marks.push(filled(rectPath(x, baselineMm - leastMm, 0.4, leastMm), source.changed.colour))
    x += 1
    marks.push(words('new here'))
  }
  return marks
}

function withNotes(
  page: Drawing,
  notes: readonly ColumnRow[],
  fromMm: number,
  capMm: number,
  font: LabelFont,
): Drawing[] {
  const widthMm = page.widthMm - 2 * edgeMm
  const count = Math.max(1, Math.floor(widthMm / (capMm * columnCaps)))
  const boxes = (yMm: number, heightMm: number): ColumnBox[] =>
    columnBoxes({ xMm: edgeMm, yMm, widthMm, heightMm }, count, capMm * 1.5)
  const roomMm = page.heightMm - edgeMm - fromMm
  const levelMm = levelHeight(notes, boxes(fromMm, roomMm), roomMm, capMm, font, noteShare)
  const later = boxes(edgeMm, page.heightMm - 2 * edgeMm)
  const laid = columns(notes, (at) => (at === 0 ? boxes(fromMm, levelMm) : later), capMm, font, noteShare)
  return laid.map((marks, i) =>
    i === 0 ? { ...page, marks: [...page.marks, ...marks] } : { ...page, marks },
  )
}

/** What each control of the device says, on any of its pages. */
function textsOf(
  device: Device,
  source: LabelSource,
  controls: readonly Control[],
): ReadonlyMap<string, NamedLabel['text']> {
  // every level stands here, whichever one the key's own label is for; in the words of the key
  const keys = source.design.keys.map(({ controlId, words }) => ({ controlId, words }))
  const design = { ...source.design, keys }
  const placed = controls.map((c) => ({ ...c, id: controlRef(device.id, c.id), pointing: false }))
  const made = labelTexts({ ...source, controls: placed, design })
  const isPointed = isPointingDevice(device)
  return new Map(
    made.map(({ control, text: said }) => [
      control.id.slice(device.id.length + 1),
      isPointed ? { ...said, legend: control.name ?? '' } : said,
    ]),
  )
}

/** A key with what is used most on it; all that it carries as rows of the list where not all finds room. */
function keyDrawing(
  control: Control,
  said: NamedLabel['text'] | undefined,
  number: number,
  { source, font, distanceMm, leastMm, scale }: Layout,
): { readonly marks: Mark[]; readonly note: ColumnRow[]; readonly isBare: boolean } {
  const [w, h] = [control.widthMm * scale, control.heightMm * scale]
  const isRound = control.round === true
  const outline = line(isRound ? ellipsePath(0, 0, w, h) : rectPath(0, 0, w, h), 0.15, quiet)
  const legend = printable(printedLegend(control, source), font) || `${number}`
  const shown = font.widthMm(legend, leastMm) <= w - 1 ? legend : ''
  const bare = (colour: string): Mark[] => [
    outline,
    ...(shown
      ? [text(shown, isRound ? w * 0.2 : 0.6, leastMm + (isRound ? h * 0.2 : 0.6), leastMm, colour)]
      : []),
  ]
  if (!said || said.entries.length === 0) return { marks: bare(quiet), note: [], isBare: false }
  const form = {
    widthMm: w,
    heightMm: h,
    round: isRound,
    content: 'text',
    levels: 'lines',
    readingDistanceMm: distanceMm,
  } as const
  const { fit, entries, left } = layOutMostUsed({ ...said, legend }, form, font, abbreviated)
  const marks = fit.ok
    ? [outline, ...labelMarks(fit, '#000000', changedIn(entries, source))]
    : bare('#000000')
  return { marks, note: fit.ok && left.length === 0 ? [] : noteOf(legend, said, source), isBare: !fit.ok }
}

const noteOf = (legend: string, said: NamedLabel['text'], { changed }: LabelSource): ColumnRow[] =>
  said.entries.map((entry, i) => ({
    kind: 'entry',
    left: i === 0 ? legend : '',
    held: entry.held,
    right: textAt(entry, -1),
    ...(changed && entry.isNew && { mark: changed.colour }),
    keep: i < said.entries.length - 1,
  }))
