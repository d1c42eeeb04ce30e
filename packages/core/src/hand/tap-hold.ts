import { normalShare } from '../deviates.js'

/** How long somebody keeps keys down while typing, as a mean and a standard deviation, ms. */
interface TypingPace {
  /** a key that is only tapped */
  readonly dwellMs: number
  readonly dwellSdMs: number
  /** a key that is held for another inside it */
  readonly overlapMs: number
  readonly overlapSdMs: number
}

/** The pace of somebody who has not been measured. Assumed; the spread of an overlap is taken as that of a tap, in proportion. */
export const usualTypingPace: TypingPace = { dwellMs: 90, dwellSdMs: 25, overlapMs: 170, overlapSdMs: 47 }

/** The two ways in which a key that does one thing when tapped and another when held is misread, as shares of its presses. */
export interface TapHoldChances {
  /** a tap that lasts so long that it counts as a hold */
  readonly falseHold: number
  /** a hold with another key inside that ends so soon that it counts as a tap */
  readonly falseTap: number
}

/**
 * Chances that a key is misread which counts as held after `holdMs`: times are log-normal, so both are exact for the pace.
 * @param holdMs  more than 0
 */
export function tapHoldChances(holdMs: number, pace: TypingPace = usualTypingPace): TapHoldChances {
  return {
    falseHold: 1 - shareBelow(holdMs, pace.dwellMs, pace.dwellSdMs),
    falseTap: shareBelow(holdMs, pace.overlapMs, pace.overlapSdMs),
  }
}

/** Share of a log-normal quantity below a value, from its mean and standard deviation. */
function shareBelow(value: number, mean: number, sd: number): number {
  if (sd <= 0) return value >= mean ? 1 : 0
  const variance = Math.log(1 + (sd / mean) ** 2)
  return normalShare((Math.log(value) - Math.log(mean) + variance / 2) / Math.sqrt(variance))
}
