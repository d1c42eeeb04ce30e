import type { LabelFont } from '../drawing/index.js'
import { layOutLabel, type LabelForm, type LabelLayout } from './fit.js'
import { shorteningSteps } from './shorten.js'
import type { NamedEntry, NamedLabel } from './texts.js'

/**
 * A label with all its commands, or where they have no room with those that are used most and "and 2 more".
 * @param steps how far words are shortened before commands are left out, and at last
 */
export function layOutMostUsed(
  text: NamedLabel['text'],
  form: LabelForm,
  font: LabelFont,
  steps: readonly [readable: number, last: number] = [shorteningSteps - 2, shorteningSteps - 1],
): {
  readonly fit: LabelLayout
  readonly entries: readonly NamedEntry[]
  readonly left: readonly NamedEntry[]
} {
  const entries: readonly NamedEntry[] = text.entries
  const whole = (lastStep: number): LabelLayout => layOutLabel(text, { ...form, lastStep }, font)
  const readable = whole(steps[0])
  // corners are for a fixed set of levels, and a sign that the font lacks is no matter of room
  const isFixed = form.levels === 'places' || font.missing(entries.map((e) => e.text).join('')).length > 0
  if (readable.ok || entries.length < 2 || isFixed)
    return { fit: readable.ok ? readable : whole(steps[1]), entries, left: [] }
  // fewer commands are read better than words of three letters
  const byUse = entries.toSorted((a, b) => b.usesPerHour - a.usesPerHour)
  for (const lastStep of new Set(steps))
    for (let count = entries.length - 1; count > 0; count--) {
      const kept = new Set(byUse.slice(0, count))
      const shown = entries.filter((e) => kept.has(e))
      const more = entries.length - count
      const rest = { held: [], text: `and ${more} more`, short: `+${more}` }
      const fit = layOutLabel({ ...text, entries: [...shown, rest] }, { ...form, lastStep }, font)
      if (fit.ok) return { fit, entries: shown, left: entries.filter((e) => !kept.has(e)) }
    }
  return { fit: whole(steps[1]), entries, left: [] }
}
