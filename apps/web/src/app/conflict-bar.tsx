import { autosave } from '../store/autosave.js'

/** Shown when another tab has saved the plan: nothing is overwritten until the person chooses. */
export function ConflictBar() {
  const state = autosave.useState((s) => s.state)
  const startError = autosave.useState((s) => s.startError)
  if (state !== 'conflict' && startError === null) return null
  return (
    <div
      role="alert"
      className="flex items-center gap-3 border-b border-ink bg-magenta px-[14px] py-1.5 text-on-magenta"
    >
      {state === 'conflict' ? (
        <>
          <span className="grow">
            <b>This plan was changed in another tab.</b> Changes here are kept, but not saved, until you
            choose.
          </span>
          <button type="button" className="btn" onClick={() => void autosave.takeStored()}>
            Take the other tab’s plan
          </button>
          <button type="button" className="btn" onClick={() => void autosave.saveAnyway()}>
            Keep this one
          </button>
        </>
      ) : (
        <>
          <span className="grow">
            <b>The saved plan could not be read and was put aside.</b> {startError}
          </span>
          <button
            type="button"
            className="btn"
            onClick={() => autosave.useState.setState({ startError: null })}
          >
            Close
          </button>
        </>
      )}
    </div>
  )
}
