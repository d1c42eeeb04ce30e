import { useEffect, useState } from 'react'
import type { Plan, SheetColumn } from '@reach-plot/core'
import { showProblem } from '../../store/problem.js'
import { WorkerEnded } from '../../worker/host.js'
import { solveService } from '../../worker/solve-client.js'

/** The comparison of some arrangements, worked out anew when the plan changes; what was there stays until then. */
export function useComparison(
  ids: readonly string[],
  plan: Plan,
): {
  readonly columns: readonly SheetColumn[]
  readonly isFresh: boolean
} {
  const [found, setFound] = useState<{ key: string; plan: object | null; columns: readonly SheetColumn[] }>({
    key: '',
    plan: null,
    columns: [],
  })
  const key = JSON.stringify(ids)
  useEffect(() => {
    let wanted = true
    const ask = (): Promise<readonly SheetColumn[]> =>
      solveService().compare(plan, JSON.parse(key) as string[])
    ask()
      .catch((error: unknown) => {
        // a worker that ended is started again by the next question
        if (error instanceof WorkerEnded) return ask()
        throw error
      })
      .then((columns) => {
        if (wanted) setFound({ key, plan, columns })
      }, showProblem)
    return () => {
      wanted = false
    }
  }, [plan, key])
  return {
    columns: found.key === key ? found.columns : [],
    isFresh: found.key === key && found.plan === plan,
  }
}
