import { useRouteError } from 'react-router'
import { writePlan } from '@reach-plot/core'
import { planFileName } from '../store/actions.js'
import { usePlanStore } from '../store/plan-store.js'
import { download } from '../parts/download.js'

/** Shown when a screen fails: the plan is safe and can be carried off. */
export function ErrorScreen() {
  const error = useRouteError()
  const plan = usePlanStore((s) => s.plan)
  return (
    <main className="mx-auto max-w-[640px] p-10">
      <h1 className="title">This screen has failed</h1>
      <p className="mt-2">{error instanceof Error ? error.message : String(error)}</p>
      <p className="mt-2">Your plan is as it was before. Export it to be sure, then load the app again.</p>
      <div className="mt-4 flex gap-2">
        {plan && (
          <button
            type="button"
            className="btn"
            onClick={() => download(writePlan(plan), planFileName(plan), 'application/json')}
          >
            Export the plan
          </button>
        )}
        <button type="button" className="btn btn-main" onClick={() => location.assign('/')}>
          Load the app again
        </button>
      </div>
    </main>
  )
}
