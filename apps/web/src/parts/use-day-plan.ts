import { useEffect } from 'react'
import { create } from 'zustand'
import { usualNewPerDay, type DayPlan, type Plan } from '@reach-plot/core'
import { useKept } from './use-kept.js'
import { usePlan } from '../store/plan-store.js'
import { showProblem } from '../store/problem.js'
import { solveService } from '../worker/solve-client.js'

interface Days {
  /** what they are for */
  readonly plan: Plan | null
  readonly key: string
  readonly days: DayPlan | null
}

/** The days that were worked out last: they stay while other screens are looked at. */
const useDays = create<Days>()(() => ({ plan: null, key: '', days: null }))

/** New keys a day, as the person has set it for Learn and Carry. */
export const useNewPerDay = (): [number, (n: number) => void] => useKept('new keys a day', usualNewPerDay)

/** The plan of days between two arrangements of the open plan; null while it is worked out, or where they are the same. */
export function useDayPlan(fromId: string, toId: string, newPerDay: number, isWanted = true): DayPlan | null {
  const plan = usePlan()
  const key = `${fromId} ${toId} ${newPerDay}`
  const known = useDays()
  const isKnown = known.plan === plan && known.key === key
  useEffect(() => {
    if (isKnown || fromId === toId || !isWanted) return
    let isCurrent = true
    solveService()
      .days(plan, fromId, toId, newPerDay)
      .then((days) => {
        if (isCurrent) useDays.setState({ plan, key, days })
      }, showProblem)
    return () => {
      isCurrent = false
    }
  }, [plan, key, isKnown, fromId, toId, newPerDay, isWanted])
  return isKnown && fromId !== toId ? known.days : null
}
