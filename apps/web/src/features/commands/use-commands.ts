import { useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { toast } from 'sonner'
import {
  checkFileSize,
  maxCsvBytes,
  readCommandCsv,
  readPlacementCsv,
  searchCommands,
  triggerKey,
  type Command,
  type CommandImport,
  deleteCommand,
  editCommand,
  setPlacements,
} from '@reach-plot/core'
import { chooseFile } from '../../parts/download.js'
import { useFind } from '../../parts/find-bar.js'
import { showProblem } from '../../store/problem.js'
import { onEditable, undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { isTyping } from '../../parts/shortcuts/use-shortcuts.js'

/** Which commands the inventory lists. */
export const filters = {
  all: { name: 'All commands', passes: () => true },
  unplaced: { name: 'Without a trigger', passes: (_c: Command, triggers: number) => triggers === 0 },
  several: { name: 'With several triggers', passes: (_c: Command, triggers: number) => triggers > 1 },
  unused: { name: 'Never used', passes: (c: Command) => c.usesPerHour === 0 },
  damage: { name: 'A slip costs something', passes: (c: Command) => c.damage !== undefined },
} as const

export type Filter = keyof typeof filters

/** What is shown and can be done there. */
export function useCommands() {
  const plan = usePlan()
  const edit = useEdit()
  const { arrangement, triggersOf } = useDerived()
  const navigate = useNavigate()
  const set = useView((s) => s.set)
  const { find, searchRef } = useFind()
  const { trigger } = find
  // typing goes on while thousands are filtered
  const query = useDeferredValue(find.query)
  const [programId, setProgramId] = useState('')
  const [reading, setReading] = useState<{ fileName: string; read: CommandImport } | null>(null)
  const [adding, setAdding] = useState(false)
  const [pasted, setPasted] = useState<string | null>(null)
  const [openId, setOpenId] = useState<string | null>(null)
  const [filter, setFilter] = useState<Filter>('all')
  const [chosenIds, setChosenIds] = useState<ReadonlySet<string>>(new Set())
  const shown = useMemo(() => {
    const listed = plan.commands.filter(
      (c) =>
        (programId === '' || c.programId === programId) &&
        filters[filter].passes(c, triggersOf(c.id).length) &&
        (trigger === null || triggersOf(c.id).some((t) => triggerKey(t) === triggerKey(trigger))),
    )
    return query.trim() === '' ? listed : searchCommands(listed, query)
  }, [plan.commands, query, programId, filter, trigger, triggersOf])

  const importCommands = async (): Promise<void> => {
    const file = await chooseFile('.csv,text/csv')
    if (!file) return
    try {
      checkFileSize(file.size, maxCsvBytes, file.name)
      setReading({ fileName: file.name, read: readCommandCsv(await file.text(), plan, file.name) })
    } catch (error) {
      showProblem(error)
    }
  }
  const importPlacements = async (): Promise<void> => {
    const file = await chooseFile('.csv,text/csv')
    if (!file) return
    try {
      checkFileSize(file.size, maxCsvBytes, file.name)
      const read = readPlacementCsv(await file.text(), plan, file.name)
      const [first] = read.bad
      if (first)
        toast.error(
          `${file.name}: ${read.bad.length} lines with a fault, the first in line ${first.line}, ${first.column}: ${first.message}`,
          { description: 'Nothing was changed.', duration: 15_000 },
        )
      else {
        onEditable((before) => setPlacements(before, read.placements))
        toast(`${read.placements.length} placements read`, { action: undoAction() })
      }
    } catch (error) {
      showProblem(error)
    }
  }
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
  const onShow = useCallback(
    (command: Command) => {
      set({
        programId: command.programId,
        contextId: command.contextIds[0] ?? null,
        commandId: command.id,
        controlRef: null,
      })
      void navigate('/')
    },
    [set, navigate],
  )

  const chosen = useMemo(() => plan.commands.filter((c) => chosenIds.has(c.id)), [plan.commands, chosenIds])
  const opened = plan.commands.find((c) => c.id === openId)
  // rows that are pasted outside a field come from a spreadsheet
  useEffect(() => {
    const onPaste = (event: ClipboardEvent): void => {
      const text = event.clipboardData?.getData('text/plain') ?? ''
      if (isTyping(event.target) || document.querySelector('[role=dialog]') || !text.includes('\t')) return
      event.preventDefault()
      setPasted(text)
    }
    addEventListener('paste', onPaste)
    return () => removeEventListener('paste', onPaste)
  }, [])
  return {
    find,
    searchRef,
    programId,
    setProgramId,
    filter,
    setFilter,
    shown,
    plan,
    setAdding,
    setPasted,
    importCommands,
    importPlacements,
    arrangement,
    chosenIds,
    setChosenIds,
    onEdit,
    onDelete,
    onShow,
    setOpenId,
    chosen,
    opened,
    pasted,
    setReading,
    reading,
    edit,
    adding,
  }
}

export type CommandsScreen = ReturnType<typeof useCommands>
