import { catalogues } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import {
  activeArrangement,
  candidate,
  deleteCommand,
  deleteContext,
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
const there = activeArrangement(demo)
  .placements.filter((p) => triggerKey(p.trigger) === key)
  .map((p) => p.commandId)
const emptied = leaveEmpty(demo, placed.trigger, there, 1_000)

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
    const now = activeArrangement(back).placements.filter((p) => triggerKey(p.trigger) === key)
    expect(now.filter((p) => p.commandId === placed.commandId)).toHaveLength(1)
    const ids = new Set(activeArrangement(emptied).leftEmpty![0]!.placements.map((p) => p.commandId))
    const gone = { ...emptied, commands: emptied.commands.filter((c) => !ids.has(c.id)) }
    expect(activeArrangement(putBack(gone, key)).placements.some((p) => triggerKey(p.trigger) === key)).toBe(
      false,
    )
  })
  test('loses only the commands that are named, and the same trigger is emptied for one after the other', () => {
    const [first, ...others] = there
    expect(others.length).toBeGreaterThan(0)
    const one = leaveEmpty(demo, placed.trigger, [first!], 1_000)
    const left = activeArrangement(one).placements.filter((p) => triggerKey(p.trigger) === key)
    expect(left.map((p) => p.commandId)).toEqual(others)
    const all = leaveEmpty(one, placed.trigger, others, 2_000)
    expect(activeArrangement(all).leftEmpty).toHaveLength(1)
    expect(activeArrangement(all).leftEmpty![0]!.placements).toHaveLength(there.length)
  })
  test('is put back without what has gone since: a plan that opens', () => {
    const { commands, programs } = demo
    const command = commands.find((c) => c.id === placed.commandId)!
    const program = programs.find((p) => p.id === command.programId)!
    const [near, far] = program.contexts.map((c) => c.id)
    const chained = commands.find((c) => c.programId !== program.id && c.id !== command.id)!
    const with_ = (contextIds: string[]): typeof demo => {
      const plan = structuredClone(emptied)
      const entry = activeArrangement(plan).leftEmpty![0]!
      entry.placements = [{ ...placed, contextIds, then: [chained.id] }]
      return plan
    }
    const withoutThem = (plan: typeof demo) =>
      deleteContext(deleteCommand(plan, chained.id), program.id, far!)
    const both = putBack(withoutThem(with_([near!, far!])), key)
    const back = activeArrangement(both).placements.find((p) => triggerKey(p.trigger) === key)!
    expect([back.contextIds, back.then]).toEqual([[near], undefined])
    expect(readPlan(writePlan(both), 'x')).toEqual(both)
    const none = putBack(withoutThem(with_([far!])), key)
    expect(activeArrangement(none).placements.some((p) => triggerKey(p.trigger) === key)).toBe(false)
    expect(activeArrangement(none).leftEmpty).toBeUndefined()
  })
  test('what is not there, and the programs’ own keys, are left as they are', () => {
    expect(leaveEmpty(emptied, placed.trigger, there, 2_000)).toBe(emptied)
    const ofProgram = demo.arrangements.find((a) => a.isDefault)!
    const onDefaults = { ...demo, activeArrangementId: ofProgram.id }
    expect(
      leaveEmpty(onDefaults, ofProgram.placements[0]!.trigger, [ofProgram.placements[0]!.commandId], 1),
    ).toBe(onDefaults)
    expect(putBack(demo, key)).toBe(demo)
  })
})
