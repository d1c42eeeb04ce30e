import { readFileSync } from 'node:fs'
import { catalogues } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import {
  arrivingTriggers,
  bestStanding,
  findClashes,
  footprint,
  gapMm,
  moveDevice,
  prepare,
  readPlan,
  standingCost,
  triggerReach,
  type PlacedDevice,
  type Plan,
  type Standing,
  type StandingMap,
} from '../../src/index.js'
import { handCostMs } from '../../src/places/index.js'

const demo = readPlan(
  readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
  'demo',
)

const id = 'pad'
const prepared = (plan: Plan) => {
  const model = prepare(plan, catalogues)
  const clashes = findClashes(model.arrangement.placements, model.env)
  return { model, triggersOf: arrivingTriggers(model.index, clashes) }
}
const { model, triggersOf } = prepared(demo)
const placed = model.bench.devices.find((p) => p.deviceId === id) as PlacedDevice
const cost = standingCost(model, id, triggersOf)

const found = ((): StandingMap => {
  const steps = bestStanding(model, id, triggersOf)
  let step = steps.next()
  while (!step.done) step = steps.next()
  return step.value
})()

/** What the commands of the pad cost on a plan in which it stands there, by the whole chord table of that plan. */
function costOfPlan(at: Pick<Standing, 'xMm' | 'yMm' | 'turnDeg'>): number {
  const there = prepared(moveDevice(demo, id, at))
  const onPad = (ref: string): boolean => ref.startsWith(`${id}/`)
  return there.model.env.commands.reduce((sum, command) => {
    const triggers = triggersOf(command.id)
    if (!triggers.some((t) => 'deviceId' in t && onPad(`${t.deviceId}/`))) return sum
    const costs = triggers.flatMap((trigger) => {
      const reach = triggerReach(trigger, there.model.reachContext)
      return reach && Number.isFinite(reach.timeMs)
        ? [handCostMs(reach, there.model.hand.side, demo.weights, 0)]
        : []
    })
    return costs.length > 0 ? sum + command.usesPerHour * Math.min(...costs) : sum
  }, 0)
}

describe('where the pad stands', () => {
  test('what an hour costs there is what the plan with the pad there says', () => {
    for (const at of [placed, { ...placed, xMm: placed.xMm - 60 }, { xMm: -130, yMm: 40, turnDeg: 12 }])
      expect(cost(at)! / costOfPlan(at)).toBeCloseTo(1, 6)
  })

  test('no place of the grid is better than the best; the best is free and costs what it says', () => {
    for (const place of found.places) expect(found.best.costMs).toBeLessThanOrEqual(place.costMs + 1e-6)
    expect(found.best.costMs).toBeLessThan(found.now.costMs)
    expect(cost(found.best)).toBeCloseTo(found.best.costMs, 6)
    const device = demo.devices.find((d) => d.id === id)!
    const print = footprint({ ...placed, ...found.best }, device)
    for (const other of model.bench.devices.filter((p) => p !== placed))
      expect(
        gapMm(
          print,
          footprint(
            other,
            demo.devices.find((d) => d.id === other.deviceId)!,
          ),
        ).straightMm,
      ).toBeGreaterThan(0)
  })

  test('each place of the grid is turned best, of all turns that are tried there', () => {
    for (const place of found.places.filter((_, i) => i % 9 === 0))
      for (const turnDeg of [-20, 0, 20]) {
        const other = cost({ ...place, turnDeg })
        if (other !== null) expect(place.costMs).toBeLessThanOrEqual(other + 1e-6)
      }
  })

  test('nothing covers another device, nor the palm', () => {
    const keyboard = model.bench.devices.find((p) => p.deviceId === model.hand.deviceId)!
    expect(cost({ xMm: keyboard.xMm, yMm: keyboard.yMm, turnDeg: 0 })).toBeNull()
    const tip = model.env.controls.find((c) => c.id === 'keyboard/KeyD')!
    expect(cost({ xMm: tip.xMm - 40, yMm: tip.yMm + 60, turnDeg: 0 })).toBeNull()
  })

  test('the hand’s home, a mouse and what is not there are no questions', () => {
    expect(() => standingCost(model, model.hand.deviceId, triggersOf)).toThrow(/rests on/)
    expect(() => standingCost(model, 'mouse', triggersOf)).toThrow(/pointing hand/)
    expect(() => standingCost(model, 'nothing', triggersOf)).toThrow(/does not stand/)
  })
})
