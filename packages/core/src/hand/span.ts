/** Quantiles of hand spans in a survey: percent → mm. */
export interface SpanSurvey {
  readonly n: number
  readonly quantilesMm: Readonly<Record<string, number>>
}

/** Percentile of a span in a survey, by linear interpolation between its quantiles; 0 or 100 beyond them. */
export function spanPercentile(index: SpanSurvey, spanMm: number): number {
  const points = Object.entries(index.quantilesMm)
    .map(([percent, mm]) => ({ percent: Number(percent), mm }))
    .sort((a, b) => a.percent - b.percent)
  const above = points.findIndex((p) => p.mm >= spanMm)
  if (above === -1) return 100
  const upper = points[above]!
  const lower = points[above - 1]
  if (!lower) return upper.mm === spanMm ? upper.percent : 0
  return lower.percent + ((spanMm - lower.mm) / (upper.mm - lower.mm)) * (upper.percent - lower.percent)
}
