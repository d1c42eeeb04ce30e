import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { autosave } from '../store/autosave.js'

/** Said over every screen: what another tab did, what was found at the start, and that nothing is kept. */
export function ConflictBar() {
  const state = autosave.useState((s) => s.state)
  const isKept = autosave.useState((s) => s.isKept)
  const notices = autosave.useState((s) => s.notices)
  return (
    <>
      {state === 'conflict' && (
        <Bar>
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
        </Bar>
      )}
      {!isKept && (
        <Bar>
          <span className="grow">
            <b>Nothing is kept here.</b> This browser does not let the app store anything, so all is gone when
            the page is closed. Export the plan from the Plan menu to keep it.
          </span>
        </Bar>
      )}
      {notices.map((notice) => (
        <Bar key={notice}>
          <span className="grow">{notice}</span>
          <Link className="btn" to="/plans">
            All plans
          </Link>
          <button
            type="button"
            className="btn"
            onClick={() =>
              autosave.useState.setState({ notices: notices.filter((other) => other !== notice) })
            }
          >
            Close
          </button>
        </Bar>
      ))}
    </>
  )
}

function Bar({ children }: { children: ReactNode }) {
  return (
    <div
      role="alert"
      className="flex items-center gap-3 border-b border-ink bg-magenta px-[14px] py-1.5 text-on-magenta"
    >
      {children}
    </div>
  )
}
