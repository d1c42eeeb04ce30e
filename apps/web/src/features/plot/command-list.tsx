import type { RefObject } from 'react'
import { Link } from 'react-router'
import { fullName, type Command } from '@reach-plot/core'
import { reservedNote } from '../../parts/words.js'
import { ListenButton, TriggerFilter } from '../../parts/key-find.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { useCommandList, type CommandListView, rowHeightPx, twinKey } from './use-command-list.js'

export function CommandList(props: {
  searchRef: RefObject<HTMLInputElement | null>
  keyFind: { readonly listening: boolean; listen(on: boolean): void }
  onChosen: () => void
}) {
  const view = useCommandList(props)
  const {
    searchRef,
    listed,
    active,
    query,
    set,
    setActive,
    onListKey,
    triggerQuery,
    systemAction,
    elsewhere,
    plan,
    keyFind,
  } = view
  return (
    <section
      aria-label="Commands"
      className="side flex w-[284px] shrink-0 flex-col border-r border-rule bg-panel"
    >
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
          onFocus={(e) => e.target.select()}
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
      <ListFilters view={view} />
      <div className="caption flex border-b border-rule px-[14px] py-1">
        <span className="grow">Command</span>
        {view.listOrder === 'gain' ? (
          <span className="text-right" title="What a better place would gain, seconds an hour">
            Gain, s/h
          </span>
        ) : (
          <span className="w-[44px] text-right">Uses/h</span>
        )}
        <span className="w-[92px] pl-[14px]">Key</span>
      </div>
      <CommandOptions view={view} />
    </section>
  )
}

function ListFilters({ view: { unplacedCount, onlyUnplaced, listOrder, set } }: { view: CommandListView }) {
  const choices = [
    ['What next', !onlyUnplaced && listOrder === 'gain', { onlyUnplaced: false, listOrder: 'gain' }],
    ['Most used', !onlyUnplaced && listOrder === 'use', { onlyUnplaced: false, listOrder: 'use' }],
    [`Without a key ${unplacedCount}`, onlyUnplaced, { onlyUnplaced: true }],
  ] as const
  return (
    <div role="group" aria-label="Which commands" className="flex gap-4 px-[14px] pb-1 text-ink-2">
      {choices.map(([name, isOn, change]) => (
        <button
          key={name}
          type="button"
          aria-pressed={isOn}
          className="border-b-2 border-transparent py-0.5 whitespace-nowrap aria-pressed:border-magenta aria-pressed:font-semibold aria-pressed:text-ink"
          onClick={() => set(change)}
        >
          {name}
        </button>
      ))}
    </div>
  )
}

function CommandOptions({ view }: { view: CommandListView }) {
  const { scroller, onListKey, listed, all, rows } = view
  return (
    <div
      ref={scroller}
      id="command-list"
      role="listbox"
      aria-label="Commands of the program in use"
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
            return (
              <CommandOption
                key={command.id}
                command={command}
                topPx={row.start}
                isActive={row.index === view.active && (view.query !== '' || view.active > 0)}
                view={view}
              />
            )
          })}
        </div>
      )}
    </div>
  )
}

function CommandOption({
  command,
  topPx,
  isActive,
  view: { triggersOf, commandId, displaced, choose, twins, listOrder, gains, mostGain },
}: {
  command: Command
  topPx: number
  isActive: boolean
  view: CommandListView
}) {
  const [trigger] = triggersOf(command.id)
  const isChosen = command.id === commandId
  const isLost = displaced.includes(command.id) && !trigger
  const muted = isChosen ? 'opacity-80' : 'text-ink-2'
  return (
    // the listbox around it takes the keys
    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
    <div
      id={`command-${command.id}`}
      role="option"
      aria-selected={isChosen}
      tabIndex={-1}
      title={[command.menu.join(' › '), isLost ? 'lost its place' : ''].filter(Boolean).join(' · ')}
      onClick={() => choose(command)}
      style={{ transform: `translateY(${topPx}px)`, height: rowHeightPx }}
      className={`absolute flex w-full cursor-pointer items-center border-b border-rule px-[14px] ${isChosen ? 'bg-ink text-panel' : isActive ? 'bg-reach-1' : 'hover:bg-reach-1'}`}
    >
      <span className="min-w-0 grow truncate">
        {fullName(command)}
        {twins.has(twinKey(command)) && (
          <span className={`text-[12px] ${muted}`}> · {command.menu.at(-2) ?? 'no menu'}</span>
        )}
      </span>
      {listOrder === 'gain' ? (
        <Gain gain={gains.gainOf(command.id)} most={mostGain} isChosen={isChosen} />
      ) : (
        <span className={`w-[44px] shrink-0 text-right ${isChosen ? '' : 'text-ink-2'}`}>
          {command.usesPerHour}
        </span>
      )}
      <span className="flex w-[92px] shrink-0 items-center overflow-hidden pl-[14px]">
        {trigger ? (
          <TriggerChip trigger={trigger} />
        ) : (
          <span className={`text-[12px] ${isChosen ? '' : 'text-magenta'} ${isLost ? 'font-semibold' : ''}`}>
            {isLost ? 'lost it' : 'none'}
          </span>
        )}
      </span>
    </div>
  )
}

/** What a better place would gain, seconds an hour, as a figure and a bar; three dots while it is worked out. */
function Gain({ gain, most, isChosen }: { gain: number | null; most: number; isChosen: boolean }) {
  const seconds = gain === null ? null : gain / 1000
  return (
    <span className="flex w-[72px] shrink-0 items-center justify-end gap-2">
      <span
        aria-hidden="true"
        className={`h-[7px] ${isChosen ? 'bg-panel' : 'bg-reach-4'}`}
        style={{ width: `${Math.round(36 * Math.sqrt((gain ?? 0) / most))}px` }}
      />
      <span className={`w-[28px] text-right ${isChosen ? '' : 'text-ink-2'}`}>
        {seconds === null
          ? '…'
          : seconds < 0.05
            ? '–'
            : seconds < 10
              ? seconds.toFixed(1)
              : Math.round(seconds)}
      </span>
    </span>
  )
}

function EmptyList({ hasCommands }: { hasCommands: boolean }) {
  if (hasCommands) return <p className="p-4 text-ink-2">No command here passes the search.</p>
  return (
    <p className="p-4 text-ink-2">
      No commands yet.{' '}
      <Link to="/commands" className="text-ink underline">
        Bring them in or add them
      </Link>
      , or open the example from the Plan menu.
    </p>
  )
}
