import { pagesOf, plainTriggers, splitSpot, type Control } from '../bench/index.js'
import {
  pressLayers,
  sentBy,
  typingContexts,
  type Placed,
  type PressLayers,
  type Surroundings,
} from '../clashes/index.js'
import { canBeLiveTogether, type Command } from '../commands/index.js'
import {
  homingMs,
  triggerReach,
  type ChordReach,
  type PriceContext,
  type ReachByPlace,
} from '../hand/index.js'
import { mnemonicScore, type MnemonicScore } from '../mnemonics/index.js'
import { triggerKey, type Modifier, type Trigger } from '../triggers/index.js'
import { defaultPlaceWeights, type PlaceWeights } from './weights.js'

/** The parts of a place's cost, ms. */
export interface PlaceCost {
  readonly timeMs: number
  readonly effortMs: number
  readonly recallMs: number
  /** the hand leaves and has to come back */
  readonly awayMs: number
  readonly displaceMs: number
  readonly typingMs: number
}

/** How good one trigger would be for a command. */
export interface Place {
  readonly trigger: Trigger
  readonly reach: ChordReach
  readonly mnemonic: MnemonicScore
  readonly cost: PlaceCost
  readonly totalMs: number
  /** commands that hold the trigger where this one is live, most used first */
  readonly holders: readonly Command[]
  /** what the system or the device does with the trigger, when it takes it first; such a place is never ranked */
  readonly systemAction: string | null
  /** contexts in which the trigger types instead */
  readonly typesIn: readonly string[]
}

/** An arrangement prepared for questions about its triggers. */
export interface PlaceSurvey {
  readonly around: Surroundings
  readonly layers: PressLayers
  /** devices of the pointing hand, and whether it holds them */
  readonly pointing: ReadonlyMap<string, boolean>
  /** commands by trigger key */
  readonly holders: ReadonlyMap<string, readonly Command[]>
  /** triggers by command id */
  readonly triggers: ReadonlyMap<string, readonly Trigger[]>
  readonly commands: ReadonlyMap<string, Command>
}

export function surveyPlaces(placements: readonly Placed[], around: Surroundings): PlaceSurvey {
  const commands = new Map(around.commands.map((c) => [c.id, c]))
  const holders = new Map<string, Command[]>()
  const triggers = new Map<string, Trigger[]>()
  for (const { commandId, trigger } of placements) {
    const command = commands.get(commandId)
    if (!command) continue
    const key = triggerKey(trigger)
    holders.set(key, [...(holders.get(key) ?? []), command])
    triggers.set(commandId, [...(triggers.get(commandId) ?? []), trigger])
  }
  for (const list of holders.values()) list.sort((a, b) => b.usesPerHour - a.usesPerHour)
  const pointing = new Map(
    around.controls.flatMap((c) =>
      c.pointing === true ? [[splitSpot(c.id).deviceId, c.inHand === true] as const] : [],
    ),
  )
  return { around, layers: pressLayers(around), pointing, holders, triggers, commands }
}

/** What prices triggers of every kind in an arrangement. */
export const priceContext = (survey: PlaceSurvey, reachAt: PriceContext['reachAt']): PriceContext => ({
  reachAt,
  pointing: (id) => {
    const inHand = survey.pointing.get(id)
    return inHand === undefined ? null : inHand ? 'in hand' : 'elsewhere'
  },
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

/** How good one trigger would be for `command`. */
export function placeFor(
  command: Command,
  trigger: Trigger,
  reach: ChordReach,
  survey: PlaceSurvey,
  weights: PlaceWeights = defaultPlaceWeights,
): Place {
  const { around } = survey
  const program = around.programs.find((p) => p.id === command.programId)
  const key = triggerKey(trigger)
  const holders = (survey.holders.get(key) ?? []).filter(
    (c) => c.id !== command.id && program !== undefined && canBeLiveTogether(c, command, program),
  )
  const opposite = command.oppositeId === undefined ? undefined : survey.commands.get(command.oppositeId)
  const mnemonic = mnemonicScore(
    command,
    trigger,
    around.layout,
    opposite && { name: opposite.name, triggers: survey.triggers.get(opposite.id) ?? [] },
  )
  const [sent] = sentBy(trigger)
  const typesIn = program && sent && survey.layers.input(sent) ? typingContexts(command, program) : []
  const busiest = holders[0]
  const cost: PlaceCost = {
    timeMs: reach.timeMs,
    effortMs: weights.effortMs * reach.effort,
    recallMs: weights.recallMs * (1 - mnemonic.score),
    awayMs: reach.verdict === 'away' ? homingMs : 0,
    displaceMs: busiest
      ? weights.displaceMs * (0.5 + Math.min(3, busiest.usesPerHour / Math.max(command.usesPerHour, 1)))
      : 0,
    typingMs: typesIn.length > 0 ? weights.typingMs : 0,
  }
  const totalMs = cost.timeMs + cost.effortMs + cost.recallMs + cost.awayMs + cost.displaceMs + cost.typingMs
  return {
    trigger,
    reach,
    mnemonic,
    cost,
    totalMs,
    holders,
    systemAction: keptBy(trigger, survey),
    typesIn,
  }
}

/** The page of a device on which a command of `programId` would go: the one that follows the program, or the first. */
export function pageFor(deviceId: string, programId: string, around: Surroundings): string | undefined {
  const pages = pagesOf(around.devices?.find((d) => d.id === deviceId))
  return (
    pages.find((p) => p.programId === programId) ??
    pages.find((p) => p.programId === undefined) ??
    pages[0]
  )?.id
}

export type PageOf = (deviceId: string) => string | undefined

/**
 * Every place for `command` in one layer (one set of held modifiers): taken, free and kept by the system.
 * @param layer how the hand reaches each key with `held`
 * @param pageOf the page of a device that is looked at; by default the one that the command would go on
 */
export function placesInLayer(
  command: Command,
  held: readonly Modifier[],
  layer: ReachByPlace,
  survey: PlaceSurvey,
  weights: PlaceWeights = defaultPlaceWeights,
  pageOf: PageOf = (id) => pageFor(id, command.programId, survey.around),
): Place[] {
  const price = priceContext(survey, (_held, place) => layer[place])
  const places: Place[] = []
  const seen = new Set<string>()
  for (const control of layerControls(layer, survey)) {
    const place = control.code ?? control.id
    if (seen.has(place)) continue
    seen.add(place)
    const page = control.code === null ? pageOf(splitSpot(control.id).deviceId) : undefined
    for (const trigger of plainTriggers(control, held, page)) {
      const reach = triggerReach(trigger, price)
      if (reach && Number.isFinite(reach.effort))
        places.push(placeFor(command, trigger, reach, survey, weights))
    }
  }
  return places
}

/** Controls that the layer tells of, and those of the pointing hand. */
function layerControls(layer: ReachByPlace, survey: PlaceSurvey): Control[] {
  return survey.around.controls.filter((c) => c.pointing === true || layer[c.code ?? c.id] !== undefined)
}

/** Places that can be had, cheapest first. Places that the system keeps are left out. */
export const rankPlaces = (places: readonly Place[]): Place[] =>
  places
    .filter((p) => p.systemAction === null)
    .sort((a, b) => a.totalMs - b.totalMs || (triggerKey(a.trigger) < triggerKey(b.trigger) ? -1 : 1))
