import { z } from '../zod.js'

const weight = z.number().min(0).max(5000)

/** What a place costs beside its time, in ms of press time that the person would give to avoid it. */
export const placeWeightsSchema = z.strictObject({
  /** for each unit of effort */
  effortMs: weight,
  /** for a finger that taps at half the pace of the strongest */
  fingerMs: weight,
  /** for a place with no link to the name; less for what is used all day and known by heart */
  recallMs: weight,
  /** for each time that the holder of a place is used more than this command, up to three; half of it on top */
  displaceMs: weight,
  /** for a place that types while text can be typed; half of it for one that has to wait for a further tap or a hold */
  clashMs: weight,
  /** for pointing that a press of the pointing hand interrupts; more with a modifier, half for a stroke */
  pointingMs: weight,
  /** for a press of a finger that has twice its fair share, when a solver spreads the work */
  loadMs: weight,
})
/** How much each part counts in the cost of a place. */
export type PlaceWeights = z.infer<typeof placeWeightsSchema>

/** All assumed. */
export const defaultPlaceWeights: PlaceWeights = Object.freeze({
  effortMs: 80,
  fingerMs: 60,
  recallMs: 250,
  displaceMs: 300,
  clashMs: 600,
  pointingMs: 200,
  loadMs: 50,
})
