import {
  addContext,
  addProgram,
  editContext,
  setPlanSettings,
  systemIds,
  type Program,
} from '@reach-plot/core'
import { layouts, systems } from '@reach-plot/data'
import { SelectField, TickField } from '../../parts/fields.js'
import { AddName } from '../../parts/names.js'
import { useEdit, usePlan } from '../../store/plan-store.js'

/** Words by which a context is one in which text is typed. Common practice, no source. */
const typingWords =
  /text|typ|label|writ|edit|note|name|insert|search|prompt|comment|chat|mail|form|beschrift/i

/** System, layout, the programs, and where text is typed in them. */
export function SystemStep() {
  const plan = usePlan()
  const edit = useEdit()
  return (
    <>
      <p className="mt-1 max-w-[640px] text-ink-2">
        The system takes some keys before any program sees them, and where you type text a bare letter types
        instead of giving a command.
      </p>
      <div className="mt-4 flex max-w-[640px] gap-4">
        <SelectField
          label="System"
          value={plan.system}
          choices={systemIds.map((id) => ({ id, name: systems.find((s) => s.id === id)?.name ?? id }))}
          onChange={(system) => edit((before) => setPlanSettings(before, { system }))}
        />
        <SelectField
          label="Layout of the keyboard"
          value={plan.layoutId}
          choices={layouts.map((l) => ({ id: l.id, name: l.name }))}
          onChange={(layoutId) => edit((before) => setPlanSettings(before, { layoutId }))}
        />
      </div>
      <h3 className="caption mt-6 max-w-[860px] border-b border-rule pb-1">Your programs</h3>
      {plan.programs.map((program) => (
        <ProgramRow key={program.id} program={program} />
      ))}
      <AddName
        label="Name of a program"
        action="Add the program"
        taken={plan.programs.map((p) => p.name)}
        onAdd={(name) => edit((before) => addProgram(before, name))}
      />
      <p className="mt-2 text-ink-2">
        Programs and modes also come with the commands that you bring in next.
      </p>
    </>
  )
}

function ProgramRow({ program }: { program: Program }) {
  const edit = useEdit()
  const setAll = (typing: (name: string) => boolean): void => {
    edit((plan) =>
      program.contexts.reduce(
        (before, c) => editContext(before, program.id, c.id, { typing: typing(c.name) }),
        plan,
      ),
    )
  }
  return (
    <section aria-label={program.name} className="max-w-[860px] border-b border-rule py-2.5">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <b className="w-[150px] truncate">{program.name}</b>
        <span className="text-ink-2">Text is typed in:</span>
        {program.contexts.map((c) => (
          <TickField
            key={c.id}
            checked={c.typing}
            onChange={(typing) => edit((plan) => editContext(plan, program.id, c.id, { typing }))}
          >
            {c.name}
          </TickField>
        ))}
        {program.contexts.length > 1 && (
          <span className="ml-auto flex gap-2">
            <button type="button" className="link" onClick={() => setAll(() => true)}>
              all
            </button>
            <button type="button" className="link" onClick={() => setAll(() => false)}>
              none
            </button>
            <button type="button" className="link" onClick={() => setAll((name) => typingWords.test(name))}>
              guess from the names
            </button>
          </span>
        )}
      </div>
      <AddName
        label={`Name of a mode of ${program.name}`}
        action="Add a mode"
        taken={program.contexts.map((c) => c.name)}
        onAdd={(name) => edit((plan) => addContext(plan, program.id, name))}
      />
    </section>
  )
}
