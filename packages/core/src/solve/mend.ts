import type { Clash } from '../clashes/index.js'
import type { ReachByPlace } from '../hand/index.js'
import { triggerKey, triggerName, type Modifier, type Trigger } from '../triggers/index.js'
import { placesInLayer, rankPlaces, type PlaceSurvey } from './places.js'

/** One step that takes a command out of a clash. */
export interface Remedy {
  readonly kind: 'move' | 'unplace'
  readonly commandId: string
  readonly from: Trigger
  /** where it goes; for `move` only */
  readonly to?: Trigger
  /** what the step does, in words */
  readonly text: string
}

/** Layers that remedies look for free places in, plainest first. */
export const remedyLayers: readonly (readonly Modifier[])[] = [[], ['Shift'], ['Control'], ['Alt']]

const placesOffered = 3

/**
 * Remedies of a clash: the best free places for the command that loses least by moving, then taking it off.
 * @param layers how the hand reaches each key, in the order of `remedyLayers`
 */
export function remediesFor(clash: Clash, survey: PlaceSurvey, layers: readonly ReachByPlace[]): Remedy[] {
  // With two commands on one trigger the less used one moves; where the key itself is lost, the most used one.
  const id = clash.layer === 'context' ? clash.commandIds.at(-1) : clash.commandIds[0]
  const command = survey.commands.get(id ?? '')
  if (!command) return []
  const places = remedyLayers.flatMap((held, i) => placesInLayer(command, held, layers[i] ?? {}, survey))
  const free = rankPlaces(places).filter(
    (p) =>
      p.holders.length === 0 &&
      p.typesIn.length === 0 &&
      p.reach.verdict !== 'away' &&
      triggerKey(p.trigger) !== triggerKey(clash.trigger),
  )
  const name = (trigger: Trigger): string => triggerName(trigger, survey.around)
  return [
    ...free.slice(0, placesOffered).map((place): Remedy => ({
      kind: 'move',
      commandId: command.id,
      from: clash.trigger,
      to: place.trigger,
      text: `Move “${command.name}” to ${name(place.trigger)} (${place.reach.verdict}, ${Math.round(place.reach.timeMs)} ms). ${place.mnemonic.reason}`,
    })),
    {
      kind: 'unplace',
      commandId: command.id,
      from: clash.trigger,
      text: `Take “${command.name}” off ${name(clash.trigger)}`,
    },
  ]
}
