import { ArrowDown, ArrowUp, MapPin, Plus, SquarePen, Trash2 } from 'lucide-react'
import { fullName, triggerName, type Program, readRate } from '@reach-plot/core'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { usePlaceGains } from '../../parts/use-place-gains.js'
import { ContextsCell } from './contexts-cell.js'
import { EditCell } from './edit-cell.js'
import {
  useCommandTable,
  type CommandTableView,
  type Row,
  rowHeightPx,
  type CommandTableProps,
} from './use-command-table.js'
import { useCommandRow, type CommandRowView } from './use-command-row.js'

/** Widths of the columns and of the row's actions, in the grid that heading and rows share. */
const grid =
  'grid grid-cols-[30px_minmax(0,1.4fr)_92px_minmax(0,1fr)_minmax(0,1.2fr)_72px_190px_90px_96px_108px]'
/** All commands, sortable and edited in place; only the rows in view are drawn. */
export function CommandTable(props: CommandTableProps) {
  const view = useCommandTable(props)
  const {
    scroller,
    sorted,
    chosenIds,
    virtual,
    programs,
    choose,
    onEdit,
    onDelete,
    onShow,
    onOpen,
    isMending,
  } = view
  return (
    <div
      ref={scroller}
      role="table"
      aria-label="Commands"
      aria-rowcount={sorted.length + 1}
      className="min-h-0 grow overflow-y-auto bg-panel"
    >
      <TableHead view={view} />
      <div role="rowgroup" style={{ height: virtual.getTotalSize() }} className="relative">
        {virtual.getVirtualItems().map((item) => {
          const row = sorted[item.index]?.original
          if (!row) return null
          return (
            <CommandRow
              key={row.command.id}
              row={row}
              index={item.index}
              startPx={item.start}
              program={programs.get(row.command.programId)}
              isChosen={chosenIds.has(row.command.id)}
              choose={choose}
              onEdit={onEdit}
              onDelete={onDelete}
              onShow={onShow}
              onOpen={onOpen}
              onKey={props.onKey}
              isMending={isMending}
            />
          )
        })}
      </div>
    </div>
  )
}

function TableHead({
  view: { commands, chosenIds, onChosen, table, isMending },
}: {
  view: CommandTableView
}) {
  return (
    <div role="rowgroup" className="sticky top-0 z-10 border-b border-ink bg-paper">
      <div role="row" aria-rowindex={1} className={`${grid} px-[14px]`}>
        <div role="columnheader" className="self-center">
          <input
            type="checkbox"
            className="accent-(--magenta)"
            aria-label="Choose all that are shown"
            checked={commands.length > 0 && commands.every((c) => chosenIds.has(c.id))}
            onChange={(e) => onChosen(new Set(e.target.checked ? commands.map((c) => c.id) : []))}
          />
        </div>
        {table.getHeaderGroups()[0]?.headers.map((header) => {
          const direction = header.column.getIsSorted()
          return (
            <div
              key={header.id}
              role="columnheader"
              aria-sort={direction === 'asc' ? 'ascending' : direction === 'desc' ? 'descending' : 'none'}
            >
              <button
                type="button"
                className={`caption flex w-full items-center gap-1 py-1.5 ${header.id === 'uses' ? 'justify-end pr-4' : header.id === 'triggers' ? 'pl-2' : ''}`}
                onClick={header.column.getToggleSortingHandler()}
              >
                {isMending && header.id === 'label'
                  ? 'Would mend it'
                  : String(header.column.columnDef.header)}
                {direction === 'asc' && <ArrowUp size={11} aria-hidden="true" />}
                {direction === 'desc' && <ArrowDown size={11} aria-hidden="true" />}
              </button>
            </div>
          )
        })}
        <div role="columnheader" className="sr-only">
          Actions
        </div>
      </div>
    </div>
  )
}
/** One row; drawn anew only when something in it has changed, not with every step of the wheel. */
function CommandRow(
  props: {
    row: Row
    index: number
    startPx: number
    program: Program | undefined
    isChosen: boolean
    choose: (id: string, on: boolean, range: boolean) => void
  } & Pick<CommandTableProps, 'onEdit' | 'onDelete' | 'onShow' | 'onOpen' | 'onKey' | 'isMending'>,
) {
  const view = useCommandRow(props)
  const { index, startPx, command, onEdit, row, program } = view
  return (
    <div
      role="row"
      aria-rowindex={index + 2}
      style={{ transform: `translateY(${startPx}px)`, height: rowHeightPx }}
      className={`absolute w-full items-center border-b border-rule px-[14px] hover:bg-reach-1 ${grid}`}
    >
      <ChooseCell view={view} />
      <EditCell
        label={`Name of ${command.name}`}
        keepAs={`${command.id} name`}
        value={command.name}
        maxLength={120}
        required
        onChange={(name) => onEdit(command.id, { name }, 'name')}
        {...(command.parameter !== undefined && { suffix: command.parameter })}
      />
      <div role="cell" className="truncate">
        {row.program}
      </div>
      <ContextsCell
        command={command}
        program={program}
        text={row.contexts}
        onChange={(contextIds) => onEdit(command.id, { contextIds }, 'contexts')}
      />
      <MenuCell view={view} />
      <UsesCell view={view} />
      <KeysCell view={view} onKey={props.onKey} />
      <div role="cell" className="truncate text-[13px] text-ink-2">
        {row.from}
      </div>
      {props.isMending ? (
        <MendCell view={view} />
      ) : (
        <EditCell
          label={`Short label of ${command.name}`}
          keepAs={`${command.id} label`}
          value={command.label ?? ''}
          maxLength={60}
          placeholder="–"
          onChange={(label) => onEdit(command.id, { label }, 'label')}
        />
      )}
      <RowActions view={view} />
    </div>
  )
}

function UsesCell({ view: { command, onEdit, hours } }: { view: CommandRowView }) {
  return (
    <EditCell
      label={`Uses an hour of ${command.name}`}
      keepAs={`${command.id} uses`}
      value={String(command.usesPerHour)}
      numeric
      commitOnBlur
      isGood={(text) => readRate(text, hours) !== null}
      hint="Uses an hour, such as 12, 5/h, 300 a day or daily"
      onChange={(text) => onEdit(command.id, { usesPerHour: readRate(text, hours) ?? 0 }, 'uses')}
    />
  )
}

/** The keys that a command has, and a way to another one. */
function KeysCell({
  view: { command, row, env },
  onKey,
}: { view: CommandRowView } & Pick<CommandTableProps, 'onKey'>) {
  return (
    <div role="cell" className="flex items-center gap-3 overflow-hidden pl-2" title={row.triggerText}>
      <button
        type="button"
        className="-ml-1.5 p-1.5 text-ink-2 hover:text-magenta"
        aria-label={`Another key for ${fullName(command)}`}
        title="Another key: instead, or as well"
        onClick={() => onKey(command)}
      >
        <Plus size={13} aria-hidden="true" />
      </button>
      {row.triggers.length === 0 ? (
        <span className="text-[12px] text-magenta">none</span>
      ) : (
        row.triggers.map((t) => (
          <span key={triggerName(t, env)} className="shrink-0">
            <TriggerChip trigger={t} />
          </span>
        ))
      )}
    </div>
  )
}

function ChooseCell({ view: { command, isChosen, choose } }: { view: CommandRowView }) {
  return (
    <div role="cell">
      <input
        type="checkbox"
        className="accent-(--magenta)"
        aria-label={`Choose ${fullName(command)}`}
        checked={isChosen}
        onChange={(e) => choose(command.id, e.target.checked, (e.nativeEvent as MouseEvent).shiftKey)}
      />
    </div>
  )
}

/** The place that would gain most, and what it would gain. */
function MendCell({ view: { command, onShow } }: { view: CommandRowView }) {
  // the list around it has asked for them
  const { bestOf, gainOf } = usePlaceGains(false)
  const best = bestOf(command.id)
  if (best === undefined) return <div role="cell">…</div>
  if (best === null)
    return (
      <div
        role="cell"
        className="truncate text-[12px] text-ink-2"
        title="No place that can be had would be better"
      >
        nothing better
      </div>
    )
  return (
    <div role="cell" className="flex items-center gap-2 overflow-hidden">
      <button
        type="button"
        className="link flex min-w-0 items-center"
        title="See this place on the Plot"
        onClick={() => onShow(command)}
      >
        <TriggerChip trigger={best} />
      </button>
      <span className="text-[12px] whitespace-nowrap text-ink-2">
        {((gainOf(command.id) ?? 0) / 1000).toFixed(1)} s/h
      </span>
    </div>
  )
}

function MenuCell({ view: { command, onEdit } }: { view: CommandRowView }) {
  return (
    <EditCell
      label={`Menu path of ${command.name}`}
      keepAs={`${command.id} menu`}
      value={command.menu.join(' › ')}
      maxLength={300}
      onChange={(text) =>
        onEdit(
          command.id,
          {
            menu: text
              .split(/[>›]/)
              .map((p) => p.trim())
              .filter(Boolean)
              .slice(0, 8),
          },
          'menu',
        )
      }
      commitOnBlur
    />
  )
}

function RowActions({ view: { command, onOpen, onShow, onDelete } }: { view: CommandRowView }) {
  return (
    <div role="cell" className="flex justify-end">
      <button
        type="button"
        className="p-1.5 hover:text-magenta"
        aria-label={`All about ${fullName(command)}`}
        title="All about it"
        onClick={() => onOpen(command.id)}
      >
        <SquarePen size={15} aria-hidden="true" />
      </button>
      <button
        type="button"
        className="p-1.5 hover:text-magenta"
        aria-label={`Find a place for ${command.name}`}
        title="Find a place on the Plot"
        onClick={() => onShow(command)}
      >
        <MapPin size={15} aria-hidden="true" />
      </button>
      <button
        type="button"
        className="p-1.5 hover:text-magenta"
        aria-label={`Delete ${command.name}`}
        title="Delete"
        onClick={() => onDelete(command)}
      >
        <Trash2 size={15} aria-hidden="true" />
      </button>
    </div>
  )
}
