import { z } from '../zod.js'

/** How far a factor may lie from the average hand's. */
const factor = z.number().min(0.3).max(3)

const byFinger = z.strictObject({
  thumb: factor,
  index: factor,
  middle: factor,
  ring: factor,
  little: factor,
})

/**
 * How a person's reach differs from the average hand's: factors of its constants, fitted to what the person said of some chords.
 * All are 1 for the average hand.
 */
export const ownReachSchema = z.strictObject({
  /** of all comfort radii */
  radius: factor,
  /** of those of one finger, beside that */
  fingers: byFinger,
  /** of those in one direction, beside that */
  directions: z.strictObject({ forward: factor, back: factor, in: factor, out: factor }),
  /** of the spans between fingertips */
  span: factor,
  /** of the palm shift, and of the turn of the wrist, that cost as much as a finger at its comfort radius */
  shift: factor,
  turn: factor,
  /** of the limits of what is easy, and of what is a stretch */
  easy: factor,
  stretch: factor,
  /** answers that it rests on, and the share of them that the average hand, and this one, would have given */
  answers: z.number().int().min(1).max(10_000),
  agreement: z.strictObject({ before: z.number().min(0).max(1), after: z.number().min(0).max(1) }),
})
/** Factors of the constants of a person's reach. */
export type OwnReach = z.infer<typeof ownReachSchema>

/** A finger that is not used at all, or one whose presses cost more. */
const fingerCares = ['rested', 'spared'] as const
/** How a finger is looked after. */
export type FingerCare = (typeof fingerCares)[number]

/** What a person does not want their hand to do. */
export const ownLimitsSchema = z.strictObject({
  fingers: z
    .partialRecord(z.enum(['thumb', 'index', 'middle', 'ring', 'little']), z.enum(fingerCares))
    .optional(),
  /** the wrist is not to turn */
  isWristStill: z.boolean().optional(),
  /** reach is shorter that way */
  shortReach: z
    .array(z.enum(['forward', 'back', 'in', 'out']))
    .max(4)
    .optional(),
})
/** What a person spares their hand. */
export type OwnLimits = z.infer<typeof ownLimitsSchema>
