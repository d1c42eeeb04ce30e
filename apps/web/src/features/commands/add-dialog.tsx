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
        <SuggestedField
          id="add-program"
          label="Program"
          value={program}
          suggested={plan.programs}
          onChange={(to) => setTyped({ ...typed, program: to })}
        />
        <SuggestedField
          id="add-context"
          label="Context"
          placeholder="everywhere"
          value={context}
          suggested={known?.contexts ?? []}
          onChange={(to) => setTyped({ ...typed, context: to })}
        />
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

/** A name that may be one of those that are there, or another. */
function SuggestedField({
  id,
  label,
  value,
  suggested,
  placeholder,
  onChange,
}: {
  id: string
  label: string
  value: string
  suggested: readonly { readonly id: string; readonly name: string }[]
  placeholder?: string
  onChange: (value: string) => void
}) {
  return (
    <>
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        className="field"
        list={`${id}-list`}
        placeholder={placeholder}
        value={value}
        maxLength={120}
        onChange={(e) => onChange(e.target.value)}
      />
      <datalist id={`${id}-list`}>
        {suggested.map((s) => (
          <option key={s.id} value={s.name} />
        ))}
      </datalist>
    </>
  )
}
