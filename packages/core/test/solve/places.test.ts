import { expect, test } from 'vitest'
import {
  arrangementFigures,
  boardControls,
  checkArrangement,
  findClashes,
  homeKeys,
  surroundings,
  spotOf,
  placesInLayer,
  rankPlaces,
  reachLayer,
  reachSolver,
  remediesFor,
  remedyLayers,
  surveyPlaces,
  triggerKey,
  type Modifier,
} from '../../src/index.js'
import { around, command, draft, placements, plan } from '../build.js'
import { layouts, systems } from '@reach-plot/data'

const controls = boardControls('iso-105', 'windows')
const solver = reachSolver({ side: 'left', spanMm: 190, rests: homeKeys.left }, controls)
const layer = (held: readonly Modifier[] = []) => reachLayer(solver, controls, held, true)
const bare = layer()
const hide = command('Hide shape', { usesPerHour: 84, contextIds: ['tracing'] })
const split = command('Split', { usesPerHour: 20, contextIds: ['tracing'] })

test('the first letter wins over nearer keys without a link, and free keys over taken ones', () => {
  const survey = surveyPlaces(placements({ split: 'KeyA' }), around([hide, split], { layoutId: 'de' }))
  const ranked = rankPlaces(placesInLayer(hide, [], bare, survey))
  expect(triggerKey(ranked[0]!.trigger)).toBe('KeyS')
  expect(ranked.slice(0, 6).map((p) => triggerKey(p.trigger))).toContain('KeyH')
  const taken = ranked.find((p) => spotOf(p.trigger) === 'KeyA')!
  expect(taken.holders.map((c) => c.name)).toEqual(['Split'])
  expect(taken.cost.displaceMs).toBeGreaterThan(0)
})

test('the parts of a cost add up to the total that ranks it', () => {
  const survey = surveyPlaces([], around([hide]))
  const places = rankPlaces(placesInLayer(hide, [], bare, survey))
  for (const p of places) expect(Object.values(p.cost).reduce((a, b) => a + b)).toBeCloseTo(p.totalMs, 9)
  for (const [i, p] of places.entries())
    if (i > 0) expect(p.totalMs).toBeGreaterThanOrEqual(places[i - 1]!.totalMs)
})

test('keys that the system keeps are charted but never ranked; lock and modifier keys are no places', () => {
  const survey = surveyPlaces([], around([hide]))
  const places = placesInLayer(hide, ['Meta'], layer(['Meta']), survey)
  const lock = places.find((p) => spotOf(p.trigger) === 'KeyL')!
  expect(lock.systemAction).toBe('Lock screen')
  expect(rankPlaces(places)).not.toContain(lock)
  expect(placesInLayer(hide, [], bare, survey).map((p) => spotOf(p.trigger))).not.toContain('CapsLock')
  expect(placesInLayer(hide, [], bare, survey).map((p) => spotOf(p.trigger))).not.toContain('ShiftLeft')
})

test('a place that types in one of the contexts costs more there', () => {
  const label = command('Hide label', { contextIds: ['labelling'] })
  const [h] = placesInLayer(label, [], { KeyH: bare['KeyH']! }, surveyPlaces([], around([label])))
  expect(h).toMatchObject({ typesIn: ['Labelling'] })
  expect(h!.cost.clashMs).toBeGreaterThan(0)
})

test('remedies offer free, unclashing places within reach and then taking off; a move ends the clash', () => {
  const commands = [hide, split, command('Lock layer')]
  const given = placements({ 'hide-shape': 'KeyQ', split: 'KeyQ', 'lock-layer': 'Meta+KeyL' })
  const surround = around(commands)
  const survey = surveyPlaces(given, surround)
  for (const clash of findClashes(given, surround)) {
    const remedies = remediesFor(clash, survey, remedyLayers.map(layer))
    expect(remedies.at(-1)!.kind).toBe('unplace')
    expect(remedies.filter((r) => r.kind === 'move').length).toBeGreaterThan(0)
    for (const remedy of remedies.filter((r) => r.kind === 'move' || r.kind === 'unplace')) {
      const after = given.flatMap((p) =>
        p.commandId !== remedy.commandId ? [p] : remedy.to ? [{ ...p, trigger: remedy.to }] : [],
      )
      expect(findClashes(after, surround).map((c) => c.id)).not.toContain(clash.id)
      expect(findClashes(after, surround).length).toBeLessThan(findClashes(given, surround).length)
    }
  }
})

test('with two commands on one trigger the less used one is moved', () => {
  const given = placements({ 'hide-shape': 'F9', split: 'F9' })
  const surround = around([hide, split])
  const [clash] = findClashes(given, surround)
  expect(remediesFor(clash!, surveyPlaces(given, surround), [bare])[0]!.commandId).toBe('split')
})

test('checkArrangement gives each clash its remedies', () => {
  const p = plan({
    commands: [hide],
    arrangements: [draft(placements({ 'hide-shape': 'Meta+KeyL' }))],
  })
  const [found] = checkArrangement(p, p.arrangements[0]!, surroundings(p, { layouts, systems }))
  expect(found!.clash.layer).toBe('system')
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
    (t) => bare[spotOf(t)!],
    surveyPlaces([], around([hide, far])).readerOf,
  )
  expect(figures).toMatchObject({ nearShare: 84 / 100, placedShare: 1, placedCount: 2, commandCount: 3 })
  expect(figures.mnemonicMean).toBeCloseTo(0.84)
  expect(
    arrangementFigures(
      [],
      () => [],
      () => undefined,
      surveyPlaces([], around([])).readerOf,
    ),
  ).toMatchObject({ nearShare: 0, mnemonicMean: null })
})
