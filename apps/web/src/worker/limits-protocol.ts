import type { Answer, AskedChord, Control, Foretold, HandAtRest, OwnReach } from '@reach-plot/core'

/** What answers make of a hand, and how well they foretell each other. */
export interface FittedAnswers {
  readonly reach: OwnReach
  readonly foretold: Foretold
}

/** What the worker for questions about the reach does. It is ended, not asked, to stop. */
export interface LimitsService {
  /** Draws hands for a person's bench; `onProgress` is told the share that is done. */
  prepare(
    hand: HandAtRest,
    controls: readonly Control[],
    altGraph: boolean,
    onProgress: (share: number) => void,
  ): Promise<void>
  /** The chord to ask about next; null when there is none left. */
  next(answers: readonly Answer[], passed: readonly AskedChord[]): AskedChord | null
  fit(answers: readonly Answer[], onProgress: (share: number) => void): Promise<FittedAnswers>
}
