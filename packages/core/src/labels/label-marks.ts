import { filled, text, type Mark } from '../drawing/index.js'
import { iconMarks } from '../label-design/index.js'
import type { Modifier } from '../triggers/index.js'
import type { LabelLayout } from './fit.js'
import { newBar } from './new-bar.js'
import { modifierSigns } from './signs.js'
import { signAdvance } from './stack.js'

/** Entries of a label that are new, and the colour of their bar. */
export interface Changed {
  readonly isNew: (entry: number) => boolean
  readonly colour: string
}

/** What a fitted label is drawn with. What is new has a bar on its left, seen in one ink too, and is written in its colour. */
export function labelMarks(fit: Extract<LabelLayout, { ok: true }>, ink: string, changed?: Changed): Mark[] {
  const signs = (
    held: readonly Modifier[],
    rightMm: number,
    topMm: number,
    capMm: number,
    colour: string,
  ): Mark[] =>
    held.map((modifier, i) =>
      filled(modifierSigns[modifier], colour, {
        xMm: rightMm - (held.length - i) * signAdvance * capMm,
        yMm: topMm,
        scale: capMm,
      }),
    )
  const colourOf = (entry: number): string => (changed?.isNew(entry) === true ? changed.colour : ink)
  return [
    ...(changed ? newBars(fit, changed) : []),
    ...fit.icons.flatMap((icon) => [
      ...signs(
        icon.held,
        icon.xMm,
        icon.yMm + (icon.sizeMm - icon.capMm) / 2,
        icon.capMm,
        colourOf(icon.entry),
      ),
      ...iconMarks(icon.icon, icon.xMm, icon.yMm, icon.sizeMm, colourOf(icon.entry)),
    ]),
    ...fit.lines.flatMap((l) => [
      ...signs(l.held, l.xMm, l.baselineMm - l.capMm, l.capMm, colourOf(l.entry)),
      text(l.text, l.xMm, l.baselineMm, l.capMm, colourOf(l.entry)),
    ]),
  ]
}

/** One bar for each new entry, from its first line or icon to its last. */
function newBars(fit: Extract<LabelLayout, { ok: true }>, { isNew, colour }: Changed): Mark[] {
  const boxes = [
    ...fit.icons.map((icon) => ({
      entry: icon.entry,
      left: icon.xMm - icon.held.length * signAdvance * icon.capMm,
      top: icon.yMm,
      foot: icon.yMm + icon.sizeMm,
    })),
    ...fit.lines.map((l) => ({
      entry: l.entry,
      left: l.xMm - l.held.length * signAdvance * l.capMm,
      top: l.baselineMm - l.capMm,
      foot: l.baselineMm,
    })),
  ]
  return [...new Set(boxes.map((b) => b.entry))].filter(isNew).map((entry) => {
    const own = boxes.filter((b) => b.entry === entry)
    const least = (of: 'left' | 'top'): number => Math.min(...own.map((b) => b[of]))
    return newBar(least('left'), least('top'), Math.max(...own.map((b) => b.foot)), colour)
  })
}
