import { describe, expect, test } from 'vitest'
import {
  benchCandidates,
  isAvailable,
  menuMs,
  modifierSets,
  pageFor,
  placeGains,
  placesOn,
  prepareWork,
  triggerReach,
  reachContextOf,
} from '../../src/index.js'
import { placeFor } from '../../src/places/index.js'
import { menuLevels } from '../../src/work/index.js'
import { demoModel, demoPlan } from '../work/desk.js'

const { env, index, reachAt } = demoModel
const { triggersOf } = prepareWork(demoModel).context
const gains = new Map([...placeGains(demoModel, triggersOf)].map((g) => [g.commandId, g]))

describe('what a better place would gain', () => {
  test('is told of every command, the most used first, and never negative', () => {
    expect(gains.size).toBe(demoPlan.commands.length)
    const uses = [...gains.keys()].map((id) => index.commands.get(id)!.usesPerHour)
    expect(uses).toEqual([...uses].sort((a, b) => b - a))
    for (const gain of gains.values()) expect(gain.msPerHour).toBeGreaterThanOrEqual(0)
  })
  test('is the difference to the cheapest of all places, looked at one by one', () => {
    const sets = modifierSets(env.layout.altGraph, 2)
    const often = [...demoPlan.commands].sort((a, b) => b.usesPerHour - a.usesPerHour)
    for (const command of [
      ...often.slice(0, 6),
      ...often.filter((c) => triggersOf(c.id).length === 0).slice(0, 3),
    ]) {
      if (index.rules.locks(command)) continue
      const candidates = benchCandidates(index, sets, (id) => pageFor(id, command.programId, env))
      const all = placesOn(command, candidates, reachAt, index, demoPlan.weights).filter(isAvailable)
      const least = Math.min(...all.map((p) => p.totalMs))
      const own = triggersOf(command.id).map((trigger) => {
        const reach = triggerReach(trigger, reachContextOf(index, reachAt))!
        const place = placeFor(command, trigger, reach, index, demoPlan.weights)
        return place.totalMs - place.cost.displaceMs
      })
      const now = own.length > 0 ? Math.min(...own) : menuMs(menuLevels(command).length, env.menusKnown)
      const uses = command.usesPerHour * (1 - (env.menuShares?.get(command.id) ?? 0))
      expect(gains.get(command.id)!.msPerHour).toBeCloseTo(Math.max(0, uses * (now - least)), 6)
    }
  })
  test('of what is locked or never used is nothing', () => {
    for (const command of demoPlan.commands)
      if (index.rules.locks(command) || command.usesPerHour === 0)
        expect(gains.get(command.id)).toMatchObject({ msPerHour: 0, best: null })
  })
})
