import { line, scaleLinear } from 'd3'
import type { CurvePoint } from '@reach-plot/core'

const [width, height] = [272, 128]
const inset = { left: 34, right: 10, top: 8, bottom: 22 }

/** Gain against the number of moves; a point can be chosen to ask for that many. */
export function CurvePlot({
  curve,
  beforeMs,
  chosen,
  onChoose,
}: {
  curve: readonly CurvePoint[]
  /** cost of the arrangement as it is, ms an hour */
  beforeMs: number
  chosen: number | null
  onChoose: (moves: number) => void
}) {
  const most = curve.at(-1)
  if (!most) return null
  const share = (point: CurvePoint): number => (100 * point.gainMs) / beforeMs
  // many moves gain little more: a square root gives the first ones room
  const root = scaleLinear([0, Math.sqrt(most.moves)], [inset.left, width - inset.right])
  const x = (moves: number): number => root(Math.sqrt(moves))
  const y = scaleLinear([0, Math.max(1, share(most))], [height - inset.bottom, inset.top]).nice(4)
  const ticks = [1, 5, 25, 100, 250, 1000].filter((n) => n <= most.moves * 1.02)
  return (
    <figure>
      <figcaption className="caption">Gain in per cent by number of moves</figcaption>
      <svg width={width} height={height} role="group" aria-label="Gain by number of moves">
        {y.ticks(4).map((tick) => (
          <g key={tick}>
            <line x1={inset.left} x2={width - inset.right} y1={y(tick)} y2={y(tick)} stroke="var(--rule)" />
            <text x={inset.left - 5} y={y(tick) + 4} textAnchor="end" fontSize={11} fill="var(--ink-2)">
              {tick}
            </text>
          </g>
        ))}
        {ticks.map((tick) => (
          <text key={tick} x={x(tick)} y={height - 6} textAnchor="middle" fontSize={11} fill="var(--ink-2)">
            {tick}
          </text>
        ))}
        <path
          d={
            line<CurvePoint>(
              (p) => x(p.moves),
              (p) => y(share(p)),
            )([{ moves: 0, gainMs: 0 }, ...curve]) ?? ''
          }
          fill="none"
          stroke="var(--contour)"
          strokeWidth={2}
        />
        {curve.map((point) => (
          <circle
            key={point.moves}
            cx={x(point.moves)}
            cy={y(share(point))}
            r={point.moves === chosen ? 5 : 3.5}
            fill={point.moves === chosen ? 'var(--magenta)' : 'var(--panel)'}
            stroke={point.moves === chosen ? 'var(--magenta)' : 'var(--contour)'}
            strokeWidth={1.5}
          />
        ))}
      </svg>
      <div className="mt-1 flex flex-wrap gap-1">
        {curve.map((point) => (
          <button
            key={point.moves}
            type="button"
            className="btn min-h-6 px-[6px] py-0 text-[12px]"
            aria-pressed={point.moves === chosen}
            aria-label={`At most ${point.moves} moves, ${share(point).toFixed(0)} % gained`}
            title={`${share(point).toFixed(0)} % gained`}
            onClick={() => onChoose(point.moves)}
          >
            {point.moves}
          </button>
        ))}
      </div>
    </figure>
  )
}
