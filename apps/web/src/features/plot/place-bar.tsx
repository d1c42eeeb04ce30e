import type { CandidatePlace } from '@reach-plot/core'

/** Parts of a place's cost, in the order of the bar. Told apart by pattern as well as by tint; `short` is read out. */
export const costParts = [
  { name: 'time', fill: 'var(--reach-5)', of: (p: CandidatePlace) => p.cost.timeMs },
  { name: 'stretch', fill: 'var(--reach-3)', of: (p: CandidatePlace) => p.cost.stretchMs },
  { name: 'pointing', fill: 'url(#bar-pointing)', of: (p: CandidatePlace) => p.cost.pointingMs },
  { name: 'to remember', fill: 'url(#bar-recall)', of: (p: CandidatePlace) => p.cost.recallMs },
  { name: 'pushes out', fill: 'url(#bar-taken)', of: (p: CandidatePlace) => p.cost.displaceMs },
  { name: 'clashes', fill: 'url(#bar-clash)', of: (p: CandidatePlace) => p.cost.clashMs },
  { name: 'harm', fill: 'var(--magenta)', of: (p: CandidatePlace) => p.cost.harmMs },
] as const

const pxPerMs = 0.13

/** Patterns of the bars, once for the panel. */
export function BarPatterns() {
  return (
    <svg width="0" height="0" aria-hidden="true" className="absolute">
      <defs>
        <pattern
          id="bar-recall"
          width="4"
          height="4"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="4" height="4" fill="var(--panel)" />
          <rect width="2" height="4" fill="var(--magenta)" fillOpacity="0.75" />
        </pattern>
        <pattern id="bar-pointing" width="3" height="3" patternUnits="userSpaceOnUse">
          <rect width="3" height="3" fill="var(--panel)" />
          <rect width="3" height="1.4" fill="var(--reach-5)" />
        </pattern>
        <pattern id="bar-taken" width="4" height="4" patternUnits="userSpaceOnUse">
          <rect width="4" height="4" fill="var(--panel)" />
          <circle cx="2" cy="2" r="1.2" fill="var(--ink)" />
        </pattern>
        <pattern id="bar-clash" width="3" height="3" patternUnits="userSpaceOnUse">
          <rect width="3" height="3" fill="var(--panel)" />
          <path d="M0 0 L3 3 M3 0 L0 3" stroke="var(--ink)" strokeWidth="0.7" />
        </pattern>
      </defs>
    </svg>
  )
}

export function CostBar({ place }: { place: CandidatePlace }) {
  const widths = costParts.map((part) => part.of(place) * pxPerMs)
  const startOf = (i: number): number => widths.slice(0, i).reduce((sum, width) => sum + width, 0)
  const text = costParts.map((part) => `${part.name} ${Math.round(part.of(place))} ms`).join(', ')
  return (
    <svg
      width={Math.min(startOf(costParts.length), 236)}
      height="6"
      role="img"
      aria-label={text}
      className="block overflow-hidden"
    >
      <title>{text}</title>
      {costParts.map((part, i) => {
        const width = widths[i] as number
        return (
          width > 0.3 && (
            <rect
              key={part.name}
              x={startOf(i)}
              width={Math.max(0, width - 0.8)}
              height="6"
              fill={part.fill}
            />
          )
        )
      })}
    </svg>
  )
}

export function CostKey() {
  return (
    <div className="flex flex-wrap gap-x-2 gap-y-0.5 text-[12px] text-ink-2">
      {costParts.map((part) => (
        <span key={part.name} className="inline-flex items-center gap-[3px]">
          <svg width="12" height="7" aria-hidden="true">
            <rect width="12" height="7" fill={part.fill} />
          </svg>
          {part.name}
        </span>
      ))}
    </div>
  )
}
