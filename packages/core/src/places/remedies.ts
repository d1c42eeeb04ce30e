import { typingContexts, type Clash } from '../clashes/index.js'
import { canBeLiveTogether, type Command } from '../commands/index.js'
import type { ReachByPlace } from '../hand/index.js'
import type { PlaceSurvey } from '../model/index.js'
import {
  spotOf,
  triggerKey,
  triggerName,
  type Chord,
  type Modifier,
  type Trigger,
} from '../triggers/index.js'
import { canBeHad, isFree, placesInLayer, rankPlaces, type Place } from './places.js'

/** One step that ends a clash, or takes a command out of it. */
export interface Remedy {
  /**
   * move: to a free place; swap: with a command that has no trouble there; relay: the control sends what reaches the
   * command; setting: the system's key is turned off; unplace: taken off
   */
  readonly kind: 'move' | 'swap' | 'relay' | 'setting' | 'unplace'
  /** the command that moves or is taken off; none for a setting */
  readonly commandId?: string
  readonly from: Trigger
  /** where it goes; for `move` and `swap` only */
  readonly to?: Trigger
  /** the command that comes to `from`; for `swap` only */
  readonly otherId?: string
  /** for `relay` only */
  readonly sends?: readonly Chord[]
  /** what the step does, in words */
  readonly text: string
}

/** Layers that remedies look for free places in, plainest first. */
export const remedyLayers: readonly (readonly Modifier[])[] = [[], ['Shift'], ['Control'], ['Alt']]

const placesOffered = 3

/** Layers in which it is the place that is wrong for this command, not the place as such. */
const swapLayers: readonly Clash['layer'][] = ['typing', 'slip', 'consistency']

/** The command that a remedy moves: what is kept where it is does not move at all. */
function moverOf(clash: Clash, survey: PlaceSurvey): Command | undefined {
  const movable = clash.commandIds
    .flatMap((id) => survey.commands.get(id) ?? [])
    .filter((c) => !survey.rules.keeps(c) && !survey.rules.keepsSpot(spotOf(clash.trigger)))
  // a default that was overwritten looks for a place of its own
  if (clash.kind === 'default-lost') return movable.find((c) => !survey.triggers.has(c.id))
  // With two commands on one trigger the less used one moves; where the key itself is lost, the most used one.
  return clash.layer === 'context' || clash.layer === 'consistency' ? movable.at(-1) : movable[0]
}

/**
 * Remedies of a clash, cheapest first: what reaches the command at once, the best free places, a swap, the system's own
 * setting; taking it off comes last.
 * @param layers how the hand reaches each key, in the order of `remedyLayers`
 */
export function remediesFor(clash: Clash, survey: PlaceSurvey, layers: readonly ReachByPlace[]): Remedy[] {
  const { around } = survey
  const name = (trigger: Trigger): string => triggerName(trigger, around)
  const setting: Remedy[] =
    clash.setting !== undefined && clash.layer === 'system'
      ? [
          {
            kind: 'setting',
            from: clash.trigger,
            text: `Turn the key off in ${around.system.name} (${clash.setting}), then count it as off here`,
          },
        ]
      : []
  const command = moverOf(clash, survey)
  if (!command) return setting
  const stands = standsOn(command, clash, survey)
  const placed = stands !== undefined
  const from = stands ?? clash.trigger
  const places = remedyLayers.flatMap((held, i) => placesInLayer(command, held, layers[i] ?? {}, survey))
  const free = rankPlaces(places).filter(
    (p) => isFree(p) && p.reach.verdict !== 'away' && p.key !== triggerKey(from),
  )
  const where = (place: Place): string =>
    `${name(place.trigger)} (${place.reach.verdict}, ${Math.round(place.reach.timeMs)} ms). ${place.mnemonic.reason}`
  return [
    ...mendedRelay(clash, command, survey),
    ...free.slice(0, placesOffered).map((place): Remedy => ({
      kind: 'move',
      commandId: command.id,
      from,
      to: place.trigger,
      text: `${placed ? 'Move' : 'Place'} “${command.name}” ${placed ? 'to' : 'on'} ${where(place)}`,
    })),
    ...swap(clash, command, places, survey),
    ...setting,
    ...(placed
      ? [
          {
            kind: 'unplace',
            commandId: command.id,
            from,
            text: `Take “${command.name}” off ${name(from)}`,
          } as const,
        ]
      : []),
  ]
}

/**
 * The trigger of a command that is part of the clash: the clash's own, or the same key worked otherwise, or the control
 * that a pair begins with.
 */
function standsOn(command: Command, clash: Clash, survey: PlaceSurvey): Trigger | undefined {
  const own = survey.triggers.get(command.id) ?? []
  const spot = spotOf(clash.trigger)
  const device = 'deviceId' in clash.trigger ? clash.trigger.deviceId : null
  return (
    own.find((t) => triggerKey(t) === triggerKey(clash.trigger)) ??
    own.find((t) => spotOf(t) === spot) ??
    (clash.kind === 'prefix' ? own.find((t) => 'deviceId' in t && t.deviceId === device) : undefined)
  )
}

/** A broken relay sends a chord that the command has, where it has one. */
function mendedRelay(clash: Clash, command: Command, survey: PlaceSurvey): Remedy[] {
  if (clash.kind !== 'relay-broken') return []
  const reached = (survey.triggers.get(command.id) ?? []).find(
    (t): t is Chord => t.kind === 'chord' && survey.layers.system(t) === null,
  )
  if (!reached) return []
  const name = (trigger: Trigger): string => triggerName(trigger, survey.around)
  return [
    {
      kind: 'relay',
      commandId: command.id,
      from: clash.trigger,
      sends: [reached],
      text: `Let ${name(clash.trigger)} send ${name(reached)}, which is “${command.name}”`,
    },
  ]
}

/** The best held place whose one holder can stand here without the same trouble. */
function swap(clash: Clash, command: Command, places: readonly Place[], survey: PlaceSurvey): Remedy[] {
  if (!swapLayers.includes(clash.layer)) return []
  const program = survey.around.programs.find((p) => p.id === command.programId)
  const best = rankPlaces(places).find((place) => {
    const [holder] = place.holders
    return (
      holder !== undefined &&
      place.holders.length === 1 &&
      program !== undefined &&
      canBeHad(place) &&
      place.typesIn.length === 0 &&
      holder.usesPerHour < command.usesPerHour &&
      holder.damage === undefined &&
      canBeLiveTogether(holder, command, program) &&
      (clash.layer !== 'typing' || typingContexts(holder, program).length === 0) &&
      !clash.commandIds.includes(holder.id)
    )
  })
  const holder = best?.holders[0]
  if (!best || !holder) return []
  const name = triggerName(best.trigger, survey.around)
  return [
    {
      kind: 'swap',
      commandId: command.id,
      otherId: holder.id,
      from: clash.trigger,
      to: best.trigger,
      text: `Swap with “${holder.name}” on ${name}, which has no trouble here`,
    },
  ]
}
