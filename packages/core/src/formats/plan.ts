import { z } from 'zod'
import { benchSchema, deviceSchema } from '../bench/index.js'
import { commandSchema, programSchema } from '../commands/index.js'
import { chordSchema, popupSetSchema, systemIds, triggerSchema } from '../triggers/index.js'
import { routineSchema, usageSchema } from '../usage/index.js'

export const planVersion = 2

const placementSchema = z.strictObject({
  commandId: z.string().min(1),
  trigger: triggerSchema,
  /** the relay: chords that the control sends, in order, for the program to interpret */
  sends: z.array(chordSchema).min(1).max(8).optional(),
})
/**
 * A command and a trigger. It holds in the contexts that the command lives in. Without a relay the program, or the
 * device's own driver, knows the trigger itself.
 */
export type Placement = z.infer<typeof placementSchema>

const arrangementSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  /** the programs' own triggers: can be copied, never edited, renamed or deleted */
  isDefault: z.boolean(),
  placements: z.array(placementSchema).max(50_000),
  popups: z.array(popupSetSchema).max(50),
})
export type Arrangement = z.infer<typeof arrangementSchema>

export const planSchema = z.strictObject({
  format: z.literal('reachplot-plan'),
  version: z.literal(planVersion),
  name: z.string().min(1).max(120),
  system: z.enum(systemIds),
  layoutId: z.string().min(1).max(40),
  devices: z.array(deviceSchema).min(1).max(100),
  benches: z.array(benchSchema).min(1).max(50),
  programs: z.array(programSchema).max(100),
  commands: z.array(commandSchema).max(20_000),
  routines: z.array(routineSchema).max(500),
  usage: usageSchema.nullable(),
  arrangements: z.array(arrangementSchema).min(1).max(200),
  activeBenchId: z.string().min(1),
  activeArrangementId: z.string().min(1),
})
/** Everything that a person's plan holds; the content of a `.reachplot.json` file. */
export type Plan = z.infer<typeof planSchema>

/** The published JSON Schema of the plan file (draft 2020-12), made from the schema that reads it. */
export const planJsonSchema = (): Record<string, unknown> => ({
  title: 'Reach Plot plan',
  ...z.toJSONSchema(planSchema, { target: 'draft-2020-12' }),
})
