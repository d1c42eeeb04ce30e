import type { Control, HandFit } from '../bench/index.js'
import { CoreError } from '../errors.js'
import { fitHand, indexOfDifficultyBits, type ChordReach, type FitTrial } from '../hand/index.js'
import type { Trigger } from '../triggers/index.js'
import type { MeasuredTimes } from './measured.js'

/** A hand's constants fitted to practice, and how well the times agree before and after. */
export interface OwnFit {
  readonly fit: HandFit
  readonly keys: number
  /** mean difference of predicted and measured times, ms: as the hand is now; and fitted, each key by a fit without it */
  readonly beforeMs: number
  readonly afterMs: number
}

/** Keys that a fit from practice is made of at least. Assumed. */
const enoughKeys = 12

/**
 * Fits the hand's constants to keys pressed by one finger: what is measured stands without reading and recalling, as the line through all
 * keys tells it.
 * @param reachOf  how the hand reaches a trigger; undefined while it is not known
 * @returns null with too few keys, or keys that tell nothing of the way
 */
export function fitFromPractice(
  { triggers }: Pick<MeasuredTimes, 'triggers'>,
  reachOf: (trigger: Trigger) => ChordReach | undefined,
  controls: readonly Control[],
): OwnFit | null {
  const widths = new Map(
    controls.map((c) => [c.id, Math.min(c.capWidthMm ?? c.widthMm, c.capHeightMm ?? c.heightMm)]),
  )
  const presses = triggers.flatMap(({ trigger, measuredMs, predictedMs }) => {
    const reach = reachOf(trigger)
    const [id, ...more] = reach?.keys ?? []
    const finger = id === undefined ? undefined : reach?.fingers[id]
    if (!reach || id === undefined || more.length > 0 || finger === undefined || measuredMs <= 0) return []
    const trial: FitTrial = {
      finger,
      distanceMm: reach.distanceMm,
      widthMm: widths.get(id) ?? 17,
      timeMs: measuredMs,
    }
    return [{ trial, predictedMs }]
  })
  if (presses.length < enoughKeys) return null
  const whole = fitted(presses.map((p) => p.trial))
  if (!whole) return null
  const errors = presses.flatMap(({ trial }, i) => {
    const without = fitted(presses.toSpliced(i, 1).map((p) => p.trial))
    return without ? [Math.abs(timeBy(without, trial) - trial.timeMs)] : []
  })
  if (errors.length === 0) return null
  const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length
  return {
    fit: whole,
    keys: presses.length,
    beforeMs: mean(presses.map(({ trial, predictedMs }) => Math.abs(predictedMs - trial.timeMs))),
    afterMs: mean(errors),
  }
}

function fitted(trials: readonly FitTrial[]): HandFit | null {
  try {
    return fitHand(trials).fit
  } catch (error) {
    if (error instanceof CoreError && error.code === 'FIT_TOO_FEW') return null
    throw error
  }
}

const timeBy = (fit: HandFit, { finger, distanceMm, widthMm }: FitTrial): number =>
  fit.pressMs + fit.msPerBit * (fit.fingerFactors[finger] ?? 1) * indexOfDifficultyBits(distanceMm, widthMm)
