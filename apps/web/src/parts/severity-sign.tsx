import type { Severity } from '@reach-plot/core'

const shapes: Readonly<Record<Severity, string>> = {
  blocks: 'M2 0 H8 L10 2 V8 L8 10 H2 L0 8 V2 Z',
  shadows: 'M5 0 A5 5 0 0 1 5 10 Z M5 0 A5 5 0 0 0 5 10',
  ambiguous: 'M0 5 L5 0 L10 5 L5 10 Z',
  caution: 'M5 0 V6.2 M5 8.2 V10',
}

/** A severity's sign, told apart by its shape. Decorative: the word stands beside it. */
export function SeveritySign({ severity }: { severity: Severity }) {
  return (
    <svg width="11" height="11" viewBox="-0.5 -0.5 11 11" aria-hidden="true" className="shrink-0">
      <path
        d={shapes[severity]}
        fill={severity === 'blocks' || severity === 'shadows' ? 'var(--magenta)' : 'none'}
        stroke="var(--magenta)"
        strokeWidth={severity === 'caution' ? 2 : 1.2}
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
