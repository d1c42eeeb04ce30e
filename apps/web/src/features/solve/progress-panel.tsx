import { line, scaleLinear } from 'd3'
import type { SolveProgress } from '@reach-plot/core'
import { cancelSolving, stopSolving, useSolve } from '../../store/solve-store.js'

const phaseNames: Readonly<Record<SolveProgress['phase'], string>> = {
  'first answer': 'A first answer',
  improving: 'Improving it',
  'mending clashes': 'Mending its clashes',
  'answers of few moves': 'Answers of few moves',
  'busy fingers': 'How busy the fingers are',
  'how sure it is': 'How sure each move is',
}
const [width, height] = [272, 64]

/** How far the search is, what the best so far gains, and the ways to end it. */
export function ProgressPanel({ progress }: { progress: SolveProgress }) {
  const trail = useSolve((s) => s.trail)
  const x = scaleLinear([0, 1], [0, width])
  const most = Math.max(1, progress.gainMs, ...trail.map((t) => t.gainMs))
  const y = scaleLinear([0, most], [height - 2, 2])
  const percent = Math.round(100 * progress.done)
  return (
    <section aria-label="Progress" className="flex flex-col gap-2">
      <p className="flex justify-between">
        <b>{phaseNames[progress.phase]}</b>
        <span className="text-ink-2">{percent} %</span>
      </p>
      <div
        role="progressbar"
        aria-label={phaseNames[progress.phase]}
        aria-valuenow={percent}
        aria-valuemin={0}
        aria-valuemax={100}
        className="h-[6px] border border-edge"
      >
        <div className="h-full bg-contour" style={{ width: `${percent}%` }} />
      </div>
      <p>
        Best so far gains <b>{(progress.gainMs / 60_000).toFixed(1)} min</b> an hour in time and ease
      </p>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label="Gain of the best so far, while it is looked for"
      >
        <line x1={0} x2={width} y1={height - 1} y2={height - 1} stroke="var(--rule)" />
        <path
          d={
            line<(typeof trail)[number]>(
              (t) => x(t.done),
              (t) => y(t.gainMs),
            )(trail) ?? ''
          }
          fill="none"
          stroke="var(--contour)"
          strokeWidth={2}
        />
      </svg>
      <div className="flex gap-2">
        <button type="button" className="btn" onClick={stopSolving}>
          Stop, keep the best
        </button>
        <button type="button" className="btn" onClick={cancelSolving}>
          Cancel
        </button>
      </div>
    </section>
  )
}
