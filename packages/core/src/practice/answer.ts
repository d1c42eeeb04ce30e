import { z } from '../zod.js'
import { triggerSchema, type Trigger } from '../triggers/index.js'

/**
 * How a command is asked for: its name, for its key; its key, for its name; as a step of a routine; after a change of program; with the key
 * that it had before as a rival; with the bench hidden; its name, for the key that the program has by itself; by
 * what is to be done, without a name.
 */
export const askedKinds = [
  'key',
  'name',
  'routine',
  'switch',
  'contrast',
  'hidden',
  'default',
  'task',
] as const
export type AskedKind = (typeof askedKinds)[number]

/**
 * Whether an answer was a press of one's own key for a named command: that alone tells of slips and of times. A name chosen for a key is no press, a
 * program's own key is meant to be told from one's own, and in a task the command itself has to be found first.
 */
export const isOwnPress = ({ kind }: Pick<Answer, 'kind'>): boolean =>
  kind !== 'name' && kind !== 'default' && kind !== 'task'

/** Longer than this and the person was elsewhere, ms: the time of such an answer counts for nothing. Assumed. */
export const longestAnswerMs = 60_000

/** One answer of a practice session: a line of the record. */
export interface Answer {
  /** ms since 1970 */
  readonly time: number
  readonly commandId: string
  readonly trigger: Trigger
  readonly kind: AskedKind
  /** what was pressed instead; null when nothing was, or a name was asked for */
  readonly pressed: Trigger | null
  /** from the question to the answer */
  readonly ms: number
  readonly right: boolean
}

export const answerSchema = z.object({
  time: z.iso.datetime({ offset: true }),
  command: z.string().min(1).max(200),
  trigger: triggerSchema,
  kind: z.enum(askedKinds),
  pressed: triggerSchema.nullable(),
  ms: z.number().min(0).max(86_400_000),
  right: z.boolean(),
})
