import {
  footprint,
  gapMm,
  handOnBench,
  isPointingDevice,
  restIds,
  type Bench,
  type Device,
  type Footprint,
  type PlacedDevice,
} from '../bench/index.js'
import { isPointed } from '../clashes/index.js'
import type { Command } from '../commands/index.js'
import { CoreError } from '../errors.js'
import { reachAtOnce, reachSituation, triggerReach, type ReachAt } from '../hand/index.js'
import { reachContextOf, type PreparedModel } from '../model/index.js'
import { handCostMs, pointingAmount } from '../places/index.js'
import { controlRefOf, type Trigger } from '../triggers/index.js'

/** Where a device could stand, turned best, and what an hour of its commands costs the hand there, ms. */
export interface Standing {
  readonly xMm: number
  readonly yMm: number
  readonly turnDeg: number
  readonly costMs: number
}

/** A desk tinted by how well a device would serve at each place of a grid. */
export interface StandingMap {
  readonly deviceId: string
  /** steps of the grid, mm */
  readonly stepMm: number
  /** every place of the grid where the device covers nothing else */
  readonly places: readonly Standing[]
  readonly now: Standing
  /** the best place of the grid, then moved and turned as long as it gains */
  readonly best: Standing
}

/** The device stays within this of what stands on the desk, mm. Assumed. */
const edgeMm = 120
/** Room that is left between two devices, mm. Assumed. */
const roomMm = 4
/** Turns that are tried at each place of the grid, degrees. */
const coarseTurns = [-20, 0, 20] as const
const coarseSteps = 10
/** From so many of the best places of the grid, and from where it stands, it is moved on. */
const descents = 5
const leastStepMm = 4
const leastTurnDeg = 3

/** What an hour of the commands of a device costs the hand where it stands; null where it covers another. */
type StandingCost = (at: Pick<PlacedDevice, 'xMm' | 'yMm' | 'turnDeg'>) => number | null

/**
 * What an hour of the commands on a device costs, by where it stands: there and back, effort and weak fingers, by the plan's weights,
 * each command by the best of its triggers. All else stays where it is.
 * @throws CoreError `DEVICE_MISSING` for a device that is not on the bench, `USAGE` for one that the pointing hand works, or the hand's home
 */
export function standingCost(
  model: PreparedModel,
  deviceId: string,
  triggersOf: (id: string) => readonly Trigger[],
): StandingCost {
  const { bench, plan, env, index, hand } = model
  const placed = movableOn(model, deviceId)
  const device = plan.devices.find((d) => d.id === deviceId) as Device
  const others = bench.devices.flatMap((p): Footprint[] => {
    const other = plan.devices.find((d) => d.id === p.deviceId)
    return p !== placed && other ? [footprint(p, other)] : []
  })
  others.push(palmOf(model))
  const refs = new Set(env.controls.filter((c) => c.deviceId === deviceId).map((c) => c.code ?? c.id))
  const isOn = (trigger: Trigger): boolean => refs.has(controlRefOf(trigger) ?? '')
  const costBy = (triggers: readonly Trigger[], reachAt: ReachAt): number =>
    triggers.reduce((least, trigger) => {
      const reach = triggerReach(trigger, reachContextOf(index, reachAt))
      if (!reach || !Number.isFinite(reach.timeMs)) return least
      const pointing = pointingAmount(trigger, isPointed(trigger, index.pointing))
      return Math.min(least, handCostMs(reach, hand.side, plan.weights, pointing))
    }, Infinity)
  const concerned = env.commands.flatMap((command: Command) => {
    const triggers = triggersOf(command.id)
    const here = triggers.filter(isOn)
    if (here.length === 0 || command.usesPerHour === 0) return []
    const elsewhereMs = costBy(
      triggers.filter((t) => !isOn(t)),
      model.reachAt,
    )
    return [{ uses: command.usesPerHour, here, elsewhereMs }]
  })
  return (at) => {
    const moved: PlacedDevice = { ...placed, ...at }
    const print = footprint(moved, device)
    if (others.some((other) => gapMm(print, other).straightMm < roomMm)) return null
    const there: Bench = { ...bench, devices: bench.devices.map((p) => (p === placed ? moved : p)) }
    const reachAt = remembered(reachAtOnce(reachSituation(there, plan.devices, env.layout.altGraph)))
    return concerned.reduce(
      (sum, { uses, here, elsewhereMs }) => sum + uses * finite(Math.min(elsewhereMs, costBy(here, reachAt))),
      0,
    )
  }
}

/** Where the palm and the wrist of the resting hand lie: from the keys towards the person, mm. Assumed: 25 mm beside the tips, 170 mm deep. */
function palmOf({ env, hand }: PreparedModel): Footprint {
  const tips = restIds(handOnBench(hand).rests).flatMap((id) => env.controls.find((c) => c.id === id) ?? [])
  const xs = tips.map((c) => c.xMm)
  const y = Math.max(...tips.map((c) => c.yMm))
  return {
    corners: [],
    x0: Math.min(...xs) - 25,
    x1: Math.max(...xs) + 25,
    y0: y + 30,
    y1: y + 170,
  }
}

const finite = (ms: number): number => (Number.isFinite(ms) ? ms : 0)

function remembered(reachAt: ReachAt): ReachAt {
  const known = new Map<string, ReturnType<ReachAt>>()
  return (held, place, withId) => {
    const name = `${held.join()} ${place} ${withId ?? ''}`
    if (!known.has(name)) known.set(name, reachAt(held, place, withId))
    return known.get(name)
  }
}

function movableOn({ bench, plan, hand }: PreparedModel, deviceId: string): PlacedDevice {
  const placed = bench.devices.find((p) => p.deviceId === deviceId)
  const device = plan.devices.find((d) => d.id === deviceId)
  if (!placed || !device) {
    throw new CoreError('DEVICE_MISSING', {
      where: ['benches', bench.name],
      what: `"${deviceId.slice(0, 40)}" does not stand on the bench`,
      remedy: `choose one of ${bench.devices.map((p) => p.deviceId).join(', ')}`,
    })
  }
  if (isPointingDevice(device) || hand.deviceId === deviceId) {
    throw new CoreError('USAGE', {
      where: ['benches', bench.name],
      what: isPointingDevice(device)
        ? `the pointing hand works “${device.name}”: it stands where that hand is`
        : `the hand rests on “${device.name}”: it goes where that goes`,
      remedy: 'choose a device beside those',
    })
  }
  return placed
}

/**
 * Where on the desk a device serves best: every place of a coarse grid, each turned best, then the best one moved and turned by smaller
 * and smaller steps. Yields the share of the grid that is done.
 */
export function* bestStanding(
  model: PreparedModel,
  deviceId: string,
  triggersOf: (id: string) => readonly Trigger[],
): Generator<number, StandingMap, void> {
  const costAt = standingCost(model, deviceId, triggersOf)
  const { bench, plan } = model
  const placed = bench.devices.find((p) => p.deviceId === deviceId) as PlacedDevice
  const prints = bench.devices.flatMap((p) => {
    const device = plan.devices.find((d) => d.id === p.deviceId)
    return device ? [footprint(p, device)] : []
  })
  const x0 = Math.min(...prints.map((p) => p.x0)) - edgeMm
  const x1 = Math.max(...prints.map((p) => p.x1)) + edgeMm
  const y0 = Math.min(...prints.map((p) => p.y0)) - edgeMm
  const y1 = Math.max(...prints.map((p) => p.y1)) + edgeMm
  const stepMm = Math.max(10, Math.ceil(Math.max(x1 - x0, y1 - y0) / (2 * coarseSteps)))
  const columns = Math.floor((x1 - x0) / stepMm) + 1
  const rows = Math.floor((y1 - y0) / stepMm) + 1
  const at = (xMm: number, yMm: number, turnDeg: number): Standing | null => {
    const costMs = costAt({ xMm, yMm, turnDeg })
    return costMs === null ? null : { xMm, yMm, turnDeg, costMs }
  }
  const places: Standing[] = []
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      yield (row * columns + column) / (rows * columns)
      const turned = coarseTurns.flatMap((turn) => at(x0 + column * stepMm, y0 + row * stepMm, turn) ?? [])
      const [best] = turned.toSorted(
        (a, b) => a.costMs - b.costMs || Math.abs(a.turnDeg) - Math.abs(b.turnDeg),
      )
      if (best) places.push(best)
    }
  const { xMm, yMm, turnDeg } = placed
  const now: Standing = { xMm, yMm, turnDeg, costMs: costAt(placed) ?? Infinity }
  // one valley may hold the best place of the grid and another the best of all
  const starts = [now, ...places.toSorted((a, b) => a.costMs - b.costMs).slice(0, descents)]
  const found = starts.map((start) => descended(start, at, stepMm / 2))
  const best = found.reduce((least, place) => (place.costMs < least.costMs ? place : least), now)
  return { deviceId, stepMm, places, now, best }
}

/** From a place to one beside it that costs less, as long as there is one, with smaller and smaller steps. */
function descended(
  from: Standing,
  at: (xMm: number, yMm: number, turnDeg: number) => Standing | null,
  firstStepMm: number,
): Standing {
  let best = from
  let turn = 8
  for (let step = firstStepMm; step >= leastStepMm;) {
    const beside = [
      [step, 0, 0],
      [-step, 0, 0],
      [0, step, 0],
      [0, -step, 0],
      [0, 0, turn],
      [0, 0, -turn],
    ].flatMap(([dx, dy, dt]) => at(best.xMm + dx!, best.yMm + dy!, best.turnDeg + dt!) ?? [])
    const better = beside.reduce((least, place) => (place.costMs < least.costMs - 1e-6 ? place : least), best)
    if (better !== best) best = better
    else {
      step /= 2
      turn = Math.max(leastTurnDeg, turn / 2)
    }
  }
  // whole millimetres, where the device fits there
  return at(Math.round(best.xMm), Math.round(best.yMm), Math.round(best.turnDeg)) ?? best
}
