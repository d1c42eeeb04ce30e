import type { OwnLearning, Plan } from '../plan/index.js'
import { operatorMs } from './operators.js'

/**
 * What is assumed of a person who was not measured: uses until a new place is known by heart, when it has no link to the name; and what
 * a use costs more until then, M of the keystroke-level model.
 */
export const assumedLearner: Pick<OwnLearning, 'uses' | 'ms'> = { uses: 20, ms: operatorMs.M }

/** What learning costs the person of a plan: as practice has measured it, or as is assumed. */
export const learnerOf = ({ own }: Pick<Plan, 'own'>): Pick<OwnLearning, 'uses' | 'ms'> =>
  own?.learning ?? assumedLearner

/**
 * Uses of a new place that are looked for before it is known by heart: half of them where the place recalls the name, and
 * no more than there are within the days in which it should pay.
 * @param score  how well the place recalls the command, 0 to 1
 */
export const relearnUses = (score: number, usesInDays: number, { uses }: Pick<OwnLearning, 'uses'>): number =>
  Math.min(uses * (1 - score / 2), usesInDays)

/** What new places have gained in all after some days, ms: below 0 while more was looked for than saved. */
export interface PayBackPoint {
  readonly day: number
  readonly ms: number
}

const payBackDays = [0, 1, 2, 3, 5, 8, 12, 18, 25, 35, 50, 75, 100] as const

/**
 * Learning comes first and saving after: each new place is looked for at each of its first uses, while all uses save
 * from the first day on.
 * @param learned  uses a day of each new place, and how many of them are looked for
 */
export const payBackCurve = (
  learned: readonly { readonly usesPerDay: number; readonly looks: number }[],
  savedMsPerDay: number,
  { ms }: Pick<OwnLearning, 'ms'>,
): PayBackPoint[] =>
  payBackDays.map((day) => ({
    day,
    ms:
      savedMsPerDay * day -
      learned.reduce((sum, { usesPerDay, looks }) => sum + Math.min(looks, usesPerDay * day) * ms, 0),
  }))

/** The first day on which more is saved than was learned, by the curve; null when that never comes. */
export function paysFromDay(curve: readonly PayBackPoint[]): number | null {
  const at = curve.findLastIndex((point) => point.ms < 0)
  const [below, above] = [curve[at], curve[at + 1]]
  if (at === -1) return 0
  if (!below || !above) return null
  return below.day + ((above.day - below.day) * -below.ms) / (above.ms - below.ms)
}
