import { spanPercentile, spanRangeMm, setSpan } from '@reach-plot/core'
import { handSpan } from '@reach-plot/data'
import { useEdit } from '../store/plan-store.js'
import { useDerived } from '../store/selectors.js'

/** The span of the hand on the keys, with its place among those of a survey. */
export function SpanField({ id }: { id: string }) {
  const edit = useEdit()
  const { hand } = useDerived()
  const percentile = Math.round(spanPercentile(handSpan, hand.spanMm))
  return (
    <div>
      <div className="flex items-center gap-3">
        <input
          id={id}
          type="range"
          className="grow accent-(--magenta)"
          min={spanRangeMm.min}
          max={spanRangeMm.max}
          step={1}
          value={hand.spanMm}
          onChange={(e) => edit((draft) => setSpan(draft, Number(e.target.value)), 'span')}
        />
        <output htmlFor={id} className="w-[60px] text-right font-semibold">
          {hand.spanMm} mm
        </output>
      </div>
      <p className="text-[12px] text-ink-2">
        Thumb tip to little-finger tip, spread wide. Larger than {percentile} % of {handSpan.n} students’
        hands.
      </p>
    </div>
  )
}
