/** The middle of some numbers, which a few far ones do not pull: the median. NaN of none. */
export function middleOf(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length % 2 === 1
    ? (sorted[half] as number)
    : ((sorted[half - 1] ?? NaN) + (sorted[half] ?? NaN)) / 2
}
