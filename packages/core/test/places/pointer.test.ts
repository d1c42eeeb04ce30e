import { expect, test } from 'vitest'
import {
  benchCandidates,
  freePlaces,
  pageFor,
  parseTrigger,
  placeCommand,
  placesOn,
  prepare,
  rankPlaces,
} from '../../src/index.js'
import { catalogues, demoModel, demoPlan } from '../work/desk.js'

const { index, reachAt, env } = demoModel
const sets = [[], ['Shift'], ['Control'], ['Alt']] as const
const candidates = benchCandidates(index, sets, (id) => pageFor(id, 'fenmap', env))
const clicks = (keys: readonly string[]): string[] =>
  [...new Set(keys.filter((key) => /mouse\/(left|right|wheel)/.test(key)))].sort()

test('neither clicks nor the wheel are proposed, with whatever held, but where the program leaves them free', () => {
  const command = demoPlan.commands.find((c) => c.name === 'Hide shape')!
  const ranked = rankPlaces(placesOn(command, candidates, reachAt, index, demoPlan.weights))
  // the example’s program leaves the wheel with Control free
  expect(clicks(ranked.map((p) => p.key))).toEqual(['Control+mouse/wheel down', 'Control+mouse/wheel up'])
  expect(ranked.some((p) => p.key.includes('mouse/back'))).toBe(true)
  const free = freePlaces(candidates, reachAt, index, 'away', 'fenmap')
  expect(
    clicks(free.map((p) => p.candidate.key)).filter((key) => !key.startsWith('Control+mouse/wheel')),
  ).toEqual([])
})

test('by hand a click can be placed all the same, and is warned of', () => {
  const command = demoPlan.commands.find((c) => c.name === 'Hide shape')!
  const placed = placeCommand(demoPlan, { commandId: command.id, trigger: parseTrigger('Shift+mouse/left') })
  const model = prepare(placed, catalogues)
  expect(model.index.triggers.get(command.id)).toHaveLength(1)
})
