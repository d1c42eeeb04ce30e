import { addNamedCommand } from '@reach-plot/core'
import { useState } from 'react'
import { useKept } from '../../parts/use-kept.js'
import { Dialog } from '../../parts/dialog.js'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useFront } from '../../store/selectors.js'

/** Adds a command by hand; names a new program or context where none fits. */
export function AddDialog({ onClose }: { onClose: () => void }) {
  const plan = usePlan()
  const edit = useEdit()
  const front = useFront()
  const inFront = plan.programs.find((p) => p.id === front.programId)
  const usual = {
    name: '',
    program: inFront?.name ?? '',
    context: inFront?.contexts.find((c) => c.id === front.contextId)?.name ?? '',
  }
  const [typed, setTyped] = useKept('add-command', usual, 'tab')
  const { name, program, context } = typed
  const close = (): void => {
    setTyped(usual)
    onClose()
  }
  const known = plan.programs.find((p) => p.name.toLowerCase() === program.trim().toLowerCase())
  const ready = name.trim() !== '' && program.trim() !== ''
  // namesakes are told apart by their menu; whether a second one is meant is asked once
  const twin = plan.commands.find(
    (c) => c.programId === known?.id && c.name.toLowerCase() === name.trim().toLowerCase(),
  )
  const [askedFor, setAskedFor] = useState<string | null>(null)
  const isAsked = twin !== undefined && askedFor === twin.id
  return (
    <Dialog title="Add a command" onClose={close}>
      <form
        className="grid grid-cols-[120px_1fr] items-center gap-x-4 gap-y-3"
        onSubmit={(event) => {
          event.preventDefault()
          if (!ready) return
          if (twin && !isAsked) {
            setAskedFor(twin.id)
            return
          }
          edit((plan) =>
            addNamedCommand(plan, { name: name.trim(), program: program.trim(), context: context.trim() }),
          )
          close()
        }}
      >
        <label htmlFor="add-name">Name</label>
        <input
          id="add-name"
          className="field"
          value={name}
          maxLength={120}
          autoFocus
          onChange={(e) => setTyped({ ...typed, name: e.target.value })}
        />
        <label htmlFor="add-program">Program</label>
        <input
          id="add-program"
          className="field"
          list="add-programs"
          value={program}
          maxLength={120}
          onChange={(e) => setTyped({ ...typed, program: e.target.value })}
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
          onChange={(e) => setTyped({ ...typed, context: e.target.value })}
        />
        <datalist id="add-contexts">
          {known?.contexts.map((c) => (
            <option key={c.id} value={c.name} />
          ))}
        </datalist>
        {twin && isAsked && (
          <p role="alert" className="col-span-2">
            {known?.name} has “{twin.name}” already
            {twin.menu.length > 0 && `, in ${twin.menu.join(' › ')}`}. Is another one of that name meant?
          </p>
        )}
        <div className="col-start-2">
          <button type="submit" className="btn btn-main" disabled={!ready}>
            {isAsked ? 'Add another' : 'Add'}
          </button>
        </div>
      </form>
    </Dialog>
  )
}
