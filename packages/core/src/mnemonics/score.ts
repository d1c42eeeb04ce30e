export interface MnemonicScore {
  /** 0 (no link) to 1 */
  readonly score: number
  /** one sentence that says why, or that there is no link */
  readonly reason: string
}

/** Scores of the rules. Assumed; only their order is common practice. */
export const ruleScores = {
  standardKey: 1,
  firstOfMainWord: 1,
  hint: 0.95,
  sameIdea: 0.9,
  opposite: 0.9,
  number: 0.9,
  sideBySide: 0.85,
  naturalWay: 0.85,
  firstOfOtherWord: 0.7,
  sounded: 0.5,
  letterInside: 0.35,
  alphabetNeighbour: 0.15,
  none: 0,
} as const

export const noLink: MnemonicScore = { score: ruleScores.none, reason: 'No link to the name.' }

/** A link that a rule has found: to a sign printed on a key, or to one trigger. */
export interface Link extends MnemonicScore {
  /** a letter or sign in lower case, or the key of a trigger */
  readonly to: string
}

/** The stronger of two links; the first where they are equal. */
export const stronger = (a: MnemonicScore | undefined, b: MnemonicScore | undefined): MnemonicScore =>
  b && (!a || b.score > a.score) ? b : (a ?? noLink)
