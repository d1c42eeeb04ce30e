import { setLabelRule } from '@reach-plot/core'
import { useState } from 'react'
import { contrastOf, groundOf, type LabelRule } from '@reach-plot/core/label-design'
import { shippedStocks, stockOf } from '@reach-plot/core/drawing'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useCalibrations } from '../../store/personal-store.js'

/** What is shown and can be done there. */
export function useStockFields({
  withLabels,
  skip,
  onSkip,
}: {
  withLabels: boolean
  skip: number
  onSkip: (skip: number) => void
}) {
  const { rule, stocks } = usePlan().labels
  const edit = useEdit()
  const [sheet, setSheet] = useState<'stock' | 'calibration' | null>(null)
  const calibrated = useCalibrations()[rule.stockId]
  const all = [...stocks, ...shippedStocks]
  const stock = all.find((s) => s.id === rule.stockId) ?? stockOf('a4')
  const set = (change: Partial<LabelRule>): void =>
    edit((plan) => setLabelRule(plan, change), `label-${Object.keys(change).join()}`)
  const contrast = contrastOf(rule.ink, groundOf(rule.material, rule.keyColour))
  return { rule, all, set, setSheet, calibrated, withLabels, stock, skip, onSkip, contrast, sheet }
}

export type StockFieldsView = ReturnType<typeof useStockFields>
