import fc from 'fast-check'
import { catalogues } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import {
  activeArrangement,
  backToDefaults,
  chord,
  chooseBench,
  clearBenchPlaces,
  copyArrangement,
  deleteBench,
  leaveEmpty,
  moveMany,
  onBench,
  placeCommand,
  placeOnBench,
  prepare,
  readPlan,
  removePlacement,
  setPlacements,
  takeOffKeys,
  takePlacements,
  triggerKey,
  writePlan,
  type Plan,
} from '../../src/index.js'
import { placesOnBench, type NearestPlace } from '../../src/carry/index.js'
import { demo, draft } from '../shuffled.js'

const on = (plan: Plan, benchId: string) =>
  prepare(plan, catalogues, { bench: plan.benches.find((b) => b.id === benchId)! })
const keysOn = (plan: Plan, benchId: string): string[] =>
  [...on(plan, benchId).index.triggers]
    .flatMap(([id, list]) => list.map((t) => `${id} ${triggerKey(t)}`))
    .sort()
const own = (plan: Plan) => activeArrangement(plan).placements.filter((p) => p.benchId === 'travel')

function found(plan: Plan): readonly NearestPlace[] {
  const steps = placesOnBench(on(plan, 'desk'), on(plan, 'travel'))
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  return step.value
}
const places = found(demo)
const placed = placeOnBench(
  demo,
  'travel',
  places.map(({ command, place }) => ({ commandId: command.id, trigger: place.trigger })),
)

describe('another bench', () => {
  test('what it leaves without a key gets a free place there, most of which keep something of the idea', () => {
    expect(places.length).toBeGreaterThan(20)
    expect(places.filter((p) => p.keeps.length > 0).length).toBeGreaterThan(places.length / 2)
    const there = on(placed, 'travel')
    for (const { command, place } of places) {
      expect(there.index.stages.device(place.trigger)).toEqual([])
      expect((there.index.triggers.get(command.id) ?? []).map((t) => triggerKey(t))).toContain(place.key)
    }
    expect(new Set(places.map((p) => `${p.command.programId} ${p.place.key}`)).size).toBeGreaterThan(
      places.length * 0.8,
    )
    expect(found(placed)).toEqual([])
  })

  test('the bench in front does not know of them, and the plan can be read again', () => {
    expect(keysOn(placed, 'desk')).toEqual(keysOn(demo, 'desk'))
    expect(own(readPlan(writePlan(placed), 'placed'))).toEqual(own(placed))
    expect(onBench(draft, 'desk')).toBe(draft)
  })

  test('no change on one bench touches what another has as its own', () => {
    const here = onBench(activeArrangement(placed), 'desk').placements
    const codes = ['KeyQ', 'KeyW', 'F5', 'F6']
    fc.assert(
      fc.property(fc.nat(here.length - 1), fc.constantFrom(...codes), fc.nat(8), (at, code, which) => {
        const { commandId, trigger } = here[at]!
        const to = chord(code, ['Alt'])
        const changes: ((plan: Plan) => Plan)[] = [
          (plan) => placeCommand(plan, { commandId, trigger: to }),
          (plan) => moveMany(plan, [{ commandId, from: trigger, to }]),
          (plan) => removePlacement(plan, commandId),
          (plan) => setPlacements(plan, here.slice(1)),
          (plan) => takePlacements(plan, [{ commandId, trigger: to }], 'merge'),
          (plan) => takeOffKeys(plan, [commandId]),
          (plan) => backToDefaults(plan, [commandId]),
          (plan) => leaveEmpty(plan, trigger, [commandId], 0),
          (plan) => copyArrangement(plan, plan.activeArrangementId, { placements: here.slice(1) }).plan,
        ]
        expect(own(changes[which]!(placed))).toEqual(own(placed))
      }),
      { numRuns: 60 },
    )
  })

  test('on the other bench they are changed like any key, and stay its own', () => {
    const travelling = chooseBench(placed, 'travel')
    const [first] = own(placed)
    const to = chord('KeyJ', ['Control', 'Alt'])
    const moved = moveMany(travelling, [{ commandId: first!.commandId, from: first!.trigger, to }])
    expect(own(moved).find((p) => p.commandId === first!.commandId)?.trigger).toEqual(to)
    expect(keysOn(moved, 'desk')).toEqual(keysOn(demo, 'desk'))
  })

  test('they go with their bench, or when they are taken off', () => {
    expect(own(clearBenchPlaces(placed, 'travel'))).toEqual([])
    const gone = deleteBench(placed, 'travel')
    expect(activeArrangement(gone).placements.some((p) => p.benchId !== undefined)).toBe(false)
    expect(() => readPlan(writePlan(gone), 'gone')).not.toThrow()
  })
})
