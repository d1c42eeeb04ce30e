import { useMemo, useState } from 'react'
import { activeArrangement, changesBetween, type Plan } from '@reach-plot/core'
import { useDayStart } from '../../store/day-start.js'
import { usePlan } from '../../store/plan-store.js'
import type { FigureAsked } from './figure-table.js'
import { useComparison } from './use-comparison.js'

const mostColumns = 4

/** The id under which the arrangement in front is compared as it was when today's work began. */
const morningId = 'when today began'

/** The plan with the arrangement in front as it was when today's work began beside it. */
function useComparedPlan(): { readonly compared: Plan; readonly hasChanged: boolean } {
  const plan = usePlan()
  const { planId, arrangements } = useDayStart()
  return useMemo(() => {
    const now = activeArrangement(plan)
    const then = planId === plan.id ? arrangements.find((a) => a.id === now.id) : undefined
    if (!then || now.isDefault) return { compared: plan, hasChanged: false }
    const morning = { ...then, id: morningId, name: `${then.name}, when today began` }
    return {
      compared: { ...plan, arrangements: [...plan.arrangements, morning] },
      hasChanged: changesBetween(then.placements, now.placements, plan.commands).length > 0,
    }
  }, [plan, planId, arrangements])
}

/** The defaults, today's beginning where something has changed since, the first of one's own, and the one in front. */
function firstChoice({ arrangements, activeArrangementId }: Plan, hasChanged: boolean): readonly string[] {
  const own = arrangements.filter((a) => !a.isDefault && a.id !== morningId)
  const choice = [
    arrangements.find((a) => a.isDefault)?.id,
    hasChanged ? morningId : own[0]?.id,
    activeArrangementId,
  ].filter((id) => id !== undefined)
  const all = [...new Set(choice)]
  const hasMorning = arrangements.some((a) => a.id === morningId)
  return all.length === 1 && hasMorning ? [morningId, ...all] : all
}

/** What is shown and can be done there. */
export function useCompare() {
  const { compared: plan, hasChanged } = useComparedPlan()
  const [chosen, setChosen] = useState<readonly string[] | null>(null)
  const [figure, setFigure] = useState<FigureAsked | null>(null)
  const [routineId, setRoutineId] = useState<string | null>(null)
  const known = (chosen ?? firstChoice(plan, hasChanged)).filter((id) =>
    plan.arrangements.some((a) => a.id === id),
  )
  const { columns, isFresh } = useComparison(known, plan)
  const base = columns[0]
  const last = columns.at(-1)
  const toggle = (id: string): void =>
    setChosen(known.includes(id) ? known.filter((k) => k !== id) : [...known, id].slice(-mostColumns))
  return { plan, known, toggle, isFresh, columns, base, last, setRoutineId, setFigure, figure, routineId }
}

export type CompareScreen = ReturnType<typeof useCompare>
