import { symbol, symbolCircle, symbolDiamond, symbolSquare, symbolTriangle } from 'd3'
import type { Finger, FittedHand, FitTrial } from '@reach-plot/core'
import { useFitPlot, type FitPlotView, width, height, edge, bitsOf } from './use-fit-plot.js'

/** Fingers are told apart by the shape of their points and the dashes of their line. */
const marks: readonly {
  readonly finger: Finger
  readonly shape: typeof symbolCircle
  readonly dash: string
}[] = [
  { finger: 'index', shape: symbolCircle, dash: '' },
  { finger: 'middle', shape: symbolSquare, dash: '7 3' },
  { finger: 'ring', shape: symbolTriangle, dash: '3 3' },
  { finger: 'little', shape: symbolDiamond, dash: '1 3' },
]
/** Measured presses over their difficulty, with the fitted line of each finger. */
export function FitPlot(props: { trials: readonly FitTrial[]; fitted: FittedHand }) {
  const view = useFitPlot(props)
  const { leftOut } = view
  return (
    <figure>
      <FitDrawing view={view} />
      <figcaption className="flex flex-wrap gap-x-4 text-[13px] text-ink-2">
        {marks.map(({ finger, shape, dash }) => (
          <span key={finger} className="inline-flex items-center gap-1.5">
            <svg width="40" height="12" aria-hidden="true">
              <path d="M0 6 H40" stroke="var(--contour)" strokeWidth={1.4} strokeDasharray={dash} />
              <path
                d={symbol(shape, 34)() ?? ''}
                transform="translate(20 6)"
                fill="var(--panel)"
                stroke="var(--magenta)"
              />
            </svg>
            {finger}
          </span>
        ))}
        {leftOut.length > 0 && <span>{leftOut.length} left out: too far from the line</span>}
      </figcaption>
    </figure>
  )
}

function FitDrawing({ view: { shown, y, x, fit, draw, mostBits } }: { view: FitPlotView }) {
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="w-full max-w-[560px] font-chart text-[12px]"
      role="img"
      aria-label={`${shown.length} presses over their difficulty in bits, with a line for each finger`}
    >
      {y.ticks(5).map((ms) => (
        <g key={ms}>
          <path d={`M${edge.left} ${y(ms)} H${width - edge.right}`} stroke="var(--rule)" />
          <text x={edge.left - 6} y={y(ms) + 4} textAnchor="end" fill="var(--ink-2)">
            {ms}
          </text>
        </g>
      ))}
      {x.ticks(5).map((bits) => (
        <text key={bits} x={x(bits)} y={height - edge.bottom + 16} textAnchor="middle" fill="var(--ink-2)">
          {bits}
        </text>
      ))}
      <text x={width - edge.right} y={height - 4} textAnchor="end" fill="var(--ink-2)">
        difficulty of the way, bits
      </text>
      <text x={4} y={edge.top + 4} fill="var(--ink-2)">
        ms
      </text>
      {marks.map(({ finger, shape, dash }) => {
        const factor = fit.fingerFactors[finger]
        if (factor === undefined) return null
        return (
          <g key={finger}>
            <path
              d={
                draw([
                  [0, fit.pressMs],
                  [mostBits, fit.pressMs + factor * fit.msPerBit * mostBits],
                ]) ?? ''
              }
              stroke="var(--contour)"
              strokeWidth={1.4}
              strokeDasharray={dash}
            />
            {shown
              .filter((t) => t.finger === finger)
              .map((t, i) => (
                <path
                  key={i}
                  d={symbol(shape, 34)() ?? ''}
                  transform={`translate(${x(bitsOf(t))} ${y(t.timeMs)})`}
                  fill="none"
                  stroke="var(--magenta)"
                  strokeWidth={1.2}
                />
              ))}
          </g>
        )
      })}
    </svg>
  )
}
