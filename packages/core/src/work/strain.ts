import type { Force } from '../bench/index.js'

/** Categories of one factor: values below `below` have the multiplier. */
interface Band {
  readonly below: number
  readonly name: string
  readonly multiplier: number
}

/**
 * The six factors of the Strain Index. Moore and Garg (1995), "The Strain Index: a proposed method to analyze jobs for
 * risk of distal upper extremity disorders", table of multipliers (from memory).
 */
export const intensityLevels: readonly { readonly name: Force; readonly multiplier: number }[] = [
  { name: 'light', multiplier: 1 },
  { name: 'somewhat hard', multiplier: 3 },
  { name: 'hard', multiplier: 6 },
  { name: 'very hard', multiplier: 9 },
  { name: 'near maximal', multiplier: 13 },
]
const durationBands: readonly Band[] = [
  { below: 10, name: 'under 10 %', multiplier: 0.5 },
  { below: 30, name: '10 to 29 %', multiplier: 1 },
  { below: 50, name: '30 to 49 %', multiplier: 1.5 },
  { below: 80, name: '50 to 79 %', multiplier: 2 },
  { below: Infinity, name: '80 % or more', multiplier: 3 },
]
const effortBands: readonly Band[] = [
  { below: 4, name: 'under 4', multiplier: 0.5 },
  { below: 9, name: '4 to 8', multiplier: 1 },
  { below: 15, name: '9 to 14', multiplier: 1.5 },
  { below: 20, name: '15 to 19', multiplier: 2 },
  { below: Infinity, name: '20 or more', multiplier: 3 },
]
export const postureLevels = [
  { name: 'good', multiplier: 1 },
  { name: 'fair', multiplier: 1.5 },
  { name: 'bad', multiplier: 2 },
  { name: 'very bad', multiplier: 3 },
] as const
export const speedLevels = [
  { name: 'slow', multiplier: 1 },
  { name: 'fair', multiplier: 1 },
  { name: 'fast', multiplier: 1.5 },
  { name: 'very fast', multiplier: 2 },
] as const
/** The table has 1, 2 and 4 hours in the lower category, and 8 in the upper (from memory). */
const upTo = 1e-6
const hourBands: readonly Band[] = [
  { below: 1 + upTo, name: 'up to 1 h', multiplier: 0.25 },
  { below: 2 + upTo, name: '1 to 2 h', multiplier: 0.5 },
  { below: 4 + upTo, name: '2 to 4 h', multiplier: 0.75 },
  { below: 8, name: '4 to 8 h', multiplier: 1 },
  { below: Infinity, name: '8 h or more', multiplier: 1.5 },
]

export interface StrainInput {
  readonly intensity: Force
  /** share of the time in which the hand exerts itself, 0 to 100 */
  readonly exertionPercent: number
  readonly effortsPerMinute: number
  readonly posture: (typeof postureLevels)[number]['name']
  readonly speed: (typeof speedLevels)[number]['name']
  readonly hoursPerDay: number
}

export interface StrainFactor {
  readonly name: string
  readonly value: string
  readonly category: string
  readonly multiplier: number
}
export interface StrainIndex {
  readonly index: number
  readonly meaning: string
  readonly factors: readonly StrainFactor[]
}

/** Of a hand that does nothing. */
export const noStrain: StrainIndex = { index: 0, meaning: 'no work', factors: [] }

const bandOf = (bands: readonly Band[], value: number): Band =>
  bands.find((b) => value < b.below) ?? (bands.at(-1) as Band)

/** What an index means, after Moore and Garg (from memory): up to 3 probably safe, 7 and more probably hazardous. */
export const strainMeaning = (index: number): string =>
  index <= 3 ? 'probably safe' : index < 5 ? 'uncertain' : index < 7 ? 'some risk' : 'look closer'

/** The product of six multipliers, each from its category. A screening aid, not a diagnosis. */
export function strainIndex(input: StrainInput): StrainIndex {
  const level = (
    levels: readonly { readonly name: string; readonly multiplier: number }[],
    name: string,
  ): number => levels.find((l) => l.name === name)?.multiplier ?? NaN
  const exertion = bandOf(durationBands, input.exertionPercent)
  const efforts = bandOf(effortBands, input.effortsPerMinute)
  const hours = bandOf(hourBands, input.hoursPerDay)
  const one = (name: string, value: string, category: string, multiplier: number): StrainFactor => ({
    name,
    value,
    category,
    multiplier,
  })
  const factors = [
    one('Intensity of exertion', input.intensity, input.intensity, level(intensityLevels, input.intensity)),
    one('Duration of exertion', `${input.exertionPercent.toFixed(1)} %`, exertion.name, exertion.multiplier),
    one('Efforts a minute', input.effortsPerMinute.toFixed(1), efforts.name, efforts.multiplier),
    one('Hand and wrist posture', input.posture, input.posture, level(postureLevels, input.posture)),
    one('Speed of work', input.speed, input.speed, level(speedLevels, input.speed)),
    one('Duration a day', `${input.hoursPerDay} h`, hours.name, hours.multiplier),
  ]
  const index = factors.reduce((product, f) => product * f.multiplier, 1)
  return { index, meaning: strainMeaning(index), factors }
}
