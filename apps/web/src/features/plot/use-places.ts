import { useMemo } from 'react'
import {
  defaultPlaceWeights,
  placesInLayer,
  spotOf,
  rankPlaces,
  type Command,
  type Place,
} from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { heldKey, useReachLayers } from '../../store/reach.js'
import { useDerived, usePageOf } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'

export interface Places {
  readonly command: Command
  /** the best place on every key or control of the layer, by its spot */
  readonly bySpot: ReadonlyMap<string, Place>
  /** those that can be had, best first */
  readonly ranked: readonly Place[]
  readonly ready: boolean
}

/** Of several places on one control, such as the ways of a dial, the cheapest stands for it. */
export function bestBySpot(places: readonly Place[]): ReadonlyMap<string, Place> {
  const best = new Map<string, Place>()
  for (const place of places) {
    const at = spotOf(place.trigger) as string
    const known = best.get(at)
    if (!known || place.totalMs < known.totalMs) best.set(at, place)
  }
  return best
}

/** Places for the chosen command in the layer that is held, or null when no command is chosen. */
export function usePlaces(): Places | null {
  const plan = usePlan()
  const { survey } = useDerived()
  const commandId = useView((s) => s.commandId)
  const held = useHeld()
  const { layers } = useReachLayers([held])
  const layer = layers[heldKey(held)]
  const pageOf = usePageOf()
  return useMemo(() => {
    const command = plan.commands.find((c) => c.id === commandId)
    if (!command) return null
    const places = layer ? placesInLayer(command, held, layer, survey, defaultPlaceWeights, pageOf) : []
    return {
      command,
      bySpot: bestBySpot(places),
      ranked: rankPlaces(places),
      ready: layer !== undefined,
    }
  }, [plan.commands, commandId, layer, held, survey, pageOf])
}

/** How many ranks stand as flags on the chart. */
export const flaggedRanks = 7
