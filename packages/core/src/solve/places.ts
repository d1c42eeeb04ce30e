import { systemActions, typedBy, typingContexts, type Surroundings } from '../clashes/index.js'
import { canBeLiveTogether, type Command } from '../commands/index.js'
import { homingMs, type ChordReach, type ReachByCode } from '../hand/index.js'
import { mnemonicScore, type MnemonicScore } from '../mnemonics/index.js'
import { chord, isModifierCode, triggerKey, type Modifier, type Trigger } from '../triggers/index.js'
import { defaultPlaceWeights, type PlaceWeights } from './weights.js'

/** Keys that switch a lock when pressed. Common practice, no source: they carry no commands. */
const lockKeys = new Set(['CapsLock', 'NumLock', 'ScrollLock'])

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
  /** what the system does with the trigger, when it takes it first; such a place is never ranked */
  readonly systemAction: string | null
  /** contexts in which the trigger types instead */
  readonly typesIn: readonly string[]
}

/** An arrangement prepared for questions about its triggers. */
export interface PlaceSurvey {
  readonly around: Surroundings
  readonly systemActions: ReadonlyMap<string, string>
  /** commands by trigger key */
  readonly holders: ReadonlyMap<string, readonly Command[]>
  /** triggers by command id */
  readonly triggers: ReadonlyMap<string, readonly Trigger[]>
  readonly commands: ReadonlyMap<string, Command>
}

export function surveyPlaces(
  placements: readonly { readonly commandId: string; readonly trigger: Trigger }[],
  around: Surroundings,
): PlaceSurvey {
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
  return { around, systemActions: systemActions(around.system, around.layout), holders, triggers, commands }
}

/** Whether a key can carry commands at all. */
export const canCarry = (code: string): boolean => !isModifierCode(code) && !lockKeys.has(code)

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
  const typesIn =
    program && typedBy(trigger, around.layout, around.systemId) ? typingContexts(command, program) : []
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
    systemAction: survey.systemActions.get(key) ?? null,
    typesIn,
  }
}

/**
 * Every place for `command` in one layer (one set of held modifiers), by key code: taken, free and kept by the system.
 * @param layer how the hand reaches each key with `held`
 */
export function placesInLayer(
  command: Command,
  held: readonly Modifier[],
  layer: ReachByCode,
  survey: PlaceSurvey,
  weights: PlaceWeights = defaultPlaceWeights,
): Place[] {
  const places: Place[] = []
  for (const [code, reach] of Object.entries(layer)) {
    if (!canCarry(code) || !Number.isFinite(reach.effort)) continue
    places.push(placeFor(command, chord(code, held), reach, survey, weights))
  }
  return places
}

/** Places that can be had, cheapest first. Places that the system keeps are left out. */
export const rankPlaces = (places: readonly Place[]): Place[] =>
  places
    .filter((p) => p.systemAction === null)
    .sort((a, b) => a.totalMs - b.totalMs || (triggerKey(a.trigger) < triggerKey(b.trigger) ? -1 : 1))
