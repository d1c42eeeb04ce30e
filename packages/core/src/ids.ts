import { z } from './zod.js'

declare const kind: unique symbol

/**
 * The id of a command. The mark is optional, so that any text can become an id where a file or a form brings one, but
 * the id of a command is never taken for that of a program.
 */
export type CommandId = string & { readonly [kind]?: 'CommandId' }
/** The id of a program; see `CommandId`. */
export type ProgramId = string & { readonly [kind]?: 'ProgramId' }

export const commandIdSchema = z.string().min(1).max(120) as unknown as z.ZodType<CommandId, CommandId>
export const programIdSchema = z.string().min(1).max(80) as unknown as z.ZodType<ProgramId, ProgramId>
