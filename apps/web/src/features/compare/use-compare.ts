import { useState } from 'react'
import { usePlan } from '../../store/plan-store.js'
import type { FigureAsked } from './figure-table.js'
import { useComparison } from './use-comparison.js'

const mostColumns = 4

/** The defaults, the arrangement in front, and the newest one, as far as they differ. */
const firstChoice = (plan: ReturnType<typeof usePlan>): readonly string[] => [
  ...new Set(
    [
      plan.arrangements.find((a) => a.isDefault)?.id,
      plan.arrangements.filter((a) => !a.isDefault)[0]?.id,
      plan.activeArrangementId,
    ].filter((id) => id !== undefined),
  ),
]

/** What is shown and can be done there. */
export function useCompare() {
  const plan = usePlan()
  const [chosen, setChosen] = useState<readonly string[] | null>(null)
  const [figure, setFigure] = useState<FigureAsked | null>(null)
  const [routineId, setRoutineId] = useState<string | null>(null)
  const known = (chosen ?? firstChoice(plan)).filter((id) => plan.arrangements.some((a) => a.id === id))
  const { columns, isFresh } = useComparison(known)
  const base = columns[0]
  const last = columns.at(-1)
  const toggle = (id: string): void =>
    setChosen(known.includes(id) ? known.filter((k) => k !== id) : [...known, id].slice(-mostColumns))
  return { plan, known, toggle, isFresh, columns, base, last, setRoutineId, setFigure, figure, routineId }
}

export type CompareScreen = ReturnType<typeof useCompare>
