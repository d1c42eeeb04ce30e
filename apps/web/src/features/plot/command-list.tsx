import { useVirtualizer } from '@tanstack/react-virtual'
import { useMemo, useRef, useState, type KeyboardEvent, type RefObject } from 'react'
import { Link } from 'react-router'
import { useShallow } from 'zustand/react/shallow'
import { fullName, reservedBy, searchCommands, triggerKey, type Command } from '@reach-plot/core'
import { reservedNote } from '../../parts/words.js'
import { ListenButton, TriggerFilter } from '../../parts/key-find.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived, useFrontCommands } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'

const rowHeightPx = 31

/** Commands in front that pass the search, the pressed key and the unplaced filter. */
function useListed(): readonly Command[] {
  const commands = useFrontCommands()
  const { triggersOf } = useDerived()
  const query = useView((s) => s.query)
  const triggerQuery = useView((s) => s.triggerQuery)
  const onlyUnplaced = useView((s) => s.onlyUnplaced)
  const displaced = useView((s) => s.displaced)
  return useMemo(() => {
    let listed: readonly Command[] = query.trim() === '' ? commands : searchCommands(commands, query)
    if (triggerQuery)
      listed = listed.filter((c) => triggersOf(c.id).some((t) => triggerKey(t) === triggerKey(triggerQuery)))
    if (onlyUnplaced) {
      const order = (c: Command): number =>
        displaced.includes(c.id) ? displaced.indexOf(c.id) : displaced.length
      listed = listed.filter((c) => triggersOf(c.id).length === 0).toSorted((a, b) => order(a) - order(b))
    }
    return listed
  }, [commands, triggersOf, query, triggerQuery, onlyUnplaced, displaced])
}

/** Namesakes that no parameter tells apart show a part of their menu path. */
const twinKey = (c: Command): string => `${c.programId} ${fullName(c).toLowerCase()}`
function twinsIn(commands: readonly Command[]): ReadonlySet<string> {
  const seen = new Set<string>()
  const twins = new Set<string>()
  for (const c of commands) {
    if (seen.has(twinKey(c))) twins.add(twinKey(c))
    seen.add(twinKey(c))
  }
  return twins
}

export function CommandList({
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
  const { query, triggerQuery, onlyUnplaced, commandId, displaced, set } = useView(
    useShallow((s) => ({
      query: s.query,
      triggerQuery: s.triggerQuery,
      onlyUnplaced: s.onlyUnplaced,
      commandId: s.commandId,
      displaced: s.displaced,
      set: s.set,
    })),
  )
  const all = useFrontCommands()
  const listed = useListed()
  const twins = useMemo(() => twinsIn(all), [all])
  const scroller = useRef<HTMLDivElement>(null)
  const [active, setActive] = useState(0)
  const unplacedCount = useMemo(
    () => all.filter((c) => triggersOf(c.id).length === 0).length,
    [all, triggersOf],
  )
  const rows = useVirtualizer({
    count: listed.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeightPx,
    overscan: 10,
  })

  const choose = (command: Command): void => {
    set({ commandId: command.id, controlRef: null })
    onChosen()
  }
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
  const systemAction = triggerQuery ? reservedBy(triggerQuery, index) : null
  const elsewhere = triggerQuery
    ? (index.holders.get(triggerKey(triggerQuery)) ?? []).filter((c) => !listed.includes(c))
    : []

  return (
    <section aria-label="Commands" className="flex w-[248px] shrink-0 flex-col border-r border-rule bg-panel">
      <div className="flex gap-1.5 px-3 pt-[10px] pb-2">
        <input
          ref={searchRef}
          type="search"
          className="field min-w-0 grow"
          placeholder="Find by name"
          aria-label="Find a command by name"
          role="combobox"
          aria-expanded="true"
          aria-controls="command-list"
          aria-activedescendant={listed[active] ? `command-${listed[active].id}` : undefined}
          value={query}
          onChange={(e) => {
            set({ query: e.target.value, triggerQuery: null })
            setActive(0)
          }}
          onKeyDown={onListKey}
        />
        <ListenButton {...keyFind} />
      </div>
      {triggerQuery && (
        <div className="mx-3 mb-2">
          <TriggerFilter trigger={triggerQuery} onClear={() => set({ triggerQuery: null })}>
            {systemAction && <p className="text-magenta">{reservedNote(systemAction)}.</p>}
            {elsewhere.length > 0 && (
              <p className="text-[12px] text-ink-2">
                Elsewhere:{' '}
                {elsewhere
                  .map((c) => `${c.name} (${plan.programs.find((p) => p.id === c.programId)?.name ?? ''})`)
                  .join(', ')}
              </p>
            )}
          </TriggerFilter>
        </div>
      )}
      <div role="group" aria-label="Which commands" className="flex gap-4 px-[14px] pb-1 text-ink-2">
        {(
          [
            [false, `All ${all.length}`],
            [true, `Unplaced ${unplacedCount}`],
          ] as const
        ).map(([value, name]) => (
          <button
            key={name}
            type="button"
            aria-pressed={onlyUnplaced === value}
            className="border-b-2 border-transparent py-0.5 aria-pressed:border-magenta aria-pressed:font-semibold aria-pressed:text-ink"
            onClick={() => set({ onlyUnplaced: value })}
          >
            {name}
          </button>
        ))}
      </div>
      <div className="caption flex border-b border-rule px-[14px] py-1">
        <span className="grow">Command</span>
        <span className="w-[44px] text-right">Uses/h</span>
        <span className="w-[68px] pl-[14px]">Place</span>
      </div>
      <div
        ref={scroller}
        id="command-list"
        role="listbox"
        aria-label="Commands in front"
        tabIndex={0}
        className="min-h-0 grow overflow-y-auto"
        onKeyDown={onListKey}
      >
        {listed.length === 0 ? (
          <EmptyList hasCommands={all.length > 0} />
        ) : (
          <div role="presentation" style={{ height: rows.getTotalSize() }} className="relative">
            {rows.getVirtualItems().map((row) => {
              const command = listed[row.index] as Command
              const triggers = triggersOf(command.id)
              const chosen = command.id === commandId
              const lost = displaced.includes(command.id) && triggers.length === 0
              return (
                // the listbox around it takes the keys
                // eslint-disable-next-line jsx-a11y/click-events-have-key-events
                <div
                  key={command.id}
                  id={`command-${command.id}`}
                  role="option"
                  aria-selected={chosen}
                  tabIndex={-1}
                  title={[command.menu.join(' › '), lost ? 'lost its place' : ''].filter(Boolean).join(' · ')}
                  onClick={() => choose(command)}
                  style={{ transform: `translateY(${row.start}px)`, height: rowHeightPx }}
                  className={`absolute flex w-full cursor-pointer items-center border-b border-rule px-[14px] ${chosen ? 'bg-ink text-panel' : row.index === active && (query !== '' || active > 0) ? 'bg-reach-1' : 'hover:bg-reach-1'}`}
                >
                  <span className="min-w-0 grow truncate">
                    {fullName(command)}
                    {twins.has(twinKey(command)) && (
                      <span className={`text-[12px] ${chosen ? 'opacity-80' : 'text-ink-2'}`}>
                        {' '}
                        · {command.menu.at(-2) ?? 'no menu'}
                      </span>
                    )}
                  </span>
                  <span className={`w-[44px] shrink-0 text-right ${chosen ? '' : 'text-ink-2'}`}>
                    {command.usesPerHour}
                  </span>
                  <span className="flex w-[68px] shrink-0 items-center overflow-hidden pl-[14px]">
                    {triggers[0] ? (
                      <TriggerChip trigger={triggers[0]} />
                    ) : (
                      <span
                        className={`text-[12px] ${chosen ? '' : lost ? 'font-semibold text-magenta' : 'text-magenta'}`}
                      >
                        {lost ? 'let go' : 'none'}
                      </span>
                    )}
                  </span>
                </div>
              )
            })}
          </div>
        )}
      </div>
    </section>
  )
}

function EmptyList({ hasCommands }: { hasCommands: boolean }) {
  if (hasCommands) return <p className="p-4 text-ink-2">No command here passes the search.</p>
  return (
    <p className="p-4 text-ink-2">
      No commands yet.{' '}
      <Link to="/commands" className="text-ink underline">
        Add them or import a CSV
      </Link>
      , or open the demo from the Plan menu.
    </p>
  )
}
