import { deviceControls, isPointingDevice, type Control, type Device } from '../bench/index.js'
import {
  ellipsePath,
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
import { controlRef } from '../triggers/index.js'
import { columnBoxes, columns, levelHeight, type ColumnBox, type ColumnRow } from './columns.js'
import { layOutLabel, textAt } from './fit.js'
import { labelMarks } from './labels.js'
import { characterArcMinutes, heightAtMm } from './legibility.js'
import { labelTexts, printable, printedLegend, type LabelSource, type NamedLabel } from './texts.js'

const edgeMm = 10
/** Share of a column of notes for the number and the key. Assumed. */
const noteShare = 0.22
/** A sheet in the hand is nearer than the keyboard. Assumed. */
const sheetDistanceMm = 350

/**
 * Every level of every key of a device, drawn to scale across the sheet. What finds no room on its key has a number
 * there and stands in full under the drawing or on the next page.
 */
export function boardSheet(
  device: Device,
  source: LabelSource,
  title: string,
  stock: Stock,
  font: LabelFont,
): Document {
  const size = pageAcrossMm(stock)
  const controls = deviceControls(device).filter((c) => (c.type ?? 'key') !== 'field')
  const bounds = boundsOf(controls)
  const cap = heightAtMm(characterArcMinutes.good, sheetDistanceMm)
  const least = heightAtMm(characterArcMinutes.least, sheetDistanceMm)
  const top = edgeMm + cap * 1.2 + least * 2.6
  const scale = Math.min(
    (size.widthMm - 2 * edgeMm) / bounds.widthMm,
    (size.heightMm - top - edgeMm) / bounds.heightMm,
    1,
  )
  const texts = textsOf(device, source, controls)
  const marks: Mark[] = [
    text(printable(title, font), edgeMm, edgeMm + cap * 1.2, cap * 1.2),
    text(printable(device.name, font), edgeMm, edgeMm + cap * 1.2 + least * 1.7, least),
  ]
  const notes: ColumnRow[] = []
  let numbered = 0
  for (const control of controls) {
    const { drawing, note } = keyDrawing(
      control,
      texts.get(control.id),
      scale,
      numbered + 1,
      source,
      least,
      font,
    )
    if (note) {
      notes.push(...note)
      numbered++
    }
    marks.push({
      kind: 'group',
      id: control.id,
      xMm: edgeMm + (control.xMm - control.widthMm / 2 - bounds.xMm) * scale,
      yMm: top + (control.yMm - control.heightMm / 2 - bounds.yMm) * scale,
      marks: drawing,
    })
  }
  if (notes.length === 0) return { title, pages: [{ ...size, marks }] }
  const boardFoot = top + bounds.heightMm * scale + 4
  return { title, pages: withNotes({ ...size, marks }, notes, boardFoot, least, font) }
}

function withNotes(
  page: Drawing,
  notes: readonly ColumnRow[],
  fromMm: number,
  capMm: number,
  font: LabelFont,
): Drawing[] {
  const count = 4
  const boxes = (yMm: number, heightMm: number): ColumnBox[] =>
    columnBoxes({ xMm: edgeMm, yMm, widthMm: page.widthMm - 2 * edgeMm, heightMm }, count, 5)
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

function keyDrawing(
  control: Control,
  said: NamedLabel['text'] | undefined,
  scale: number,
  number: number,
  source: LabelSource,
  least: number,
  font: LabelFont,
): { drawing: Mark[]; note: ColumnRow[] | null } {
  const [w, h] = [control.widthMm * scale, control.heightMm * scale]
  const outline = line(
    control.round === true ? ellipsePath(0, 0, w, h) : rectPath(0, 0, w, h),
    0.15,
    '#566673',
  )
  const legend = printedLegend(control, source)
  const fits = (words: string): boolean =>
    font.missing(words).length === 0 && font.widthMm(words, least) <= w - 1
  if (!said || said.entries.length === 0)
    return {
      drawing: [outline, ...(fits(legend) ? [text(legend, 0.6, least + 0.6, least, '#566673')] : [])],
      note: null,
    }
  const form = {
    widthMm: w,
    heightMm: h,
    round: control.round === true,
    content: 'text',
    levels: 'lines',
  } as const
  const fit = layOutLabel({ ...said, legend }, { ...form, readingDistanceMm: sheetDistanceMm }, font)
  // words cut to their initials help nobody where there is room to write them out
  if (fit.ok && !fit.shortened) return { drawing: [outline, ...labelMarks(fit, '#000000')], note: null }
  const mark = `${number}`
  const both = fits(`${legend} ${mark}`) ? `${legend} ${mark}` : mark
  return {
    drawing: [outline, text(font.missing(both).length === 0 ? both : mark, 0.6, least + 0.6, least)],
    note: said.entries.map((entry, i) => ({
      kind: 'entry',
      left: i === 0 ? `${mark}  ${legend}` : '',
      held: entry.held,
      right: textAt(entry, -1),
      keep: i < said.entries.length - 1,
    })),
  }
}

function boundsOf(controls: readonly Control[]) {
  const xMm = Math.min(...controls.map((c) => c.xMm - c.widthMm / 2))
  const yMm = Math.min(...controls.map((c) => c.yMm - c.heightMm / 2))
  return {
    xMm,
    yMm,
    widthMm: Math.max(...controls.map((c) => c.xMm + c.widthMm / 2)) - xMm,
    heightMm: Math.max(...controls.map((c) => c.yMm + c.heightMm / 2)) - yMm,
  }
}
