import { useEffect } from 'react'
import { create } from 'zustand'
import { arrangementSetNow, usualNewPerDay, type DayPlan, type Plan } from '@reach-plot/core'
import { useKept } from './use-kept.js'
import { usePlan } from '../store/plan-store.js'
import { showProblem } from '../store/problem.js'
import { solveService } from '../worker/solve-client.js'

interface Days {
  /** what they are for */
  readonly plan: Plan | null
  readonly newPerDay: number
  readonly days: DayPlan | null
}

/** The days that were worked out last: they stay while other screens are looked at. */
const useDays = create<Days>()(() => ({ plan: null, newPerDay: 0, days: null }))

/** New keys a day, as the person has set it for Learn and Carry. */
export const useNewPerDay = (): [number, (n: number) => void] => useKept('new keys a day', usualNewPerDay)

/** The plan of days from what is set now to the arrangement in front; null while it is worked out, or where they are the same. */
export function useDayPlan(newPerDay: number, isWanted = true): DayPlan | null {
  const plan = usePlan()
  const known = useDays()
  const isKnown = known.plan === plan && known.newPerDay === newPerDay
  const isSame = arrangementSetNow(plan).id === plan.activeArrangementId
  useEffect(() => {
    if (isKnown || isSame || !isWanted) return
    let isCurrent = true
    solveService()
      .days(plan, newPerDay)
      .then((days) => {
        if (isCurrent) useDays.setState({ plan, newPerDay, days })
      }, showProblem)
    return () => {
      isCurrent = false
    }
  }, [plan, isKnown, isSame, newPerDay, isWanted])
  return isKnown && !isSame ? known.days : null
}
