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
import { useCallback, useEffect, useMemo, useRef } from 'react'
import {
  contextsInWords,
  fullName,
  triggerKey,
  triggerName,
  type Command,
  type Trigger,
} from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
})

export interface Row {
  readonly command: Command
  readonly program: string
  readonly contexts: string
  readonly triggers: readonly Trigger[]
  readonly triggerText: string
  /** where its keys are from: the program, one's own choice, a device */
  readonly from: string
}

const helper = createColumnHelper<typeof features, Row>()

export const columns = helper.columns([
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
  helper.accessor((r) => r.triggerText, { id: 'triggers', header: 'Keys', sortFn: 'alphanumeric' }),
  helper.accessor((r) => r.from, { id: 'from', header: 'Keys from', sortFn: 'alphanumeric' }),
  helper.accessor((r) => r.command.label ?? '', {
    id: 'label',
    header: 'Short label',
    sortFn: 'alphanumeric',
  }),
])

export const rowHeightPx = 33

export interface CommandTableProps {
  readonly commands: readonly Command[]
  readonly onEdit: (id: string, change: Partial<Omit<Command, 'id'>>, field: string) => void
  readonly onDelete: (command: Command) => void
  readonly onShow: (command: Command) => void
  readonly onOpen: (id: string) => void
  /** another key is wanted for it */
  readonly onKey: (command: Command) => void
  /** whether the last column tells what would mend it, in place of the short label */
  readonly isMending: boolean
  readonly chosenIds: ReadonlySet<string>
  readonly onChosen: (ids: ReadonlySet<string>) => void
}

/** Where a command's keys are from, each kind once. */
function keysFrom(command: Command, triggers: readonly Trigger[], ofPrograms: ReadonlySet<string>): string {
  const kinds = triggers.map((trigger) =>
    ofPrograms.has(`${command.id} ${triggerKey(trigger)}`)
      ? 'program'
      : 'deviceId' in trigger
        ? 'device'
        : 'own',
  )
  return [...new Set(kinds)].join(', ')
}

/** What the table shows of each command. */
function useRows(commands: readonly Command[]) {
  const plan = usePlan()
  const { env, triggersOf } = useDerived()
  const programs = useMemo(() => new Map(plan.programs.map((p) => [p.id, p])), [plan.programs])
  const ofPrograms = useMemo(
    () =>
      new Set(
        plan.arrangements
          .filter((a) => a.isDefault)
          .flatMap((a) => a.placements.map((p) => `${p.commandId} ${triggerKey(p.trigger)}`)),
      ),
    [plan.arrangements],
  )
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
        from: keysFrom(command, triggers, ofPrograms),
      }
    })
  }, [commands, programs, triggersOf, env, ofPrograms])
  return { rows, programs }
}

/** Chooses one row, or with Shift all between the last one and it, in the order that is shown. */
function useRangeChoice(
  sorted: readonly { readonly id: string }[],
  chosenIds: ReadonlySet<string>,
  onChosen: CommandTableProps['onChosen'],
) {
  const lastChosen = useRef<string | null>(null)
  const latest = useRef({ sorted, chosenIds, onChosen })
  useEffect(() => {
    latest.current = { sorted, chosenIds, onChosen }
  })
  return useCallback((id: string, on: boolean, range: boolean): void => {
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
}

/** What is shown and can be done there. */
export function useCommandTable({
  commands,
  chosenIds,
  onChosen,
  onEdit,
  onDelete,
  onShow,
  onOpen,
  isMending,
}: CommandTableProps) {
  const { rows, programs } = useRows(commands)
  const table = useTable({ features, columns, data: rows, getRowId: (r) => r.command.id })
  const sorted = table.getRowModel().rows
  const scroller = useRef<HTMLDivElement>(null)
  const choose = useRangeChoice(sorted, chosenIds, onChosen)
  const virtual = useVirtualizer({
    count: sorted.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeightPx,
    overscan: 6,
    // rows may come a frame late, rather than make the frame late
    useFlushSync: false,
  })
  return {
    scroller,
    sorted,
    commands,
    chosenIds,
    onChosen,
    table,
    virtual,
    programs,
    choose,
    onEdit,
    onDelete,
    onShow,
    onOpen,
    isMending,
  }
}

export type CommandTableView = ReturnType<typeof useCommandTable>
