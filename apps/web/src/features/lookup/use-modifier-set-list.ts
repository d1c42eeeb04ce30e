import { useMemo, useState } from 'react'
import { isLiveIn, modifierSetRows, modifierName, type Modifier, type Trigger } from '@reach-plot/core'
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
  const [contextId, setContextId] = useState('')
  const { reachOf } = useReachOfSets([held, held.slice(0, -1)])
  const program = plan.programs.find((p) => p.id === programId)
  const inContext = program?.contexts.some((c) => c.id === contextId) === true ? contextId : null
  const all = useMemo(() => {
    const rows = modifierSetRows(
      held,
      arrangement.placements,
      env,
      programId === '' ? null : programId,
      index.stages,
    )
    if (!program || inContext === null) return rows
    // what lives in other contexts alone leaves the key free in this one
    return rows.map((row) => {
      const commands = row.commands.filter((c) => isLiveIn(c, program, inContext))
      const isFreed = row.commands.length > 0 && commands.length === 0 && row.systemAction === null
      return { ...row, commands, free: row.free || isFreed }
    })
  }, [held, arrangement, env, programId, program, inContext, index])
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
    program,
    contextId: inContext,
    setContextId,
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
