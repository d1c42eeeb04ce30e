import { useMemo } from 'react'
import { freePlaces, type FreePlace } from '@reach-plot/core'
import { useDerived, useFront } from '../../store/selectors.js'
import { useHeld, useView } from '../../store/view-store.js'
import { useBenchTriggers } from './use-places.js'

/** Free triggers under the held modifiers, within the verdict that is looked for. */
export function useFreePlaces(): { readonly free: readonly FreePlace[]; readonly ready: boolean } {
  const { index } = useDerived()
  const { programId } = useFront()
  const held = useHeld()
  const within = useView((s) => s.freeWithin)
  const { candidates, reachAt, ready } = useBenchTriggers()
  const free = useMemo(
    () =>
      within === null
        ? []
        : freePlaces(
            candidates.filter((c) => c.held.join() === held.join()),
            reachAt,
            index,
            within,
            programId,
          ),
    [candidates, reachAt, index, within, programId, held],
  )
  return { free, ready }
}
