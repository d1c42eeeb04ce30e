import {
  boardIds,
  deviceTitle,
  isKeyboard,
  boardName,
  defaultRests,
  deviceFromModel,
  deviceSizeMm,
  type BoardId,
  type Device,
  type DeviceModel,
  type DrawnDevice,
} from '../../bench/index.js'
import { activeBench } from '../access.js'
import { freshId } from '../ids.js'
import type { Plan } from '../plan.js'
import { deviceOf, idsOf } from './benches.js'
import { edit } from './edit.js'

/** Where devices stand on a desk that arranges itself, beside the keyboard of the hand at home. */
type Zone = 'beside the resting hand' | 'beside the pointing hand' | 'behind' | 'in front'

const zoneOf = (device: Device): Zone => {
  if (device.kind === 'board') return 'behind'
  switch (device.form) {
    case 'mouse':
    case 'trackball':
      return 'beside the pointing hand'
    case 'keyboard':
    case 'deck':
    case 'touch':
      return 'behind'
    case 'tablet':
    case 'pen':
      return 'in front'
    default:
      return 'beside the resting hand'
  }
}

/** Room between two devices, mm. Assumed. */
const gap = 25

/**
 * Puts the devices of the bench in front where they usually stand, so that none covers another: pads beside the resting
 * hand, mice beside the other, decks behind the keyboard, tablets in front of it.
 */
export const arrangeDesk = edit(arrangeDeskIn)

function arrangeDeskIn(plan: Plan): void {
  const bench = activeBench(plan)
  const hand = bench.hands[0]
  const home = bench.devices.find((d) => d.deviceId === hand?.deviceId) ?? bench.devices[0]
  const homeDevice = home && deviceOf(plan, home.deviceId)
  if (!home || !homeDevice) return
  const size = deviceSizeMm(homeDevice)
  Object.assign(home, { xMm: 0, yMm: 0, turnDeg: 0 })
  const restsLeft = (hand?.side ?? 'left') === 'left'
  // what stands in front lies nearer than all that stands beside
  const depth = Math.max(
    size.heightMm,
    ...bench.devices.flatMap(({ deviceId }) => {
      const device = deviceOf(plan, deviceId)
      return device && zoneOf(device).startsWith('beside') ? [deviceSizeMm(device).heightMm] : []
    }),
  )
  // the next free place of each zone: across for those behind and in front, along for none
  const at = { left: -gap, right: size.widthMm + gap, behind: 0, front: 0 }
  for (const placed of bench.devices) {
    const device = deviceOf(plan, placed.deviceId)
    if (placed === home || !device) continue
    const { widthMm, heightMm } = deviceSizeMm(device)
    placed.turnDeg = 0
    const zone = zoneOf(device)
    if (zone === 'behind') {
      placed.xMm = at.behind
      placed.yMm = -gap - heightMm
      at.behind += widthMm + gap
    } else if (zone === 'in front') {
      placed.xMm = at.front
      placed.yMm = depth + gap
      at.front += widthMm + gap
    } else {
      const isLeft = (zone === 'beside the resting hand') === restsLeft
      placed.xMm = isLeft ? at.left - widthMm : at.right
      placed.yMm = Math.max(0, (size.heightMm - heightMm) / 2)
      if (isLeft) at.left -= widthMm + gap
      else at.right += widthMm + gap
    }
    placed.xMm = Math.round(placed.xMm)
    placed.yMm = Math.round(placed.yMm)
  }
}

/** A thing of the catalogue on the desk: a keyboard, of which there is one for the hand, or another device. */
export type CatalogueThing =
  | { readonly kind: 'board'; readonly board: BoardId }
  | { readonly kind: 'model'; readonly model: DeviceModel }

/** The device of the bench in front that is of a model of the catalogue; undefined for none. */
export const ofModel = (plan: Plan, model: DeviceModel): Device | undefined => {
  const onBench = new Set(activeBench(plan).devices.map((d) => d.deviceId))
  return plan.devices.find(
    (d) => onBench.has(d.id) && d.kind !== 'board' && (d.id === model.id || d.name === model.name),
  )
}

/** The keyboard under the hand, or the first on the bench in front; undefined where there is none. */
export const keyboardOf = (plan: Plan): Device | undefined => {
  const bench = activeBench(plan)
  const boards = bench.devices.flatMap((placed) => {
    const device = deviceOf(plan, placed.deviceId)
    return device && isKeyboard(device) ? [device] : []
  })
  return boards.find((b) => b.id === bench.hands[0]?.deviceId) ?? boards[0]
}

/** Puts a thing of the catalogue on the desk, or takes it off again; another keyboard takes the place of the one there. */
export const toggleOnDesk = edit((plan: Plan, thing: CatalogueThing) => {
  const isBoard = thing.kind === 'board' || thing.model.form === 'keyboard'
  if (isBoard && keyboardOf(plan)) exchangeKeyboard(plan, thing)
  else if (thing.kind === 'model') toggleModel(plan, thing.model)
  arrangeDeskIn(plan)
})

/** The keyboard of the desk becomes another under the same id, with the hand on the home keys of that one. */
function exchangeKeyboard(plan: Plan, thing: CatalogueThing): void {
  const before = keyboardOf(plan) as Device
  const titles = new Set<string>(['Keyboard', deviceTitle(before), ...boardIds.map(boardName)])
  // a name of one's own stays; one of the catalogue goes with its board
  const isOwnName = before.kind === 'board' && !titles.has(before.name)
  const named = thing.kind === 'board' ? boardName(thing.board) : thing.model.name
  const name = isOwnName ? before.name : named
  const now: Device =
    thing.kind === 'model'
      ? deviceFromModel(thing.model, before.id, name)
      : {
          id: before.id,
          name,
          kind: 'board',
          board: thing.board,
          bottomRow: before.kind === 'board' ? before.bottomRow : plan.system === 'macos' ? 'mac' : 'windows',
          ...(before.functionKeys && { functionKeys: before.functionKeys }),
          ...(before.force && { force: before.force }),
        }
  plan.devices[plan.devices.findIndex((d) => d.id === before.id)] = now as DrawnDevice
  const hand = activeBench(plan).hands[0]
  if (hand?.deviceId === now.id) hand.rests = defaultRests(now, hand.side)
}

function toggleModel(plan: Plan, model: DeviceModel): void {
  const bench = activeBench(plan)
  const there = ofModel(plan, model)
  if (there) {
    if (bench.hands.some((h) => h.deviceId === there.id) || bench.devices.length === 1) return
    bench.devices = bench.devices.filter((d) => d.deviceId !== there.id)
    const isElsewhere = plan.benches.some((b) => b.devices.some((d) => d.deviceId === there.id))
    if (!isElsewhere && !isCarrying(plan, there)) plan.devices = plan.devices.filter((d) => d.id !== there.id)
    return
  }
  const known = plan.devices.find((d) => d.kind !== 'board' && d.name === model.name)
  const id = known?.id ?? freshId(model.id, idsOf(plan.devices))
  if (!known) plan.devices.push(deviceFromModel(model, id, model.name) as DrawnDevice)
  bench.devices.push({ deviceId: id, xMm: 0, yMm: 0, turnDeg: 0, mirrored: false, heightMm: 0 })
}

/** Whether commands stand on a device; then it stays in the plan. */
const isCarrying = (plan: Plan, device: Device): boolean =>
  plan.arrangements.some((a) =>
    a.placements.some((p) => 'deviceId' in p.trigger && p.trigger.deviceId === device.id),
  )
