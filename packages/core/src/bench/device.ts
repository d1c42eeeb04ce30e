import { z } from '../zod.js'
import { controlRef } from '../triggers/index.js'
import { boardControls, boardIds, boardName, bottomRows } from './boards.js'
import type { Control } from './control.js'
import { firmwareLayersSchema, tapHoldsSchema } from './firmware.js'
import { forceSchema } from './force.js'
import { drawnControls, drawnDeviceSchema, isPointing, type Page } from './drawn.js'

/** A catalogue keyboard. */
const boardDeviceSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  kind: z.literal('board'),
  board: z.enum(boardIds),
  bottomRow: z.enum(bottomRows),
  /** what F1 to F12 send as the firmware is set; a laptop's send media keys where left out, others their own */
  functionKeys: z.enum(['plain', 'media']).optional(),
  /** how hard its keys are to press; light where left out */
  force: forceSchema.optional(),
  /** layers of its firmware; none where left out */
  layers: firmwareLayersSchema.optional(),
  /** controls that type when tapped and hold a modifier when held; none where left out */
  tapHolds: tapHoldsSchema.optional(),
})

/** A thing on the desk with controls on it. A union on `kind`. */
export const deviceSchema = z.discriminatedUnion('kind', [boardDeviceSchema, drawnDeviceSchema])
/** A catalogued board or a device that the person drew. */
export type Device = z.infer<typeof deviceSchema>
/** A catalogued keyboard as a device of a plan. */
export type BoardDevice = z.infer<typeof boardDeviceSchema>

/** The controls of a device in its own axes, mm. */
export const deviceControls = (device: Device): Control[] =>
  device.kind === 'board' ? boardControls(device.board, device.bottomRow) : drawnControls(device)

/** What a device is, in words: the catalogue board, or the name of a drawn device. */
export const deviceTitle = (device: Device): string =>
  device.kind === 'board' ? boardName(device.board) : device.name

/** Whether a device is a keyboard: one of the catalogue, or one's own. */
export const isKeyboard = (device: Device): boolean => device.kind === 'board' || device.form === 'keyboard'

/** Whether the pointing hand works the device. */
export const isPointingDevice = (device: Device): boolean =>
  device.kind === 'drawn' && isPointing(device.form)

/** The pages of a device with screens; empty for every other device. */
export const pagesOf = (device: Device | undefined): readonly Page[] =>
  device?.kind === 'drawn' ? device.pages : []

/** Names of devices, controls without a code and pages, as `triggerName` looks them up. */
export function deviceLegends(devices: readonly Device[]): ReadonlyMap<string, string> {
  const legends = new Map<string, string>()
  const drawn = devices.filter((d) => d.kind === 'drawn')
  // with one device of a form its controls need no device before their names
  const forms = drawn.map((d) => d.form)
  for (const device of drawn) {
    const alone = forms.filter((f) => f === device.form).length === 1
    const prefix = alone ? formName[device.form] : device.name
    for (const control of device.controls)
      legends.set(controlRef(device.id, control.id), `${prefix} ${control.name || control.id}`.trim())
    for (const page of device.pages) legends.set(`${device.id}@${page.id}`, page.name)
  }
  return legends
}

const formName = {
  keyboard: 'key',
  keypad: 'keypad',
  pad: 'pad',
  deck: 'deck',
  tablet: 'tablet',
  pen: 'pen',
  mouse: 'mouse',
  trackball: 'trackball',
  touch: 'touch',
  other: 'device',
} as const
