import { useState } from 'react'
import { triggerKey, type Clash } from '@reach-plot/core'
import { useFind } from '../../parts/find-bar.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'

/** Which findings pass the search and the choice of stage, and which one is chosen. */
export function useFindings() {
  const { clashes, accepted, env, index } = useDerived()
  const [chosenId, setChosenId] = useState<string | null>(null)
  const filter = useView((s) => s.clashFilter)
  const set = useView((s) => s.set)
  const { find, searchRef } = useFind()
  const { query, trigger } = find
  const namesOf = (clash: Clash): string =>
    clash.commandIds.map((id) => index.commands.get(id)?.name ?? id).join(', ')
  const words = query.toLowerCase().split(/\s+/).filter(Boolean)
  const passes = (clash: Clash): boolean => {
    const text = `${clash.message} ${namesOf(clash)}`.toLowerCase()
    return (
      (trigger === null || triggerKey(clash.trigger) === triggerKey(trigger)) &&
      (filter.stage === null || clash.stage === filter.stage) &&
      (filter.ids === null || filter.ids.includes(clash.id)) &&
      words.every((w) => text.includes(w))
    )
  }
  const listed = clashes.filter(passes)
  const lived = accepted.filter((a) => passes(a.clash))
  const all = [...listed, ...lived.map((a) => a.clash)]
  const chosen = all.find((c) => c.id === chosenId) ?? all[0]
  return {
    env,
    filter,
    setFilter: (clashFilter: typeof filter) => set({ clashFilter }),
    find,
    searchRef,
    namesOf,
    total: clashes.length,
    listed,
    lived,
    chosen,
    chosenNote: accepted.find((a) => a.clash.id === chosen?.id)?.note ?? null,
    setChosenId,
    isEmpty: clashes.length + accepted.length === 0,
  }
}

export type Findings = ReturnType<typeof useFindings>
