import { programIdSchema } from '../ids.js'
import { z } from '../zod.js'
import { refSchema, strokeCounts } from '../triggers/index.js'
import { controlTypes, type Control } from './control.js'
import { firmwareLayersSchema, tapHoldsSchema } from './firmware.js'
import { forceSchema } from './force.js'

const size = z.number().min(1).max(1000)
const position = z.number().min(-1000).max(2000)

/** One control of a drawn device; x and y are its centre from the device's back left corner, mm. */
export const drawnControlSchema = z.strictObject({
  id: refSchema,
  /** what the person calls it, or what is printed on it */
  name: z.string().max(40),
  type: z.enum(controlTypes),
  shape: z.enum(['rect', 'round']),
  xMm: position,
  yMm: position,
  widthMm: size,
  heightMm: size,
  /** how the cap is turned on its device, clockwise; upright where left out */
  turnDeg: z.number().min(-180).max(180).optional(),
  /** how far it lies above the device's other controls, as in a well; level with them where left out */
  zMm: z.number().min(-200).max(200).optional(),
  /** corners from the centre in the cap's own axes, where it is neither rectangle nor round */
  outlineMm: z
    .array(z.tuple([position, position]))
    .min(3)
    .max(60)
    .optional(),
  /** W3C code that it sends, or null when its driver is told what it does */
  code: z
    .string()
    .regex(/^[A-Z][A-Za-z0-9]{0,31}$/, 'must be a W3C key code such as Numpad7, or null')
    .nullable(),
  /** lies where the thumb works */
  thumb: z.boolean().optional(),
  /** its presses are clicks, its steps scroll: it carries commands only with modifiers held */
  clicks: z.boolean().optional(),
  /** fields only: directions that its strokes have */
  directions: z.literal(strokeCounts).optional(),
  /** dials and wheels: steps of one turn, where the person knows them */
  stepsPerTurn: z.number().int().min(1).max(1000).optional(),
  /** where a label goes, mm from the centre of the control; its whole face where left out */
  label: z.strictObject({ dxMm: position, dyMm: position, widthMm: size, heightMm: size }).optional(),
})
/** A control of a drawn device, in its own axes, mm. */
export type DrawnControl = z.infer<typeof drawnControlSchema>

/** A set of meanings that a device with screens shows at a time. */
export const pageSchema = z.strictObject({
  id: refSchema,
  name: z.string().min(1).max(80),
  /** the page comes up by itself when this program is in front */
  programId: programIdSchema.optional(),
  /** controls of this page that open another page, or go back to the one before */
  opens: z.array(z.strictObject({ controlId: refSchema, pageId: refSchema.nullable() })).max(100),
})
/** A page of a device with screens, perhaps bound to a program. */
export type Page = z.infer<typeof pageSchema>

/** What a drawn device is; the form decides which triggers it offers and which hand works it. */
export const deviceForms = [
  'keyboard',
  'keypad',
  'pad',
  'deck',
  'tablet',
  'pen',
  'mouse',
  'trackball',
  'touch',
  'other',
] as const
/** The form of a drawn device. */
export type DeviceForm = (typeof deviceForms)[number]

/** Forms that the pointing hand works; the others are for the hand on the keys. */
const pointingForms: readonly DeviceForm[] = ['pen', 'mouse', 'trackball']

/** A device that is drawn control by control: from the catalogue, or the person's own. */
export const drawnDeviceSchema = z
  .strictObject({
    id: refSchema,
    name: z.string().min(1).max(120),
    kind: z.literal('drawn'),
    form: z.enum(deviceForms),
    widthMm: size,
    heightMm: size,
    controls: z.array(drawnControlSchema).min(1).max(400),
    /** empty for a device that has no pages */
    pages: z.array(pageSchema).max(60),
    /** its driver changes all settings with the program in front; else a setting holds in every program without its own */
    isSetByProgram: z.boolean().optional(),
    /** keyboards: what F1 to F12 send as the firmware is set; themselves where left out */
    functionKeys: z.enum(['plain', 'media']).optional(),
    /** how hard its controls are to press; light where left out */
    force: forceSchema.optional(),
    /** layers of its firmware; none where left out */
    layers: firmwareLayersSchema.optional(),
    /** controls that type when tapped and hold a modifier when held; none where left out */
    tapHolds: tapHoldsSchema.optional(),
  })
  .refine((d) => new Set(d.controls.map((c) => c.id)).size === d.controls.length, {
    message: 'two controls have the same id',
    path: ['controls'],
  })
/** A device that the person drew, control by control. */
export type DrawnDevice = z.infer<typeof drawnDeviceSchema>

export const isPointing = (form: DeviceForm): boolean => pointingForms.includes(form)

/** The controls of a drawn device in its own axes. A thumb control counts as one of the bottom row. */
export const drawnControls = (device: DrawnDevice): Control[] =>
  device.controls.map((control) => {
    const { id, name, type, xMm, yMm, widthMm, heightMm, code } = control
    return {
      id,
      code,
      row: control.thumb === true ? 'bottom' : 'home',
      xMm,
      yMm,
      widthMm,
      heightMm,
      type,
      name,
      ...(control.turnDeg !== undefined && control.turnDeg !== 0 && { turnDeg: control.turnDeg }),
      ...(control.outlineMm && { outlineMm: control.outlineMm }),
      ...(control.zMm !== undefined && { zMm: control.zMm }),
      ...(control.shape === 'round' && { round: true }),
      ...(control.label && { label: control.label }),
      ...(control.clicks === true && { clicks: true }),
      ...(control.stepsPerTurn !== undefined && { stepsPerTurn: control.stepsPerTurn }),
      ...(control.directions !== undefined && { directions: control.directions }),
    }
  })
