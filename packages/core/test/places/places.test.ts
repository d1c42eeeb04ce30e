import { expect, test } from 'vitest'
import {
  arrangementFigures,
  boardControls,
  checkArrangement,
  findClashes,
  homeKeys,
  controlRefOf,
  placesWith,
  rankPlaces,
  reachWithHeld,
  reachSolver,
  remediesFor,
  remedyModifierSets,
  indexPlaces,
  triggerKey,
  type Modifier,
  prepare,
} from '../../src/index.js'
import { envWith, command, draft, placements, plan } from '../build.js'
import { layouts, systems } from '@reach-plot/data'

const controls = boardControls('iso-105', 'windows')
const solver = reachSolver({ side: 'left', spanMm: 190, rests: homeKeys.left }, controls)
const byControl = (held: readonly Modifier[] = []) => reachWithHeld(solver, controls, held, true)
const bare = byControl()
const hide = command('Hide shape', { usesPerHour: 84, contextIds: ['tracing'] })
const split = command('Split', { usesPerHour: 20, contextIds: ['tracing'] })

test('the first letter wins over nearer keys without a link, and free keys over taken ones', () => {
  const index = indexPlaces(placements({ split: 'KeyA' }), envWith([hide, split], { layoutId: 'de' }))
  const ranked = rankPlaces(placesWith({ ...hide, usesPerHour: 1 }, [], bare, index))
  expect(triggerKey(ranked[0]!.trigger)).toBe('KeyS')
  // what is used all day is known by heart, and goes where it is quickest
  const often = rankPlaces(placesWith(hide, [], bare, index))[0]!
  expect(often.reach.verdict).toBe('rest')
  expect(ranked.slice(0, 6).map((p) => triggerKey(p.trigger))).toContain('KeyH')
  const taken = ranked.find((p) => controlRefOf(p.trigger) === 'KeyA')!
  expect(taken.holders.map((c) => c.name)).toEqual(['Split'])
  expect(taken.cost.displaceMs).toBeGreaterThan(0)
})

test('the parts of a cost add up to the total that ranks it', () => {
  const index = indexPlaces([], envWith([hide]))
  const places = rankPlaces(placesWith(hide, [], bare, index))
  for (const p of places) expect(Object.values(p.cost).reduce((a, b) => a + b)).toBeCloseTo(p.totalMs, 9)
  for (const [i, p] of places.entries())
    if (i > 0) expect(p.totalMs).toBeGreaterThanOrEqual(places[i - 1]!.totalMs)
})

test('keys that the system keeps are charted but never ranked; lock and modifier keys are no places', () => {
  const index = indexPlaces([], envWith([hide]))
  const places = placesWith(hide, ['Meta'], byControl(['Meta']), index)
  const lock = places.find((p) => controlRefOf(p.trigger) === 'KeyL')!
  expect(lock.reserved).toEqual({ by: 'system', action: 'Lock screen' })
  expect(rankPlaces(places)).not.toContain(lock)
  expect(placesWith(hide, [], bare, index).map((p) => controlRefOf(p.trigger))).not.toContain('CapsLock')
  expect(placesWith(hide, [], bare, index).map((p) => controlRefOf(p.trigger))).not.toContain('ShiftLeft')
})

test('a place that types in one of the contexts costs more there', () => {
  const label = command('Hide label', { contextIds: ['labelling'] })
  const [h] = placesWith(label, [], { KeyH: bare['KeyH']! }, indexPlaces([], envWith([label])))
  expect(h).toMatchObject({ typesIn: ['Labelling'] })
  expect(h!.cost.clashMs).toBeGreaterThan(0)
})

test('remedies offer free, unclashing places within reach and then taking off; a move ends the clash', () => {
  const commands = [hide, split, command('Lock layer')]
  const given = placements({ 'hide-shape': 'KeyQ', split: 'KeyQ', 'lock-layer': 'Meta+KeyL' })
  const env = envWith(commands)
  const index = indexPlaces(given, env)
  const found = findClashes(given, env)
  expect(found.length).toBeGreaterThan(1)
  for (const clash of found) {
    const remedies = remediesFor(clash, index, remedyModifierSets.map(byControl))
    expect(remedies.at(-1)!.kind).toBe('unplace')
    expect(remedies.filter((r) => r.kind === 'move').length).toBeGreaterThan(0)
    for (const remedy of remedies.filter((r) => r.kind === 'move' || r.kind === 'unplace')) {
      const after = given.flatMap((p) =>
        p.commandId !== remedy.commandId ? [p] : remedy.to ? [{ ...p, trigger: remedy.to }] : [],
      )
      expect(findClashes(after, env).map((c) => c.id)).not.toContain(clash.id)
      expect(findClashes(after, env).length).toBeLessThan(findClashes(given, env).length)
    }
  }
})

test('with two commands on one trigger the less used one is moved', () => {
  const given = placements({ 'hide-shape': 'F9', split: 'F9' })
  const env = envWith([hide, split])
  const [clash] = findClashes(given, env)
  expect(remediesFor(clash!, indexPlaces(given, env), [bare])[0]!.commandId).toBe('split')
})

test('checkArrangement gives each clash its remedies', () => {
  const p = plan({
    commands: [hide],
    arrangements: [draft(placements({ 'hide-shape': 'Meta+KeyL' }))],
  })
  const [found] = checkArrangement(prepare(p, { layouts, systems }))
  expect(found!.clash.stage).toBe('system')
  expect(found!.remedies.map((r) => r.kind)).toEqual(['move', 'move', 'move', 'setting', 'unplace'])
  expect(found!.accepted).toBeUndefined()
})

test('figures of an arrangement: use within reach, placed, mnemonic score', () => {
  const far = command('Print', { usesPerHour: 16 })
  const triggers = new Map([
    ['hide-shape', placements({ x: 'KeyH' })[0]!.trigger],
    ['print', placements({ x: 'ArrowUp' })[0]!.trigger],
  ])
  const figures = arrangementFigures(
    [hide, far, command('Idle', { usesPerHour: 0 })],
    (id) => (triggers.has(id) ? [triggers.get(id)!] : []),
    (t) => bare[controlRefOf(t)!],
    indexPlaces([], envWith([hide, far])).readerOf,
  )
  expect(figures).toMatchObject({ nearShare: 84 / 100, placedShare: 1, placedCount: 2, commandCount: 3 })
  expect(figures.mnemonicMean).toBeCloseTo(0.84)
  expect(
    arrangementFigures(
      [],
      () => [],
      () => undefined,
      indexPlaces([], envWith([])).readerOf,
    ),
  ).toMatchObject({ nearShare: 0, mnemonicMean: null })
})
