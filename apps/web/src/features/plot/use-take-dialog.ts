import { useMemo, useState } from 'react'
import {
  displacementChain,
  givenUpFor,
  isFree,
  triggerName,
  type Command,
  type CandidatePlace,
  type PlaceEdit,
  type Trigger,
  isSameDevice,
} from '@reach-plot/core'
import { moveChain, place as placeOn } from '../../store/actions.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import type { Places } from '../../drawing/places.js'

/** What is shown and can be done there. */
export function useTakeDialog({
  command,
  place,
  places,
  onClose,
}: {
  command: Command
  place: CandidatePlace
  places: Places
  onClose: () => void
}) {
  const plan = usePlan()
  const { env, index, triggersOf } = useDerived()
  const name = (t: Trigger): string => triggerName(t, env)
  const [keeps, setKeeps] = useState(false)
  const givenUp = givenUpFor(triggersOf(command.id), place.trigger)
  const old: Pick<PlaceEdit, 'keepOld' | 'replaces'> = keeps ? { keepOld: true } : { replaces: givenUp }
  // what the command gives up is where the other can go
  const swapTo: Trigger | undefined = keeps
    ? undefined
    : triggersOf(command.id).find((t) => isSameDevice(t, place.trigger))
  const holders = place.holders
  const chain = useMemo(
    () => displacementChain(command, place.trigger, places.candidates, places.reachAt, index, plan.weights),
    [command, place.trigger, places, index, plan.weights],
  )
  const run = (goesTo?: Trigger): void => {
    placeOn(
      {
        commandId: command.id,
        trigger: place.trigger,
        ...old,
        displaced: holders.map((h) => h.id),
        ...(goesTo && { swapTo: goesTo }),
      },
      name(place.trigger),
    )
    onClose()
  }
  const free = places.ranked.find(isFree)
  const takeFree = (): void => {
    if (!free) return
    placeOn({ commandId: command.id, trigger: free.trigger, ...old }, name(free.trigger))
    onClose()
  }
  const moveAll = (): void => {
    if (chain) moveChain(chain, keeps)
    onClose()
  }
  const saved = chain ? chain.beforeMsPerHour - chain.afterMsPerHour : 0
  return {
    name,
    command,
    place,
    onClose,
    run,
    holders,
    swapTo,
    chain,
    saved,
    free,
    takeFree,
    givenUp,
    keeps,
    setKeeps,
    moveAll,
  }
}

export type TakeDialogView = ReturnType<typeof useTakeDialog>
