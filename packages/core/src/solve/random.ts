/** Whole numbers from a seed, the same in every engine: xorshift of 32 bits (Marsaglia 2003). */
export function randomInts(seed: number): (below: number) => number {
  let state = seed | 0 || 0x9e3779b9
  return (below) => {
    state ^= state << 13
    state ^= state >>> 17
    state ^= state << 5
    return (state >>> 0) % below
  }
}
