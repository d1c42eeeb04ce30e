import { commandIdSchema, programIdSchema } from '../ids.js'
import { z } from '../zod.js'

const count = z.number().int().min(0)

/** What a usage log has told about commands; kept with the plan, unlike the log itself. */
export const usageSchema = z.strictObject({
  /** file name of the log */
  source: z.string().max(200),
  rows: count,
  /** hours in which the person worked: pauses are left out */
  activeHours: z.number().min(0),
  /** days on which the person worked; logs that were read before it was counted have none */
  days: count.optional(),
  /** by command id: how often, and how often by menu and by pointer */
  commands: z.record(
    z.string(),
    z.strictObject({
      uses: count,
      byMenu: count,
      byPointer: count,
      /** uses by context id, where the log names contexts */
      byContext: z.record(z.string(), count).optional(),
    }),
  ),
  /** by week, the earliest first: by its Monday, how often each command was run by menu, by pointer and by key */
  weeks: z
    .array(
      z.strictObject({
        monday: z.iso.date(),
        commands: z.record(z.string(), z.tuple([count, count, count])),
      }),
    )
    .max(60)
    .optional(),
  /** repeated sequences that were found, as proposals for routines */
  sequences: z
    .array(
      z.strictObject({
        programId: programIdSchema,
        commandIds: z.array(commandIdSchema).min(2).max(20),
        support: count,
        /** positions, from 1, of commands by pointer that come sooner after a key than pointing takes */
        meanwhile: z.array(z.number().int().min(1).max(20)).max(20).optional(),
      }),
    )
    .max(200),
  /** what follows what, most often first */
  follows: z.array(z.strictObject({ from: z.string(), to: z.string(), uses: count })).max(2000),
})
/** How often commands are used, an active hour, from a log or by estimate. */
export type Usage = z.infer<typeof usageSchema>

/** done at the same time as the step before, each hand for itself */
const meanwhile = z.literal(true).optional()

const stepSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('command'), commandId: commandIdSchema, meanwhile }),
  z.strictObject({ kind: z.literal('point'), meanwhile }),
  z.strictObject({ kind: z.literal('drag'), meanwhile }),
  z.strictObject({ kind: z.literal('type'), characters: z.number().int().min(1).max(1000) }),
])

/** A repeated sequence of steps in one program, used to time an arrangement. */
export const routineSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  programId: programIdSchema,
  steps: z.array(stepSchema).min(1).max(60),
  timesPerHour: z.number().min(0).max(100_000),
})
/** One step: a command, pointing, typing or waiting. */
export type RoutineStep = z.infer<typeof stepSchema>
/** Steps that are done in a row, with how often an hour. */
export type Routine = z.infer<typeof routineSchema>
