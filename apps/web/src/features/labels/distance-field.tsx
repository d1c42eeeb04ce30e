import { setLabelRule } from '@reach-plot/core'
import type { ReactNode } from 'react'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { NumberField } from '../../parts/number-field.js'

/** How far away the sheet is read, which sets the height of its letters. */
export function DistanceField({ children }: { children?: ReactNode }) {
  const { rule } = usePlan().labels
  const edit = useEdit()
  return (
    <>
      <NumberField
        label="Reading distance, mm"
        value={rule.readingDistanceMm}
        least={200}
        most={1200}
        step={10}
        onChange={(readingDistanceMm) =>
          edit((plan) => setLabelRule(plan, { readingDistanceMm }), 'label-distance')
        }
      />
      {children}
    </>
  )
}
