/** Numbers between 0 and 1 from a seed, by a hash of 32 bits: the same for the same words in every order. */
export function uniform(seed: number, name: string): number {
  let h = 0x811c9dc5 ^ seed
  for (let i = 0; i < name.length; i++) h = Math.imul(h ^ name.charCodeAt(i), 0x01000193)
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b)
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35)
  return ((h ^ (h >>> 16)) >>> 0) / 0x100000000
}

/** A deviate of the standard normal distribution: Box and Muller (1958). */
export const normal = (seed: number, name: string): number =>
  Math.sqrt(-2 * Math.log(1 - uniform(seed, `${name} radius`))) *
  Math.cos(2 * Math.PI * uniform(seed, `${name} angle`))

/** Nine times of ten a normal quantity lies within so many deviations of its middle. */
export const deviations90 = 1.645

/** Share of a normal quantity below z standard deviations. Abramowitz and Stegun, 7.1.26: off by at most 0.0000002. */
export function normalShare(z: number): number {
  const x = Math.abs(z) / Math.SQRT2
  const t = 1 / (1 + 0.3275911 * x)
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x)
  return z < 0 ? tail / 2 : 1 - tail / 2
}
