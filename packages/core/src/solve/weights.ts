/** What a place costs beside its time, in ms of press time that the person would give to avoid it. All assumed. */
export interface PlaceWeights {
  /** for each unit of effort */
  readonly effortMs: number
  /** for a place with no link to the name */
  readonly recallMs: number
  /** for each time that the holder of a place is used more than this command, up to three; half of it on top */
  readonly displaceMs: number
  /** for a place that types while text can be typed in one of the command's contexts */
  readonly typingMs: number
}

export const defaultPlaceWeights: PlaceWeights = Object.freeze({
  effortMs: 80,
  recallMs: 250,
  displaceMs: 300,
  typingMs: 600,
})
