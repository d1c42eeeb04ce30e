import { useMemo } from 'react'
import { placesInLayer, rankPlaces, type Command, type Place } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { heldKey, useReachLayers } from '../../store/reach.js'
import { useDerived } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'

export interface Places {
  readonly command: Command
  /** every key of the layer, by code */
  readonly byCode: ReadonlyMap<string, Place>
  /** those that can be had, best first */
  readonly ranked: readonly Place[]
  readonly ready: boolean
}

/** Places for the chosen command in the layer that is held, or null when no command is chosen. */
export function usePlaces(): Places | null {
  const plan = usePlan()
  const { survey } = useDerived()
  const commandId = useView((s) => s.commandId)
  const held = useHeld()
  const { layers } = useReachLayers([held])
  const layer = layers[heldKey(held)]
  return useMemo(() => {
    const command = plan.commands.find((c) => c.id === commandId)
    if (!command) return null
    const places = layer ? placesInLayer(command, held, layer, survey) : []
    return {
      command,
      byCode: new Map(places.map((p) => [p.trigger.code, p])),
      ranked: rankPlaces(places),
      ready: layer !== undefined,
    }
  }, [plan.commands, commandId, layer, held, survey])
}

/** How many ranks stand as flags on the chart. */
export const flaggedRanks = 7
