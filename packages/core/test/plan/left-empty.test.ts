import { catalogues } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import {
  activeArrangement,
  candidate,
  leaveEmpty,
  placeCommand,
  prepare,
  putBack,
  readPlan,
  triggerKey,
  writePlan,
  type CommandId,
} from '../../src/index.js'
import { demo } from '../shuffled.js'

const placed = activeArrangement(demo).placements.find((p) => p.trigger.kind === 'chord')!
const key = triggerKey(placed.trigger)
const emptied = leaveEmpty(demo, placed.trigger, 1_000)

describe('a trigger that is left empty for a while', () => {
  test('carries nothing, goes out and in, and nothing is proposed for it', () => {
    expect(activeArrangement(emptied).placements.some((p) => triggerKey(p.trigger) === key)).toBe(false)
    expect(readPlan(writePlan(emptied), 'x')).toEqual(emptied)
    const { index } = prepare(emptied, catalogues)
    expect(candidate(placed.trigger, index).barred).toBe(true)
    expect(candidate(placed.trigger, prepare(demo, catalogues).index).barred).toBe(false)
  })
  test('has what stood there again when it is put back', () => {
    const back = putBack(emptied, key)
    const sorted = (plan: typeof demo) =>
      activeArrangement(plan)
        .placements.map((p) => JSON.stringify(p))
        .sort()
    expect(sorted(back)).toEqual(sorted(demo))
    expect(activeArrangement(back).leftEmpty).toBeUndefined()
  })
  test('is not put back twice, nor for a command that is gone', () => {
    const again = placeCommand(emptied, {
      commandId: placed.commandId as CommandId,
      trigger: placed.trigger,
      keepOld: true,
    })
    const back = putBack(again, key)
    const there = activeArrangement(back).placements.filter((p) => triggerKey(p.trigger) === key)
    expect(there.filter((p) => p.commandId === placed.commandId)).toHaveLength(1)
    const ids = new Set(activeArrangement(emptied).leftEmpty![0]!.placements.map((p) => p.commandId))
    const gone = { ...emptied, commands: emptied.commands.filter((c) => !ids.has(c.id)) }
    expect(activeArrangement(putBack(gone, key)).placements.some((p) => triggerKey(p.trigger) === key)).toBe(
      false,
    )
  })
  test('what is not there, and the programs’ own keys, are left as they are', () => {
    expect(leaveEmpty(emptied, placed.trigger, 2_000)).toBe(emptied)
    const ofProgram = demo.arrangements.find((a) => a.isDefault)!
    const onDefaults = { ...demo, activeArrangementId: ofProgram.id }
    expect(leaveEmpty(onDefaults, ofProgram.placements[0]!.trigger, 1)).toBe(onDefaults)
    expect(putBack(demo, key)).toBe(demo)
  })
})
