import { operatorNames, type OperatorKind, type SheetRoutine } from '@reach-plot/core'

/** Fill of each operator; the letter or the hatching says the same. F and K stand together: a finger goes and presses. */
const fills: Readonly<Record<OperatorKind, string>> = {
  M: 'url(#hatch-think)',
  P: 'var(--reach-4)',
  B: 'var(--reach-2)',
  H: 'var(--magenta)',
  F: 'var(--ink-2)',
  K: 'var(--ink)',
  R: 'var(--panel)',
}
const inks: Readonly<Record<OperatorKind, string>> = {
  M: 'var(--ink)',
  P: 'var(--on-reach)',
  B: 'var(--ink)',
  H: 'var(--on-magenta)',
  F: 'var(--panel)',
  K: 'var(--panel)',
  R: 'var(--ink)',
}
const height = 20
/** What the other hand does meanwhile stands below, thin. */
const besideHeight = 3

/** The steps of one routine in one arrangement, as long as they take. */
export function OperatorStrip({ routine, pxPerMs }: { routine: SheetRoutine; pxPerMs: number }) {
  const starts = routine.operators.reduce<number[]>((at, o) => [...at, (at.at(-1) ?? 0) + o.ms], [0])
  return (
    <svg
      width={Math.ceil(routine.ms * pxPerMs) + 1}
      height={height + besideHeight}
      className="shrink-0"
      role="img"
      aria-label={routine.operators
        .map(
          (o) =>
            `${operatorNames[o.kind]} ${Math.round(o.takesMs ?? o.ms)} ms${o.takesMs === undefined ? '' : ' meanwhile'}`,
        )
        .join(', ')}
    >
      {routine.operators.map((o, i) => {
        // beside the longer one of the other hand, which comes before or after it
        const isBeside = o.ms === 0 && o.takesMs !== undefined
        const takesMs = o.takesMs ?? o.ms
        const isBefore = isBeside && (routine.operators[i + 1]?.ms ?? 0) >= takesMs
        const start = (starts[i] as number) - (isBeside && !isBefore ? takesMs : 0)
        const x = Math.max(0, start) * pxPerMs
        const width = takesMs * pxPerMs
        if (isBeside)
          return (
            <rect key={i} x={x + 0.5} y={height} width={width} height={besideHeight} fill={fills[o.kind]}>
              <title>{`${o.what}: ${operatorNames[o.kind]}, ${Math.round(takesMs)} ms, meanwhile`}</title>
            </rect>
          )
        return (
          <g key={i}>
            <title>{`${o.what}: ${operatorNames[o.kind]}, ${Math.round(o.ms)} ms`}</title>
            <rect
              x={x + 0.5}
              y={0.5}
              width={Math.max(1, width - 1)}
              height={height - 1}
              fill={fills[o.kind]}
              stroke={o.kind === 'M' ? 'var(--edge)' : 'none'}
            />
            {width > 13 && (
              <text
                x={x + width / 2}
                y={height / 2 + 4}
                textAnchor="middle"
                fontSize={11}
                fontWeight={600}
                className="font-chart"
                fill={inks[o.kind]}
              >
                {o.kind}
              </text>
            )}
          </g>
        )
      })}
    </svg>
  )
}

export function HatchDefs() {
  return (
    <svg width={0} height={0} className="absolute" aria-hidden="true">
      <defs>
        <pattern
          id="hatch-think"
          width={5}
          height={5}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width={5} height={5} fill="var(--panel)" />
          <line x1={0} x2={0} y1={0} y2={5} stroke="var(--edge)" strokeWidth={1.4} />
        </pattern>
      </defs>
    </svg>
  )
}

/** What the fills mean; waiting for a device only where there is some. */
export function StripKey({ withWait }: { withWait: boolean }) {
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-1 text-ink-2" aria-label="Operators">
      {(['K', 'F', 'H', 'P', 'B', 'M', ...(withWait ? (['R'] as const) : [])] as const).map((kind) => (
        <li key={kind} className="flex items-center gap-[6px]">
          <svg width={14} height={14} aria-hidden="true">
            <rect x={0.5} y={0.5} width={13} height={13} fill={fills[kind]} stroke="var(--edge)" />
          </svg>
          <span>
            <b className="font-chart text-ink">{kind}</b> {operatorNames[kind]}
          </span>
        </li>
      ))}
    </ul>
  )
}
