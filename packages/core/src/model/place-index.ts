import { bodyOf, splitControlRef, type Control } from '../bench/index.js'
import { ruleBook, type Command, type Program, type RuleBook } from '../commands/index.js'
import { homingTimeMs, type ReachContext } from '../hand/index.js'
import {
  mnemonicContext,
  mnemonicReader,
  type MnemonicContext,
  type MnemonicReader,
} from '../mnemonics/index.js'
import { triggerKey, type Trigger, type PopupSet, type TriggerKey } from '../triggers/index.js'
import { limitedTo, type Placed } from '../plan/index.js'
import type { StageTake } from '../hosts/index.js'
import type { Environment } from './environment.js'
import { occupies } from './occupied.js'
import { pressStages, sentBy, type PressStages } from './stages.js'

/** An arrangement prepared for questions about its triggers. */
export interface PlaceIndex {
  readonly env: Environment
  readonly stages: PressStages
  readonly rules: RuleBook
  readonly mnemonics: MnemonicContext
  /** devices of the pointing hand, and how long it takes to take them up, ms; 0 for the one that it holds */
  readonly pointing: ReadonlyMap<string, number>
  /** commands on each trigger as their placements limit them, most used first; those that a chain runs too */
  readonly holders: ReadonlyMap<TriggerKey, readonly Command[]>
  /** commands on each key and control, however it is worked, by `occupies` */
  readonly onControl: ReadonlyMap<string, readonly Command[]>
  /** triggers by command id; a chain runs more than the command, so that it is none of its triggers */
  readonly triggers: ReadonlyMap<string, readonly Trigger[]>
  readonly commands: ReadonlyMap<string, Command>
  /** how triggers recall a command; made once for each */
  readerOf(command: Command): MnemonicReader
}

const noTriggers: readonly Trigger[] = []

/** Prepares an arrangement for questions about its triggers. Placements of unknown commands are passed over. */
export function indexPlaces(placements: readonly Placed[], env: Environment): PlaceIndex {
  const commands = new Map(env.commands.map((c) => [c.id, c]))
  const holders = new Map<TriggerKey, Command[]>()
  const onControl = new Map<string, Command[]>()
  const triggers = new Map<string, Trigger[]>()
  for (const { commandId, trigger, contextIds, then = [] } of placements) {
    const command = commands.get(commandId)
    if (!command) continue
    const key = triggerKey(trigger)
    const run = [command, ...then.flatMap((id) => commands.get(id) ?? [])].map((c) =>
      limitedTo(c, contextIds),
    )
    const there = holders.get(key)
    if (there) there.push(...run)
    else holders.set(key, run)
    for (const at of occupies(trigger)) onControl.set(at, [...(onControl.get(at) ?? []), ...run])
    if (then.length > 0) continue
    const own = triggers.get(commandId)
    if (own) own.push(trigger)
    else triggers.set(commandId, [trigger])
  }
  for (const list of holders.values()) list.sort((a, b) => b.usesPerHour - a.usesPerHour)
  const mnemonics = mnemonicContext(env, (id) => triggers.get(id) ?? noTriggers)
  const readers = new Map<string, MnemonicReader>()
  return {
    env,
    stages: pressStages(env),
    rules: ruleBook(env.rules),
    mnemonics,
    pointing: acquireTimes(env.controls),
    holders,
    onControl,
    triggers,
    commands,
    readerOf(command) {
      let reader = readers.get(command.id)
      if (!reader) readers.set(command.id, (reader = mnemonicReader(command, mnemonics)))
      return reader
    },
  }
}

/** How long the pointing hand takes to change to each of its devices, ms. */
function acquireTimes(controls: readonly Control[]): Map<string, number> {
  const byDevice = new Map<string, Control[]>()
  for (const control of controls) {
    if (control.pointing !== true) continue
    const { deviceId } = splitControlRef(control.id)
    byDevice.set(deviceId, [...(byDevice.get(deviceId) ?? []), control])
  }
  const held = [...byDevice.values()].find((list) => list[0]?.inHand === true)
  const from = held && bodyOf(held)
  return new Map(
    [...byDevice].map(([deviceId, list]) => {
      const to = bodyOf(list)
      const acquire =
        list === held || !from || !to
          ? 0
          : homingTimeMs(Math.hypot(to.xMm - from.xMm, to.yMm - from.yMm), to.targetMm)
      return [deviceId, acquire]
    }),
  )
}

/** What prices triggers of every kind in an arrangement. */
export const reachContextOf = (index: PlaceIndex, reachAt: ReachContext['reachAt']): ReachContext => ({
  reachAt,
  acquireMs: (id) => index.pointing.get(id) ?? null,
  popup: (id) => index.env.popups?.find((set) => set.id === id),
})

/** What keeps a trigger from carrying a command: the system takes it, or it opens a page or a pop-up set. */
export type Reservation =
  | { readonly by: 'system'; readonly action: string }
  /** the input method, the browser, the terminal, or what the pointer does by itself */
  | { readonly by: 'stage'; readonly take: StageTake }
  /** null goes back to the page before */
  | { readonly by: 'page'; readonly pageId: string | null }
  | { readonly by: 'pop-up set'; readonly set: PopupSet }

/**
 * What reserves a trigger, or null where it can carry a command.
 * @param program  whose command it would be: then what its browser or terminal keeps, and what the pointer does in it, count
 */
export function reservedBy(trigger: Trigger, index: PlaceIndex, program?: Program): Reservation | null {
  const { stages } = index
  const pressed = stages.pressed(trigger) ?? trigger
  for (const sent of sentBy(pressed)) {
    const action = stages.system(sent)
    if (action !== null) return { by: 'system', action }
    const take =
      stages.inputMethod(sent) ??
      (program && stages.host(sent, program).find((host) => host.severity === 'blocks'))
    if (take) return { by: 'stage', take }
  }
  const pointed =
    program &&
    (stages.pointer(pressed, program).find((take) => take.severity !== 'caution') ??
      stages.pointerOwned(pressed, program))
  if (pointed) return { by: 'stage', take: pointed }
  const pageId = stages.opensPage(trigger)
  if (pageId !== undefined) return { by: 'page', pageId }
  const set = stages.opensPopup(trigger, program?.id)
  return set ? { by: 'pop-up set', set } : null
}

/** Commands that a press on this key would meet, whether by a press, a hold, a tap or a pair. */
export const commandsMet = (trigger: Trigger, index: PlaceIndex): readonly Command[] => [
  ...new Set(occupies(trigger).flatMap((at) => index.onControl.get(at) ?? [])),
]
