import { timeInWords } from '../../store/time-in-words.js'
import type { PlansScreen } from './use-plans.js'

/** The states that the open plan was in; one can go back to each. */
export function PastList({ view: { open, past, goBack } }: { view: PlansScreen }) {
  return (
    <aside
      aria-label="Earlier states"
      className="side flex w-[340px] shrink-0 flex-col overflow-y-auto border-l border-rule px-4 py-[10px]"
    >
      <h2 className="title">Go back</h2>
      <p className="mt-1 mb-2 text-ink-2">
        “{open.name}” as it was. At least the last 50 states are kept, or those of a week.
      </p>
      {past === null ? (
        <p>Reading …</p>
      ) : (
        <ol>
          {past.map((state, i) => (
            <li key={state.at} className="flex items-center gap-2 border-b border-rule py-1">
              <span className="min-w-0 grow">
                <span className="block truncate" title={state.what}>
                  {state.what}
                </span>
                <span className="text-[12px] text-ink-2">{timeInWords(state.at)}</span>
              </span>
              {i === 0 ? (
                <span className="text-ink-2">now</span>
              ) : (
                <button
                  type="button"
                  className="btn"
                  aria-label={`Go back to ${timeInWords(state.at)}: ${state.what}`}
                  onClick={() => goBack(state)}
                >
                  Go back
                </button>
              )}
            </li>
          ))}
        </ol>
      )}
    </aside>
  )
}
