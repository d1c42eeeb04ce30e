import type { CommandId } from '../ids.js'
import type { Control } from '../bench/index.js'
import {
  filled,
  layLabels,
  stockOf,
  text,
  type Drawing,
  type LabelFont,
  type LayOptions,
  type Mark,
  type ReadyLabel,
  type Stock,
} from '../drawing/index.js'
import {
  contrastOf,
  groundOf,
  iconMarks,
  leastContrast,
  type KeyLabel,
  type LabelRule,
} from '../label-design/index.js'
import type { Modifier } from '../triggers/index.js'
import { layOutLabel, type LabelLayout, type LabelForm } from './fit.js'
import { modifierSigns } from './signs.js'
import { signAdvance, type LabelIcon, type LabelLine } from './stack.js'
import { labelTexts, printedLegend, type LabelSource, type NamedEntry } from './texts.js'

/** A label that can be read, as it is printed. */
export interface Label {
  readonly controlId: string
  readonly legend: string
  readonly entries: readonly NamedEntry[]
  readonly drawing: Drawing
  readonly round: boolean
  readonly lines: readonly LabelLine[]
  readonly icons: readonly LabelIcon[]
  readonly capMm: number
  readonly shortened: boolean
  /** what had to be left out, in words; empty when nothing was */
  readonly leftOut: string
  /** the legend of another label that says the same for another command, since both were shortened; empty for none */
  readonly readsLike: string
  /** contrast of ink and ground, 1 to 21 */
  readonly contrast: number
  /** left out by the person */
  readonly isHidden: boolean
}

/** A label that is not printed, and why. */
export interface UnreadableLabel {
  readonly controlId: string
  readonly legend: string
  readonly entries: readonly NamedEntry[]
  readonly reason: string
}

export interface LabelSet {
  readonly labels: readonly Label[]
  readonly unreadable: readonly UnreadableLabel[]
}

/** The size that a label has: the key's own, its key top's less the margin, and never more than the stock's. */
export function labelSizeMm(
  control: Control,
  rule: LabelRule,
  own: KeyLabel | undefined,
  stock: Stock,
): { readonly widthMm: number; readonly heightMm: number; readonly round: boolean } {
  const marginMm = own?.marginMm ?? rule.marginMm
  const area = control.label ?? control
  const shape = own?.shape ?? rule.shape
  const isCut = stock.kind !== 'sheet'
  const round = (isCut && stock.round) || shape === 'round' || (shape === 'key' && control.round === true)
  let widthMm = own?.widthMm ?? area.widthMm - 2 * marginMm
  let heightMm = own?.heightMm ?? area.heightMm - 2 * marginMm
  if (isCut) {
    widthMm = Math.min(widthMm, stock.labelWidthMm)
    heightMm = Math.min(heightMm, stock.labelHeightMm)
  }
  // a round label is a circle, but for a key top that is longer one way and the stock is cut by hand
  if (round && shape !== 'key') widthMm = heightMm = Math.min(widthMm, heightMm)
  if (isCut && stock.round) widthMm = heightMm = Math.min(widthMm, heightMm)
  return { widthMm, heightMm, round }
}

/** All labels of the source, and those that cannot be read with the reason. */
export function makeLabels(source: LabelSource, font: LabelFont): LabelSet {
  const { rule } = source.design
  const stock = stockOf(rule.stockId, source.design.stocks)
  const own = new Map(source.design.keys.map((key) => [key.controlId, key]))
  const labels: Label[] = []
  const unreadable: UnreadableLabel[] = []
  for (const { control, text } of labelTexts(source)) {
    const key = own.get(control.id)
    // "button 1" alone does not tell which device's
    const named = control.code === null ? source.legends?.get(control.id) : undefined
    const legend = named ?? printedLegend(control, source)
    const put = (reason: string): void => {
      unreadable.push({ controlId: control.id, legend, entries: text.entries, reason })
    }
    const size = labelSizeMm(control, rule, key, stock)
    const ink = key?.ink ?? rule.ink
    const contrast = contrastOf(ink, groundOf(rule.material, key?.keyColour ?? rule.keyColour))
    if (text.entries.length === 0) {
      put('The level that it stands for carries no command. Choose another level.')
      continue
    }
    if (contrast < leastContrast.text) {
      put(
        `Contrast of ink and ${rule.material === 'clear' ? 'key' : 'label'} is ${contrast.toFixed(1)} to 1, and must be ${leastContrast.text}. Choose another ink or stock.`,
      )
      continue
    }
    const form: LabelForm = {
      ...size,
      content: key?.content ?? rule.content,
      levels: rule.levels,
      readingDistanceMm: rule.readingDistanceMm,
    }
    const fit = layOutLabel(text, form, font)
    if (!fit.ok) {
      put(fit.reason)
      continue
    }
    labels.push({
      controlId: control.id,
      legend,
      entries: text.entries,
      drawing: { widthMm: size.widthMm, heightMm: size.heightMm, marks: labelMarks(fit, ink) },
      round: size.round,
      lines: fit.lines,
      icons: fit.icons,
      capMm: fit.capMm,
      shortened: fit.shortened,
      leftOut: fit.leftOut,
      readsLike: '',
      contrast,
      isHidden: key?.isHidden === true,
    })
  }
  return { labels: withLikenesses(labels), unreadable }
}

/** Text of one entry as it is printed. */
export const printedText = (label: Pick<Label, 'lines'>, entry: number): string =>
  label.lines
    .filter((line) => line.entry === entry)
    .map((line) => line.text)
    .join(' ')

/** Says of shortened labels which other one reads the same and means another command. */
function withLikenesses(labels: readonly Label[]): Label[] {
  const said = new Map<string, { readonly commandId: CommandId; readonly legend: string }[]>()
  for (const label of labels)
    for (const [at, { commandId }] of label.entries.entries()) {
      const text = printedText(label, at)
      if (text !== '') said.set(text, [...(said.get(text) ?? []), { commandId, legend: label.legend }])
    }
  return labels.map((label) => {
    if (!label.shortened) return label
    const like = label.entries.flatMap(
      ({ commandId }, at) => said.get(printedText(label, at))?.find((o) => o.commandId !== commandId) ?? [],
    )[0]
    return like ? { ...label, readsLike: like.legend } : label
  })
}

/** What a fitted label is drawn with. */
export function labelMarks(fit: Extract<LabelLayout, { ok: true }>, ink: string): Mark[] {
  const signs = (held: readonly Modifier[], rightMm: number, topMm: number, capMm: number): Mark[] =>
    held.map((modifier, i) =>
      filled(modifierSigns[modifier], ink, {
        xMm: rightMm - (held.length - i) * signAdvance * capMm,
        yMm: topMm,
        scale: capMm,
      }),
    )
  return [
    ...fit.icons.flatMap((icon) => [
      ...signs(icon.held, icon.xMm, icon.yMm + (icon.sizeMm - icon.capMm) / 2, icon.capMm),
      ...iconMarks(icon.icon, icon.xMm, icon.yMm, icon.sizeMm, ink),
    ]),
    ...fit.lines.flatMap((l) => [
      ...signs(l.held, l.xMm, l.baselineMm - l.capMm, l.capMm),
      text(l.text, l.xMm, l.baselineMm, l.capMm, ink),
    ]),
  ]
}

export const readyLabel = (label: Label): ReadyLabel => ({
  id: label.controlId,
  drawing: label.drawing,
  round: label.round,
})

/** The labels that are printed, on pages of their stock. */
export function labelPages(
  set: LabelSet,
  rule: LabelRule,
  stock: Stock,
  options: Omit<LayOptions, 'cut'>,
  font: LabelFont,
) {
  const shown = set.labels.filter((label) => !label.isHidden).map(readyLabel)
  return layLabels(shown, stock, { ...options, cut: rule.cut }, font)
}
