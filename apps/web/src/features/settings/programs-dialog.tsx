import { howMany } from '../../parts/words.js'
import { Lock, Trash2 } from 'lucide-react'
import {
  contextsOverlap,
  type Program,
  addContext,
  addProgram,
  deleteContext,
  deleteProgram,
  editContext,
  renameProgram,
  setMenuChord,
  setOverlap,
  toggleRule,
  type Context,
} from '@reach-plot/core'
import { Dialog } from '../../parts/dialog.js'
import { ListenButton } from '../../parts/key-find.js'
import { AddName, NameField } from '../../parts/names.js'
import { TriggerChip } from '../../parts/trigger-chip.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { ProgramHabits } from './program-habits.js'
import { useProgramPart, type ProgramPartView } from './use-program-part.js'

/** Programs and their contexts: where text is typed, and which contexts are live together. */
export function ProgramsDialog({ onClose }: { onClose: () => void }) {
  const plan = usePlan()
  const edit = useEdit()
  return (
    <Dialog
      title="Programs and contexts"
      onClose={onClose}
      wide
      actions={
        <button type="button" className="btn" onClick={onClose}>
          Done
        </button>
      }
    >
      {plan.programs.length === 0 && <p>No programs yet. Add one here, or import commands from CSV.</p>}
      {plan.programs.map((program) => (
        <ProgramPart key={program.id} program={program} />
      ))}
      <AddName
        label="Name of a new program"
        action="Add the program"
        taken={plan.programs.map((p) => p.name)}
        onAdd={(name) => edit((d) => addProgram(d, name))}
      />
      <p className="mt-4 text-[12px] text-ink-2">
        Two commands on one key clash only where their contexts are live together. A context that is there
        everywhere, such as a panel that stays open, is live with all others.
      </p>
    </Dialog>
  )
}
function ProgramPart(props: { program: Program }) {
  const view = useProgramPart(props)
  const { program, edit, id } = view
  return (
    <section className="mb-6" aria-label={program.name}>
      <ProgramHead view={view} />
      <ProgramHabits program={program} />
      <table className="mt-1 w-full">
        <thead>
          <tr className="text-left">
            <th className="caption py-1">Context</th>
            <th className="caption py-1">Text is typed</th>
            <th className="caption py-1">Everywhere</th>
            {program.contexts.slice(0, -1).map((c) => (
              <th key={c.id} className="caption py-1 text-center">
                with {c.name}
              </th>
            ))}
            <th>
              <span className="sr-only">Actions</span>
            </th>
          </tr>
        </thead>
        <ContextRows view={view} />
      </table>
      <AddName
        label={`Name of a new context of ${program.name}`}
        action="Add a context"
        taken={program.contexts.map((c) => c.name)}
        onAdd={(name) => edit((draft) => addContext(draft, id, name))}
      />
    </section>
  )
}

function ProgramHead({
  view: { program, edit, id, keyFind, plan, commandCount },
}: {
  view: ProgramPartView
}) {
  return (
    <div className="mb-1 flex flex-wrap items-center gap-3">
      <NameField
        className="text-[15px] font-semibold"
        label="Name of the program"
        value={program.name}
        others={plan.programs.flatMap((p) => (p.id === id ? [] : p.name))}
        onChange={(name) => edit((draft) => renameProgram(draft, id, name), `program ${id}`)}
      />
      <span className="flex items-center gap-2 text-ink-2">
        Key that opens its menus:{' '}
        {program.menuChord ? (
          <>
            <TriggerChip trigger={program.menuChord} />
            <button
              type="button"
              className="link text-[12px]"
              onClick={() => edit((draft) => setMenuChord(draft, id, null))}
            >
              none
            </button>
          </>
        ) : (
          'none'
        )}
        <ListenButton {...keyFind} label={`Press the key that opens the menus of ${program.name}`} />
      </span>
      <button
        type="button"
        className="btn ml-auto"
        aria-pressed={plan.rules.lockedProgramIds.includes(id)}
        title={`Commands of ${program.name} stay where they are`}
        onClick={() => edit((draft) => toggleRule(draft, 'lockedProgramIds', id))}
      >
        <Lock size={13} aria-hidden="true" /> Keep all where they are
      </button>
      <button
        type="button"
        className="btn px-[6px]"
        aria-label={`Delete ${program.name}`}
        title={
          commandCount > 0 ? `It has ${howMany(commandCount, 'command', 'commands')}` : 'Delete the program'
        }
        disabled={commandCount > 0}
        onClick={() => edit((draft) => deleteProgram(draft, id))}
      >
        <Trash2 size={14} aria-hidden="true" />
      </button>
    </div>
  )
}

function ContextRows({ view }: { view: ProgramPartView }) {
  const { program } = view
  return (
    <tbody>
      {program.contexts.map((row, i) => (
        <ContextRow key={row.id} view={view} row={row} i={i} />
      ))}
    </tbody>
  )
}

function ContextRow({
  view: { edit, id, program },
  row,
  i,
}: {
  view: ProgramPartView
  row: Context
  i: number
}) {
  return (
    <tr className="border-t border-rule">
      <th scope="row" className="py-1 text-left font-normal">
        <NameField
          className="w-[150px]"
          label={`Name of the context ${row.name}`}
          value={row.name}
          others={program.contexts.flatMap((c) => (c.id === row.id ? [] : c.name))}
          onChange={(name) =>
            edit((draft) => editContext(draft, id, row.id, { name }), `context ${id} ${row.id}`)
          }
        />
      </th>
      <td>
        <input
          type="checkbox"
          className="m-1 size-5 align-middle accent-(--magenta)"
          aria-label={`Text is typed in ${row.name}`}
          checked={row.typing}
          onChange={(e) => edit((draft) => editContext(draft, id, row.id, { typing: e.target.checked }))}
        />
      </td>
      <td>
        <input
          type="checkbox"
          className="m-1 size-5 align-middle accent-(--magenta)"
          aria-label={`${row.name} is there everywhere`}
          checked={row.everywhere === true}
          onChange={(e) => edit((draft) => editContext(draft, id, row.id, { everywhere: e.target.checked }))}
        />
      </td>
      {program.contexts.slice(0, -1).map((column, j) => (
        <td key={column.id} className="text-center">
          {j < i ? (
            <input
              type="checkbox"
              className="m-1 size-5 align-middle accent-(--magenta)"
              aria-label={`${row.name} and ${column.name} are live together`}
              checked={contextsOverlap(program, row.id, column.id)}
              disabled={row.everywhere === true || column.everywhere === true}
              onChange={(e) => edit((draft) => setOverlap(draft, id, row.id, column.id, e.target.checked))}
            />
          ) : null}
        </td>
      ))}
      <td className="text-right">
        <button
          type="button"
          className="p-1.5 disabled:opacity-40"
          aria-label={`Delete the context ${row.name}`}
          disabled={program.contexts.length === 1}
          onClick={() => edit((draft) => deleteContext(draft, id, row.id))}
        >
          <Trash2 size={14} aria-hidden="true" />
        </button>
      </td>
    </tr>
  )
}
