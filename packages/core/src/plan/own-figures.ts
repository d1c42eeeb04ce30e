import { z } from '../zod.js'
import { triggerSchema } from '../triggers/index.js'

const share = z.number().positive().max(1)

/** One key that the person presses for another, and the share of its presses in which that happens. */
const ownSlipSchema = z.strictObject({ asked: triggerSchema, pressed: triggerSchema, share })

const ownSlipsSchema = z.strictObject({
  /** share of presses that meet one certain key next door; one diagonally, or with one modifier more or less */
  nextDoor: share,
  farther: share,
  /** keys that are mixed up more than where they lie explains */
  pairs: z.array(ownSlipSchema).max(500),
})

const ownLearningSchema = z.strictObject({
  /** uses of a new place that are looked for, and what each takes more, ms */
  uses: z.number().positive().max(1000),
  ms: z.number().min(0).max(60_000),
  /** within these factors of the product nine times of ten */
  low: z.number().positive().max(1),
  high: z.number().min(1).max(100),
})

export const ownFiguresSchema = z.strictObject({
  /** how many answers they are from */
  answers: z.number().int().min(1).max(10_000_000),
  slips: ownSlipsSchema.optional(),
  learning: ownLearningSchema.optional(),
})

export type OwnSlip = z.infer<typeof ownSlipSchema>
/** Chances of slips as practice has measured them. */
export type OwnSlips = z.infer<typeof ownSlipsSchema>
/** What learning a new place costs this person. */
export type OwnLearning = z.infer<typeof ownLearningSchema>
/** Figures that a person's practice has measured, taken over into the plan in place of what is assumed. */
export type OwnFigures = z.infer<typeof ownFiguresSchema>
