import { useState } from 'react'
import { freshId, type Plan } from '@reach-plot/core'
import { Sheet } from '../../shared/dialog.js'
import { addCommand } from '../../store/plan-edits.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useFront } from '../../store/selectors.js'

/** Adds a command by hand; names a new program or context where none fits. */
export function AddSheet({ onClose }: { onClose: () => void }) {
  const plan = usePlan()
  const edit = useEdit()
  const front = useFront()
  const [name, setName] = useState('')
  const [program, setProgram] = useState(plan.programs.find((p) => p.id === front.programId)?.name ?? '')
  const [context, setContext] = useState(
    plan.programs.find((p) => p.id === front.programId)?.contexts.find((c) => c.id === front.contextId)
      ?.name ?? '',
  )
  const known = plan.programs.find((p) => p.name.toLowerCase() === program.trim().toLowerCase())
  const ready = name.trim() !== '' && program.trim() !== ''
  return (
    <Sheet title="Add a command" onClose={onClose}>
      <form
        className="grid grid-cols-[120px_1fr] items-center gap-x-4 gap-y-3"
        onSubmit={(event) => {
          event.preventDefault()
          if (!ready) return
          edit((draft) => add(draft, name.trim(), program.trim(), context.trim()))
          onClose()
        }}
      >
        <label htmlFor="add-name">Name</label>
        <input
          id="add-name"
          className="field"
          value={name}
          maxLength={120}
          autoFocus
          onChange={(e) => setName(e.target.value)}
        />
        <label htmlFor="add-program">Program</label>
        <input
          id="add-program"
          className="field"
          list="add-programs"
          value={program}
          maxLength={120}
          onChange={(e) => setProgram(e.target.value)}
        />
        <datalist id="add-programs">
          {plan.programs.map((p) => (
            <option key={p.id} value={p.name} />
          ))}
        </datalist>
        <label htmlFor="add-context">Context</label>
        <input
          id="add-context"
          className="field"
          list="add-contexts"
          placeholder="everywhere"
          value={context}
          maxLength={120}
          onChange={(e) => setContext(e.target.value)}
        />
        <datalist id="add-contexts">
          {known?.contexts.map((c) => (
            <option key={c.id} value={c.name} />
          ))}
        </datalist>
        <div className="col-start-2">
          <button type="submit" className="btn btn-main" disabled={!ready}>
            Add
          </button>
        </div>
      </form>
    </Sheet>
  )
}

function add(plan: Plan, name: string, programName: string, contextName: string): void {
  let program = plan.programs.find((p) => p.name.toLowerCase() === programName.toLowerCase())
  if (!program) {
    program = {
      id: freshId(programName, new Set(plan.programs.map((p) => p.id))),
      name: programName,
      contexts: [],
    }
    plan.programs.push(program)
    // immer: what was pushed is drafted when it is read back
    program = plan.programs.at(-1)!
  }
  const wanted = contextName === '' && program.contexts.length === 0 ? 'Main' : contextName
  let context = program.contexts.find((c) => c.name.toLowerCase() === wanted.toLowerCase())
  if (!context && wanted !== '') {
    context = {
      id: freshId(wanted, new Set(program.contexts.map((c) => c.id))),
      name: wanted,
      typing: false,
      overlaps: [],
    }
    program.contexts.push(context)
  }
  addCommand(plan, program.id, contextName === '' || !context ? [] : [context.id], name)
}
