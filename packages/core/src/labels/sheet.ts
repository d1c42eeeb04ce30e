import type { Control } from '../bench/index.js'
import { fullName, type Command } from '../commands/index.js'
import {
  actName, actOf, heldOf, keyLegend, spotOf, type Modifier, type NationalLayout, type SystemId, type Trigger, type Turn,
} from '../triggers/index.js' // prettier-ignore
import { fitLabel, type LabelLine, type LabelText } from './fit.js'
import type { LabelFont } from './font.js'
import { paperSizeMm } from './paper.js'

export interface LabelOptions {
  /** PWG 5101.1 name */
  readonly paper: string
  readonly readingDistanceMm: number
  /** how much smaller than the cap a sticker is, on each side, mm */
  readonly insetMm: number
  readonly showLegend: boolean
}

export const defaultLabelOptions: LabelOptions = Object.freeze({
  paper: 'iso_a4_210x297mm',
  readingDistanceMm: 500,
  insetMm: 1.5,
  showLegend: true,
})

/** A label at its place on a page; lengths in mm from the page's top left corner, lines from the label's. */
export interface PlacedLabel {
  readonly controlId: string
  readonly xMm: number
  readonly yMm: number
  readonly widthMm: number
  readonly heightMm: number
  readonly lines: readonly LabelLine[]
  readonly shortened: boolean
}

export interface LabelSheet {
  readonly paper: { readonly widthMm: number; readonly heightMm: number }
  readonly pages: readonly (readonly PlacedLabel[])[]
  /** labels that cannot be read, which are left out */
  readonly unreadable: readonly {
    readonly controlId: string
    readonly legend: string
    readonly reason: string
  }[]
}

export interface LabelSource {
  readonly placements: readonly { readonly commandId: string; readonly trigger: Trigger }[]
  /** the commands to print, such as those of one context */
  readonly commands: readonly Command[]
  readonly controls: readonly Control[]
  readonly layout: NationalLayout
  readonly systemId: SystemId
}

/** Unprinted edge and the gap between labels, mm. Assumed: common printers keep 4 to 5 mm clear. */
export const pageEdgeMm = 10
const gapMm = 2
/** Room at the foot of a page for the check scale, mm. */
export const footMm = 12

/** Arrows stand as words on labels, since text fonts rarely have them. */
const printedWords: Readonly<Record<string, string>> = {
  ArrowUp: 'Up',
  ArrowDown: 'Down',
  ArrowLeft: 'Left',
  ArrowRight: 'Right',
  NumpadEnter: 'Enter',
}

const printedLegend = (control: Control, source: Pick<LabelSource, 'layout' | 'systemId'>): string => {
  if (control.code === null) return control.name ?? ''
  return printedWords[control.code] ?? keyLegend(control.code, source.layout, source.systemId)
}

const turnWords: Readonly<Record<Turn, string>> = { left: 'left', right: 'right', up: 'up', down: 'down' }

/** What stands on the label of each control that carries a command: by height, then in the order of the keys. */
export function labelTexts(
  source: LabelSource,
  showLegend: boolean,
): { readonly control: Control; readonly text: LabelText }[] {
  const commands = new Map(source.commands.map((c) => [c.id, c]))
  const byPlace = new Map<string, { held: readonly Modifier[]; text: string }[]>()
  for (const { commandId, trigger } of source.placements) {
    const command = commands.get(commandId)
    const place = spotOf(trigger)
    if (!command || place === null || trigger.kind === 'stroke') continue
    const entries = byPlace.get(place) ?? []
    const how = trigger.kind === 'turn' ? turnWords[trigger.turn] : actName(actOf(trigger))
    entries.push({
      held: heldOf(trigger),
      text: [how, command.label ?? fullName(command)].filter(Boolean).join(': '),
    })
    byPlace.set(place, entries)
  }
  const seen = new Set<string>()
  return (
    source.controls
      .filter((control) => control.pointing !== true && byPlace.has(placeOf(control)))
      // two keys that send one code are both labelled; a control of a bench is not listed twice
      .filter((control) => !seen.has(control.id) && seen.add(control.id))
      // tall keys last, so that they leave no gaps under the others
      .toSorted((a, b) => a.heightMm - b.heightMm || a.yMm - b.yMm || a.xMm - b.xMm)
      .map((control) => ({
        control,
        text: {
          legend: showLegend ? printedLegend(control, source) : '',
          entries: (byPlace.get(placeOf(control)) ?? []).toSorted(
            (a, b) => a.held.length - b.held.length || (a.held.join() < b.held.join() ? -1 : 1),
          ),
        },
      }))
  )
}

const placeOf = (control: Control): string => control.code ?? control.id

/**
 * Labels laid out on pages in true millimetres, row by row.
 * @throws CoreError `PAPER_UNKNOWN`
 */
export function labelSheet(source: LabelSource, options: LabelOptions, font: LabelFont): LabelSheet {
  const paper = paperSizeMm(options.paper)
  const pages: PlacedLabel[][] = []
  const unreadable: LabelSheet['unreadable'][number][] = []
  let x = Infinity
  let y = Infinity
  let rowHeight = 0
  for (const { control, text } of labelTexts(source, options.showLegend)) {
    const widthMm = control.widthMm - 2 * options.insetMm
    const heightMm = control.heightMm - 2 * options.insetMm
    const fit = fitLabel(text, widthMm, heightMm, options.readingDistanceMm, font)
    if (!fit.ok) {
      unreadable.push({
        controlId: control.id,
        legend: printedLegend(control, source),
        reason: fit.reason,
      })
      continue
    }
    if (x + widthMm > paper.widthMm - pageEdgeMm) {
      x = pageEdgeMm
      y += rowHeight + gapMm
      rowHeight = 0
    }
    if (!(y + heightMm <= paper.heightMm - pageEdgeMm - footMm)) {
      pages.push([])
      x = pageEdgeMm
      y = pageEdgeMm
      rowHeight = 0
    }
    pages.at(-1)?.push({
      controlId: control.id,
      xMm: x,
      yMm: y,
      widthMm,
      heightMm,
      lines: fit.lines,
      shortened: fit.shortened,
    })
    x += widthMm + gapMm
    rowHeight = Math.max(rowHeight, heightMm)
  }
  return { paper, pages, unreadable }
}
