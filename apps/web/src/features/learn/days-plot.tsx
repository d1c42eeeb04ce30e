import { area, line, scaleLinear } from 'd3'
import { dayBalance, type DayPlan } from '@reach-plot/core'

const width = 208
const height = 108
const inset = { left: 6, right: 6, top: 18, bottom: 22 }
/** Minutes won in all by the day, with the range that the assumed constants leave open. */
export function DaysPlot({ plan, today }: { plan: DayPlan; today: number }) {
  const until = Math.max(plan.days.length, plan.breakEvenDay ?? 0, 2) + 2
  const { mean, low, high } = dayBalance(plan, until)
  const x = scaleLinear([0, until], [inset.left, width - inset.right])
  const y = scaleLinear([Math.min(0, ...low), Math.max(1, ...high)], [height - inset.bottom, inset.top]).nice(
    2,
  )
  const [early, late] = plan.breakEvenRange
  const even =
    plan.breakEvenDay === null
      ? 'does not pay within a year'
      : early === late || late === null
        ? `paid for from day ${plan.breakEvenDay}`
        : `paid for from day ${early} to ${late}`
  const last = mean.at(-1) ?? 0
  return (
    <figure>
      <figcaption className="caption">The days, minutes won in all</figcaption>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`Minutes won after ${until} days: ${Math.round(last)}, between ${Math.round(low.at(-1) ?? 0)} and ${Math.round(high.at(-1) ?? 0)}; ${even}.`}
      >
        <path
          d={
            area<number>(
              (_, i) => x(i),
              (_, i) => y(low[i] as number),
              (_, i) => y(high[i] as number),
            )([...mean]) ?? ''
          }
          fill="var(--reach-2)"
          fillOpacity={0.6}
        />
        <line
          x1={inset.left}
          x2={width - inset.right}
          y1={y(0)}
          y2={y(0)}
          stroke="var(--ink-2)"
          strokeDasharray="3 3"
        />
        <path
          d={
            line<number>(
              (_, i) => x(i),
              (d) => y(d),
            )([...mean]) ?? ''
          }
          fill="none"
          stroke="var(--contour)"
          strokeWidth={1.6}
        />
        {today <= until && (
          <line
            x1={x(today)}
            x2={x(today)}
            y1={inset.top - 6}
            y2={height - inset.bottom}
            stroke="var(--magenta)"
            strokeWidth={1.5}
          />
        )}
        <text x={width - inset.right} y={12} textAnchor="end" fontSize={11} fill="var(--ink-2)">
          {Math.round(last)} min after day {until}
        </text>
        <text x={inset.left} y={height - 6} fontSize={11} fill="var(--ink-2)">
          {even}
        </text>
      </svg>
    </figure>
  )
}
