import type { Severity } from '@reach-plot/core'

const shapes: Readonly<Record<Severity, string>> = {
  blocks: 'M2 0 H8 L10 2 V8 L8 10 H2 L0 8 V2 Z',
  shadows: 'M5 0 A5 5 0 0 1 5 10 Z M5 0 A5 5 0 0 0 5 10',
  ambiguous: 'M0 5 L5 0 L10 5 L5 10 Z',
  caution: 'M5 0.5 L10 9.5 H0 Z',
}

/** A severity's sign, told apart by its shape. Decorative: the word stands beside it. */
export function SeveritySign({ severity }: { severity: Severity }) {
  return (
    <svg width="11" height="11" viewBox="-0.5 -0.5 11 11" aria-hidden="true" className="shrink-0">
      <path
        d={shapes[severity]}
        fill={severity === 'blocks' || severity === 'shadows' ? 'var(--magenta)' : 'none'}
        stroke="var(--magenta)"
        strokeWidth="1.2"
      />
    </svg>
  )
}
