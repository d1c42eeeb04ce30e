export const timed = <T>(run: () => T): { readonly ms: number; readonly value: T } => {
  const start = performance.now()
  const value = run()
  return { ms: performance.now() - start, value }
}

export const median = (numbers: readonly number[]): number =>
  numbers.toSorted((a, b) => a - b)[numbers.length >> 1] as number

export const per = (ms: number): string => `${ms.toFixed(ms < 10 ? 3 : 0)} ms`
