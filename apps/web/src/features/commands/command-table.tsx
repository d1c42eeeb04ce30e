import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
} from '@tanstack/react-table'
import { useVirtualizer } from '@tanstack/react-virtual'
import { ArrowDown, ArrowUp, MapPin, SquarePen, Trash2 } from 'lucide-react'
import { memo, useCallback, useEffect, useMemo, useRef } from 'react'
import {
  contextsInWords,
  fullName,
  triggerName,
  type Command,
  type Program,
  type Trigger,
} from '@reach-plot/core'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { ContextsCell } from './contexts-cell.js'
import { EditCell } from './edit-cell.js'

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
})

interface Row {
  readonly command: Command
  readonly program: string
  readonly contexts: string
  readonly triggers: readonly Trigger[]
  readonly triggerText: string
}

const helper = createColumnHelper<typeof features, Row>()
const columns = helper.columns([
  helper.accessor((r) => fullName(r.command), { id: 'name', header: 'Command', sortFn: 'alphanumeric' }),
  helper.accessor((r) => r.program, { id: 'program', header: 'Program', sortFn: 'alphanumeric' }),
  helper.accessor((r) => r.contexts, { id: 'contexts', header: 'Contexts', sortFn: 'alphanumeric' }),
  helper.accessor((r) => r.command.menu.join(' › '), { id: 'menu', header: 'Menu', sortFn: 'alphanumeric' }),
  helper.accessor((r) => r.command.usesPerHour, {
    id: 'uses',
    header: 'Uses/h',
    sortFn: 'basic',
    sortDescFirst: true,
  }),
  helper.accessor((r) => r.triggerText, { id: 'triggers', header: 'Triggers', sortFn: 'alphanumeric' }),
  helper.accessor((r) => r.command.label ?? '', {
    id: 'label',
    header: 'Short label',
    sortFn: 'alphanumeric',
  }),
])

/** Widths of the columns and of the row's actions, in the grid that heading and rows share. */
const grid = 'grid grid-cols-[30px_minmax(0,1.4fr)_96px_minmax(0,1fr)_minmax(0,1.2fr)_72px_170px_120px_108px]'
const rowHeightPx = 33

export interface CommandTableProps {
  readonly commands: readonly Command[]
  readonly onEdit: (id: string, change: Partial<Omit<Command, 'id'>>, field: string) => void
  readonly onDelete: (command: Command) => void
  readonly onShow: (command: Command) => void
  readonly onOpen: (id: string) => void
  readonly chosenIds: ReadonlySet<string>
  readonly onChosen: (ids: ReadonlySet<string>) => void
}

/** All commands, sortable and edited in place; only the rows in view are drawn. */
export function CommandTable({
  commands,
  chosenIds,
  onChosen,
  onEdit,
  onDelete,
  onShow,
  onOpen,
}: CommandTableProps) {
  const plan = usePlan()
  const { env, triggersOf } = useDerived()
  const programs = useMemo(() => new Map(plan.programs.map((p) => [p.id, p])), [plan.programs])
  const rows = useMemo(() => {
    return commands.map((command): Row => {
      const program = programs.get(command.programId)
      const triggers = triggersOf(command.id)
      return {
        command,
        program: program?.name ?? command.programId,
        contexts: contextsInWords(command, program),
        triggers,
        triggerText: triggers.map((t) => triggerName(t, env)).join(' '),
      }
    })
  }, [commands, programs, triggersOf, env])
  const table = useTable({ features, columns, data: rows, getRowId: (r) => r.command.id })
  const sorted = table.getRowModel().rows
  const scroller = useRef<HTMLDivElement>(null)
  const lastChosen = useRef<string | null>(null)
  const latest = useRef({ sorted, chosenIds, onChosen })
  useEffect(() => {
    latest.current = { sorted, chosenIds, onChosen }
  })
  /** Chooses one row, or with Shift all between the last one and it, in the order that is shown. */
  const choose = useCallback((id: string, on: boolean, range: boolean): void => {
    const now = latest.current
    const order = now.sorted.map((r) => r.id)
    const [a, b] = [order.indexOf(lastChosen.current ?? id), order.indexOf(id)].toSorted((x, y) => x - y) as [
      number,
      number,
    ]
    const next = new Set(now.chosenIds)
    for (const chosen of range && a >= 0 ? order.slice(a, b + 1) : [id]) {
      if (on) next.add(chosen)
      else next.delete(chosen)
    }
    lastChosen.current = id
    now.onChosen(next)
  }, [])
  const virtual = useVirtualizer({
    count: sorted.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeightPx,
    overscan: 6,
    // rows may come a frame late, rather than make the frame late
    useFlushSync: false,
  })

  return (
    <div
      ref={scroller}
      role="table"
      aria-label="Commands"
      aria-rowcount={sorted.length + 1}
      className="min-h-0 grow overflow-y-auto bg-panel"
    >
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
                  {String(header.column.columnDef.header)}
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
            />
          )
        })}
      </div>
    </div>
  )
}

/** One row; drawn anew only when something in it has changed, not with every step of the wheel. */
const CommandRow = memo(function CommandRow({
  row,
  index,
  startPx,
  program,
  isChosen,
  choose,
  onEdit,
  onDelete,
  onShow,
  onOpen,
}: {
  row: Row
  index: number
  startPx: number
  program: Program | undefined
  isChosen: boolean
  choose: (id: string, on: boolean, range: boolean) => void
} & Pick<CommandTableProps, 'onEdit' | 'onDelete' | 'onShow' | 'onOpen'>) {
  const { env } = useDerived()
  const { command } = row
  return (
    <div
      role="row"
      aria-rowindex={index + 2}
      style={{ transform: `translateY(${startPx}px)`, height: rowHeightPx }}
      className={`absolute w-full items-center border-b border-rule px-[14px] hover:bg-reach-1 ${grid}`}
    >
      <div role="cell">
        <input
          type="checkbox"
          className="accent-(--magenta)"
          aria-label={`Choose ${fullName(command)}`}
          checked={isChosen}
          onChange={(e) => choose(command.id, e.target.checked, (e.nativeEvent as MouseEvent).shiftKey)}
        />
      </div>
      <EditCell
        label={`Name of ${command.name}`}
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
      <EditCell
        label={`Menu path of ${command.name}`}
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
      <EditCell
        label={`Uses an hour of ${command.name}`}
        value={String(command.usesPerHour)}
        numeric
        onChange={(text) => onEdit(command.id, { usesPerHour: Number(text.replace(',', '.')) }, 'uses')}
      />
      <div role="cell" className="flex gap-3 overflow-hidden pl-2" title={row.triggerText}>
        {row.triggers.length === 0 ? (
          <span className="text-[12px] text-magenta">none</span>
        ) : (
          row.triggers.map((t) => <TriggerChip key={triggerName(t, env)} trigger={t} />)
        )}
      </div>
      <EditCell
        label={`Short label of ${command.name}`}
        value={command.label ?? ''}
        maxLength={60}
        placeholder="–"
        onChange={(label) => onEdit(command.id, { label }, 'label')}
      />
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
    </div>
  )
})
