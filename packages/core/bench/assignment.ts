import { linearSumAssignment } from 'linear-sum-assignment'
import { munkres } from 'munkres'
import { assign, randomInts } from '../src/index.js'
import { median, per, timed } from './timing.js'

/** Use × effort, as arrangements have it: few commands are used much, and places differ in effort for all alike. */
export function useTimesEffort(rows: number, columns: number, seed: number): Float64Array {
  const next = randomInts(seed)
  const uses = Array.from({ length: rows }, (_, i) => 120 / (1 + i / 6) + next(1000) / 1000)
  const effort = Array.from({ length: columns }, () => 180 + next(900) + next(1000) / 1000)
  return Float64Array.from({ length: rows * columns }, (_, k) => {
    const i = Math.floor(k / columns)
    const recall = next(5) === 0 ? 0 : 250
    return (uses[i] as number) * ((effort[k % columns] as number) + recall)
  })
}

const asRows = (costs: Float64Array, rows: number, columns: number): number[][] =>
  Array.from({ length: rows }, (_, i) => [...costs.subarray(i * columns, (i + 1) * columns)])

/** The linear assignment against two packages in the same run, on use × effort matrices. */
export function benchAssignment(): void {
  const small = useTimesEffort(60, 120, 9)
  for (let k = 0; k < 3; k++) {
    assign(small, 60, 120)
    munkres(asRows(small, 60, 120))
    linearSumAssignment(asRows(small, 60, 120), { maximaze: false })
  }
  for (const [rows, columns] of [
    [200, 600],
    [450, 900],
  ] as const) {
    const own: number[] = []
    const hungarian: number[] = []
    const augmenting: number[] = []
    for (const seed of [1, 2, 3]) {
      const costs = useTimesEffort(rows, columns, seed)
      const matrix = asRows(costs, rows, columns)
      const mine = timed(() => assign(costs, rows, columns))
      const theirs = timed(() => munkres(matrix))
      const third = timed(() => linearSumAssignment(matrix, { maximaze: false }))
      const cost = theirs.value.reduce((sum, [i, j]) => sum + (matrix[i]?.[j] as number), 0)
      if (Math.abs(cost - mine.value.cost) > 1e-6 * cost)
        throw new Error(`munkres finds ${cost}, assign ${mine.value.cost}`)
      own.push(mine.ms)
      hungarian.push(theirs.ms)
      augmenting.push(third.ms)
    }
    const [a, b, c] = [median(own), median(hungarian), median(augmenting)]
    console.log(
      `linear assignment ${rows} x ${columns}: ${per(a)}; munkres ${per(b)}, ratio ${(b / a).toFixed(2)} (at least 1.3 wanted); linear-sum-assignment ${per(c)}, ratio ${(c / a).toFixed(1)} (at least 4 wanted)`,
    )
  }
}
