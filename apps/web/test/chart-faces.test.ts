import { describe, expect, test } from 'vitest'
import { placesWith, rankPlaces, controlRefOf, type Modifier } from '@reach-plot/core'
import { keyFaces } from '../src/drawing/chart-faces.js'
import { bestByControlRef, type Places } from '../src/drawing/places.js'
import { demo, derive, idOf, reachOfSet } from './build.js'

const plan = demo()
const derived = derive(plan)
const bare = reachOfSet(derived)
const front = { programId: 'fenmap', contextId: 'tracing' }

const faces = (change: Partial<Parameters<typeof keyFaces>[0]> = {}) =>
  new Map(
    keyFaces({
      derived,
      front,
      held: [],
      byControl: bare,
      places: null,
      pageOf: () => undefined,
      chosenRef: null,
      tabId: 'keyboard/KeyF',
      ...change,
    }).map((f) => [f.controlRef, f]),
  )

function placesFor(name: string, held: readonly Modifier[] = [], byControl = bare): Places {
  const command = plan.commands.find((c) => c.id === idOf(plan, name))!
  const places = placesWith(command, held, byControl, derived.index)
  return {
    command,
    byControlRef: bestByControlRef(places),
    ranked: rankPlaces(places),
    now: [],
    ready: true,
    isWhole: true,
    candidates: [],
    reachAt: () => undefined,
  }
}

describe('without a command', () => {
  const shown = faces()
  test('taken keys keep paper white and name what is on them; free ones carry a tint and their time', () => {
    expect(shown.get('KeyS')).toMatchObject({ state: 'taken', caption: 'Next vertex', tint: 0 })
    expect(shown.get('KeyH')).toMatchObject({ state: 'free', caption: '', timeMs: expect.closeTo(264, 0) })
    expect(shown.get('KeyH')!.tint).toBeGreaterThan(0)
  })
  test('keys out of reach have neither tint nor time', () => {
    expect(shown.get('ArrowUp')).toMatchObject({ tint: 0, timeMs: null })
  })
  test('two commands on a key are counted, and a clash is marked', () => {
    expect(shown.get('KeyQ')).toMatchObject({ caption: 'Split line +1', isClash: true })
    expect(shown.get('KeyQ')!.description).toContain('clash')
  })
  test('resting fingertips are stations, and one key only takes the tab', () => {
    expect([...shown.values()].filter((f) => f.isStation).map((f) => f.controlRef)).toEqual([
      'KeyA',
      'KeyS',
      'KeyD',
      'KeyF',
    ])
    expect([...shown.values()].filter((f) => f.tabIndex === 0).map((f) => f.controlRef)).toEqual(['KeyF'])
  })
  test('levels that are taken stand as pennants of their modifiers', () => {
    expect(shown.get('KeyC')!.pennants).toEqual(['Control'])
    expect(shown.get('KeyH')!.pennants).not.toContain('Control')
  })
  test('modifiers are no places', () => {
    expect(shown.get('ShiftLeft')).toMatchObject({ state: 'held', isDown: false })
  })
})

test('the context in front decides who is shown', () => {
  expect(faces({ front: { programId: 'reedcall', contextId: 'tag' } }).get('KeyS')!.caption).toBe('Tag call')
  expect(faces({ front: { programId: 'reedcall', contextId: 'review' } }).get('KeyS')!.caption).toBe(
    'Change species',
  )
  expect(faces({ front: { programId: 'fenmap', contextId: null } }).get('KeyP')!.caption).toMatch(/\+2$/)
})

describe('with a command chosen', () => {
  const places = placesFor('Hide shape')
  const shown = faces({ places })
  test('the best place is ranked first and has the strongest tint', () => {
    expect(shown.get('KeyH')).toMatchObject({ rank: 1, tint: 5 })
    expect(
      [...shown.values()]
        .flatMap((f) => (f.parts.length > 0 ? f.parts.map((p) => p.rank) : [f.rank]))
        .filter((rank) => rank !== null)
        .sort(),
    ).toEqual([1, 2, 3, 4, 5, 6, 7])
  })
  test('a better place never has a paler tint than a worse one, among free keys', () => {
    const free = places.ranked.filter(
      (p) =>
        places.byControlRef.get(controlRefOf(p.trigger)!) === p &&
        shown.get(controlRefOf(p.trigger)!)!.state === 'free' &&
        p.reach.verdict !== 'away',
    )
    for (const [i, p] of free.entries())
      if (i > 0)
        expect(shown.get(controlRefOf(p.trigger)!)!.tint).toBeLessThanOrEqual(
          shown.get(controlRefOf(free[i - 1]!.trigger)!)!.tint,
        )
  })
  test('the key that it is on now is marked', () => {
    expect(faces({ places: placesFor('Next vertex') }).get('KeyS')!.isCurrent).toBe(true)
    expect(shown.get('KeyH')!.isCurrent).toBe(false)
  })
})

test('with Super held, keys that the system keeps are told apart and unranked', () => {
  const held = ['Meta'] as const
  const byControl = reachOfSet(derived, held)
  const shown = faces({ held, byControl, places: placesFor('Hide shape', held, byControl) })
  expect(shown.get('KeyL')).toMatchObject({ state: 'system', rank: null })
  expect(shown.get('KeyL')!.description).toContain('Used by the system: Lock screen')
  expect(shown.get('MetaLeft')!.isDown).toBe(true)
})

test('until the worker has answered, keys show what is on them and nothing of reach', () => {
  const shown = faces({ byControl: undefined })
  expect(shown.get('KeyS')!.caption).toBe('Next vertex')
  expect(shown.get('KeyH')).toMatchObject({ tint: 0, timeMs: null })
})
