import type { Severity } from '@reach-plot/core'

const shapes: Readonly<Record<Severity, string>> = {
  blocks: 'M5 0 A5 5 0 1 1 5 10 A5 5 0 1 1 5 0 M1.5 1.5 L8.5 8.5',
  shadows: 'M5 0 A5 5 0 1 1 5 10 A5 5 0 1 1 5 0',
  ambiguous: 'M5 10 V5.5 L1 0.5 M5 5.5 L9 0.5',
  caution: 'M5 0 V6.2 M5 8.2 V10',
}

/** A severity's sign, told apart by its shape. Decorative: the word stands beside it. */
export function SeveritySign({ severity }: { severity: Severity }) {
  return (
    <svg width="12" height="12" viewBox="-1 -1 12 12" aria-hidden="true" className="shrink-0">
      {severity === 'shadows' && <path d="M5 0 A5 5 0 0 1 5 10 Z" fill="var(--magenta)" />}
      <path
        d={shapes[severity]}
        fill="none"
        stroke="var(--magenta)"
        strokeWidth={severity === 'shadows' ? 1.2 : 1.8}
      />
    </svg>
  )
}

/** A clash on a key of the chart, in the chart's mm: a mark in a disc, round so that it reads as no modifier. */
export const ClashMark = () => (
  <g>
    <circle r={1.5} fill="var(--magenta)" />
    <path
      d="M0 -0.95 V0.25 M0 0.7 V0.95"
      stroke="var(--on-magenta)"
      strokeWidth={0.45}
      strokeLinecap="round"
    />
  </g>
)

/** The same mark in a line of text. Decorative: words stand beside it. */
export const ClashSign = () => (
  <svg
    width="12"
    height="12"
    viewBox="-1.6 -1.6 3.2 3.2"
    aria-hidden="true"
    className="inline-block shrink-0"
  >
    <ClashMark />
  </svg>
)
