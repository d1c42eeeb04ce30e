import { useEffect } from 'react'
import { useRouteError } from 'react-router'
import { writePlan } from '@reach-plot/core'
import { planFileName } from '../store/actions.js'
import { usePlanStore } from '../store/plan-store.js'
import { problemInWords } from '../store/problem.js'
import { download } from '../parts/download.js'

/** How browsers say that a part of a page did not come. */
const isNotLoaded = (error: unknown): boolean =>
  error instanceof TypeError && /import|module|fetch/i.test(error.message)

const retryMs = 2000

/** Loads the app anew as soon as the server answers again; a part that failed once is never asked for again by itself. */
function useLoadWhenBack(wanted: boolean): void {
  useEffect(() => {
    if (!wanted) return
    const ask = (): void => {
      fetch('/health', { cache: 'no-store' }).then(
        (response) => {
          if (response.ok) location.reload()
        },
        () => undefined,
      )
    }
    const timer = setInterval(ask, retryMs)
    addEventListener('online', ask)
    return () => {
      clearInterval(timer)
      removeEventListener('online', ask)
    }
  }, [wanted])
}

/** Shown when a screen fails: the plan is safe and can be carried off. */
export function ErrorScreen() {
  const error = useRouteError()
  const plan = usePlanStore((s) => s.plan)
  const notLoaded = isNotLoaded(error)
  useLoadWhenBack(notLoaded)
  return (
    <main className="mx-auto max-w-[640px] p-10">
      <h1 className="title">{notLoaded ? 'This screen could not be loaded' : 'This screen has failed'}</h1>
      {notLoaded ? (
        <p className="mt-2" role="status">
          The Reach Plot server does not answer. It is asked again every two seconds, and the screen opens as
          soon as it is back.
        </p>
      ) : (
        <p className="mt-2">{problemInWords(error)}</p>
      )}
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
