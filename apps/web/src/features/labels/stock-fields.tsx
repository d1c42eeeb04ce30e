import { leastContrast, type Material } from '@reach-plot/core/label-design'
import type { CutKind } from '@reach-plot/core/drawing'
import { CalibrationDialog } from './calibration-dialog.js'
import { TickField, ColourField, SelectField } from '../../parts/fields.js'
import { NumberField } from '../../parts/number-field.js'
import { StockDialog } from './stock-dialog.js'
import { useStockFields, type StockFieldsView } from './use-stock-fields.js'

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
export function StockFields(props: { withLabels: boolean; skip: number; onSkip: (skip: number) => void }) {
  const view = useStockFields(props)
  const { rule, all, set, setSheet, calibrated, withLabels, stock, sheet } = view
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
      {withLabels && <GridFields view={view} />}
      {sheet === 'stock' && <StockDialog stock={stock} onClose={() => setSheet(null)} />}
      {sheet === 'calibration' && <CalibrationDialog stock={stock} onClose={() => setSheet(null)} />}
    </>
  )
}

function GridFields({ view: { stock, skip, onSkip, rule, set, contrast } }: { view: StockFieldsView }) {
  return (
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
      <TickField checked={rule.mirror} onChange={(mirror) => set({ mirror })}>
        Mirrored, for stock read from behind
      </TickField>
    </>
  )
}
