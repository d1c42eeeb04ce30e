import { splitSpot, type Control } from '../bench/index.js'
import { ruleBook, type Command, type RuleBook } from '../commands/index.js'
import { homingTimeMs, type PriceContext } from '../hand/index.js'
import {
  mnemonicContext,
  mnemonicReader,
  type MnemonicContext,
  type MnemonicReader,
} from '../mnemonics/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'
import { pressLayers, sentBy, type Placed, type PressLayers, type Surroundings } from './stages.js'

/** An arrangement prepared for questions about its triggers. */
export interface PlaceSurvey {
  readonly around: Surroundings
  readonly layers: PressLayers
  readonly rules: RuleBook
  readonly mnemonics: MnemonicContext
  /** devices of the pointing hand, and how long it takes to take them up, ms; 0 for the one that it holds */
  readonly pointing: ReadonlyMap<string, number>
  /** commands by trigger key, most used first */
  readonly holders: ReadonlyMap<string, readonly Command[]>
  /** triggers by command id */
  readonly triggers: ReadonlyMap<string, readonly Trigger[]>
  readonly commands: ReadonlyMap<string, Command>
  /** how triggers recall a command; made once for each */
  readerOf(command: Command): MnemonicReader
}

const noTriggers: readonly Trigger[] = []

export function surveyPlaces(placements: readonly Placed[], around: Surroundings): PlaceSurvey {
  const commands = new Map(around.commands.map((c) => [c.id, c]))
  const holders = new Map<string, Command[]>()
  const triggers = new Map<string, Trigger[]>()
  for (const { commandId, trigger } of placements) {
    const command = commands.get(commandId)
    if (!command) continue
    const key = triggerKey(trigger)
    const there = holders.get(key)
    if (there) there.push(command)
    else holders.set(key, [command])
    const own = triggers.get(commandId)
    if (own) own.push(trigger)
    else triggers.set(commandId, [trigger])
  }
  for (const list of holders.values()) list.sort((a, b) => b.usesPerHour - a.usesPerHour)
  const mnemonics = mnemonicContext(around, (id) => triggers.get(id) ?? noTriggers)
  const readers = new Map<string, MnemonicReader>()
  return {
    around,
    layers: pressLayers(around),
    rules: ruleBook(around.rules),
    mnemonics,
    pointing: takeUpTimes(around.controls),
    holders,
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
function takeUpTimes(controls: readonly Control[]): Map<string, number> {
  const byDevice = new Map<string, Control[]>()
  for (const control of controls) {
    if (control.pointing !== true) continue
    const { deviceId } = splitSpot(control.id)
    byDevice.set(deviceId, [...(byDevice.get(deviceId) ?? []), control])
  }
  const bounds = (list: readonly Control[]) => {
    const x0 = Math.min(...list.map((c) => c.xMm - c.widthMm / 2))
    const x1 = Math.max(...list.map((c) => c.xMm + c.widthMm / 2))
    const y0 = Math.min(...list.map((c) => c.yMm - c.heightMm / 2))
    const y1 = Math.max(...list.map((c) => c.yMm + c.heightMm / 2))
    return { x: (x0 + x1) / 2, y: (y0 + y1) / 2, targetMm: Math.min(x1 - x0, y1 - y0) }
  }
  const held = [...byDevice.values()].find((list) => list[0]?.inHand === true)
  const from = held && bounds(held)
  return new Map(
    [...byDevice].map(([deviceId, list]) => {
      const to = bounds(list)
      const takeUp =
        list === held || !from ? 0 : homingTimeMs(Math.hypot(to.x - from.x, to.y - from.y), to.targetMm)
      return [deviceId, takeUp]
    }),
  )
}

/** What prices triggers of every kind in an arrangement. */
export const priceContext = (survey: PlaceSurvey, reachAt: PriceContext['reachAt']): PriceContext => ({
  reachAt,
  takeUpMs: (id) => survey.pointing.get(id) ?? null,
  popup: (id) => survey.around.popups?.find((set) => set.id === id),
})

/** What keeps a trigger from carrying a command at all: the system takes it, or it opens a page or a pop-up set. */
export function keptBy(trigger: Trigger, survey: PlaceSurvey): string | null {
  const { layers } = survey
  const [sent] = sentBy(trigger)
  const action = sent ? layers.system(sent) : null
  if (action !== null) return action
  const page = layers.opensPage(trigger)
  if (page !== undefined) return page === null ? 'Goes back a page' : 'Opens a page'
  const popup = layers.opensPopup(trigger)
  return popup ? `Brings up “${popup.name}”` : null
}
