import type { CommandId } from '../ids.js'
import type { Control } from '../bench/index.js'
import { fullName, type Command } from '../commands/index.js'
import type { LabelFont } from '../drawing/index.js'
import type { KeyWords, LabelDesign } from '../label-design/index.js'
import {
  actName,
  actOf,
  heldOf,
  keyLegend,
  controlRef,
  controlRefOf,
  triggerKey,
  triggerName,
  type Chord,
  type Modifier,
  type Naming,
  type Trigger,
} from '../triggers/index.js'
import type { LabelEntry } from './fit.js'
import type { Plan } from '../plan/index.js'
import type { IconSet } from './icon-set.js'

/** What labels are made from. */
export interface LabelSource extends Naming {
  readonly placements: readonly {
    readonly commandId: CommandId
    readonly trigger: Trigger
    readonly sends?: readonly Chord[] | undefined
  }[]
  /** the commands to print, such as those of one context */
  readonly commands: readonly Command[]
  readonly controls: readonly Control[]
  readonly design: LabelDesign
  readonly icons: IconSet
  /** triggers that are new, by `changedKey`, and the colour that marks them; nothing is marked where left out */
  readonly changed?: { readonly keys: ReadonlySet<string>; readonly colour: string } | undefined
}

/** A command on a trigger, to tell what is new. */
export const changedKey = (commandId: CommandId, trigger: Trigger): string =>
  `${triggerKey(trigger)} ${commandId}`

/** One command on a label. */
export interface NamedEntry extends LabelEntry {
  readonly commandId: CommandId
  /** of those that have no room the ones used least are left out */
  readonly usesPerHour: number
  /** modifiers of its level; `held` has those that are shown as signs */
  readonly level: readonly Modifier[]
  /** the command was not on this key before */
  readonly isNew: boolean
}

export interface NamedLabel {
  readonly control: Control
  readonly text: { readonly legend: string; readonly entries: readonly NamedEntry[] }
}

/** Arrows stand as words on labels, since text fonts rarely have them. */
const signWords: readonly (readonly [sign: string, word: string])[] = [
  ['↑', 'Up'],
  ['↗', 'up right'],
  ['→', 'Right'],
  ['↘', 'down right'],
  ['↓', 'Down'],
  ['↙', 'down left'],
  ['←', 'Left'],
  ['↖', 'up left'],
  ['↺', 'left'],
  ['↻', 'right'],
  ['↵', 'Enter'],
  ['−', '-'],
]

/** The text with words for signs that the label font lacks. */
export const inWords = (text: string): string =>
  signWords.reduce((words, [sign, word]) => words.replaceAll(sign, word), text)

/** Words for signs that the label font lacks, and a question mark where there are none. */
export function printable(text: string, font: LabelFont): string {
  const said = inWords(text)
  const strange = new Set(font.missing(said))
  return [...said].map((char) => (strange.has(char) ? '?' : char)).join('')
}

export const printedLegend = (control: Control, naming: Naming): string =>
  control.code === null
    ? (control.name ?? '')
    : control.code === 'NumpadEnter'
      ? 'Enter'
      : inWords(keyLegend(control.code, naming.layout, naming.systemId))

/** Every sign that sheets of a plan may show: of its names, and of the legends of its keys. */
export const signsOfSheets = (plan: Plan, env: Naming & { readonly controls: readonly Control[] }): string =>
  [...new Set(JSON.stringify(plan) + env.controls.map((c) => printedLegend(c, env)).join(''))].join('')

/** How a control is worked, in few words; empty for a plain press. A pair is named by what is held with it. */
export function howWorked(trigger: Trigger, naming?: Pick<Naming, 'legends'>): string {
  if (trigger.kind === 'turn') return trigger.turn
  if (trigger.kind === 'button' && trigger.withId !== undefined)
    return `with ${naming?.legends?.get(controlRef(trigger.deviceId, trigger.withId)) ?? trigger.withId}`
  const act = actOf(trigger)
  return act === 'during' ? 'hold' : actName(act)
}

/** The text that a label shows for a command: the person's own, or its name. */
export const labelTextOf = (command: Command, design: LabelDesign): string =>
  design.texts.find((t) => t.commandId === command.id)?.text ?? fullName(command)

/** The icon of a command: the person's choice, or what its name suggests; null for none. */
export const labelIconId = (command: Command, icons: IconSet): string | null =>
  command.icon ?? icons.suggest(command.name)

/** What stands on the label of each control that carries a command: by height, then in the order of the keys. */
export function labelTexts(source: LabelSource): NamedLabel[] {
  const { design, icons } = source
  const commands = new Map(source.commands.map((c) => [c.id, c]))
  const own = new Map(design.keys.map((key) => [key.controlId, key]))
  const byPlace = new Map<string, NamedEntry[]>()
  for (const placement of source.placements) {
    const { trigger } = placement
    const command = commands.get(placement.commandId)
    const place = controlRefOf(trigger)
    const held = heldOf(trigger)
    if (!command || place === null || trigger.kind === 'stroke') continue
    if (held.some((m) => design.rule.without.includes(m))) continue
    const iconId = labelIconId(command, icons)
    const entry: NamedEntry = {
      commandId: command.id,
      usesPerHour: command.usesPerHour,
      level: held,
      isNew: source.changed?.keys.has(changedKey(command.id, trigger)) === true,
      // the chord in words stands in place of the signs
      held: design.rule.showChord ? [] : held,
      how: howWorked(trigger, source),
      text: labelTextOf(command, design),
      short: command.label,
      ...(design.rule.showChord && { chord: chordWords(placement, source) }),
      icon: iconId === null ? null : icons.get(iconId),
    }
    byPlace.set(place, [...(byPlace.get(place) ?? []), entry])
    // the other key of a pair says it too, with the first one's name
    if (trigger.kind === 'button' && trigger.withId !== undefined) {
      const partner = controlRef(trigger.deviceId, trigger.withId)
      const other = { ...trigger, controlId: trigger.withId, withId: trigger.controlId }
      byPlace.set(partner, [...(byPlace.get(partner) ?? []), { ...entry, how: howWorked(other, source) }])
    }
  }
  const seen = new Set<string>()
  return (
    source.controls
      .filter((control) => control.pointing !== true && byPlace.has(placeOf(control)))
      // two keys that send one code are both labelled; a control of a bench is not listed twice
      .filter((control) => !seen.has(control.id) && seen.add(control.id))
      // tall keys last, so that they leave no gaps under the others
      .toSorted((a, b) => a.heightMm - b.heightMm || a.yMm - b.yMm || a.xMm - b.xMm)
      .map((control) => {
        const { level, words = [] } = own.get(control.id) ?? {}
        const all = byPlace.get(placeOf(control)) ?? []
        const entries = (level === undefined ? all : all.filter((e) => e.level.join() === level.join())).map(
          (e) =>
            withWords(
              e,
              words.find((w) => w.commandId === e.commandId),
              icons,
            ),
        )
        return {
          control,
          text: {
            // a control without a code has nothing printed on it
            legend: design.rule.showLegend && control.code !== null ? printedLegend(control, source) : '',
            entries: entries.toSorted(byLevel),
          },
        }
      })
  )
}

/** The entry as this key says it. */
const withWords = (entry: NamedEntry, words: KeyWords | undefined, icons: IconSet): NamedEntry =>
  words === undefined
    ? entry
    : {
        ...entry,
        text: words.text ?? entry.text,
        // the short text of other words would say something else
        short: words.short ?? (words.text === undefined ? entry.short : undefined),
        icon: words.icon === undefined ? entry.icon : icons.get(words.icon),
      }

/** The plain level first, then by the number of modifiers. */
const byLevel = (a: NamedEntry, b: NamedEntry): number =>
  a.level.length - b.level.length ||
  (a.level.join() < b.level.join() ? -1 : a.level.join() > b.level.join() ? 1 : 0)

/** What is pressed, or what the control sends for it, in words that the label font has. */
function chordWords({ trigger, sends }: LabelSource['placements'][number], naming: Naming): string {
  return inWords(sends ? sends.map((c) => triggerName(c, naming)).join(' ') : triggerName(trigger, naming))
}

const placeOf = (control: Control): string => control.code ?? control.id
