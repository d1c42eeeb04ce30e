import { z } from 'zod'
import { CoreError } from '../errors.js'
import { isModifier, modifiers, sortModifiers, type Modifier } from './modifiers.js'

/** Held modifiers and one key, named by its W3C UI Events `code`. */
export const chordSchema = z.strictObject({
  kind: z.literal('chord'),
  modifiers: z.array(z.enum(modifiers)).max(modifiers.length),
  code: z.string().regex(/^[A-Z][A-Za-z0-9]{0,31}$/, 'must be a W3C key code such as KeyH'),
})

/** A physical act that can carry a command. A union on `kind`, so that a new kind does not change the old ones. */
export const triggerSchema = z.discriminatedUnion('kind', [chordSchema])
export type Trigger = z.infer<typeof triggerSchema>

export const chord = (code: string, held: readonly Modifier[] = []): Trigger => ({
  kind: 'chord',
  modifiers: sortModifiers(held),
  code,
})

/** One string for each distinct trigger: `Control+Shift+KeyU`. `parseTrigger` reads it back. */
export const triggerKey = (trigger: Trigger): string =>
  [...sortModifiers(trigger.modifiers), trigger.code].join('+')

/**
 * Reads `Control+Shift+KeyU`: modifiers in any order, the key's W3C code last.
 * @throws CoreError `TRIGGER_UNREADABLE`
 */
export function parseTrigger(text: string, where: readonly (string | number)[] = ['trigger']): Trigger {
  const parts = text.split('+').map((part) => part.trim())
  const code = parts.at(-1) ?? ''
  const held = parts.slice(0, -1)
  const parsed = chordSchema.safeParse({ kind: 'chord', modifiers: held.filter(isModifier), code })
  if (!parsed.success || held.some((name) => !isModifier(name)) || isModifier(code)) {
    throw new CoreError('TRIGGER_UNREADABLE', {
      where,
      what: `"${text.slice(0, 60)}" is no trigger`,
      mend: `write ${modifiers.join(', ')} and a key code, joined by +, such as Control+Shift+KeyU`,
    })
  }
  return chord(code, held.filter(isModifier))
}
