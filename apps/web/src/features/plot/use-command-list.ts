import { useVirtualizer } from '@tanstack/react-virtual'
import { useMemo, useRef, useState, type KeyboardEvent, type RefObject } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { fullName, reservedBy, searchCommands, triggerKey, type Command } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useDerived, useFrontCommands } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { usePlaceGains } from '../../parts/use-place-gains.js'

export const rowHeightPx = 31

/** Commands in front that pass the search, the pressed key and the unplaced filter. */
function useListed(order: Readonly<Record<string, number>>): readonly Command[] {
  const commands = useFrontCommands()
  const { triggersOf } = useDerived()
  const query = useView((s) => s.query)
  const triggerQuery = useView((s) => s.triggerQuery)
  const onlyUnplaced = useView((s) => s.onlyUnplaced)
  const displaced = useView((s) => s.displaced)
  const listOrder = useView((s) => s.listOrder)
  return useMemo(() => {
    // those in front come by use, and stay so where two gain alike
    const ordered =
      listOrder === 'use' ? commands : commands.toSorted((a, b) => (order[b.id] ?? 0) - (order[a.id] ?? 0))
    let listed: readonly Command[] = query.trim() === '' ? ordered : searchCommands(ordered, query)
    if (triggerQuery)
      listed = listed.filter((c) => triggersOf(c.id).some((t) => triggerKey(t) === triggerKey(triggerQuery)))
    if (onlyUnplaced) {
      const lost = (c: Command): number =>
        displaced.includes(c.id) ? displaced.indexOf(c.id) : displaced.length
      listed = listed.filter((c) => triggersOf(c.id).length === 0).toSorted((a, b) => lost(a) - lost(b))
    }
    return listed
  }, [commands, triggersOf, query, triggerQuery, onlyUnplaced, displaced, listOrder, order])
}

/** Namesakes that no parameter tells apart show a part of their menu path. */
export const twinKey = (c: Command): string => `${c.programId} ${fullName(c).toLowerCase()}`

function twinsIn(commands: readonly Command[]): ReadonlySet<string> {
  const seen = new Set<string>()
  const twins = new Set<string>()
  for (const c of commands) {
    if (seen.has(twinKey(c))) twins.add(twinKey(c))
    seen.add(twinKey(c))
  }
  return twins
}

/** Walking the list by keys, while the focus may stay in the search field. */
function useListWalk(listed: readonly Command[], choose: (command: Command) => void) {
  const scroller = useRef<HTMLDivElement>(null)
  const [active, setActive] = useState(0)
  const rows = useVirtualizer({
    count: listed.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeightPx,
    overscan: 10,
  })
  const move = (step: number): void => {
    const next = Math.max(0, Math.min(listed.length - 1, active + step))
    setActive(next)
    rows.scrollToIndex(next)
  }
  const onListKey = (e: KeyboardEvent): void => {
    const command = listed[active]
    if (e.key === 'ArrowDown') move(1)
    else if (e.key === 'ArrowUp') move(-1)
    else if (e.key === 'Enter' && command) choose(command)
    else return
    e.preventDefault()
  }
  return { scroller, active, setActive, rows, onListKey }
}

/** What the list of commands of the program in use shows. */
export function useCommandList({
  searchRef,
  keyFind,
  onChosen,
}: {
  searchRef: RefObject<HTMLInputElement | null>
  keyFind: { readonly listening: boolean; listen(on: boolean): void }
  onChosen: () => void
}) {
  const plan = usePlan()
  const { triggersOf, index } = useDerived()
  const { query, triggerQuery, onlyUnplaced, listOrder, commandId, displaced, set } = useView(
    useShallow((s) => ({
      query: s.query,
      triggerQuery: s.triggerQuery,
      onlyUnplaced: s.onlyUnplaced,
      listOrder: s.listOrder,
      commandId: s.commandId,
      displaced: s.displaced,
      set: s.set,
    })),
  )
  const all = useFrontCommands()
  const gains = usePlaceGains()
  const listed = useListed(gains.order)
  const twins = useMemo(() => twinsIn(all), [all])
  const unplacedCount = useMemo(
    () => all.filter((c) => triggersOf(c.id).length === 0).length,
    [all, triggersOf],
  )
  const choose = (command: Command): void => {
    set({ commandId: command.id, controlRef: null })
    onChosen()
  }
  const walk = useListWalk(listed, choose)
  const systemAction = triggerQuery ? reservedBy(triggerQuery, index) : null
  const elsewhere = triggerQuery
    ? (index.holders.get(triggerKey(triggerQuery)) ?? []).filter((c) => !listed.includes(c))
    : []
  return {
    searchRef,
    listed,
    ...walk,
    query,
    set,
    keyFind,
    triggerQuery,
    systemAction,
    elsewhere,
    plan,
    all,
    unplacedCount,
    onlyUnplaced,
    listOrder,
    gains,
    mostGain: Math.max(1, ...listed.map((c) => gains.order[c.id] ?? 0)),
    triggersOf,
    commandId,
    displaced,
    choose,
    twins,
  }
}

export type CommandListView = ReturnType<typeof useCommandList>
