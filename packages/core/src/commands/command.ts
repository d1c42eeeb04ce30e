import { z } from '../zod.js'
import { commandIdSchema, programIdSchema } from '../ids.js'
import { contextsOverlap, type Program } from './program.js'

/** Fires once; turns a state on or off; works while it is held; steps a value up and down. */
export const commandKinds = ['once', 'on-off', 'held', 'stepped'] as const

export const damageLevels = ['nuisance', 'rework', 'loss'] as const
/** What a slip costs: a moment; work that has to be done again; something that cannot be had back. */
export type DamageLevel = (typeof damageLevels)[number]

/** The links of the person's own between a sign and a command. */
export const hintKinds = ['idea', 'shape'] as const
/** A link of the person's own: an idea that the sign stands for, or a shape that it looks like. */
const hintSchema = z.strictObject({
  /** the letter or sign printed on the key */
  sign: z.string().min(1).max(12),
  kind: z.enum(hintKinds),
  why: z.string().max(120),
})
/** A link of the person's own between a sign and a command. */
export type Hint = z.infer<typeof hintSchema>

/** A command as it stands in a plan file. */
export const commandSchema = z.strictObject({
  id: commandIdSchema,
  programId: programIdSchema,
  /** contexts that the command lives in; none means everywhere in its program */
  contextIds: z.array(z.string()).max(100),
  name: z.string().min(1).max(120),
  /** path in the program's menus, outermost first; empty when it is in no menu */
  menu: z.array(z.string().min(1).max(120)).max(8),
  usesPerHour: z.number().min(0).max(100_000),
  /** how sure the rate is, as the spread of its logarithm: by the width of a pile or a tally; a guess where left out */
  rateSpread: z.number().min(0).max(3).optional(),
  /** id of the command that undoes or reverses this one */
  oppositeId: commandIdSchema.optional(),
  /** commands that belong together with this one */
  siblingIds: z.array(commandIdSchema).max(50).optional(),
  /** what sets it apart from commands of the same name: brush 3 of twelve */
  parameter: z.string().min(1).max(60).optional(),
  /** `once` where left out */
  kind: z.enum(commandKinds).optional(),
  damage: z
    .strictObject({
      level: z.enum(damageLevels),
      /** how to get out of it */
      wayOut: z.string().max(300),
    })
    .optional(),
  /** the standard action that it is, by the person's word; `none`: it is no such action; told by its name where left out */
  standard: z.string().min(1).max(60).optional(),
  /** name of an icon of the icon package */
  icon: z
    .string()
    .regex(/^[a-z][a-z0-9-]{0,60}$/, 'must be the name of an icon, such as map-pin')
    .optional(),
  /** links that the person sees between the command and a sign on a key */
  hints: z.array(hintSchema).max(12).optional(),
  /** short text for labels, where the person has written one */
  label: z.string().min(1).max(60).optional(),
  note: z.string().max(2000).optional(),
})
/** A command of a program: name, menu path, contexts, kind, what a slip costs. */
export type Command = z.infer<typeof commandSchema>

/** The name with what sets it apart: `Brush, 3 of 12`. */
export const fullName = (command: Pick<Command, 'name' | 'parameter'>): string =>
  command.parameter === undefined ? command.name : `${command.name}, ${command.parameter}`

/** Contexts that a command is live in: its own, or all of its program's. */
export const liveContexts = (command: Command, program: Program): readonly string[] =>
  command.contextIds.length > 0 ? command.contextIds : program.contexts.map((c) => c.id)

/** Where a command lives, in words: the names of its contexts, or "everywhere". */
export const contextsInWords = (command: Command, program: Program | undefined): string =>
  command.contextIds.map((id) => program?.contexts.find((c) => c.id === id)?.name ?? id).join(', ') ||
  'everywhere'

/** Whether a command is live in a context of its program, or in any of them when `contextId` is null. */
export const isLiveIn = (command: Command, program: Program, contextId: string | null): boolean =>
  command.programId === program.id &&
  (contextId === null || liveContexts(command, program).includes(contextId))

/** Whether a command is live in every context of its program. */
export const livesEverywhere = (command: Command, program: Program): boolean =>
  liveContexts(command, program).length === program.contexts.length

/** Whether one press can mean both commands: same program, and contexts that can be live together. */
export function canBeLiveTogether(a: Command, b: Command, program: Program): boolean {
  if (a.programId !== b.programId) return false
  return liveContexts(a, program).some((x) =>
    liveContexts(b, program).some((y) => contextsOverlap(program, x, y)),
  )
}

/** Those of some commands that can be live at the same time as one of their rivals. */
export const liveWithAny = (
  commands: readonly Command[],
  rivals: readonly Command[],
  program: Program,
): Command[] => commands.filter((a) => rivals.some((b) => canBeLiveTogether(a, b, program)))
