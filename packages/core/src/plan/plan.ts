import { z } from '../zod.js'
import { followedSchema } from './followed.js'
import { ownFiguresSchema } from './own-figures.js'
import { benchSchema, deviceSchema } from '../bench/index.js'
import { commandSchema, programSchema, rulesSchema } from '../commands/index.js'
import { commandIdSchema, type CommandId } from '../ids.js'
import { labelDesignSchema } from '../label-design/index.js'
import { memorySchema } from '../mnemonics/index.js'
import { ownSystemKeysSchema } from '../systems/index.js'
import {
  chordSchema,
  popupSetSchema,
  systemIds,
  triggerSchema,
  type Chord,
  type Trigger,
} from '../triggers/index.js'
import { routineSchema, usageSchema } from '../usage/index.js'
import { placeWeightsSchema } from './weights.js'

/** The version of plan files that this core writes; older ones are migrated when read. */
export const planVersion = 8

/** How well menus are known: by heart (nothing is looked for), usual (one look a walk), seldom used (one a level). */
export const menuKnowledges = ['by heart', 'usual', 'seldom used'] as const
export type MenuKnowledge = (typeof menuKnowledges)[number]

/** Active hours a day where neither a log nor the person has told them. Assumed. */
export const defaultHoursPerDay = 2

const placementSchema = z.strictObject({
  commandId: commandIdSchema,
  trigger: triggerSchema,
  /** the relay: chords that the control sends, in order, for the program to interpret */
  sends: z.array(chordSchema).min(1).max(8).optional(),
  /** holds in these of its command's contexts only; in all of them where left out */
  contextIds: z.array(z.string().min(1)).min(1).max(100).optional(),
  /** commands that the same press runs after the first, in order: a chain */
  then: z.array(commandIdSchema).min(1).max(11).optional(),
  /** what a control waits between two chords that it sends, ms */
  waitMs: z.number().min(0).max(5000).optional(),
  /** holds on this bench alone, where another place of the command is not there; on every bench where left out */
  benchId: z.string().min(1).max(80).optional(),
})
/**
 * A command and a trigger. It holds in the contexts that the command lives in. Without a relay the program, or the
 * device's own driver, knows the trigger itself.
 */
export type Placement = z.infer<typeof placementSchema>

/** What of a placement anything that judges it needs. */
export interface Placed {
  readonly commandId: CommandId
  readonly trigger: Trigger
  readonly sends?: readonly Chord[] | undefined
  readonly contextIds?: readonly string[] | undefined
  readonly then?: readonly CommandId[] | undefined
  readonly waitMs?: number | undefined
  readonly benchId?: string | undefined
}

/** A finding that the person accepts: it stays listed, and comes back when other commands are concerned. */
const acceptedSchema = z.strictObject({
  clashId: z.string().min(1).max(400),
  commandIds: z.array(commandIdSchema).max(200),
  note: z.string().max(500),
})
/** A clash that the person accepts, with the reason. */
export type Accepted = z.infer<typeof acceptedSchema>

const arrangementSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  /** the programs' own triggers: can be copied, never edited, renamed or deleted */
  isDefault: z.boolean(),
  placements: z.array(placementSchema).max(50_000),
  popups: z.array(popupSetSchema).max(50),
  /** clashes that the person lives with, and why */
  accepted: z.array(acceptedSchema).max(5000),
  /** triggers that carry nothing for a while, since an old habit would do harm there; none where left out */
  leftEmpty: z
    .array(
      z.strictObject({
        trigger: triggerSchema,
        /** what stood there, to be put back */
        placements: z.array(placementSchema).min(1).max(50),
        /** when it was emptied, ms since 1970 */
        sinceTime: z.number().min(0),
      }),
    )
    .max(500)
    .optional(),
})
/** Which trigger runs which command. */
export type Arrangement = z.infer<typeof arrangementSchema>

/** Longer key files are given anew each time. Assumed. */
export const mostKeyFileText = 300_000

const keyFileSchema = z.strictObject({
  id: z.string().min(1).max(80),
  programId: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  /** the file as it was written last; its form is learned from it */
  text: z.string().max(mostKeyFileText),
})
/** A program's own key file, kept under a name: by it an arrangement is written in the program's own form. */
export type KeptKeyFile = z.infer<typeof keyFileSchema>

export const planSchema = z.strictObject({
  format: z.literal('reachplot-plan'),
  version: z.literal(planVersion),
  /** what a person keeps beside the plan is kept by this id */
  id: z.string().regex(/^[a-z0-9-]{1,80}$/, 'must be small letters, digits or -'),
  name: z.string().min(1).max(120),
  system: z.enum(systemIds),
  layoutId: z.string().min(1).max(40),
  /** another national layout that the person switches to */
  otherLayoutId: z.string().min(1).max(40).nullable(),
  /** the person's own settings of each system's keys, in place of those that ship */
  ownSystemKeys: ownSystemKeysSchema,
  /** an input method is in use, which takes keys before programs */
  inputMethod: z.enum(['ibus']).optional(),
  /** W3C code of the key that starts a Compose sequence */
  composeCode: z
    .string()
    .regex(/^[A-Z][A-Za-z0-9]{0,31}$/)
    .optional(),
  devices: z.array(deviceSchema).min(1).max(100),
  benches: z.array(benchSchema).min(1).max(50),
  programs: z.array(programSchema).max(100),
  commands: z.array(commandSchema).max(20_000),
  routines: z.array(routineSchema).max(500),
  /** active hours a day: time between commands, without pauses; counts where the person has said it */
  hoursPerDay: z.number().min(0.25).max(24),
  /** how well the person knows the menus; usual where left out */
  menusKnown: z.enum(menuKnowledges).optional(),
  /** the person has said the hours */
  hoursSaid: z.boolean().optional(),
  /** days in which a new place should have paid for learning it; 30 where left out */
  payBackDays: z.number().min(1).max(1000).optional(),
  /** what practice has measured of the person; nothing, and what is assumed counts, where left out */
  own: ownFiguresSchema.optional(),
  /** a team's standard that the plan follows; none where left out */
  standard: followedSchema.optional(),
  /** key files of programs; none where left out */
  keyFiles: z.array(keyFileSchema).max(50).optional(),
  usage: usageSchema.nullable(),
  /** what stays as it is, and keys that must not be used */
  rules: rulesSchema,
  /** what a place costs beside its time */
  weights: placeWeightsSchema,
  /** what names have in common and what is opposite, beside what the names tell */
  memory: memorySchema,
  /** how key labels are made, and what is printed on */
  labels: labelDesignSchema,
  arrangements: z.array(arrangementSchema).min(1).max(200),
  activeBenchId: z.string().min(1),
  activeArrangementId: z.string().min(1),
  /** the arrangement that is set on the machine now; null where none of them is */
  setNowArrangementId: z.string().min(1).nullable(),
})
/** Everything that a person's plan holds; the content of a `.reachplot.json` file. */
export type Plan = z.infer<typeof planSchema>

/** The published JSON Schema of the plan file (draft 2020-12), made from the schema that reads it. */
export const planJsonSchema = (): Record<string, unknown> => ({
  title: 'Reach Plot plan',
  ...z.toJSONSchema(planSchema, { target: 'draft-2020-12' }),
})
