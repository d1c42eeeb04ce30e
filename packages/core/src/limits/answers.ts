import { normalShare } from '../deviates.js'
import { mostPalmShiftMm, type ChordReach, type HandModel, type Verdict } from '../hand/index.js'

/** What a person can say of a chord: it is easy, a stretch, or the hand leaves where it rests. */
export const felts = ['easy', 'stretch', 'away'] as const
/** How a person finds a chord. */
export type Felt = (typeof felts)[number]

/** What a verdict of the model is in a person's words: at rest is easy, too. */
export const feltAs = (verdict: Verdict): Felt => (verdict === 'rest' ? 'easy' : verdict)

/** How much answers waver, in the logarithm of the effort. Assumed: 12 %. */
export const waver = 0.12

/** The chance of each answer at least: somebody may mistake the key. Assumed. */
const slip = 0.01

/**
 * Chances of the three answers to a chord, in the order of `felts`: ordinal, with answers that waver about both limits.
 * Spans beyond what can be spread, and a palm that goes along with one finger, are limits of their own.
 */
export function answerChances(reach: ChordReach, hand: Pick<HandModel, 'limits'>): [number, number, number] {
  if (!Number.isFinite(reach.effort)) return chances(0, 1)
  const single = reach.keys.length === 1 ? reach.palmShiftMm / mostPalmShiftMm : 0
  const beyond = Math.max(reach.effort / hand.limits.stretch, reach.spanUse, single)
  const away = normalShare(Math.log(Math.max(beyond, 1e-6)) / waver)
  const easy = normalShare(Math.log(hand.limits.easy / Math.max(reach.effort, 1e-6)) / waver)
  return chances(Math.min(easy, 1 - away), away)
}

function chances(easy: number, away: number): [number, number, number] {
  const sure = 1 - 3 * slip
  return [slip + sure * easy, slip + sure * Math.max(0, 1 - easy - away), slip + sure * away]
}
