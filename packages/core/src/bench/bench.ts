import { z } from '../zod.js'
import { CoreError } from '../errors.js'
import { controlRef } from '../triggers/index.js'
import type { Control } from './control.js'
import { ownLimitsSchema, ownReachSchema } from './own-limits.js'
import { deviceControls, isPointingDevice, type Device } from './device.js'

const placedDeviceSchema = z.strictObject({
  deviceId: z.string().min(1),
  /** where the device's back left corner lies on the desk, before it is turned about it */
  xMm: z.number().min(-5000).max(5000),
  yMm: z.number().min(-5000).max(5000),
  /** clockwise as seen from above, about the device's back left corner */
  turnDeg: z.number().min(-180).max(180),
  /** reflected left to right, as a device for the other hand is */
  mirrored: z.boolean(),
  /** how far its controls lie above the desk beside those of a device that stands on it */
  heightMm: z.number().min(-300).max(300),
})
/** Where a device stands on the desk, mm, and how it is turned, degrees clockwise. */
export type PlacedDevice = z.infer<typeof placedDeviceSchema>

/** Left and right, as the person has them. */
export const handSides = ['left', 'right'] as const
/** Left or right. */
export type HandSide = (typeof handSides)[number]

/** Spans that the model is drawn for, in mm: a little beyond the survey's 1 and 99 %. */
export const spanRangeMm = { min: 130, max: 260 } as const

const restsSchema = z.strictObject({
  /** where the thumb rests; along the space bar, inward of the index finger, where left out */
  thumb: z.string().min(1).optional(),
  index: z.string().min(1),
  middle: z.string().min(1),
  ring: z.string().min(1),
  little: z.string().min(1),
})

/** Constants of one person, fitted to their own presses. */
const handFitSchema = z.strictObject({
  /** a press under the finger, ms: the intercept of Fitts's line */
  pressMs: z.number().min(20).max(1000),
  /** slope of Fitts's line for the whole hand, ms a bit */
  msPerBit: z.number().min(5).max(1000),
  /** slope of each finger over that of the hand */
  fingerFactors: z.record(z.string(), z.number().min(0.1).max(10)),
  /** presses that the fit rests on, and how far they lie from it, ms (root mean square) */
  presses: z.number().int().min(1).max(10_000),
  residualMs: z.number().min(0).max(1000),
})
export type HandFit = z.infer<typeof handFitSchema>

const restingHandSchema = z.strictObject({
  /** whose hand, where several people or both hands rest on one bench */
  name: z.string().min(1).max(80).optional(),
  side: z.enum(handSides),
  spanMm: z.number().min(spanRangeMm.min).max(spanRangeMm.max),
  /** the device on which the hand is at home */
  deviceId: z.string().min(1),
  /** which of its controls each fingertip rests on; the thumb's place follows from the index finger */
  rests: restsSchema,
  /** where the fingertips rest when another device of the bench is the home, by device id */
  otherRests: z.record(z.string(), restsSchema).optional(),
  /** left out while the hand is taken for an average one */
  fit: handFitSchema.optional(),
  /** how the reach differs from the average hand's, from the person's answers */
  reach: ownReachSchema.optional(),
  /** what the person spares the hand */
  limits: ownLimitsSchema.optional(),
})
/** A hand, where each finger rests, its span in mm and its fitted constants. */
export type RestingHand = z.infer<typeof restingHandSchema>

/** A chord that was pressed on the machine itself: the strongest evidence there is. */
const probeSchema = z.strictObject({
  /** `triggerKey` of the chord */
  chord: z.string().min(1).max(80),
  system: z.string().min(1).max(20),
  result: z.enum(['arrives', 'swallowed']),
})
/** A press tried on the machine itself and what became of it. */
export type Probe = z.infer<typeof probeSchema>

/** Devices and resting hands laid out on the desk, in mm. */
export const benchSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  devices: z.array(placedDeviceSchema).min(1).max(40),
  /** each with its own profile; the first is the one that places are judged for */
  hands: z.array(restingHandSchema).min(1).max(4),
  /** the device that the pointing hand holds; the first of its devices where left out */
  pointingId: z.string().min(1).optional(),
  /** what happened to chords that were pressed on this bench's machine */
  probes: z.array(probeSchema).max(2000).optional(),
})
/** Devices and resting hands as they stand on one desk, mm. */
export type Bench = z.infer<typeof benchSchema>

/** The fingers beside the thumb. */
export type LongFinger = 'index' | 'middle' | 'ring' | 'little'

/** The keys on which the fingers of each hand rest in touch typing (common practice), by KeyboardEvent `code`. */
export const homeKeys: Readonly<Record<HandSide, Readonly<Record<LongFinger, string>>>> = {
  left: { index: 'KeyF', middle: 'KeyD', ring: 'KeyS', little: 'KeyA' },
  right: { index: 'KeyJ', middle: 'KeyK', ring: 'KeyL', little: 'Semicolon' },
}

/** A control at its place on the desk; its id is `device/control`. */
export interface BenchControl extends Control {
  readonly deviceId: string
  readonly controlId: string
  /** turn of the cap on the desk, of its device and its own; x, y, width and height are on the desk's axes already */
  readonly turnDeg: number
  /** sizes of the cap in the device's axes, for drawing */
  readonly capWidthMm: number
  readonly capHeightMm: number
  readonly pointing: boolean
}

/** A point of a device on the desk, mm. */
export function onDesk(
  placed: PlacedDevice,
  xMm: number,
  yMm: number,
  widthMm = 0,
): { xMm: number; yMm: number } {
  const angle = (placed.turnDeg * Math.PI) / 180
  const x = placed.mirrored ? widthMm - xMm : xMm
  return {
    xMm: placed.xMm + x * Math.cos(angle) - yMm * Math.sin(angle),
    yMm: placed.yMm + x * Math.sin(angle) + yMm * Math.cos(angle),
  }
}

/** Width and depth of a device in its own axes, mm: its outline, or the keys of a board. */
export function deviceSizeMm(device: Device): { readonly widthMm: number; readonly heightMm: number } {
  if (device.kind === 'drawn') return { widthMm: device.widthMm, heightMm: device.heightMm }
  const controls = deviceControls(device)
  return {
    widthMm: Math.max(...controls.map((c) => c.xMm + c.widthMm / 2)),
    heightMm: Math.max(...controls.map((c) => c.yMm + c.heightMm / 2)),
  }
}

/**
 * All controls of a bench at their places on the desk, mm.
 * @throws CoreError `DEVICE_MISSING` when the bench names a device that `devices` does not have
 */
export function benchControls(bench: Bench, devices: readonly Device[]): BenchControl[] {
  return bench.devices.flatMap((placed) => {
    const device = devices.find((d) => d.id === placed.deviceId)
    if (!device) {
      throw new CoreError('DEVICE_MISSING', {
        where: ['benches', bench.name, 'devices'],
        what: `the bench names the device "${placed.deviceId}", which the plan does not have`,
        remedy: 'add the device to the plan or take it off the bench',
      })
    }
    const { widthMm } = deviceSizeMm(device)
    const pointing = isPointingDevice(device)
    const inHand = device.id === inPointingHand(bench, devices)
    return deviceControls(device).map((control) => ({
      ...control,
      ...onDesk(placed, control.xMm, control.yMm, widthMm),
      id: controlRef(device.id, control.id),
      controlId: control.id,
      deviceId: device.id,
      ...turnedCap(control, placed),
      zMm: placed.heightMm + (control.zMm ?? 0),
      capWidthMm: control.widthMm,
      capHeightMm: control.heightMm,
      pointing,
      ...(pointing && { inHand }),
    }))
  })
}

/** How a cap lies on the desk, and the sides of an upright box in it: exact at right angles, inside the cap once it is inset. */
function turnedCap(
  { widthMm, heightMm, turnDeg = 0 }: Control,
  placed: PlacedDevice,
): Pick<BenchControl, 'turnDeg' | 'widthMm' | 'heightMm'> {
  const turn = placed.turnDeg + (placed.mirrored ? -turnDeg : turnDeg)
  const angle = (turn * Math.PI) / 180
  const [across, along] = [Math.cos(angle) ** 2, Math.sin(angle) ** 2]
  return {
    turnDeg: turn,
    widthMm: widthMm * across + heightMm * along,
    heightMm: heightMm * across + widthMm * along,
  }
}

/** The device that the pointing hand holds, or null when the bench has none. */
export function inPointingHand(bench: Bench, devices: readonly Device[]): string | null {
  const ids = bench.devices.flatMap(({ deviceId }) => {
    const device = devices.find((d) => d.id === deviceId)
    return device && isPointingDevice(device) ? [device.id] : []
  })
  return ids.find((id) => id === bench.pointingId) ?? ids[0] ?? null
}

/** The controls that a hand rests on, from the thumb on. */
export const restIds = ({ thumb, index, middle, ring, little }: RestingHand['rests']): string[] => [
  ...(thumb === undefined ? [] : [thumb]),
  index,
  middle,
  ring,
  little,
]

/** The resting hand in ids of the bench, as the hand model takes it. */
export const handOnBench = (
  hand: RestingHand,
): Pick<RestingHand, 'side' | 'spanMm' | 'rests' | 'fit' | 'reach' | 'limits'> & {
  readonly thumbRest: string
} => ({
  side: hand.side,
  spanMm: hand.spanMm,
  ...(hand.fit && { fit: hand.fit }),
  ...(hand.reach && { reach: hand.reach }),
  ...(hand.limits && { limits: hand.limits }),
  rests: {
    index: controlRef(hand.deviceId, hand.rests.index),
    middle: controlRef(hand.deviceId, hand.rests.middle),
    ring: controlRef(hand.deviceId, hand.rests.ring),
    little: controlRef(hand.deviceId, hand.rests.little),
    ...(hand.rests.thumb !== undefined && { thumb: controlRef(hand.deviceId, hand.rests.thumb) }),
  },
  thumbRest: controlRef(hand.deviceId, 'Space'),
})

/** The controls that the hand on the keys may take: all but those of the pointing hand. */
export const keyControls = <C extends Control>(controls: readonly C[]): C[] =>
  controls.filter((c) => c.pointing !== true)
