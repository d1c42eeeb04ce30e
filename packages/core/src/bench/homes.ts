import { controlRef } from '../triggers/index.js'
import { benchControls, type Bench, type BenchControl, type RestingHand } from './bench.js'
import { isPointingDevice, type Device } from './device.js'
import { defaultRests } from './rests.js'

/** A device that a hand can be at home on, with where its fingertips rest. */
export interface Home {
  readonly deviceId: string
  /** ids on the bench */
  readonly rests: RestingHand['rests']
  /** middle of the four resting fingertips, mm */
  readonly xMm: number
  readonly yMm: number
  /** what the hand has to hit to be at home: the smaller side of a home key, mm */
  readonly targetMm: number
}

/** The hand's own home first, then every other device of the bench that it can rest on. */
export function homesOf(hand: RestingHand, bench: Bench, devices: readonly Device[]): Home[] {
  const controls = new Map(benchControls(bench, devices).map((c) => [c.id, c]))
  const own = bench.devices.find((d) => d.deviceId === hand.deviceId)
  const others = bench.devices.filter((d) => d !== own)
  return (own ? [own, ...others] : others).flatMap(({ deviceId }): Home[] => {
    const device = devices.find((d) => d.id === deviceId)
    if (!device || isPointingDevice(device)) return []
    const rests =
      deviceId === hand.deviceId
        ? hand.rests
        : (hand.otherRests?.[deviceId] ?? defaultRests(device, hand.side))
    const ids = {
      index: controlRef(deviceId, rests.index),
      middle: controlRef(deviceId, rests.middle),
      ring: controlRef(deviceId, rests.ring),
      little: controlRef(deviceId, rests.little),
    }
    const thumb = rests.thumb === undefined ? {} : { thumb: controlRef(deviceId, rests.thumb) }
    const tips = Object.values(ids).flatMap((id) => controls.get(id) ?? [])
    if (tips.length < 4) return []
    const mean = (pick: (c: BenchControl) => number): number => tips.reduce((sum, c) => sum + pick(c), 0) / 4
    return [
      {
        deviceId,
        rests: { ...ids, ...thumb },
        xMm: mean((c) => c.xMm),
        yMm: mean((c) => c.yMm),
        targetMm: Math.min(...tips.map((c) => Math.min(c.widthMm, c.heightMm))),
      },
    ]
  })
}

/** Where the pointing hand lies: the middle of what it holds of the device, and what it has to hit there. */
export interface PointerHold {
  readonly deviceId: string
  readonly xMm: number
  readonly yMm: number
  readonly targetMm: number
}

type Box = Pick<BenchControl, 'type' | 'xMm' | 'yMm' | 'widthMm' | 'heightMm'>

/**
 * What the hand holds of a pointing device: the body that its buttons and wheels stand on. The field that it is moved
 * over, which a drawing shows beside it, is none of it.
 */
export function bodyOf(controls: readonly Box[]): Omit<PointerHold, 'deviceId'> | null {
  const buttons = controls.filter((c) => c.type !== 'field')
  const held = buttons.length > 0 ? buttons : controls
  if (held.length === 0) return null
  const x0 = Math.min(...held.map((c) => c.xMm - c.widthMm / 2))
  const x1 = Math.max(...held.map((c) => c.xMm + c.widthMm / 2))
  const y0 = Math.min(...held.map((c) => c.yMm - c.heightMm / 2))
  const y1 = Math.max(...held.map((c) => c.yMm + c.heightMm / 2))
  return { xMm: (x0 + x1) / 2, yMm: (y0 + y1) / 2, targetMm: Math.min(x1 - x0, y1 - y0) }
}
