import {
  defaultRests,
  deviceFromModel,
  deviceSizeMm,
  footprint,
  freshId,
  handOnBench,
  mirrorBench,
  splitSpot,
  benchControls,
  type Bench,
  type BoardId,
  type Device,
  type DeviceModel,
  type HandFit,
  type HandSide,
  type PlacedDevice,
  type Plan,
  type RestingHand,
} from '@reach-plot/core'

/** Edits of benches and of what stands on them, as recipes on an immer draft. */
const activeOf = (plan: Plan): Bench =>
  plan.benches.find((b) => b.id === plan.activeBenchId) ?? (plan.benches[0] as Bench)

const deviceOf = (plan: Plan, id: string): Device | undefined => plan.devices.find((d) => d.id === id)

const idsOf = (list: readonly { readonly id: string }[]): Set<string> => new Set(list.map((x) => x.id))

/** Room between a new device and what stands there, mm. */
const gapMm = 20

/** Puts a device of the plan on the bench, to the right of what stands there. */
export function putOnBench(plan: Plan, deviceId: string): void {
  const bench = activeOf(plan)
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

/** Adds a device of the catalogue to the plan and puts it on the bench; gives back its id. */
export function addModel(plan: Plan, model: DeviceModel): string {
  const id = freshId(model.id, idsOf(plan.devices))
  const same = plan.devices.filter((d) => d.name === model.name || d.name.startsWith(`${model.name} `)).length
  plan.devices.push(deviceFromModel(model, id, same > 0 ? `${model.name} ${same + 1}` : model.name))
  putOnBench(plan, id)
  return id
}

export function addBoard(plan: Plan, board: BoardId, name: string): string {
  const id = freshId(board, idsOf(plan.devices))
  plan.devices.push({ id, name, kind: 'board', board, bottomRow: 'windows' })
  putOnBench(plan, id)
  return id
}

/** Adds a device that is there already, such as one that was imported; its id is made new where it is taken. */
export function addDevice(plan: Plan, device: Device): string {
  const id = freshId(device.id, idsOf(plan.devices))
  plan.devices.push({ ...device, id })
  putOnBench(plan, id)
  return id
}

export function copyDevice(plan: Plan, id: string): string | null {
  const device = deviceOf(plan, id)
  return device ? addDevice(plan, { ...structuredCopy(device), name: `${device.name}, copy` }) : null
}

/** A deep copy of plain data, which an immer draft is not. */
const structuredCopy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Whether a device can be taken off: a hand is at home on it, or it is the last. */
export const isNeeded = (bench: Bench, deviceId: string): boolean =>
  bench.devices.length === 1 || bench.hands.some((h) => h.deviceId === deviceId)

export function takeOffBench(plan: Plan, deviceId: string): void {
  const bench = activeOf(plan)
  if (isNeeded(bench, deviceId)) return
  bench.devices = bench.devices.filter((d) => d.deviceId !== deviceId)
}

/** Takes a device out of the plan, off all benches. Triggers on it stay in the arrangements, as ones that are lacking. */
export function deleteDevice(plan: Plan, id: string): void {
  if (plan.benches.some((b) => b.devices.some((d) => d.deviceId === id) && isNeeded(b, id))) return
  plan.devices = plan.devices.filter((d) => d.id !== id)
  for (const bench of plan.benches) bench.devices = bench.devices.filter((d) => d.deviceId !== id)
  // another device may get its id
  plan.labels.keys = plan.labels.keys.filter((key) => splitSpot(key.controlId).deviceId !== id)
}

export function moveDevice(
  plan: Plan,
  deviceId: string,
  change: Partial<Omit<PlacedDevice, 'deviceId'>>,
): void {
  const placed = activeOf(plan).devices.find((d) => d.deviceId === deviceId)
  if (placed) Object.assign(placed, change)
}

/** Turns a device about its middle, so that it stays where it is. */
export function turnDevice(plan: Plan, deviceId: string, turnDeg: number): void {
  const placed = activeOf(plan).devices.find((d) => d.deviceId === deviceId)
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
}

export function mirrorActiveBench(plan: Plan): void {
  Object.assign(activeOf(plan), mirrorBench(structuredCopy(activeOf(plan)), plan.devices))
}

export function addBench(plan: Plan, name: string, from: Bench | null): void {
  const id = freshId(name, idsOf(plan.benches))
  const source = structuredCopy(from ?? activeOf(plan))
  const hand = source.hands[0] as RestingHand
  const home = source.devices.filter((d) => d.deviceId === hand.deviceId)
  plan.benches.push(from ? { ...source, id, name } : { id, name, devices: home, hands: [hand] })
  plan.activeBenchId = id
}

export function deleteBench(plan: Plan, id: string): void {
  if (plan.benches.length === 1) return
  plan.benches = plan.benches.filter((b) => b.id !== id)
  if (plan.activeBenchId === id) plan.activeBenchId = (plan.benches[0] as Bench).id
}

/** Makes a device the home of the hand, with the fingertips where they rested there before, or by default. */
export function setHome(plan: Plan, deviceId: string): void {
  const hand = activeOf(plan).hands[0]
  const device = deviceOf(plan, deviceId)
  if (!hand || !device || hand.deviceId === deviceId) return
  const others = { ...hand.otherRests, [hand.deviceId]: { ...hand.rests } }
  hand.rests = { ...(others[deviceId] ?? defaultRests(device, hand.side)) }
  hand.deviceId = deviceId
  hand.otherRests = Object.fromEntries(Object.entries(others).filter(([id]) => id !== deviceId))
}

export function setRest(plan: Plan, finger: keyof RestingHand['rests'], controlId: string): void {
  const hand = activeOf(plan).hands[0]
  if (hand) hand.rests[finger] = controlId
}

export function setSide(plan: Plan, side: HandSide): void {
  const hand = activeOf(plan).hands[0]
  const device = hand && deviceOf(plan, hand.deviceId)
  if (!hand || !device) return
  hand.side = side
  hand.rests = defaultRests(device, side)
  delete hand.otherRests
}

/** After controls were changed or taken away: fingertips that rest on nothing go to the default place. */
export function mendRests(plan: Plan): void {
  for (const bench of plan.benches) {
    const ids = new Set(benchControls(bench, plan.devices).map((c) => c.id))
    for (const hand of bench.hands) {
      const device = deviceOf(plan, hand.deviceId)
      if (device && Object.values(handOnBench(hand).rests).some((id) => !ids.has(id)))
        hand.rests = defaultRests(device, hand.side)
    }
  }
}

/** Takes over a person's own constants, or goes back to the usual hand with null. */
export function setFit(plan: Plan, fit: HandFit | null): void {
  const hand = activeOf(plan).hands[0]
  if (!hand) return
  if (fit) hand.fit = fit
  else delete hand.fit
}

export function setSpan(plan: Plan, spanMm: number): void {
  const hand = activeOf(plan).hands[0]
  if (hand) hand.spanMm = spanMm
}
