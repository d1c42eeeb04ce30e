import { ArrowDown, Octagon, Play } from 'lucide-react'
import type { Trace, TraceStep } from '@reach-plot/core'

const signs = { passes: ArrowDown, ends: Octagon, runs: Play } as const
const words: Readonly<Record<TraceStep['outcome'], string>> = {
  passes: 'passes on',
  ends: 'ends here',
  runs: 'runs',
}

/** One press as a chain of stages. */
export function TraceCard({
  name,
  scene,
  trace,
  isLast,
}: {
  name: string
  scene: string
  trace: Trace
  isLast: boolean
}) {
  return (
    <article
      aria-label={`${name} in ${scene}`}
      className={`border-b border-rule px-[14px] py-3 ${isLast ? '' : 'opacity-80'}`}
    >
      <h3 className="flex items-baseline gap-2">
        <span className="keycap">{name}</span>
        <span className="text-[12px] text-ink-2">in {scene}</span>
        {trace.waitMs > 0 && (
          <span className="ml-auto text-[12px] text-ink-2">waits up to {trace.waitMs} ms</span>
        )}
      </h3>
      <ol className="mt-2">
        {trace.steps.map((step, i) => {
          const Sign = signs[step.outcome]
          return (
            <li key={i} className="grid grid-cols-[92px_18px_1fr] gap-x-2 py-[3px]">
              <span className="caption pt-[3px]">{step.stage}</span>
              <Sign
                size={14}
                className={`mt-[3px] ${step.outcome === 'ends' ? 'text-magenta' : step.outcome === 'runs' ? 'text-contour' : 'text-ink-2'}`}
                aria-hidden="true"
              />
              <span className={step.outcome === 'passes' ? '' : 'font-semibold'}>
                <span className="sr-only">{words[step.outcome]}: </span>
                {step.text}
              </span>
            </li>
          )
        })}
      </ol>
    </article>
  )
}
