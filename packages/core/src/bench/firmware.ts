import { z } from '../zod.js'
import { chordSchema, refSchema } from '../triggers/index.js'

/** How a control opens a layer: while it is held, until it is pressed again, for one press, or by a long press only. */
const layerOpenings = ['held', 'toggled', 'once', 'tap-and-hold'] as const

/** One layer of a device's firmware: what its controls send while it is open. A control that is left out falls through. */
const firmwareLayerSchema = z.strictObject({
  id: refSchema,
  name: z.string().min(1).max(80),
  openedBy: z.array(z.strictObject({ controlId: refSchema, how: z.enum(layerOpenings) })).max(40),
  keys: z.array(z.strictObject({ controlId: refSchema, sends: z.array(chordSchema).min(1).max(8) })).max(400),
})

/** Layers of a device, each under an id of its own. */
export const firmwareLayersSchema = z
  .array(firmwareLayerSchema)
  .max(32)
  .refine((layers) => new Set(layers.map((l) => l.id)).size === layers.length, 'two layers have the same id')
