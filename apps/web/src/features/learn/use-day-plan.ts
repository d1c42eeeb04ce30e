import { useEffect } from 'react'
import { create } from 'zustand'
import type { DayPlan, Plan } from '@reach-plot/core'
import { usePlan } from '../../store/plan-store.js'
import { showProblem } from '../../store/problem.js'
import { solveService } from '../../worker/solve-client.js'

interface Days {
  /** what they are for */
  readonly plan: Plan | null
  readonly key: string
  readonly days: DayPlan | null
}

/** The days that were worked out last: they stay while other screens are looked at. */
const useDays = create<Days>()(() => ({ plan: null, key: '', days: null }))

/** The plan of days between two arrangements of the open plan; null while it is worked out, or where they are the same. */
export function useDayPlan(fromId: string, toId: string, newPerDay: number): DayPlan | null {
  const plan = usePlan()
  const key = `${fromId} ${toId} ${newPerDay}`
  const known = useDays()
  const isKnown = known.plan === plan && known.key === key
  useEffect(() => {
    if (isKnown || fromId === toId) return
    let isCurrent = true
    solveService()
      .days(plan, fromId, toId, newPerDay)
      .then((days) => {
        if (isCurrent) useDays.setState({ plan, key, days })
      }, showProblem)
    return () => {
      isCurrent = false
    }
  }, [plan, key, isKnown, fromId, toId, newPerDay])
  return isKnown && fromId !== toId ? known.days : null
}
