import { useEffect, useState } from 'react'
import type { LabelFont } from '@reach-plot/core/drawing'
import { fetchLabelFont } from '../../worker/label-font.js'
import { showProblem } from '../../store/problem.js'

/** The label font once it is read, or null. */
export function useLabelFont(): LabelFont | null {
  const [font, setFont] = useState<LabelFont | null>(null)
  useEffect(() => {
    void fetchLabelFont().then(setFont, showProblem)
  }, [])
  return font
}
