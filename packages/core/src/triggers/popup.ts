import { programIdSchema } from '../ids.js'
import { z } from '../zod.js'
import { refSchema, triggerSchema } from './trigger.js'

/** A few commands that one trigger brings up at the pointer or the fingertip; one of them is then picked. */
export const popupSetSchema = z.strictObject({
  id: refSchema,
  name: z.string().min(1).max(80),
  opener: triggerSchema.refine(
    (t): boolean => t.kind !== 'popup' && t.kind !== 'sequence',
    'a pop-up set opens by one press',
  ),
  /** only with this program in front; with any where left out */
  programId: programIdSchema.optional(),
  at: z.enum(['pointer', 'fingertip']),
  /** how many entries it shows */
  entries: z.number().int().min(2).max(12),
})
/** Up to eight entries around one press: each a direction and the command that it runs. */
export type PopupSet = z.infer<typeof popupSetSchema>
