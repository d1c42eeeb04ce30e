import type { HandFit } from '../bench/index.js'
import { CoreError } from '../errors.js'
import { fingers, type Finger } from './constants.js'
import { indexOfDifficultyBits } from './time.js'

/** One measured press: a finger from the key where it rested to another. */
export interface FitTrial {
  readonly finger: Finger
  readonly distanceMm: number
  readonly widthMm: number
  /** from the release of the resting key to the press */
  readonly timeMs: number
}

/** Constants fitted to a person's presses, and how well they fit. */
export interface FittedHand {
  readonly fit: HandFit
  /** presses that lay too far from the line to count: a pause, a look at the keys */
  readonly leftOut: readonly FitTrial[]
  /** share of the spread of times that the lines explain, 0 to 1 */
  readonly explained: number
}

/** Presses this many times the middle deviation from the line are left out. Common practice, no source. */
const outlierDeviations = 4
const leastPresses = 8
const rounds = 3

/**
 * Fits a person's constants: one intercept, and one slope for each finger, by least squares on
 * `time = press + slope(finger) · bits`. Presses far off the line are left out and the rest is fitted again.
 * @throws CoreError `FIT_TOO_FEW` with fewer than eight presses, or presses of one distance only
 */
export function fitHand(trials: readonly FitTrial[]): FittedHand {
  const usable = trials.filter((t) => Number.isFinite(t.timeMs) && t.timeMs > 0)
  let lines = fitLines(usable)
  let kept = usable
  // a long pause bends the first line, so what is left out is judged anew by the line without it
  for (let round = 0; round < rounds; round++) {
    const off = usable.map((t) => Math.abs(t.timeMs - lines.at(t)))
    const middle = off.toSorted((a, b) => a - b)[off.length >> 1] as number
    const limit = Math.max(outlierDeviations * middle, 1)
    kept = usable.filter((_, i) => (off[i] as number) <= limit)
    lines = fitLines(kept)
  }
  const { press, slopes, at } = lines
  const used = fingers.filter((f) => slopes.has(f))
  const msPerBit = used.reduce((sum, f) => sum + (slopes.get(f) as number), 0) / used.length
  const mean = kept.reduce((sum, t) => sum + t.timeMs, 0) / kept.length
  const left = kept.reduce((sum, t) => sum + (t.timeMs - at(t)) ** 2, 0)
  const spread = kept.reduce((sum, t) => sum + (t.timeMs - mean) ** 2, 0)
  return {
    fit: {
      pressMs: within(press, 20, 1000),
      msPerBit: within(msPerBit, 5, 1000),
      fingerFactors: Object.fromEntries(
        used.map((f) => [f, within((slopes.get(f) as number) / msPerBit, 0.1, 10)]),
      ),
      presses: kept.length,
      residualMs: Math.min(1000, Math.sqrt(left / kept.length)),
    },
    leftOut: usable.filter((t) => !kept.includes(t)),
    explained: spread > 0 ? Math.max(0, 1 - left / spread) : 1,
  }
}

const within = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value))

interface Lines {
  readonly press: number
  readonly slopes: ReadonlyMap<Finger, number>
  at(trial: FitTrial): number
}

/** Normal equations with one slope for each finger that was used: the slopes are eliminated, the intercept is left. */
function fitLines(trials: readonly FitTrial[]): Lines {
  const bits = (t: FitTrial): number => indexOfDifficultyBits(t.distanceMm, t.widthMm)
  const sums = new Map<Finger, { n: number; x: number; xx: number; y: number; xy: number }>()
  for (const trial of trials) {
    const s = sums.get(trial.finger) ?? { n: 0, x: 0, xx: 0, y: 0, xy: 0 }
    const x = bits(trial)
    sums.set(trial.finger, {
      n: s.n + 1,
      x: s.x + x,
      xx: s.xx + x * x,
      y: s.y + trial.timeMs,
      xy: s.xy + x * trial.timeMs,
    })
  }
  // a finger that never left its key tells of the press only
  const moving = [...sums].filter(([, s]) => s.xx > 1e-9)
  const n = [...sums.values()].reduce((sum, s) => sum + s.n, 0)
  const y = [...sums.values()].reduce((sum, s) => sum + s.y, 0)
  const fall = n - moving.reduce((sum, [, s]) => sum + (s.x * s.x) / s.xx, 0)
  if (trials.length < leastPresses || moving.length === 0 || fall < 1e-6 * n) {
    throw new CoreError('FIT_TOO_FEW', {
      where: ['presses'],
      what: `${trials.length} presses do not tell the press from the way to the key`,
      remedy: `press at least ${leastPresses} keys, some under the finger and some farther off`,
    })
  }
  const press = (y - moving.reduce((sum, [, s]) => sum + (s.x * s.xy) / s.xx, 0)) / fall
  const slopes = new Map(moving.map(([finger, s]) => [finger, (s.xy - press * s.x) / s.xx]))
  return { press, slopes, at: (t) => press + (slopes.get(t.finger) ?? 0) * bits(t) }
}
