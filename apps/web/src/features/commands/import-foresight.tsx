import { useMemo } from 'react'
import { foresight, prepare, type Plan } from '@reach-plot/core'
import { ClashesBrought } from '../../parts/clashes-brought.js'
import { usePlan } from '../../store/plan-store.js'
import { catalogues } from '../../worker/catalogues.js'

/** Clashes that an import would bring and end, before it is taken. */
export function ImportForesight({ after }: { after: Plan }) {
  const plan = usePlan()
  const { brings, ends } = useMemo(
    () => foresight(prepare(plan, catalogues), prepare(after, catalogues)),
    [plan, after],
  )
  return (
    <div className="mt-1">
      <ClashesBrought brings={brings} ends={ends.length} />
    </div>
  )
}
