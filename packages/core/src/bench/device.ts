import { z } from 'zod'
import { boardControls, boardIds, bottomRows } from './boards.js'
import type { Control } from './control.js'

/** A catalogue keyboard. */
const boardDeviceSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  kind: z.literal('board'),
  board: z.enum(boardIds),
  bottomRow: z.enum(bottomRows),
})

/** A thing on the desk with controls on it. A union on `kind`. */
export const deviceSchema = z.discriminatedUnion('kind', [boardDeviceSchema])
export type Device = z.infer<typeof deviceSchema>

/** The controls of a device in its own axes, mm. */
export const deviceControls = (device: Device): Control[] => boardControls(device.board, device.bottomRow)
