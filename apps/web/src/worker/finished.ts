/** How often a worker tells how far it is, ms. */
const tellsMs = 100

/** Runs steps that yield the share that is done to their end, telling it about ten times a second. */
export function finished<T>(steps: Generator<number, T, void>, onProgress: (share: number) => void): T {
  let told = 0
  let step = steps.next()
  while (!step.done) {
    if (performance.now() - told > tellsMs) {
      told = performance.now()
      onProgress(step.value)
    }
    step = steps.next()
  }
  return step.value
}
