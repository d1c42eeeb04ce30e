import { useEffect, useMemo, useState } from 'react'
import { signsOfSheets } from '@reach-plot/core/labels'
import type { LabelFont } from '@reach-plot/core/drawing'
import { usePlan } from '../../store/plan-store.js'
import { useDerived } from '../../store/selectors.js'
import { fetchLabelFont } from '../../worker/label-font.js'
import { showProblem } from '../../store/problem.js'

/** The label font with what the plan's names need, once it is read, or null. */
export function useLabelFont(): LabelFont | null {
  const plan = usePlan()
  const { env } = useDerived()
  const signs = useMemo(() => signsOfSheets(plan, env), [plan, env])
  const [font, setFont] = useState<LabelFont | null>(null)
  useEffect(() => {
    let isCurrent = true
    void fetchLabelFont(signs).then((read) => isCurrent && setFont(read), showProblem)
    return () => {
      isCurrent = false
    }
  }, [signs])
  return font
}
