/** How long somebody keeps keys down while typing, as a mean and a standard deviation, ms. */
export interface TypingPace {
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

/** Share of a normal quantity below z standard deviations. Abramowitz and Stegun, 7.1.26: off by at most 0.0000002. */
function normalShare(z: number): number {
  const x = Math.abs(z) / Math.SQRT2
  const t = 1 / (1 + 0.3275911 * x)
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x)
  return z < 0 ? tail / 2 : 1 - tail / 2
}
