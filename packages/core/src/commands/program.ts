import { z } from '../zod.js'
import { programIdSchema } from '../ids.js'
import { chordSchema, modifiers } from '../triggers/index.js'

/** A mode of a program. */
export const contextSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  /** text can be typed here, so a key that types a character does so */
  typing: z.boolean(),
  /** ids of contexts of the same program that can be live at the same time as this one */
  overlaps: z.array(z.string()).max(100),
  /** live together with every other context, such as a panel that stays open */
  everywhere: z.boolean().optional(),
})
/** A mode of a program in which a set of commands is live. */
export type Context = z.infer<typeof contextSchema>

export const programSchema = z.strictObject({
  id: programIdSchema,
  name: z.string().min(1).max(120),
  contexts: z.array(contextSchema).min(1).max(100),
  /** opens the program's menus, which are then walked by the first letters of their entries */
  menuChord: chordSchema.optional(),
  /** it runs in a web browser, which keeps some keys for itself, */
  /** or in a terminal, which sends octets and not keys */
  host: z.enum(['browser', 'terminal']).optional(),
  /** it takes the keys that its host would use by default: cancels the browser's, turns off the terminal's line characters */
  takesHostKeys: z.boolean().optional(),
  /** it and its terminal speak an extended key protocol, by which every chord arrives */
  extendedKeys: z.boolean().optional(),
  /** its single keys rest while a text field has the focus */
  restsWhileTyping: z.boolean().optional(),
  /** which command a key runs is not known where one of a context and one that lives everywhere have it */
  contextsTie: z.boolean().optional(),
  /** acts of the pointer that it leaves free, such as `Control+wheel` */
  frees: z
    .array(z.string().regex(/^((Control|Shift|Alt|AltGraph|Meta)\+)*(main|menu|middle|wheel|back|forward)$/))
    .max(60)
    .optional(),
  /** whether its keys are those of characters or those of places on the board; places where left out */
  binds: z.enum(['characters', 'places']).optional(),
  /** what dragging with the pointer does, plain or with a modifier held */
  drags: z
    .array(
      z.strictObject({
        /** null for every context */
        contextId: z.string().min(1).nullable(),
        modifier: z.enum(modifiers).nullable(),
        does: z.string().min(1).max(80),
      }),
    )
    .max(60)
    .optional(),
})
/** A program, its contexts and its habits. */
export type Program = z.infer<typeof programSchema>

/** Whether two contexts of one program can be live together. A context overlaps itself; either side may say so. */
export function contextsOverlap(program: Program, a: string, b: string): boolean {
  if (a === b) return true
  const says = (one: string, other: string): boolean => {
    const context = program.contexts.find((c) => c.id === one)
    return context !== undefined && (context.everywhere === true || context.overlaps.includes(other))
  }
  return says(a, b) || says(b, a)
}
