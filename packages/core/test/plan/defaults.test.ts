import { describe, expect, test } from 'vitest'
import { activeArrangement, backToDefaults, takeOffKeys, triggerKey, type Plan } from '../../src/index.js'
import { demoPlan } from '../work/desk.js'

const keysOf = (plan: Plan, id: string): string[] =>
  activeArrangement(plan)
    .placements.filter((p) => p.commandId === id)
    .map((p) => triggerKey(p.trigger))
    .sort()
const defaults = demoPlan.arrangements.find((a) => a.isDefault)!
/** F1 of the example must not be used. */
const byDefault = (id: string): string[] =>
  defaults.placements
    .filter((p) => p.commandId === id && !/(^|\+)F1$/.test(triggerKey(p.trigger)))
    .map((p) => triggerKey(p.trigger))
    .sort()
const moved = demoPlan.commands.find(
  (c) =>
    !demoPlan.rules.lockedCommandIds.includes(c.id) &&
    byDefault(c.id).length > 0 &&
    keysOf(demoPlan, c.id).join() !== byDefault(c.id).join(),
)!

describe('keys of a selection', () => {
  test('are taken off, and nobody else’s', () => {
    const off = takeOffKeys(demoPlan, [moved.id])
    expect(keysOf(off, moved.id)).toEqual([])
    expect(activeArrangement(off).placements).toHaveLength(
      activeArrangement(demoPlan).placements.length - keysOf(demoPlan, moved.id).length,
    )
  })
  test('go back to those that the program gave', () => {
    expect(keysOf(backToDefaults(demoPlan, [moved.id]), moved.id)).toEqual(byDefault(moved.id))
    const all = backToDefaults(
      demoPlan,
      demoPlan.commands.map((c) => c.id),
    )
    for (const c of demoPlan.commands)
      if (!demoPlan.rules.lockedCommandIds.includes(c.id)) expect(keysOf(all, c.id)).toEqual(byDefault(c.id))
  })
  test('of what is locked stay', () => {
    for (const id of demoPlan.rules.lockedCommandIds) {
      expect(keysOf(takeOffKeys(demoPlan, [id]), id)).toEqual(keysOf(demoPlan, id))
      expect(keysOf(backToDefaults(demoPlan, [id]), id)).toEqual(keysOf(demoPlan, id))
    }
  })
})
