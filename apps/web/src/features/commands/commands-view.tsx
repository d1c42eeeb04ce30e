import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import { ChevronDown, Plus } from 'lucide-react'
import { Link } from 'react-router'
import { writeCommandCsv, writePlacementCsv } from '@reach-plot/core'
import { download } from '../../parts/download.js'
import { ContextSelect } from '../../parts/context-select.js'
import { FindBar } from '../../parts/find-bar.js'
import { ProgramSelect } from '../../parts/program-select.js'
import { TriggerDialog } from '../../parts/triggers/trigger-dialog.js'
import { openExample } from '../../store/open-plan.js'
import { AddDialog } from './add-dialog.js'
import { BulkBar } from './bulk-bar.js'
import { CommandDialog } from './command-dialog.js'
import { CommandTable } from './command-table.js'
import { ImportDialog } from './import-dialog.js'
import { PlacementsDialog } from './placements-dialog.js'
import { dearWayOf, useCommands, type CommandsScreen, filters, type Filter } from './use-commands.js'

/** The inventory of commands of all programs: searched, edited, imported and exported. */
export function CommandsView() {
  const view = useCommands()
  const { plan, shown, chosenIds, setChosenIds, chosen, onEdit, onDelete, onShow, setOpenId } = view
  return (
    <div className="flex min-w-0 grow flex-col">
      <CommandFilters view={view} />
      {plan.commands.length === 0 ? (
        <NoCommands />
      ) : (
        <CommandTable
          commands={shown}
          chosenIds={chosenIds}
          onChosen={setChosenIds}
          onEdit={onEdit}
          onDelete={onDelete}
          onShow={onShow}
          onOpen={setOpenId}
          onKey={view.setKeyed}
          isMending={dearWayOf(view.filter) !== null}
        />
      )}
      {chosen.length > 0 && <BulkBar chosen={chosen} onClear={() => setChosenIds(new Set())} />}
      <CommandDialogs view={view} />
    </div>
  )
}

function NoCommands() {
  return (
    <div className="max-w-[560px] px-[14px] pt-4">
      <p>
        There are no commands yet. Bring in the keys of your programs, from a file or copied from a page, or
        add commands one by one.
      </p>
      <button type="button" className="btn mt-3" onClick={() => void openExample()}>
        Open the example instead
      </button>
    </div>
  )
}

function CommandDialogs({ view }: { view: CommandsScreen }) {
  const {
    opened,
    setOpenId,
    reading,
    setReading,
    takeRead,
    placing,
    setPlacing,
    takePlacements,
    adding,
    setAdding,
  } = view
  return (
    <>
      {opened && <CommandDialog command={opened} onClose={() => setOpenId(null)} />}
      {reading && <ImportDialog {...reading} onClose={() => setReading(null)} onTake={takeRead} />}
      {placing && <PlacementsDialog {...placing} onClose={() => setPlacing(null)} onTake={takePlacements} />}
      {view.keyed && (
        <TriggerDialog
          commandId={view.keyed.id}
          start={view.startFor(view.keyed)}
          onClose={() => view.setKeyed(null)}
        />
      )}
      {adding && <AddDialog onClose={() => setAdding(false)} />}
    </>
  )
}

function CommandFilters({ view }: { view: CommandsScreen }) {
  const { find, searchRef, programId, setProgramId, program, contextId, setContextId } = view
  const { filter, setFilter, shown, plan, setAdding } = view
  return (
    <div className="flex flex-wrap items-center gap-2 px-[14px] py-[10px]">
      <FindBar
        find={find}
        searchRef={searchRef}
        label="Find commands by name or menu"
        placeholder="Find by name or menu"
      />
      <ProgramSelect label="Program" value={programId} onChange={setProgramId} className="w-[118px]" />
      <ContextSelect program={program} value={contextId} onChange={setContextId} />
      <select
        className="field w-[170px]"
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
        <Link to="/commands/bring-in" className="btn btn-main">
          Bring in keys
        </Link>
        <FilesMenu view={view} />
      </span>
    </div>
  )
}

/** Files of commands and placements: in and out as tables of the app's own columns. */
function FilesMenu({
  view: { plan, arrangement, importCommands, importPlacements },
}: {
  view: CommandsScreen
}) {
  const entries = [
    ['Export commands', () => download(writeCommandCsv(plan), 'commands.csv', 'text/csv')],
    [
      'Export placements',
      () => download(writePlacementCsv(arrangement.placements, plan), 'placements.csv', 'text/csv'),
    ],
    ['Import commands', () => void importCommands()],
    ['Import placements', () => void importPlacements()],
  ] as const
  return (
    <Menu>
      <MenuButton className="btn">
        Files <ChevronDown size={13} aria-hidden="true" />
      </MenuButton>
      <MenuItems anchor="bottom end" className="menu-panel w-[220px]">
        {entries.map(([name, act]) => (
          <MenuItem key={name}>
            <button type="button" className="menu-item" onClick={act}>
              {name}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  )
}
