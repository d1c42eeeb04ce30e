import { useEffect, useState } from 'react'
import type { Plan } from '@reach-plot/core'
import { usePlan } from '../store/plan-store.js'
import { showProblem } from '../store/problem.js'
import type { TableClashes } from '../worker/table-protocol.js'
import { solveService } from '../worker/solve-client.js'
import { ClashesBrought } from './clashes-brought.js'

/** Several ticks in a row are one question, ms. */
const settleMs = 150

/** The clashes that a plan which is about to be taken would bring. */
export function ClashesOfChange({ after }: { after: Plan | null }) {
  const plan = usePlan()
  const [known, setKnown] = useState<(TableClashes & { readonly after: Plan }) | null>(null)
  useEffect(() => {
    if (!after) return
    let isCurrent = true
    const timer = setTimeout(() => {
      solveService()
        .foresight(plan, after)
        .then((found) => {
          if (isCurrent) setKnown({ after, ...found })
        }, showProblem)
    }, settleMs)
    return () => {
      isCurrent = false
      clearTimeout(timer)
    }
  }, [plan, after])
  if (!after) return null
  return (
    <div role="group" aria-label="Clashes that it brings" className="mt-3 min-h-[20px]">
      {known?.after === after ? (
        <ClashesBrought {...known} />
      ) : (
        <p className="text-ink-2">Looking for clashes …</p>
      )}
    </div>
  )
}
