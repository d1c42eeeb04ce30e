import {
  deviceSizeMm,
  footprint,
  mirrorBench,
  type Bench,
  type Device,
  type PlacedDevice,
  type RestingHand,
} from '../../bench/index.js'
import { freshId } from '../ids.js'
import { activeBench } from '../access.js'
import type { Plan } from '../plan.js'
import { edit, editWith } from './edit.js'

/** A device of the plan. */
export const deviceOf = (plan: Plan, id: string): Device | undefined => plan.devices.find((d) => d.id === id)

export const idsOf = (list: readonly { readonly id: string }[]): Set<string> => new Set(list.map((x) => x.id))

/** Room between a new device and what stands there, mm. */
const gapMm = 20

/** Puts a device of the plan on the bench, to the right of what stands there. */
export const putOnBench = edit(putOnBenchIn)

export function putOnBenchIn(plan: Plan, deviceId: string): void {
  const bench = activeBench(plan)
  if (bench.devices.some((d) => d.deviceId === deviceId)) return
  const right = Math.max(
    0,
    ...bench.devices.map((p) => {
      const device = deviceOf(plan, p.deviceId)
      return device ? footprint(p, device).x1 : 0
    }),
  )
  bench.devices.push({
    deviceId,
    xMm: Math.round(right + gapMm),
    yMm: 0,
    turnDeg: 0,
    mirrored: false,
    heightMm: 0,
  })
}

/** A deep copy of plain data, which an immer draft is not. */
export const structuredCopy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Whether a device can be taken off: a hand is at home on it, or it is the last. */
export const isNeeded = (bench: Bench, deviceId: string): boolean =>
  bench.devices.length === 1 || bench.hands.some((h) => h.deviceId === deviceId)

/** Takes a device off the bench in front, unless it is needed there. */
export const takeOffBench = edit((plan: Plan, deviceId: string) => {
  const bench = activeBench(plan)
  if (isNeeded(bench, deviceId)) return
  bench.devices = bench.devices.filter((d) => d.deviceId !== deviceId)
})

/** Moves, turns, mirrors or raises a device on the bench in front; mm and degrees. */
export const moveDevice = edit(
  (plan: Plan, deviceId: string, change: Partial<Omit<PlacedDevice, 'deviceId'>>) => {
    const placed = activeBench(plan).devices.find((d) => d.deviceId === deviceId)
    if (placed) Object.assign(placed, change)
  },
)

/** Turns a device about its middle, so that it stays where it is. */
export const turnDevice = edit((plan: Plan, deviceId: string, turnDeg: number) => {
  const placed = activeBench(plan).devices.find((d) => d.deviceId === deviceId)
  const device = deviceOf(plan, deviceId)
  if (!placed || !device) return
  const { widthMm, heightMm } = deviceSizeMm(device)
  const middle = (deg: number): readonly [number, number] => {
    const a = (deg * Math.PI) / 180
    return [
      (widthMm / 2) * Math.cos(a) - (heightMm / 2) * Math.sin(a),
      (widthMm / 2) * Math.sin(a) + (heightMm / 2) * Math.cos(a),
    ]
  }
  const [x0, y0] = middle(placed.turnDeg)
  const [x1, y1] = middle(turnDeg)
  placed.xMm += x0 - x1
  placed.yMm += y0 - y1
  placed.turnDeg = turnDeg
})

/** Makes the bench in front one for the other hand. */
export const mirrorActiveBench = edit((plan: Plan) => {
  Object.assign(activeBench(plan), mirrorBench(structuredCopy(activeBench(plan)), plan.devices))
})

/** Adds a bench, a copy or one with the home device alone, and brings it to the front. */
export const addBench = editWith((plan: Plan, name: string, from: Bench | null): string => {
  const id = freshId(name, idsOf(plan.benches))
  const source = structuredCopy(from ?? activeBench(plan))
  const hand = source.hands[0] as RestingHand
  const home = source.devices.filter((d) => d.deviceId === hand.deviceId)
  plan.benches.push(from ? { ...source, id, name } : { id, name, devices: home, hands: [hand] })
  plan.activeBenchId = id
  return id
})

/** Deletes a bench; the last one stays. */
export const deleteBench = edit((plan: Plan, id: string) => {
  if (plan.benches.length === 1) return
  plan.benches = plan.benches.filter((b) => b.id !== id)
  for (const arrangement of plan.arrangements)
    arrangement.placements = arrangement.placements.filter((p) => p.benchId !== id)
  if (plan.activeBenchId === id) plan.activeBenchId = (plan.benches[0] as Bench).id
})

/** Renames a bench; an empty name changes nothing. */
export const renameBench = edit((plan: Plan, id: string, name: string) => {
  const bench = plan.benches.find((b) => b.id === id)
  if (bench && name.trim() !== '') bench.name = name.trim().slice(0, 120)
})

/** The device that the pointing hand holds on the bench in front. */
export const setPointing = edit((plan: Plan, deviceId: string) => {
  activeBench(plan).pointingId = deviceId
})
