import { useMemo, useState } from 'react'
import { modifierSetRows, modifierName, type Modifier, type Trigger } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useReachOfSets } from '../../store/reach.js'
import { useDerived } from '../../store/selectors.js'

export const shows = { all: 'All', bound: 'Bound', free: 'Free', kept: 'Used by the system' } as const

export type Show = keyof typeof shows

/** What is shown and can be done there. */
export function useModifierSetList({ onLookUp }: { onLookUp: (trigger: Trigger) => void }) {
  const plan = usePlan()
  const { env, arrangement, index } = useDerived()
  const [held, setHeld] = useState<readonly Modifier[]>([])
  const [show, setShow] = useState<Show>('bound')
  const [programId, setProgramId] = useState('')
  const { reachOf } = useReachOfSets([held, held.slice(0, -1)])
  const all = useMemo(
    () =>
      modifierSetRows(held, arrangement.placements, env, programId === '' ? null : programId, index.stages),
    [held, arrangement, env, programId, index],
  )
  const counts: Readonly<Record<Show, number>> = {
    all: all.length,
    bound: all.filter((r) => r.commands.length > 0).length,
    free: all.filter((r) => r.free).length,
    kept: all.filter((r) => r.systemAction !== null).length,
  }
  const rows = all.filter(
    (r) =>
      show === 'all' ||
      (show === 'bound' ? r.commands.length > 0 : show === 'free' ? r.free : r.systemAction !== null),
  )
  const heldName = held.map((m) => modifierName(m, env.systemId)).join('+') || 'no modifier'
  return {
    env,
    held,
    setHeld,
    programId,
    setProgramId,
    show,
    setShow,
    counts,
    heldName,
    rows,
    reachOf,
    onLookUp,
    plan,
  }
}

export type ModifierSetListView = ReturnType<typeof useModifierSetList>
