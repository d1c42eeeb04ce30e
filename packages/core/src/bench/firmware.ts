import { z } from '../zod.js'
import { chordSchema, modifiers, refSchema } from '../triggers/index.js'

/** How a control opens a layer: while it is held, until it is pressed again, for one press, or by a long press only. */
export const layerOpenings = ['held', 'toggled', 'once', 'tap-and-hold'] as const
/** How a control opens a layer of its device. */
export type LayerOpening = (typeof layerOpenings)[number]

/** Time after which a key that does one thing when tapped and another when held counts as held, ms. Assumed; a common setting. */
export const usualTapHoldMs = 200
const tapHoldMsSchema = z.number().min(20).max(2000)

/** One layer of a device's firmware: what its controls send while it is open. A control that is left out falls through. */
const firmwareLayerSchema = z.strictObject({
  id: refSchema,
  name: z.string().min(1).max(80),
  openedBy: z
    .array(
      z.strictObject({
        controlId: refSchema,
        how: z.enum(layerOpenings),
        /** tap-and-hold: after how long it counts as held; 200 ms where left out */
        holdMs: tapHoldMsSchema.optional(),
      }),
    )
    .max(40),
  keys: z.array(z.strictObject({ controlId: refSchema, sends: z.array(chordSchema).min(1).max(8) })).max(400),
})
/** A layer of a device's firmware. */
export type FirmwareLayer = z.infer<typeof firmwareLayerSchema>

/** Layers of a device, each under an id of its own. */
export const firmwareLayersSchema = z
  .array(firmwareLayerSchema)
  .max(32)
  .refine((layers) => new Set(layers.map((l) => l.id)).size === layers.length, 'two layers have the same id')

/** Controls that type when tapped and hold a modifier when held. */
export const tapHoldsSchema = z
  .array(
    z.strictObject({
      controlId: refSchema,
      holds: z.enum(modifiers),
      holdMs: tapHoldMsSchema.optional(),
    }),
  )
  .max(100)
  .refine(
    (list) => new Set(list.map((t) => t.controlId)).size === list.length,
    'a control holds two modifiers',
  )
