import { useMemo, useState } from 'react'
import {
  contextsInWords,
  reservedBy,
  toggleShift,
  triggerKey,
  triggerName,
  type CandidatePlace,
} from '@reach-plot/core'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'
import type { Places } from '../../drawing/places.js'
import type { PlaceHow } from './instead-bar.js'
import { usePlaceDoubt } from './use-place-doubt.js'

const shownPlaces = 14

/** A place with its rank among all, from 1. */
export interface PlaceRow {
  readonly place: CandidatePlace
  readonly rank: number
}

/** The first places, and those of today wherever they rank. */
function rowsOf(
  ranked: readonly CandidatePlace[],
  shown: number,
  now: readonly CandidatePlace[],
): readonly PlaceRow[] {
  const first = ranked.slice(0, shown).map((place, i) => ({ place, rank: i + 1 }))
  const known = new Set(first.map(({ place }) => place.key))
  const further = now
    .filter(({ key }) => !known.has(key))
    .map((place) => ({ place, rank: 1 + ranked.filter((p) => p.totalMs < place.totalMs).length }))
  return [...first, ...further.sort((a, b) => a.rank - b.rank)]
}

/** What is shown and can be done there. */
export function usePlaceList({
  places,
  onPlace,
  onPlaceBoth,
  onOther,
}: {
  places: Places
  onPlace: (place: CandidatePlace, how?: PlaceHow) => void
  onPlaceBoth: (place: CandidatePlace) => void
  onOther: () => void
}) {
  const plan = usePlan()
  const { env, index, triggersOf } = useDerived()
  const held = useHeld()
  const controlRef = useView((s) => s.controlRef)
  const set = useView((s) => s.set)
  const { command, ranked } = places
  const doubt = usePlaceDoubt(command.id, ranked)
  const edit = useEdit()
  const [active, setActive] = useState(0)
  const [shown, setShown] = useState(shownPlaces)
  const [weighing, setWeighing] = useState(false)
  // another command, or other held modifiers, begin again at the best place
  const listOf = `${command.id} ${held.join()}`
  const [listed, setListed] = useState(listOf)
  if (listed !== listOf) {
    setListed(listOf)
    setActive(0)
    setShown(shownPlaces)
  }
  const isLocked = index.rules.locks(command)
  const keptByProgram = plan.rules.lockedProgramIds.includes(command.programId)
  const opposite = plan.commands.find((c) => c.id === command.oppositeId)
  const now = triggersOf(command.id)
  const program = plan.programs.find((p) => p.id === command.programId)
  const contexts = contextsInWords(command, program)
  const name = (place: CandidatePlace): string => triggerName(place.trigger, env)
  const rows = useMemo(() => rowsOf(ranked, shown, places.now), [ranked, shown, places.now])

  /** Whether the opposite could take the same key with Shift the other way round. */
  const pairIsFree = (place: CandidatePlace): boolean => {
    if (!opposite || triggersOf(opposite.id).length > 0 || place.holders.length > 0) return false
    const key = triggerKey(toggleShift(place.trigger))
    return (
      (index.holders.get(key) ?? []).every((c) => c.programId !== command.programId) &&
      reservedBy(toggleShift(place.trigger), index) === null
    )
  }
  return {
    command,
    contexts,
    opposite,
    triggersOf,
    env,
    now,
    isLocked,
    keptByProgram,
    edit,
    weighing,
    setWeighing,
    onOther,
    places,
    ranked,
    rows,
    doubt,
    held,
    shown,
    active,
    controlRef,
    onPlace,
    setActive,
    set,
    pairIsFree,
    name,
    onPlaceBoth,
    setShown,
  }
}

export type PlaceListView = ReturnType<typeof usePlaceList>
