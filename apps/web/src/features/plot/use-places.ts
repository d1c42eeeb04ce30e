import { useMemo } from 'react'
import {
  benchCandidates,
  candidate,
  isFree,
  proposedSets,
  placesOn,
  rankPlaces,
  reweigh,
  splitControlRef,
  type Candidate,
  type Modifier,
  type CandidatePlace,
  type ReachAt,
} from '@reach-plot/core'
import { bestByControlRef, type Places } from '../../drawing/places.js'
import type { HeldSet } from '../../store/held-set.js'
import { usePlan } from '../../store/plan-store.js'
import { heldKey, useReachOfSets } from '../../store/reach.js'
import { useDerived, usePageOf } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'

/** Sets of modifiers that are ranked, plainest first; one that is held is always among them. */
function useHeldSets(): readonly (readonly Modifier[])[] {
  const { env } = useDerived()
  const held = useHeld()
  return useMemo(() => {
    const sets = proposedSets(env.layout.altGraph)
    return sets.some((s) => s.join() === held.join()) ? sets : [...sets, held]
  }, [env.layout, held])
}

/** Modifier sets of pad keys that can be held with another of their pad. */
function usePairSets(): readonly HeldSet[] {
  const { env } = useDerived()
  return useMemo(() => {
    const pads = new Set(
      (env.devices ?? [])
        .filter((d) => d.kind === 'drawn' && (d.form === 'pad' || d.form === 'keypad'))
        .map((d) => d.id),
    )
    return env.controls
      .filter(
        (c) =>
          c.code === null &&
          pads.has(splitControlRef(c.id).deviceId) &&
          (c.type === 'key' || c.type === 'button'),
      )
      .map((c) => ({ held: [], withId: c.id }))
  }, [env])
}

let latest: { readonly of: readonly unknown[]; readonly candidates: readonly Candidate[] } | null = null

/** Candidates of a bench; worked out once for the lists that ask for the same. */
function candidatesOf(...of: Parameters<typeof benchCandidates>): readonly Candidate[] {
  const [index, sets, pageOf] = of
  const key = [index, sets.map((s) => s.join('+')).join(), pageOf]
  if (!latest || key.some((part, i) => part !== latest?.of[i]))
    latest = { of: key, candidates: benchCandidates(index, sets, pageOf) }
  return latest.candidates
}

/** Every trigger of the bench with how it is reached, as far as that is known by now. */
export function useBenchTriggers(): {
  readonly candidates: readonly Candidate[]
  readonly reachAt: ReachAt
  readonly ready: boolean
  /** every set of modifiers is known, so that nothing better can still come */
  readonly isWhole: boolean
} {
  const { index } = useDerived()
  const held = useHeld()
  const heldSets = useHeldSets()
  const pairs = usePairSets()
  const pageOf = usePageOf()
  // beside the pointing hand the other one holds the modifiers alone
  const { reachBySet, reachAt } = useReachOfSets([...heldSets, held.slice(0, -1)], pairs)
  const candidates = useMemo(() => candidatesOf(index, heldSets, pageOf), [index, heldSets, pageOf])
  return {
    candidates,
    reachAt,
    ready: reachBySet[heldKey(held)] !== undefined,
    isWhole: heldSets.every((set) => reachBySet[heldKey(set)] !== undefined),
  }
}

/** Places for the chosen command, or null when no command is chosen. */
export function usePlaces(): Places | null {
  const plan = usePlan()
  const { index, triggersOf } = useDerived()
  const commandId = useView((s) => s.commandId)
  const filter = useView((s) => s.placeFilter)
  const held = useHeld()
  const { candidates, reachAt, ready, isWhole } = useBenchTriggers()
  const command = plan.commands.find((c) => c.id === commandId)
  // what the weights multiply is worked out once; another weight only adds up anew
  const judged = useMemo(
    () => (command ? placesOn(command, candidates, reachAt, index) : []),
    [command, candidates, reachAt, index],
  )
  const weighed = useMemo(() => reweigh(judged, plan.weights), [judged, plan.weights])
  const now = useMemo(() => {
    const there = command ? triggersOf(command.id).map((t) => candidate(t, index)) : []
    return command ? placesOn(command, there, reachAt, index, plan.weights) : []
  }, [command, triggersOf, reachAt, index, plan.weights])
  const onDevice = useMemo(
    () =>
      filter.deviceId === null
        ? null
        : new Set(
            index.env.controls
              .filter((c) => splitControlRef(c.id).deviceId === filter.deviceId)
              .map((c) => c.code ?? c.id),
          ),
    [filter.deviceId, index],
  )
  return useMemo(() => {
    if (!command) return null
    const byControl = held.join()
    const inSet = weighed.filter((p) => p.candidate.held.join() === byControl && p.candidate.plain)
    const passes = (p: CandidatePlace): boolean =>
      // with modifiers held only what goes with them is looked at
      (held.length === 0 || p.candidate.held.join() === byControl) &&
      (!filter.bareOnly || p.candidate.held.length === 0) &&
      (onDevice === null || (p.candidate.controlRef !== null && onDevice.has(p.candidate.controlRef))) &&
      (!filter.freeOnly || isFree(p))
    return {
      command,
      byControlRef: bestByControlRef(inSet),
      // before the keys themselves are known, what is left of the bench is no ranking
      ranked: ready ? rankPlaces(weighed.filter(passes)) : [],
      now,
      ready,
      // with modifiers held only their set counts
      isWhole: held.length > 0 ? ready : isWhole,
      candidates,
      reachAt,
    }
  }, [command, weighed, now, held, filter, onDevice, ready, isWhole, candidates, reachAt])
}
