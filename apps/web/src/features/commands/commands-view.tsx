import { FileDown, FileUp, Plus } from 'lucide-react'
import { useCallback, useMemo, useState } from 'react'
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
} from '@reach-plot/core'
import { chooseFile, download } from '../../shared/download.js'
import { FindBar, useFind } from '../../shared/find-bar.js'
import { showProblem } from '../../shared/problem.js'
import { loadDemo, onEditable, openPlan, undoAction } from '../../store/actions.js'
import { deleteCommand, editCommand } from '../../store/plan-edits.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { useView } from '../../store/view-store.js'
import { AddSheet } from './add-sheet.js'
import { CommandTable } from './command-table.js'
import { ImportSheet } from './import-sheet.js'

/** The inventory of commands of all programs: searched, edited, imported and exported. */
export function CommandsView() {
  const plan = usePlan()
  const edit = useEdit()
  const { arrangement, triggersOf } = useDerived()
  const navigate = useNavigate()
  const set = useView((s) => s.set)
  const { find, searchRef } = useFind()
  const { query, trigger } = find
  const [programId, setProgramId] = useState('')
  const [reading, setReading] = useState<{ fileName: string; read: CommandImport } | null>(null)
  const [adding, setAdding] = useState(false)
  const shown = useMemo(() => {
    const listed = plan.commands.filter(
      (c) =>
        (programId === '' || c.programId === programId) &&
        (trigger === null || triggersOf(c.id).some((t) => triggerKey(t) === triggerKey(trigger))),
    )
    return query.trim() === '' ? listed : searchCommands(listed, query)
  }, [plan.commands, query, programId, trigger, triggersOf])

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
        onEditable((draft) => {
          const active = draft.arrangements.find((a) => a.id === draft.activeArrangementId)
          if (active) active.placements = [...read.placements]
        })
        toast(`${read.placements.length} placements read`, { action: undoAction() })
      }
    } catch (error) {
      showProblem(error)
    }
  }
  const onEdit = useCallback(
    (id: string, change: Partial<Omit<Command, 'id'>>, field: string) =>
      edit((draft) => editCommand(draft, id, change), field === 'contexts' ? undefined : `${id} ${field}`),
    [edit],
  )
  const onDelete = useCallback(
    (command: Command) => {
      edit((draft) => deleteCommand(draft, command.id))
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
        spot: null,
      })
      void navigate('/')
    },
    [set, navigate],
  )

  return (
    <div className="flex min-w-0 grow flex-col">
      <div className="flex items-center gap-2 px-[14px] py-[10px]">
        <h2 className="title mr-2">Commands</h2>
        <FindBar
          find={find}
          searchRef={searchRef}
          label="Find commands by name or menu"
          placeholder="Find by name or menu"
        />
        <select
          className="field"
          aria-label="Program"
          value={programId}
          onChange={(e) => setProgramId(e.target.value)}
        >
          <option value="">All programs</option>
          {plan.programs.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </select>
        <span role="status" className="text-ink-2">
          {shown.length} of {plan.commands.length}
        </span>
        <span className="ml-auto flex gap-2">
          <button type="button" className="btn" onClick={() => setAdding(true)}>
            <Plus size={14} aria-hidden="true" /> Add a command
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
        <CommandTable commands={shown} onEdit={onEdit} onDelete={onDelete} onShow={onShow} />
      )}
      {reading && (
        <ImportSheet
          {...reading}
          onClose={() => setReading(null)}
          onTake={() => {
            edit((draft) => {
              draft.programs = [...reading.read.programs]
              draft.commands = [...reading.read.commands]
            })
            toast(`${reading.fileName} is imported`, { action: undoAction() })
            setReading(null)
          }}
        />
      )}
      {adding && <AddSheet onClose={() => setAdding(false)} />}
    </div>
  )
}
