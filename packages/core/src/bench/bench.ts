import { z } from 'zod'
import { CoreError } from '../errors.js'
import type { Control } from './control.js'
import { deviceControls, type Device } from './device.js'

const placedDeviceSchema = z.strictObject({
  deviceId: z.string().min(1),
  xMm: z.number().min(-5000).max(5000),
  yMm: z.number().min(-5000).max(5000),
})

export const handSides = ['left', 'right'] as const
export type HandSide = (typeof handSides)[number]

/** Spans that the model is drawn for, in mm: a little beyond the survey's 1 and 99 %. */
export const spanRangeMm = { min: 130, max: 260 } as const

const restingHandSchema = z.strictObject({
  side: z.enum(handSides),
  spanMm: z.number().min(spanRangeMm.min).max(spanRangeMm.max),
  deviceId: z.string().min(1),
  /** which control each fingertip rests on; the thumb's place follows from the index finger */
  rests: z.strictObject({
    index: z.string().min(1),
    middle: z.string().min(1),
    ring: z.string().min(1),
    little: z.string().min(1),
  }),
})
export type RestingHand = z.infer<typeof restingHandSchema>

/** Devices and resting hands laid out on the desk, in mm. */
export const benchSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  devices: z.array(placedDeviceSchema).min(1).max(40),
  hands: z.array(restingHandSchema).min(1).max(2),
})
export type Bench = z.infer<typeof benchSchema>

export const homeKeys: Readonly<Record<HandSide, RestingHand['rests']>> = {
  left: { index: 'KeyF', middle: 'KeyD', ring: 'KeyS', little: 'KeyA' },
  right: { index: 'KeyJ', middle: 'KeyK', ring: 'KeyL', little: 'Semicolon' },
}

/** A control at its place on the desk. */
export interface BenchControl extends Control {
  readonly deviceId: string
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
        mend: 'add the device to the plan or take it off the bench',
      })
    }
    return deviceControls(device).map((control) => ({
      ...control,
      deviceId: device.id,
      xMm: control.xMm + placed.xMm,
      yMm: control.yMm + placed.yMm,
    }))
  })
}
