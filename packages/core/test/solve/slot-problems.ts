import { randomInts, relationOf, type PairTerm, type SlotProblem } from '../../src/index.js'

/** A made-up instance: use × effort with letters, and pairs that gain on slots that lie side by side. */
export function madeUp(rows: number, slots: number, pairCount: number, seed: number): SlotProblem {
  const next = randomInts(seed)
  const uses = Array.from({ length: rows }, (_, i) => 100 / (1 + i / 5) + next(100) / 100)
  const effort = Array.from({ length: slots }, () => 180 + next(700))
  const costs = Float64Array.from(
    { length: rows * slots },
    (_, k) => uses[Math.floor(k / slots)]! * (effort[k % slots]! + (next(8) === 0 ? 0 : 250)),
  )
  const free = Array.from({ length: rows }, (_, i) => i)
  const pairs: PairTerm[] = []
  for (let k = 0; k < pairCount; k++) {
    const a = free.splice(next(free.length), 1)[0]!
    const b = free.splice(next(free.length), 1)[0]!
    pairs.push({ a, b, relation: 0, gainA: 200 * uses[a]!, gainB: 200 * uses[b]!, scored: false })
  }
  const beside = Array.from({ length: slots - 1 }, (_, p) => ({ p, q: p + 1, value: 0.9 })).filter(
    ({ p }) => p % 10 !== 9,
  )
  return {
    rows,
    slots,
    costs,
    unassignedCost: new Float64Array(rows).fill(Infinity),
    overlap: Float64Array.from({ length: rows * rows }, (_, k) => (k % (rows + 1) === 0 ? 0 : 1e6)),
    rivals: { start: new Int32Array(slots + 1), to: new Int32Array(0) },
    pairs,
    relations: [relationOf(slots, beside)],
    flows: [],
    initialSlot: Int32Array.from({ length: rows }, (_, i) => i),
    fixed: new Uint8Array(rows),
  }
}

export const usesOf = ({ rows, slots, costs }: SlotProblem): Float64Array =>
  Float64Array.from({ length: rows }, (_, i) => costs[i * slots]!)
