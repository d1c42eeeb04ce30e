import { z } from 'zod'

export const ticketStates = [
  /** on its way to the printer */
  'sending',
  /** the printer has it and has not begun, or has been stopped */
  'waiting',
  'printing',
  'done',
  'cancelled',
  /** the printer has not printed all of it and will not */
  'failed',
  /** nobody knows: the line broke, or the server or the printer was restarted in the middle of it */
  'unknown',
] as const
export type TicketState = (typeof ticketStates)[number]

const id = z.string().regex(/^[A-Za-z0-9-]{8,40}$/, 'must be 8 to 40 letters, digits or -')

const mostMessage = 1000

/**
 * One order to print, from the button to the paper. All but its number is read as far as it can be: what cannot be read
 * any more counts as not known, and what is not known is never printed again unasked.
 */
export const ticketSchema = z.object({
  ticket: id,
  printer: z.string().max(300).catch(''),
  name: z.string().max(200).catch(''),
  state: z.enum(ticketStates).catch('unknown'),
  /** what it says to the person; empty when all is well */
  message: z
    .string()
    .transform((text) => text.slice(0, mostMessage))
    .catch(''),
  jobId: z.number().int().nullable().catch(null),
  /** pages that were out when the printer last answered */
  pagesDone: z.number().nullable().catch(null),
  /** whether the document of this attempt may have reached the printer */
  wasSent: z.boolean().catch(true),
  /** from 1; a further one is only made on the person's word */
  attempt: z.number().int().min(1).catch(1),
  /** when it last changed, ms since 1970 */
  changedAt: z.number().catch(() => Date.now()),
})
export type Ticket = z.infer<typeof ticketSchema>

/** What comes with a document. */
export const orderSchema = z.strictObject({
  ticket: id,
  printer: z.string().min(1).max(300),
  name: z.string().min(1).max(200),
  media: z.string().min(1).max(100),
  widthMm: z.coerce.number().min(1).max(3000),
  heightMm: z.coerce.number().min(1).max(3000),
  copies: z.coerce.number().int().min(1).max(99).default(1),
  sides: z.literal('two-sided-short-edge').optional(),
  /** the person has looked, and wants it printed again whatever came out */
  again: z
    .enum(['true', 'false'])
    .default('false')
    .transform((word) => word === 'true'),
})
export type OrderQuery = z.infer<typeof orderSchema>

export const isSettled = (state: TicketState): boolean =>
  state === 'done' || state === 'cancelled' || state === 'failed'
