import { table } from '../table.js'
import type { LabelFont } from '../drawing/index.js'
import { leastIconMm, type Content, type Icon, type LevelForm } from '../label-design/index.js'
import type { Modifier } from '../triggers/index.js'
import { characterArcMinutes, heightAtMm } from './legibility.js'
import { cuttingStep, shorten, shorteningSteps } from './shorten.js'
import { layStack, type Box, type LabelIcon, type LabelLine, type StackItem } from './stack.js'

/** What one level of a key says. */
export interface LabelEntry {
  readonly held: readonly Modifier[]
  /** how the key is worked, where it is not simply pressed: `twice`, `left`; never shortened */
  readonly how?: string | undefined
  readonly text: string
  /** the person's own short text, taken before any rule shortens */
  readonly short?: string | undefined
  /** what is pressed, in words, where it is printed */
  readonly chord?: string | undefined
  readonly icon?: Icon | null | undefined
}

/** What stands on one label: the key's legend and the commands of its levels. */
export interface LabelText {
  readonly legend: string
  readonly entries: readonly LabelEntry[]
}

/** The room that a label has, and how it is filled. */
export interface LabelForm {
  readonly widthMm: number
  readonly heightMm: number
  readonly round: boolean
  readonly content: Content
  readonly levels: LevelForm
  readonly readingDistanceMm: number
  /** the last step of shortening that is tried; the last of all where left out */
  readonly lastStep?: number
}

export type LabelLayout =
  | {
      readonly ok: true
      readonly lines: readonly LabelLine[]
      readonly icons: readonly LabelIcon[]
      readonly capMm: number
      readonly shortened: boolean
      /** a word was cut: someone has to look whether it can be read */
      readonly isCut: boolean
      /** what had to be left out, in words; empty when nothing was */
      readonly leftOut: string
    }
  | { readonly ok: false; readonly reason: string }

/** Sides of icons that are tried, mm: large ones are seen from afar, none is below what one colour can show. */
const iconSizesMm = [12, 10, 9, 8, 7, 6, 5, 4.5, 4, 3.5, leastIconMm]

/**
 * Puts text and icons on a label: as they are where they fit, then shortened step by step, at 20' and then at 16' of
 * arc, never less. An icon that finds no room is left out and named.
 */
export function layOutLabel(label: LabelText, form: LabelForm, font: LabelFont): LabelLayout {
  const strange = font.missing(
    [label.legend, ...label.entries.flatMap((e) => [e.text, e.short ?? '', e.chord ?? ''])].join(''),
  )
  if (strange.length > 0)
    return {
      ok: false,
      reason: `The label font has no sign for ${strange.join(' ')}. Write a short text for the label.`,
    }
  const clash = form.levels === 'places' ? placeClash(label) : null
  if (clash !== null) return { ok: false, reason: clash }
  const sizes = [characterArcMinutes.good, characterArcMinutes.least].map((arc) =>
    heightAtMm(arc, form.readingDistanceMm),
  )
  const wantsIcon = form.content !== 'text' && label.entries.some((e) => e.icon)
  for (const withIcons of wantsIcon ? [true, false] : [false])
    for (let step = -1; step <= (form.lastStep ?? shorteningSteps - 1); step++) {
      // step -1 is the text in full, 0 the person's own short text
      if (step === 0 && label.entries.every((e) => e.short === undefined)) continue
      for (const capMm of sizes)
        for (const iconMm of withIcons ? iconSizesMm : [0]) {
          const laid = layAll(label, form, step, capMm, iconMm, font)
          if (laid)
            return {
              ok: true,
              ...laid,
              capMm,
              shortened: step > 0,
              isCut: step >= cuttingStep,
              leftOut: wantsIcon && !withIcons ? 'there is no room for its icon' : '',
            }
        }
    }
  const least = (sizes.at(-1) as number).toFixed(1)
  const count = label.entries.length
  const size = form.round
    ? `a round of ${form.widthMm.toFixed(0)} mm`
    : `${form.widthMm.toFixed(0)} x ${form.heightMm.toFixed(0)} mm`
  return {
    ok: false,
    reason: `${count} command${count === 1 ? '' : 's'} do${count === 1 ? 'es' : ''} not fit ${size} with letters ${least} mm high. Write a shorter text, print fewer levels or make the label larger.`,
  }
}

/** The text of an entry at a step of shortening. */
export function textAt(entry: Pick<LabelEntry, 'how' | 'text' | 'short'>, step: number): string {
  const own = entry.short ?? entry.text
  const said = step < 0 ? entry.text : step === 0 ? own : shorten(own, step)
  return entry.how ? `${entry.how}: ${said}` : said
}

function itemsOf(
  entry: LabelEntry,
  at: number,
  content: Content,
  step: number,
  withIcons: boolean,
): StackItem[] {
  const icon = withIcons ? (entry.icon ?? null) : null
  // under icons only the first level has words: the others would take its room
  const hasIcon = icon !== null && (content === 'icon' || at === 0)
  const items: StackItem[] = []
  if (hasIcon) items.push({ kind: 'icon', icon, held: entry.held, entry: at })
  if (!hasIcon || content !== 'icon')
    items.push({ kind: 'text', text: textAt(entry, step), held: hasIcon ? [] : entry.held, entry: at })
  if (entry.chord !== undefined) items.push({ kind: 'text', text: entry.chord, held: [], entry: at })
  return items
}

function layAll(
  label: LabelText,
  form: LabelForm,
  step: number,
  capMm: number,
  iconMm: number,
  font: LabelFont,
): { lines: LabelLine[]; icons: LabelIcon[] } | null {
  const { widthMm, heightMm, content } = form
  const legend: StackItem[] =
    label.legend === '' ? [] : [{ kind: 'text', text: label.legend, held: [], entry: -1 }]
  const whole: Box = { xMm: 0, yMm: 0, widthMm, heightMm, round: form.round }
  const isMiddle = form.round || content !== 'text'
  const items = label.entries.map((entry, at) => itemsOf(entry, at, content, step, iconMm > 0))
  if (form.levels === 'lines')
    return layStack([...legend, ...items.flat()], whole, isMiddle, capMm, iconMm, font)
  const taken = label.entries.map((entry) => placeOf(entry))
  const lines: LabelLine[] = []
  const icons: LabelIcon[] = []
  for (const [at, entry] of label.entries.entries()) {
    const place = placeOf(entry) as Corner
    const box = boxOf(place, whole.round ? squareIn(whole) : whole, taken)
    const stack = [...(at === 0 ? legend : []), ...(items[at] as StackItem[])]
    const laid = layStack(stack, box, isMiddle, capMm, iconMm, font)
    if (!laid) return null
    lines.push(...laid.lines)
    icons.push(...laid.icons)
  }
  return { lines, icons }
}

interface Corner {
  readonly column: 0 | 1
  readonly row: 0 | 1
}

/** Where each level stands: plain below at the left, Shift above it, as letters stand on key tops; the rest at the right. */
const places = table<Corner>({
  '': { column: 0, row: 1 },
  Shift: { column: 0, row: 0 },
  Control: { column: 1, row: 0 },
  Alt: { column: 1, row: 1 },
  AltGraph: { column: 1, row: 1 },
  Meta: { column: 1, row: 1 },
})

const placeOf = (entry: LabelEntry): Corner | undefined => places[entry.held.join('+')]

/** Why the levels cannot each have a place, or null when they can. */
function placeClash(label: LabelText): string | null {
  const seen = new Set<Corner | undefined>()
  for (const entry of label.entries) {
    const place = placeOf(entry)
    if (place === undefined)
      return `${entry.held.join('+')} has no corner of its own. Print the levels as lines, or leave this one out.`
    const same = [...seen].some((p) => p?.column === place.column && p.row === place.row)
    if (same) return 'Two levels belong in the same corner. Print the levels as lines, or leave one out.'
    seen.add(place)
  }
  return null
}

/** The largest upright box in a round label: its sides are those of the label over the root of two. */
function squareIn(label: Box): Box {
  const share = (1 - Math.SQRT1_2) / 2
  const { widthMm, heightMm } = label
  return {
    xMm: widthMm * share,
    yMm: heightMm * share,
    widthMm: widthMm * Math.SQRT1_2,
    heightMm: heightMm * Math.SQRT1_2,
    round: false,
  }
}

/** A quarter of the label; a corner with nothing beside it has the whole row, with nothing in the other row all height. */
function boxOf(place: Corner, whole: Box, taken: readonly (Corner | undefined)[]): Box {
  const isTaken = (column: number, row: number): boolean =>
    taken.some((p) => p?.column === column && p.row === row)
  const other = 1 - place.row
  const hasOtherRow = isTaken(0, other) || isTaken(1, other)
  const hasBeside = isTaken(1 - place.column, place.row)
  const heightMm = hasOtherRow ? whole.heightMm / 2 : whole.heightMm
  const widthMm = hasBeside ? whole.widthMm / 2 : whole.widthMm
  return {
    xMm: whole.xMm + (hasBeside ? (place.column * whole.widthMm) / 2 : 0),
    yMm: whole.yMm + (hasOtherRow ? (place.row * whole.heightMm) / 2 : 0),
    widthMm,
    heightMm,
    round: false,
  }
}
