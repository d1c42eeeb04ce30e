/** Commands that are put into an order by asking which of two is used more. */
export interface Comparing<T> {
  /** most used first */
  readonly order: readonly T[]
  /** the one whose place is looked for, and then those that wait */
  readonly waiting: readonly T[]
  /** its place lies from `low` to `high` in the order */
  readonly low: number
  readonly high: number
}

/** Begins with the first alone in the order. */
export const beginComparing = <T>(items: readonly T[]): Comparing<T> => ({
  order: items.slice(0, 1),
  waiting: items.slice(1),
  low: 0,
  high: Math.min(1, items.length),
})

/** The two that are asked about; null when all are in order. */
export function questionOf<T>({ order, waiting, low, high }: Comparing<T>): readonly [T, T] | null {
  const [one] = waiting
  const other = order[(low + high) >> 1]
  return one === undefined || other === undefined || low >= high ? null : [one, other]
}

/** Goes on with the answer: whether the first of the two is used more. Halving takes about log₂ n questions for each. */
export function answered<T>(state: Comparing<T>, isFirstMore: boolean): Comparing<T> {
  const { order, waiting } = state
  const [one, ...rest] = waiting
  if (one === undefined) return state
  const middle = (state.low + state.high) >> 1
  const [low, high] = isFirstMore ? [state.low, middle] : [middle + 1, state.high]
  if (low < high) return { order, waiting, low, high }
  const next = [...order.slice(0, low), one, ...order.slice(low)]
  return { order: next, waiting: rest, low: 0, high: next.length }
}
