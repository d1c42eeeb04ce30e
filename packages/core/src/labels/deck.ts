import { deviceControls, pagesOf, type Device } from '../bench/index.js'
import { filled, rectPath, type Colour, type Drawing, type LabelFont } from '../drawing/index.js'
import { heldOf, controlRefOf } from '../triggers/index.js'
import { layOutLabel, type LabelEntry } from './fit.js'
import { labelMarks } from './label-marks.js'
import { howWorked, labelIconId, labelTextOf, type LabelSource } from './texts.js'

export interface FaceOptions {
  readonly ground: Colour
  readonly ink: Colour
  readonly readingDistanceMm: number
}

export const defaultFaceOptions: FaceOptions = Object.freeze({
  ground: '#10181f',
  ink: '#f5f2e8',
  readingDistanceMm: 500,
})

/** The picture of one button on one page of a device with screens. */
export interface DeckFace {
  /** `page/control`, fit for a file's name */
  readonly id: string
  readonly pageName: string
  readonly controlId: string
  readonly drawing: Drawing
  /** why nothing stands on it; empty when it can be read */
  readonly reason: string
}

/**
 * A picture for each button that does something, page by page: an icon with words under it where there is one.
 * Dials and strips of such a device have no screen of their own.
 */
export function deckFaces(
  device: Device,
  source: LabelSource,
  options: FaceOptions,
  font: LabelFont,
): DeckFace[] {
  const commands = new Map(source.commands.map((c) => [c.id, c]))
  const controls = deviceControls(device).filter((c) => (c.type ?? 'key') === 'button' || c.type === 'key')
  return pagesOf(device).flatMap((page) =>
    controls.flatMap((control): DeckFace[] => {
      const opens = page.opens.find((o) => o.controlId === control.id)
      const entries: LabelEntry[] = opens ? [opening(device, opens.pageId, source)] : []
      for (const { commandId, trigger } of source.placements) {
        const command = commands.get(commandId)
        const isHere =
          trigger.kind === 'button' &&
          controlRefOf(trigger) === `${device.id}/${control.id}` &&
          (trigger.pageId === undefined || trigger.pageId === page.id)
        if (!command || !isHere) continue
        const iconId = labelIconId(command, source.icons)
        entries.push({
          held: heldOf(trigger),
          how: howWorked(trigger),
          text: labelTextOf(command, source.design),
          short: command.label,
          icon: iconId === null ? null : source.icons.get(iconId),
        })
      }
      if (entries.length === 0) return []
      entries.sort((a, b) => a.held.length - b.held.length)
      const { widthMm, heightMm } = control
      const form = {
        widthMm,
        heightMm,
        round: control.round === true,
        content: 'icon-text',
        levels: 'lines',
      } as const
      const fit = layOutLabel(
        { legend: '', entries },
        { ...form, readingDistanceMm: options.readingDistanceMm },
        font,
      )
      const ground = filled(rectPath(0, 0, widthMm, heightMm), options.ground)
      return [
        {
          id: `${page.id}/${control.id}`,
          pageName: page.name,
          controlId: control.id,
          drawing: { widthMm, heightMm, marks: [ground, ...(fit.ok ? labelMarks(fit, options.ink) : [])] },
          reason: fit.ok ? '' : fit.reason,
        },
      ]
    }),
  )
}

/** What a button says that opens another page, or goes back. */
function opening(device: Device, pageId: string | null, source: LabelSource): LabelEntry {
  const name = pagesOf(device).find((p) => p.id === pageId)?.name
  return {
    held: [],
    text: name === undefined ? 'Back' : `Page ${name}`,
    icon: source.icons.get(name === undefined ? 'undo-2' : 'layers'),
  }
}

/** All faces of a page at their places on the device, to see them together. */
export function deckPage(device: Device, pageId: string, faces: readonly DeckFace[]): Drawing {
  const controls = new Map(deviceControls(device).map((c) => [c.id, c]))
  const all = [...controls.values()]
  const widthMm =
    device.kind === 'drawn' ? device.widthMm : Math.max(...all.map((c) => c.xMm + c.widthMm / 2))
  const heightMm =
    device.kind === 'drawn' ? device.heightMm : Math.max(...all.map((c) => c.yMm + c.heightMm / 2))
  return {
    widthMm,
    heightMm,
    marks: faces
      .filter((face) => face.id.startsWith(`${pageId}/`))
      .map((face) => {
        const control = controls.get(face.controlId)
        return {
          kind: 'group' as const,
          id: face.id,
          xMm: (control?.xMm ?? 0) - face.drawing.widthMm / 2,
          yMm: (control?.yMm ?? 0) - face.drawing.heightMm / 2,
          marks: face.drawing.marks,
        }
      }),
  }
}
