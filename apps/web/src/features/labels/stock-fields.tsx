import { setLabelRule } from '@reach-plot/core'
import { useState } from 'react'
import {
  contrastOf,
  groundOf,
  leastContrast,
  type LabelRule,
  type Material,
} from '@reach-plot/core/label-design'
import { shippedStocks, stockOf, type CutKind } from '@reach-plot/core/drawing'
import { useEdit, usePlan } from '../../store/plan-store.js'
import { useSettings } from '../../store/settings-store.js'
import { CalibrationDialog } from './calibration-dialog.js'
import { CheckField, ColourField, SelectField } from './fields.js'
import { NumberField } from './number-field.js'
import { StockDialog } from './stock-dialog.js'

const materialChoices: readonly { readonly id: Material; readonly name: string }[] = [
  { id: 'white', name: 'white' },
  { id: 'clear', name: 'clear, the key shows through' },
  { id: 'black', name: 'black' },
]
const cutChoices: readonly { readonly id: CutKind; readonly name: string }[] = [
  { id: 'outline', name: 'outlines' },
  { id: 'marks', name: 'marks at the corners' },
  { id: 'none', name: 'none' },
]

/** What labels are printed on: its size, what it is made of, the ink, how it is cut, and how true the printer is. */
export function StockFields({
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
  const calibrated = useSettings((s) => s.calibrations[rule.stockId])
  const all = [...stocks, ...shippedStocks]
  const stock = all.find((s) => s.id === rule.stockId) ?? stockOf('a4')
  const set = (change: Partial<LabelRule>): void =>
    edit((plan) => setLabelRule(plan, change), `label-${Object.keys(change).join()}`)
  const contrast = contrastOf(rule.ink, groundOf(rule.material, rule.keyColour))
  return (
    <>
      <SelectField
        label="Stock"
        value={rule.stockId}
        choices={all.map(({ id, name }) => ({ id, name }))}
        onChange={(stockId) => set({ stockId })}
      />
      <div className="flex gap-2">
        <button type="button" className="btn" onClick={() => setSheet('stock')}>
          Own stock …
        </button>
        <button type="button" className="btn" onClick={() => setSheet('calibration')}>
          {calibrated ? 'Calibrated …' : 'Calibrate …'}
        </button>
      </div>
      {withLabels && (
        <>
          {stock.kind === 'grid' && (
            <NumberField
              label="Labels used up on the first sheet"
              value={skip}
              least={0}
              most={stock.rows * stock.columns - 1}
              step={1}
              onChange={(value) => onSkip(Math.round(value))}
            />
          )}
          <SelectField
            label="Made of"
            value={rule.material}
            choices={materialChoices}
            // white ink for black stock, black for white, unless the person has chosen another
            onChange={(material) =>
              set({
                material,
                ...(material === 'white' && rule.ink === '#ffffff' && { ink: '#000000' }),
                ...(material !== 'white' && rule.ink === '#000000' && { ink: '#ffffff' }),
              })
            }
          />
          <div>
            <ColourField label="Ink" value={rule.ink} onChange={(ink) => set({ ink })} />
            {rule.material === 'clear' && (
              <ColourField label="Keys" value={rule.keyColour} onChange={(keyColour) => set({ keyColour })} />
            )}
            <p className={`text-[12px] ${contrast < leastContrast.text ? 'text-magenta' : 'text-ink-2'}`}>
              Contrast {contrast.toFixed(1)} to 1; {leastContrast.text} is the least for words.
            </p>
          </div>
          <SelectField
            label="Where to cut"
            value={rule.cut}
            choices={cutChoices}
            onChange={(cut) => set({ cut })}
          />
          <CheckField checked={rule.mirror} onChange={(mirror) => set({ mirror })}>
            Mirrored, for stock read from behind
          </CheckField>
        </>
      )}
      {sheet === 'stock' && <StockDialog stock={stock} onClose={() => setSheet(null)} />}
      {sheet === 'calibration' && <CalibrationDialog stock={stock} onClose={() => setSheet(null)} />}
    </>
  )
}
