import { useMemo } from 'react'
import {
  displacementChain,
  triggerName,
  type Command,
  type CandidatePlace,
  type Trigger,
  isSameDevice,
} from '@reach-plot/core'
import { place as placeOn } from '../../store/actions.js'
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
  const old: Trigger | undefined = triggersOf(command.id).find((t) => isSameDevice(t, place.trigger))
  const holders = place.holders
  const chain = useMemo(
    () => displacementChain(command, place.trigger, places.candidates, places.reachAt, index, plan.weights),
    [command, place.trigger, places, index, plan.weights],
  )
  const run = (swapTo?: Trigger): void => {
    placeOn(
      {
        commandId: command.id,
        trigger: place.trigger,
        displaced: holders.map((h) => h.id),
        ...(swapTo && { swapTo }),
      },
      name(place.trigger),
    )
    onClose()
  }
  const saved = chain ? chain.beforeMsPerHour - chain.afterMsPerHour : 0
  return { name, place, onClose, run, holders, old, chain, saved }
}

export type TakeDialogView = ReturnType<typeof useTakeDialog>
