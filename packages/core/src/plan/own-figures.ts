import { z } from '../zod.js'
import { triggerSchema, type Trigger } from '../triggers/index.js'

/** One key that the person presses for another, and the share of its presses in which that happens. */
export interface OwnSlip {
  readonly asked: Trigger
  readonly pressed: Trigger
  readonly share: number
}

/** Chances of slips as practice has measured them. */
export interface OwnSlips {
  /** share of presses that meet one certain key next door; one diagonally, or with one modifier more or less */
  readonly nextDoor: number
  readonly farther: number
  /** keys that are mixed up more than where they lie explains */
  readonly pairs: readonly OwnSlip[]
}

/** What learning a new place costs this person: how many uses are looked for, and what each costs more, ms. */
export interface OwnLearning {
  readonly uses: number
  readonly ms: number
  /** within these factors of the product nine times of ten */
  readonly low: number
  readonly high: number
}

/** Figures that a person's practice has measured, taken over into the plan in place of what is assumed. */
export interface OwnFigures {
  /** how many answers they are from */
  readonly answers: number
  readonly slips?: OwnSlips
  readonly learning?: OwnLearning
}

const share = z.number().min(0).max(1)

export const ownFiguresSchema: z.ZodType<OwnFigures> = z.object({
  answers: z.number().int().min(1).max(10_000_000),
  slips: z
    .object({
      nextDoor: share,
      farther: share,
      pairs: z.array(z.object({ asked: triggerSchema, pressed: triggerSchema, share })).max(500),
    })
    .optional(),
  learning: z
    .object({
      uses: z.number().positive().max(1000),
      ms: z.number().min(0).max(60_000),
      low: z.number().positive().max(1),
      high: z.number().min(1).max(100),
    })
    .optional(),
}) as z.ZodType<OwnFigures>
