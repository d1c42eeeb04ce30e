import { useMemo } from 'react'
import {
  benchCandidates,
  isFree,
  modifierSets,
  placesOn,
  rankPlaces,
  reweigh,
  splitSpot,
  spotOf,
  type Candidate,
  type Command,
  type Modifier,
  type Place,
  type ReachAt,
} from '@reach-plot/core'
import type { Layer } from '../../store/layer.js'
import { usePlan } from '../../store/plan-store.js'
import { heldKey, useReachLayers } from '../../store/reach.js'
import { useDerived, usePageOf } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'

export interface Places {
  readonly command: Command
  /** the best place on every key or control of the layer that is shown, by its spot */
  readonly bySpot: ReadonlyMap<string, Place>
  /** those that can be had and pass the filter, best first */
  readonly ranked: readonly Place[]
  readonly ready: boolean
  /** what a chain of displacements may choose from */
  readonly candidates: readonly Candidate[]
  readonly reachAt: ReachAt
}

/** Of several places on one control, such as the ways of a dial, the cheapest stands for it. */
export function bestBySpot(places: readonly Place[]): ReadonlyMap<string, Place> {
  const best = new Map<string, Place>()
  for (const place of places) {
    const at = spotOf(place.trigger)
    if (at === null) continue
    const known = best.get(at)
    if (!known || place.totalMs < known.totalMs) best.set(at, place)
  }
  return best
}

/** Sets of more modifiers than this are only ranked once they are chosen. */
const mostHeld = 2

/** Sets of modifiers that are ranked, plainest first; one that is held is always among them. */
function useHeldSets(): readonly (readonly Modifier[])[] {
  const { around } = useDerived()
  const held = useHeld()
  return useMemo(() => {
    const sets = modifierSets(around.layout.altGraph, mostHeld)
    return sets.some((s) => s.join() === held.join()) ? sets : [...sets, held]
  }, [around.layout, held])
}

/** Layers of pad keys that can be held with another of their pad. */
function usePairLayers(): readonly Layer[] {
  const { around } = useDerived()
  return useMemo(() => {
    const pads = new Set(
      (around.devices ?? [])
        .filter((d) => d.kind === 'drawn' && (d.form === 'pad' || d.form === 'keypad'))
        .map((d) => d.id),
    )
    return around.controls
      .filter(
        (c) =>
          c.code === null && pads.has(splitSpot(c.id).deviceId) && (c.type === 'key' || c.type === 'button'),
      )
      .map((c) => ({ held: [], withId: c.id }))
  }, [around])
}

/** Every trigger of the bench with how it is reached, as far as that is known by now. */
export function useBenchTriggers(): {
  readonly candidates: readonly Candidate[]
  readonly reachAt: ReachAt
  readonly ready: boolean
} {
  const { survey } = useDerived()
  const held = useHeld()
  const heldSets = useHeldSets()
  const pairs = usePairLayers()
  const pageOf = usePageOf()
  // beside the pointing hand the other one holds the modifiers alone
  const { layers, reachAt } = useReachLayers([...heldSets, held.slice(0, -1)], pairs)
  const candidates = useMemo(() => benchCandidates(survey, heldSets, pageOf), [survey, heldSets, pageOf])
  return { candidates, reachAt, ready: layers[heldKey(held)] !== undefined }
}

/** Places for the chosen command, or null when no command is chosen. */
export function usePlaces(): Places | null {
  const plan = usePlan()
  const { survey } = useDerived()
  const commandId = useView((s) => s.commandId)
  const filter = useView((s) => s.placeFilter)
  const held = useHeld()
  const { candidates, reachAt, ready } = useBenchTriggers()
  const command = plan.commands.find((c) => c.id === commandId)
  // what the weights multiply is worked out once; another weight only adds up anew
  const judged = useMemo(
    () => (command ? placesOn(command, candidates, reachAt, survey) : []),
    [command, candidates, reachAt, survey],
  )
  const weighed = useMemo(() => reweigh(judged, plan.weights), [judged, plan.weights])
  const onDevice = useMemo(
    () =>
      filter.deviceId === null
        ? null
        : new Set(
            survey.around.controls
              .filter((c) => splitSpot(c.id).deviceId === filter.deviceId)
              .map((c) => c.code ?? c.id),
          ),
    [filter.deviceId, survey],
  )
  return useMemo(() => {
    if (!command) return null
    const layer = held.join()
    const inLayer = weighed.filter((p) => p.candidate.held.join() === layer && p.candidate.plain)
    const passes = (p: Place): boolean =>
      // with modifiers held only what goes with them is looked at
      (held.length === 0 || p.candidate.held.join() === layer) &&
      (!filter.bareOnly || p.candidate.held.length === 0) &&
      (onDevice === null || (p.candidate.spot !== null && onDevice.has(p.candidate.spot))) &&
      (!filter.freeOnly || isFree(p))
    return {
      command,
      bySpot: bestBySpot(inLayer),
      ranked: rankPlaces(weighed.filter(passes)),
      ready,
      candidates,
      reachAt,
    }
  }, [command, weighed, held, filter, onDevice, ready, candidates, reachAt])
}

/** How many ranks stand as flags on the chart. */
export const flaggedRanks = 7
