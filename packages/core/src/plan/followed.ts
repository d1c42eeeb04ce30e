import { z } from '../zod.js'
import { commandIdSchema } from '../ids.js'
import { triggerSchema } from '../triggers/index.js'

const standardKeySchema = z.strictObject({
  /** the command's id in the standard */
  commandId: commandIdSchema,
  program: z.string().min(1).max(120),
  name: z.string().min(1).max(120),
  parameter: z.string().min(1).max(60).optional(),
  /** as the standard has them, on its own devices */
  triggers: z.array(triggerSchema).max(60),
})
/** What a standard says of one command. */
export type StandardKey = z.infer<typeof standardKeySchema>

const deviationSchema = z.strictObject({
  /** the command in the plan that follows */
  commandId: commandIdSchema,
  why: z.string().max(500),
})
/** A standard that a plan follows, as it was when it was taken over last; a newer version is told from this one. */
export const followedSchema = z.strictObject({
  /** the id of the standard's plan */
  planId: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  keys: z.array(standardKeySchema).max(20_000),
  deviations: z.array(deviationSchema).max(20_000),
})
