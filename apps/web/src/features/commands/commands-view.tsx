import { FileDown, FileUp, Plus } from 'lucide-react'
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
  writeCommandCsv,
  writePlacementCsv,
  type Command,
  type CommandImport,
  deleteCommand,
  editCommand,
  setPlacements,
  takeCommands,
} from '@reach-plot/core'
import { chooseFile, download } from '../../parts/download.js'
import { FindBar, useFind } from '../../parts/find-bar.js'
import { showProblem } from '../../store/problem.js'
import { ProgramSelect } from '../../parts/program-select.js'
import { loadDemo, onEditable, openPlan, undoAction } from '../../store/actions.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { isTyping } from '../../parts/shortcuts/use-shortcuts.js'
import { AddDialog } from './add-dialog.js'
import { BulkBar } from './bulk-bar.js'
import { CommandDialog } from './command-dialog.js'
import { CommandTable } from './command-table.js'
import { ImportDialog } from './import-dialog.js'
import { PasteDialog, withHeading } from './paste-dialog.js'

/** Which commands the inventory lists. */
const filters = {
  all: { name: 'All commands', passes: () => true },
  unplaced: { name: 'Without a trigger', passes: (_c: Command, triggers: number) => triggers === 0 },
  several: { name: 'With several triggers', passes: (_c: Command, triggers: number) => triggers > 1 },
  unused: { name: 'Never used', passes: (c: Command) => c.usesPerHour === 0 },
  damage: { name: 'A slip costs something', passes: (c: Command) => c.damage !== undefined },
} as const
type Filter = keyof typeof filters

/** The inventory of commands of all programs: searched, edited, imported and exported. */
export function CommandsView() {
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

  return (
    <div className="flex min-w-0 grow flex-col">
      <div className="flex items-center gap-2 px-[14px] py-[10px]">
        <FindBar
          find={find}
          searchRef={searchRef}
          label="Find commands by name or menu"
          placeholder="Find by name or menu"
        />
        <ProgramSelect label="Program" value={programId} onChange={setProgramId} className="w-[118px]" />
        <select
          className="field w-[128px]"
          aria-label="Which commands"
          value={filter}
          onChange={(e) => setFilter(e.target.value as Filter)}
        >
          {Object.entries(filters).map(([id, f]) => (
            <option key={id} value={id}>
              {f.name}
            </option>
          ))}
        </select>
        <span role="status" className="whitespace-nowrap text-ink-2">
          {shown.length} of {plan.commands.length}
        </span>
        <span className="ml-auto flex gap-2">
          <button type="button" className="btn" onClick={() => setAdding(true)}>
            <Plus size={14} aria-hidden="true" /> Add a command
          </button>
          <button type="button" className="btn" onClick={() => setPasted('')}>
            Paste
          </button>
          <button type="button" className="btn btn-main" onClick={() => void importCommands()}>
            <FileUp size={14} aria-hidden="true" /> Import CSV
          </button>
          <button
            type="button"
            className="btn"
            onClick={() => download(writeCommandCsv(plan), 'commands.csv', 'text/csv')}
          >
            <FileDown size={14} aria-hidden="true" /> Export CSV
          </button>
          <button type="button" className="btn" onClick={() => void importPlacements()}>
            Import placements
          </button>
          <button
            type="button"
            className="btn"
            onClick={() =>
              download(writePlacementCsv(arrangement.placements, plan), 'placements.csv', 'text/csv')
            }
          >
            Export placements
          </button>
        </span>
      </div>
      {plan.commands.length === 0 ? (
        <div className="max-w-[560px] px-[14px] pt-4">
          <p>
            There are no commands yet. Import a CSV with the columns program, contexts, command, menu,
            usesPerHour, opposite, label and note (only program and command are needed), or add commands one
            by one.
          </p>
          <button
            type="button"
            className="btn mt-3"
            onClick={() => void loadDemo().then((demo) => openPlan(demo, 'The demo is open'), showProblem)}
          >
            Open the demo instead
          </button>
        </div>
      ) : (
        <CommandTable
          commands={shown}
          chosenIds={chosenIds}
          onChosen={setChosenIds}
          onEdit={onEdit}
          onDelete={onDelete}
          onShow={onShow}
          onOpen={setOpenId}
        />
      )}
      {chosen.length > 0 && <BulkBar chosen={chosen} onClear={() => setChosenIds(new Set())} />}
      {opened && <CommandDialog command={opened} onClose={() => setOpenId(null)} />}
      {pasted !== null && (
        <PasteDialog
          start={pasted}
          onClose={() => setPasted(null)}
          onText={(text) => {
            try {
              setReading({
                fileName: 'what was pasted',
                read: readCommandCsv(withHeading(text), plan, 'what was pasted'),
              })
              setPasted(null)
            } catch (error) {
              showProblem(error)
            }
          }}
        />
      )}
      {reading && (
        <ImportDialog
          {...reading}
          onClose={() => setReading(null)}
          onTake={() => {
            edit((before) => takeCommands(before, reading.read))
            toast(`${reading.fileName} is imported`, { action: undoAction() })
            setReading(null)
          }}
        />
      )}
      {adding && <AddDialog onClose={() => setAdding(false)} />}
    </div>
  )
}
