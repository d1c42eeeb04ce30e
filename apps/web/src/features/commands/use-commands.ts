import { useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { toast } from '../../store/message.js'
import {
  arrivingTriggers,
  checkFileSize,
  chord,
  dearWays,
  dearWaysOf,
  maxCsvBytes,
  readCommandCsv,
  readPlacementCsv,
  isLiveIn,
  searchCommands,
  triggerKey,
  type Command,
  type CommandImport,
  type DearWay,
  type PlacementImport,
  type Trigger,
  deleteCommand,
  editCommand,
  takePlacements as bringPlacements,
  type TakeMode,
} from '@reach-plot/core'
import { chooseFile } from '../../parts/download.js'
import { takeCommands } from '@reach-plot/core'
import { pastedText, readSource } from '../../parts/bring-in/use-bring-in.js'
import { useFind } from '../../parts/find-bar.js'
import { useShowOnPlot } from '../../parts/use-show-on-plot.js'
import { showProblem } from '../../store/problem.js'
import { onEditable, undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { noHeld, useReachOfSets } from '../../store/reach.js'
import { heldSetsUsed, useDerived } from '../../store/selectors.js'
import { useKept } from '../../parts/use-kept.js'
import { usePlaceGains } from '../../parts/use-place-gains.js'
import { isTyping } from '../../parts/shortcuts/use-shortcuts.js'

/** Which commands the inventory lists. */
export const filters = {
  all: { name: 'All commands', passes: () => true },
  unplaced: { name: 'Without a key', passes: (_c: Command, triggers: number) => triggers === 0 },
  several: { name: 'With several keys', passes: (_c: Command, triggers: number) => triggers > 1 },
  unused: { name: 'Never used', passes: (c: Command) => c.usesPerHour === 0 },
  damage: { name: 'Harmful if pressed by mistake', passes: (c: Command) => c.damage !== undefined },
  'both-hands': { name: 'Take both hands', passes: () => true },
  'hand-leaves': { name: 'A hand leaves for', passes: () => true },
  menu: { name: 'Through the menu', passes: () => true },
  pointer: { name: 'By the pointing hand', passes: () => true },
} as const

export type Filter = keyof typeof filters

/** The filters that list dear ways of giving a command: beside each stands what would mend it. */
export const dearWayOf = (filter: Filter): DearWay | null => dearWays.find((way) => way === filter) ?? null

/** Commands that are given in a dear way, by the arrangement or the log. */
function useGivenSo(way: DearWay | null): (command: Command) => boolean {
  const { usage } = usePlan()
  const { arrangement, index, clashes } = useDerived()
  const { reachOf } = useReachOfSets(noHeld, way === null ? [] : heldSetsUsed(arrangement))
  return useMemo(() => {
    if (way === null) return (_command: Command) => true
    const triggersOf = arrivingTriggers(index, clashes)
    return (command: Command) =>
      dearWaysOf(command, { triggersOf, reachOf, index, counted: usage?.commands[command.id] }).includes(way)
  }, [way, usage, index, clashes, reachOf])
}

/** Which commands are listed, by program, kind, search and pressed key. */
function useListed() {
  const plan = usePlan()
  const { triggersOf } = useDerived()
  const { find, searchRef } = useFind()
  const { trigger } = find
  // typing goes on while thousands are filtered
  const query = useDeferredValue(find.query)
  const [programId, setProgramId] = useState('')
  const [filter, setFilter] = useState<Filter>('all')
  const [contextId, setContextId] = useState('')
  const program = plan.programs.find((p) => p.id === programId)
  const inContext = program?.contexts.some((c) => c.id === contextId) === true ? contextId : null
  const way = dearWayOf(filter)
  const isGivenSo = useGivenSo(way)
  const { order } = usePlaceGains(way !== null)
  const shown = useMemo(() => {
    const listed = plan.commands.filter(
      (c) =>
        (program === undefined || isLiveIn(c, program, inContext)) &&
        filters[filter].passes(c, triggersOf(c.id).length) &&
        isGivenSo(c) &&
        (trigger === null || triggersOf(c.id).some((t) => triggerKey(t) === triggerKey(trigger))),
    )
    const found = query.trim() === '' ? listed : searchCommands(listed, query)
    return way === null ? found : found.toSorted((a, b) => (order[b.id] ?? 0) - (order[a.id] ?? 0))
  }, [plan.commands, query, program, inContext, filter, trigger, triggersOf, way, isGivenSo, order])
  return {
    find,
    searchRef,
    programId,
    setProgramId,
    program,
    contextId: inContext,
    setContextId,
    filter,
    setFilter,
    shown,
  }
}

/** A CSV that the person chooses, as text; a file that cannot be read says why. */
async function withCsv(read: (text: string, fileName: string) => void): Promise<void> {
  const file = await chooseFile('.csv,text/csv')
  if (!file) return
  try {
    checkFileSize(file.size, maxCsvBytes, file.name)
    read(await file.text(), file.name)
  } catch (error) {
    showProblem(error)
  }
}

/** Commands and placements that come in, from files or pasted; both are looked over before they are taken. */
function useImports() {
  const plan = usePlan()
  const edit = useEdit()
  const [reading, setReading] = useState<{ fileName: string; read: CommandImport } | null>(null)
  const [placing, setPlacing] = useState<{ fileName: string; read: PlacementImport } | null>(null)
  const navigate = useNavigate()
  const look = (text: string, fileName: string): void =>
    setReading({ fileName, read: readCommandCsv(text, plan, fileName) })
  // rows that are pasted outside a field come from a spreadsheet
  useEffect(() => {
    const onPaste = (event: ClipboardEvent): void => {
      const text = pastedText(event.clipboardData)
      if (isTyping(event.target) || document.querySelector('[role=dialog]') || !/\t|\n|<table/.test(text))
        return
      event.preventDefault()
      void readSource(text, 'what was pasted', plan)
      void navigate('/commands/bring-in')
    }
    addEventListener('paste', onPaste)
    return () => removeEventListener('paste', onPaste)
  }, [plan, navigate])
  return {
    reading,
    setReading,
    importCommands: () => withCsv(look),
    placing,
    setPlacing,
    importPlacements: () =>
      withCsv((text, fileName) => setPlacing({ fileName, read: readPlacementCsv(text, plan, fileName) })),
    takePlacements: (mode: TakeMode): void => {
      if (!placing) return
      const { placements } = placing.read
      onEditable((before) => bringPlacements(before, placements, mode))
      toast(`${placements.length} placements read`, { action: undoAction() })
      setPlacing(null)
    },
    takeRead: (): void => {
      if (!reading) return
      edit((before) => takeCommands(before, reading.read))
      toast(`${reading.fileName} is imported`, { action: undoAction() })
      setReading(null)
    },
  }
}

/** What a row of the inventory can do. They stay the same, so that unchanged rows are not drawn again. */
function useRowActions() {
  const edit = useEdit()
  const onEdit = useCallback(
    (id: string, change: Partial<Omit<Command, 'id'>>, field: string) =>
      edit((plan) => editCommand(plan, id, change), field === 'contexts' ? undefined : `${id} ${field}`),
    [edit],
  )
  const onDelete = useCallback(
    (command: Command) => {
      edit((plan) => deleteCommand(plan, command.id))
      toast(`“${command.name}” is deleted, with its placements`, { action: undoAction() })
    },
    [edit],
  )
  return { onEdit, onDelete, onShow: useShowOnPlot() }
}

/** What the inventory shows and what can be done there. */
export function useCommands() {
  const plan = usePlan()
  const { arrangement, triggersOf } = useDerived()
  const listed = useListed()
  const imports = useImports()
  const rowActions = useRowActions()
  // what is open is open again after a reload
  const [adding, setAdding] = useKept('adding', false, 'tab')
  const [openId, setOpenId] = useKept<string | null>(`opened ${plan.id}`, null, 'tab')
  /** the command that another key is chosen for */
  const [keyed, setKeyed] = useState<Command | null>(null)
  const [chosenIds, setChosenIds] = useState<ReadonlySet<string>>(new Set())
  const chosen = useMemo(() => plan.commands.filter((c) => chosenIds.has(c.id)), [plan.commands, chosenIds])
  return {
    ...listed,
    ...imports,
    ...rowActions,
    plan,
    arrangement,
    adding,
    setAdding,
    setOpenId,
    keyed,
    setKeyed,
    startFor: (command: Command): Trigger => triggersOf(command.id)[0] ?? chord('KeyA'),
    opened: plan.commands.find((c) => c.id === openId),
    chosenIds,
    setChosenIds,
    chosen,
  }
}

export type CommandsScreen = ReturnType<typeof useCommands>
