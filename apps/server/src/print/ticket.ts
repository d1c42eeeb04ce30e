import { z } from 'zod'

export const ticketStates = [
  /** on its way to the printer */
  'sending',
  /** the printer has it and has not begun, or has been stopped */
  'waiting',
  'printing',
  'done',
  'cancelled',
  /** the printer has not printed it and will not */
  'failed',
  /** nobody knows: the line broke or the server was restarted while it was being sent */
  'unknown',
] as const
export type TicketState = (typeof ticketStates)[number]

const id = z.string().regex(/^[A-Za-z0-9-]{8,40}$/, 'must be 8 to 40 letters, digits or -')

export const ticketSchema = z.strictObject({
  ticket: id,
  printer: z.string().max(300),
  name: z.string().max(200),
  state: z.enum(ticketStates),
  /** what it says to the person; empty when all is well */
  message: z.string().max(1000),
  jobId: z.number().int().nullable(),
  pagesDone: z.number().nullable(),
  /** whether the document may have reached the printer */
  wasSent: z.boolean(),
})
/** One order to print, from the button to the paper. */
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
})
export type OrderQuery = z.infer<typeof orderSchema>

export const isSettled = (state: TicketState): boolean =>
  state === 'done' || state === 'cancelled' || state === 'failed'
