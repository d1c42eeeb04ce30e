import {
  benchControls,
  bodyOf,
  defaultRests,
  deviceSizeMm,
  handOnBench,
  heldModifiers,
  layeredKeys,
  homesOf,
  inPointingHand,
  isKeyboard,
  keyControls,
  onDesk,
  type Bench,
  type Control,
  type Device,
  type HeldModifier,
  type LayeredKey,
  type Home,
  type PointerHold,
  type RestingHand,
} from '../bench/index.js'
import { controlRef } from '../triggers/index.js'
import type { HandAtRest } from './model.js'

/** All that reach depends on, as plain data that can be sent to a worker. */
export interface ReachSituation {
  readonly hand: HandAtRest
  readonly controls: readonly Control[]
  /** whether the national layout makes the right Alt a third-level key */
  readonly altGraph: boolean
  /** chords that layers of the devices' firmware send */
  readonly layered: readonly LayeredKey[]
  /** controls that hold a modifier when they are held */
  readonly tapHolds: readonly HeldModifier[]
  /** homes of the hand, the one where it rests first */
  readonly homes: readonly Home[]
  /** the hand that points or rests on the other home keys; null for a bench without it */
  readonly otherHand: { readonly hand: HandAtRest; readonly holds: PointerHold | null } | null
}

/** What reach needs of a control; names and the like are left behind. */
const bareControl = ({
  id,
  code,
  row,
  xMm,
  yMm,
  widthMm,
  heightMm,
  zMm,
  turnDeg,
  capWidthMm,
  capHeightMm,
}: Control): Control => ({
  id,
  code,
  row,
  xMm,
  yMm,
  widthMm,
  heightMm,
  ...(zMm !== undefined && zMm !== 0 && { zMm }),
  // an upright cap is told by its box
  ...(turnDeg !== undefined &&
    turnDeg !== 0 && {
      turnDeg,
      capWidthMm: capWidthMm ?? widthMm,
      capHeightMm: capHeightMm ?? heightMm,
    }),
})

/** The situation of the first hand of a bench. */
export function reachSituation(bench: Bench, devices: readonly Device[], altGraph: boolean): ReachSituation {
  const hand = bench.hands[0] as RestingHand
  return {
    hand: handOnBench(hand),
    controls: keyControls(benchControls(bench, devices)).map(bareControl),
    altGraph,
    layered: layeredKeys(bench, devices),
    tapHolds: heldModifiers(bench, devices),
    homes: homesOf(hand, bench, devices),
    otherHand: otherHandOf(hand, bench, devices),
  }
}

/** The other hand comes to the home keys of a board; without a board nobody knows where it would rest. */
function otherHandOf(
  hand: RestingHand,
  bench: Bench,
  devices: readonly Device[],
): ReachSituation['otherHand'] {
  const second = bench.hands[1]
  const boards = bench.devices.flatMap(({ deviceId }) => devices.find((d) => d.id === deviceId) ?? [])
  const board = boards.find((d) => d.id === hand.deviceId && isKeyboard(d)) ?? boards.find(isKeyboard)
  if (!second && !board) return null
  const side = hand.side === 'left' ? 'right' : 'left'
  const resting: RestingHand = second ?? {
    side,
    spanMm: hand.spanMm,
    deviceId: (board as Device).id,
    rests: defaultRests(board as Device, side),
  }
  return { hand: handOnBench(resting), holds: second ? null : pointerHold(bench, devices) }
}

function pointerHold(bench: Bench, devices: readonly Device[]): PointerHold | null {
  const id = inPointingHand(bench, devices)
  const placed = bench.devices.find((d) => d.deviceId === id)
  const device = devices.find((d) => d.id === id)
  if (!placed || !device) return null
  const body = bodyOf(benchControls(bench, devices).filter((c) => c.deviceId === device.id))
  if (body) return { deviceId: device.id, ...body }
  const { widthMm, heightMm } = deviceSizeMm(device)
  return {
    deviceId: device.id,
    ...onDesk(placed, widthMm / 2, heightMm / 2, widthMm),
    targetMm: Math.min(widthMm, heightMm),
  }
}

/** The hand at another of its homes. */
export const atHome = (hand: HandAtRest, home: Home): HandAtRest => ({
  ...hand,
  rests: home.rests,
  thumbRest: controlRef(home.deviceId, 'Space'),
})
