import { modifierSigns } from '@reach-plot/core/labels'

const lines = [
  { name: 'comfortable to here: easy', width: 2, dash: undefined },
  { name: 'stretched to here, away beyond', width: 2, dash: '8 4' },
  { name: 'ms from rest to the press', width: 1, dash: undefined },
] as const

/** What the chart's lines mean. */
export function ContourKey() {
  return (
    <div className="grid gap-y-0.5 bg-paper/80 px-1 leading-tight max-[1180px]:hidden">
      {lines.map((line) => (
        <span key={line.name} className="flex items-center gap-1.5">
          <svg width="26" height="6">
            <path d="M0 3 H26" stroke="var(--contour)" strokeWidth={line.width} strokeDasharray={line.dash} />
          </svg>
          {line.name}
        </span>
      ))}
      <span className="flex items-center gap-1.5">
        <svg width="26" height="9" viewBox="0 0 26 9">
          <path d="M5 0.5 L10 8.5 H0 Z" fill="var(--magenta)" />
          <path d={modifierSigns.Control} transform="translate(15 0.5) scale(8)" fill="var(--ink)" />
        </svg>
        clash; another level is taken
      </span>
    </div>
  )
}
