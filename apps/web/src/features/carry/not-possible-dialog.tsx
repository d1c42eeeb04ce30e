import { stepInWords, type SetUpStep } from '@reach-plot/core/carry'
import { Dialog } from '../../parts/dialog.js'
import { useKept } from '../../parts/use-kept.js'
import { useDerived } from '../../store/selectors.js'

/** Asks why a step cannot be done; what is half typed stays for a reload. */
export function NotPossibleDialog({
  step,
  onClose,
  onNote,
}: {
  step: SetUpStep
  onClose: () => void
  onNote: (note: string) => void
}) {
  const { env } = useDerived()
  const [note, setNote] = useKept(`not possible ${step.id}`, '', 'tab')
  return (
    <Dialog title="Not possible there" onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          if (note.trim() === '') return
          onNote(note.trim())
          setNote('')
          onClose()
        }}
      >
        <p className="mb-3">
          {step.command?.name ?? step.systemAction}: {stepInWords(step, env).join(' ')}
        </p>
        <label className="block">
          <span className="caption mb-1 block">What stands in the way</span>
          <input
            className="field w-full"
            value={note}
            maxLength={500}
            placeholder="The field is greyed out"
            onChange={(e) => setNote(e.target.value)}
            autoFocus
          />
        </label>
        <p className="mt-2 text-ink-2">
          The note stays in the list, and this place is not proposed for the command again.
        </p>
        <div className="mt-4 flex justify-end gap-2">
          <button type="submit" className="btn btn-main" disabled={note.trim() === ''}>
            Keep the note
          </button>
        </div>
      </form>
    </Dialog>
  )
}
