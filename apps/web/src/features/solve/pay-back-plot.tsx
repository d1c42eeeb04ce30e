import { line, scaleLinear } from 'd3'
import { paysFromDay, type PayBackPoint } from '@reach-plot/core'

const [width, height] = [272, 96]
const inset = { left: 34, right: 10, top: 8, bottom: 20 }

/** What new places have gained after days: learning comes first, saving after. */
export function PayBackPlot({ payBack }: { payBack: readonly PayBackPoint[] }) {
  const shown = payBack.filter((p) => p.day <= 50)
  const last = shown.at(-1)
  if (!last || shown.length < 2) return null
  const minutes = (p: PayBackPoint): number => p.ms / 60_000
  const x = scaleLinear([0, Math.sqrt(last.day)], [inset.left, width - inset.right])
  const values = shown.map(minutes)
  const y = scaleLinear(
    [Math.min(0, ...values), Math.max(1, ...values)],
    [height - inset.bottom, inset.top],
  ).nice(3)
  const from = paysFromDay(payBack)
  const said =
    from === null
      ? 'It never pays for the learning.'
      : from < 1
        ? 'It pays from the first day on.'
        : `It has paid for the learning after ${Math.ceil(from)} days.`
  return (
    <figure>
      <figcaption className="caption">Minutes gained after days, all moves</figcaption>
      <svg width={width} height={height} role="img" aria-label={`Minutes gained after days. ${said}`}>
        {y.ticks(3).map((tick) => (
          <g key={tick}>
            <line
              x1={inset.left}
              x2={width - inset.right}
              y1={y(tick)}
              y2={y(tick)}
              stroke={tick === 0 ? 'var(--ink)' : 'var(--rule)'}
            />
            <text x={inset.left - 5} y={y(tick) + 4} textAnchor="end" fontSize={11} fill="var(--ink-2)">
              {tick}
            </text>
          </g>
        ))}
        {[1, 5, 12, 25, 50].map((day) => (
          <text
            key={day}
            x={x(Math.sqrt(day))}
            y={height - 5}
            textAnchor="middle"
            fontSize={11}
            fill="var(--ink-2)"
          >
            {day}
          </text>
        ))}
        <path
          d={
            line<PayBackPoint>(
              (p) => x(Math.sqrt(p.day)),
              (p) => y(minutes(p)),
            )([...shown]) ?? ''
          }
          fill="none"
          stroke="var(--contour)"
          strokeWidth={2}
        />
      </svg>
      <p className="text-[12px] text-ink-2">{said}</p>
    </figure>
  )
}
