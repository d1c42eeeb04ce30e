import type { Modifier } from '../triggers/index.js'
import type { LabelFont } from './font.js'
import { characterArcMinutes, heightAtMm } from './legibility.js'
import { shorten, shorteningSteps } from './shorten.js'

/** What stands on one label: the key's legend and the commands of its levels. */
export interface LabelText {
  readonly legend: string
  readonly entries: readonly { readonly held: readonly Modifier[]; readonly text: string }[]
}

/** A line of text in a label; position of its baseline from the label's top left corner. */
export interface LabelLine {
  readonly text: string
  readonly held: readonly Modifier[]
  readonly xMm: number
  readonly baselineMm: number
  readonly capMm: number
  /** which entry of the label the line belongs to; -1 for the legend */
  readonly entry: number
}

export type LabelFit =
  | {
      readonly ok: true
      readonly lines: readonly LabelLine[]
      readonly capMm: number
      readonly shortened: boolean
    }
  | { readonly ok: false; readonly reason: string }

/** Free edge inside a label, mm. Assumed: a hand-cut sticker is off by up to half of it. */
const edgeMm = 0.8
/** Distance of baselines over the height of capitals. Assumed. */
const leading = 1.45
/** Width of a modifier's sign over the height of capitals, with the gap behind it. */
export const signAdvance = 1.15

/**
 * Puts text on a label: as it is where it fits, then shortened step by step, at 20' and then at 16' of arc, never less.
 * @param distanceMm reading distance
 */
export function fitLabel(
  label: LabelText,
  widthMm: number,
  heightMm: number,
  distanceMm: number,
  font: LabelFont,
): LabelFit {
  const strange = font.missing([label.legend, ...label.entries.map((e) => e.text)].join(''))
  if (strange.length > 0)
    return {
      ok: false,
      reason: `The label font has no sign for ${strange.join(' ')}. Write a short text for the label.`,
    }
  const sizes = [characterArcMinutes.good, characterArcMinutes.least].map((arc) =>
    heightAtMm(arc, distanceMm),
  )
  for (let step = 0; step < shorteningSteps; step++) {
    for (const capMm of sizes) {
      const lines = layLines(label, step, widthMm, heightMm, capMm, font)
      if (lines) return { ok: true, lines, capMm, shortened: step > 0 }
    }
  }
  const least = (sizes.at(-1) as number).toFixed(1)
  const count = label.entries.length
  return {
    ok: false,
    reason: `${count} command${count === 1 ? '' : 's'} do${count === 1 ? 'es' : ''} not fit ${widthMm.toFixed(0)} x ${heightMm.toFixed(0)} mm with letters ${least} mm high. Write a shorter text, print fewer levels or make the label larger.`,
  }
}

function layLines(
  label: LabelText,
  step: number,
  widthMm: number,
  heightMm: number,
  capMm: number,
  font: LabelFont,
): LabelLine[] | null {
  const room = widthMm - 2 * edgeMm
  const lines: LabelLine[] = []
  let baselineMm = edgeMm + capMm
  const put = (text: string, held: readonly Modifier[], xMm: number, entry: number): void => {
    lines.push({ text, held, xMm, baselineMm, capMm, entry })
    baselineMm += capMm * leading
  }
  if (label.legend !== '') put(label.legend, [], edgeMm, -1)
  if (font.widthMm(label.legend, capMm) > room) return null
  for (const [at, entry] of label.entries.entries()) {
    const indent = entry.held.length * signAdvance * capMm
    const wrapped = wrap(shorten(entry.text, step), room - indent, capMm, font)
    if (!wrapped) return null
    wrapped.forEach((text, i) => put(text, i === 0 ? entry.held : [], edgeMm + indent, at))
  }
  const lastBaseline = baselineMm - capMm * leading
  return lastBaseline + edgeMm <= heightMm + 1e-9 ? lines : null
}

/** Words in as few lines as they need, or null when one is too wide by itself. */
function wrap(text: string, roomMm: number, capMm: number, font: LabelFont): string[] | null {
  const lines: string[] = []
  for (const word of text.split(/\s+/)) {
    if (font.widthMm(word, capMm) > roomMm) return null
    const last = lines.at(-1)
    if (last !== undefined && font.widthMm(`${last} ${word}`, capMm) <= roomMm)
      lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  return lines
}
