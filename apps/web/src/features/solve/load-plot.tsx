import { line, scaleLinear } from 'd3'
import { setWeight, type LoadPoint } from '@reach-plot/core'
import { startSolving } from '../../store/solve-store.js'
import { useEdit, usePlan } from '../../store/plan-store.js'

const [width, height] = [272, 104]
const inset = { left: 34, right: 14, top: 8, bottom: 30 }

/** Saving against the busiest finger: what it costs to spread the work, by how much busy fingers weigh. */
export function LoadPlot({ load, beforeMs }: { load: readonly LoadPoint[]; beforeMs: number }) {
  const { weights } = usePlan()
  if (load.length < 2) return null
  const share = (p: LoadPoint): number => (100 * p.gainMs) / beforeMs
  const busiest = load.map((p) => 100 * p.busiest)
  const gains = load.map(share)
  const x = scaleLinear([Math.min(...busiest), Math.max(...busiest)], [inset.left, width - inset.right]).nice(
    3,
  )
  const y = scaleLinear(
    [Math.min(...gains) - 1, Math.max(...gains)],
    [height - inset.bottom, inset.top],
  ).nice(3)
  const inOrder = [...load].sort((a, b) => a.busiest - b.busiest)
  return (
    <figure>
      <figcaption className="caption">Gain in per cent by the busiest finger</figcaption>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={inOrder
          .map(
            (p) =>
              `busiest finger ${Math.round(100 * p.busiest)} % of its share: ${share(p).toFixed(0)} % gained`,
          )
          .join('; ')}
      >
        {y.ticks(3).map((tick) => (
          <g key={tick}>
            <line x1={inset.left} x2={width - inset.right} y1={y(tick)} y2={y(tick)} stroke="var(--rule)" />
            <text x={inset.left - 5} y={y(tick) + 4} textAnchor="end" fontSize={11} fill="var(--ink-2)">
              {tick}
            </text>
          </g>
        ))}
        {x.ticks(4).map((tick) => (
          <text
            key={tick}
            x={x(tick)}
            y={height - inset.bottom + 14}
            textAnchor="middle"
            fontSize={11}
            fill="var(--ink-2)"
          >
            {tick}
          </text>
        ))}
        <text x={width - inset.right} y={height - 3} textAnchor="end" fontSize={11} fill="var(--ink-2)">
          % of its fair share
        </text>
        <path
          d={
            line<LoadPoint>(
              (p) => x(100 * p.busiest),
              (p) => y(share(p)),
            )(inOrder) ?? ''
          }
          fill="none"
          stroke="var(--contour)"
          strokeWidth={2}
        />
        {load.map((p) => (
          <circle
            key={p.weightMs}
            cx={x(100 * p.busiest)}
            cy={y(share(p))}
            r={p.weightMs === weights.loadMs ? 5 : 3.5}
            fill={p.weightMs === weights.loadMs ? 'var(--magenta)' : 'var(--panel)'}
            stroke={p.weightMs === weights.loadMs ? 'var(--magenta)' : 'var(--contour)'}
            strokeWidth={1.5}
          />
        ))}
      </svg>
      <LoadWeights load={load} share={share} />
    </figure>
  )
}

/** The weights of a busy finger, to choose another. */
function LoadWeights({ load, share }: { load: readonly LoadPoint[]; share: (point: LoadPoint) => number }) {
  const { weights } = usePlan()
  const edit = useEdit()
  return (
    <div className="flex flex-wrap items-baseline gap-1">
      <span className="text-[12px] text-ink-2">A busy finger weighs, ms:</span>
      {load.map((p) => (
        <button
          key={p.weightMs}
          type="button"
          className="btn min-h-6 px-[6px] py-0 text-[12px]"
          aria-pressed={p.weightMs === weights.loadMs}
          title={`${Math.round(100 * p.busiest)} % of its share, ${share(p).toFixed(0)} % gained`}
          onClick={() => {
            edit((plan) => setWeight(plan, 'loadMs', p.weightMs))
            void startSolving()
          }}
        >
          {p.weightMs}
        </button>
      ))}
    </div>
  )
}
