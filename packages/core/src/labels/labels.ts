import type { CommandId } from '../ids.js'
import type { Control } from '../bench/index.js'
import {
  layLabels,
  stockOf,
  type Drawing,
  type LabelFont,
  type LayOptions,
  type ReadyLabel,
  type Stock,
} from '../drawing/index.js'
import { contrastOf, groundOf, leastContrast, type KeyLabel, type LabelRule } from '../label-design/index.js'
import { layOutLabel, type LabelForm } from './fit.js'
import { labelMarks, type Changed } from './label-marks.js'
import { layOutMostUsed } from './most-used.js'
import type { LabelIcon, LabelLine } from './stack.js'
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
  /** a word was cut: someone has to look whether it can be read */
  readonly isCut: boolean
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
    const { fit, entries, left } = layOutMostUsed(text, form, font)
    if (!fit.ok) {
      put(fit.reason)
      continue
    }
    labels.push({
      controlId: control.id,
      legend,
      entries,
      drawing: {
        widthMm: size.widthMm,
        heightMm: size.heightMm,
        marks: labelMarks(fit, ink, changedIn(entries, source)),
      },
      round: size.round,
      lines: fit.lines,
      icons: fit.icons,
      capMm: fit.capMm,
      shortened: fit.shortened,
      isCut: fit.isCut,
      leftOut: [fit.leftOut, leftInWords(left)].filter(Boolean).join(', '),
      readsLike: '',
      contrast,
      isHidden: key?.isHidden === true,
    })
  }
  return { labels: withLikenesses(withWordsForSameIcons(labels, source, font)), unreadable }
}

/** Which entries of a label are new, where the source says what is. */
export const changedIn = (entries: readonly NamedEntry[], { changed }: LabelSource): Changed | undefined =>
  changed && { isNew: (at) => entries[at]?.isNew === true, colour: changed.colour }

const leftInWords = (left: readonly NamedEntry[]): string =>
  left.length === 0 ? '' : `no room for ${left.map((e) => `“${e.text}”`).join(', ')}`

/** What a label shows that has icons and no words: those of each level. */
const iconsOf = (label: Label): string =>
  label.icons.map((i) => `${i.held.join('+')} ${i.icon.id}`).join('\n')

/** Labels that would look the same get words beside their icons, or instead of them where there is no room for both. */
function withWordsForSameIcons(labels: readonly Label[], source: LabelSource, font: LabelFont): Label[] {
  const count = new Map<string, number>()
  const bare = labels.filter((label) => label.lines.length === 0)
  for (const label of bare) count.set(iconsOf(label), (count.get(iconsOf(label)) ?? 0) + 1)
  const twice = new Set(bare.filter((label) => (count.get(iconsOf(label)) ?? 0) > 1).map((l) => l.controlId))
  if (twice.size === 0) return [...labels]
  const { rule } = source.design
  return labels.map((label) => {
    if (!twice.has(label.controlId)) return label
    const { widthMm, heightMm } = label.drawing
    const ink = source.design.keys.find((k) => k.controlId === label.controlId)?.ink ?? rule.ink
    for (const content of ['icon-text', 'text'] as const) {
      const form = {
        widthMm,
        heightMm,
        round: label.round,
        content,
        levels: rule.levels,
        readingDistanceMm: rule.readingDistanceMm,
      }
      const fit = layOutLabel({ legend: '', entries: label.entries }, form, font)
      if (!fit.ok || fit.lines.length === 0) continue
      const { lines, icons, capMm, shortened, isCut } = fit
      return {
        ...label,
        ...{ lines, icons, capMm, shortened, isCut },
        drawing: { ...label.drawing, marks: labelMarks(fit, ink, changedIn(label.entries, source)) },
        leftOut: 'has words, since another label has the same icon',
      }
    }
    return { ...label, leftOut: 'another label has the same icon, and there is no room for words' }
  })
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
