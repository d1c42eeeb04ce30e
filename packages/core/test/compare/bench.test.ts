import { describe, expect, test } from 'vitest'
import { deviceModels, layouts, systems } from '@reach-plot/data'
import {
  benchLoss,
  benchSolver,
  compareDevices,
  deviceFromModel,
  keyControls,
  parseTrigger,
  readDevice,
  strokeMs,
  environmentOf,
  indexPlaces,
  triggerReach,
  writeDevice,
  reachContextOf,
  type Device,
  type Plan,
} from '../../src/index.js'
import { at, command, draft, placements, plan } from '../build.js'

const model = (id: string, as: string): Device =>
  deviceFromModel(
    deviceModels.find((m) => m.id === id)!,
    as,
  )
const given: Plan = plan({
  devices: [
    ...plan().devices,
    { id: 'laptop', name: 'Laptop', kind: 'board', board: 'laptop-compact', bottomRow: 'windows' },
    model('pad-20', 'pad'),
    model('mouse', 'mouse'),
    model('pen-2', 'pen'),
  ],
  benches: [
    { ...plan().benches[0]!, devices: [at('keyboard'), at('pad', -130), at('mouse', 450), at('pen', 640)] },
    {
      id: 'travel',
      name: 'Travel',
      devices: [at('laptop'), at('mouse', 330)],
      hands: [{ ...plan().benches[0]!.hands[0]!, deviceId: 'laptop' }],
    },
  ],
  commands: [command('Hide'), command('Show', { usesPerHour: 50 }), command('Count')],
  arrangements: [
    draft(placements({ hide: 'pad/k1', show: 'KeyS', count: 'NumpadAdd' }), {
      popups: [{ id: 'set', name: 'Set', opener: parseTrigger('mouse/forward'), at: 'pointer', entries: 4 }],
    }),
  ],
})
const catalogues = { layouts, systems }

test('a board with the number block at the left has no fewer controls within reach of the left hand', () => {
  const boards = (['ansi-104', 'ansi-104-left'] as const).map((board): Device => ({
    id: board,
    name: board,
    kind: 'board',
    board,
    bottomRow: 'windows',
  }))
  const [right, left] = compareDevices(boards, { side: 'left', spanMm: 190 })
  expect(right!.counts.rest).toBe(left!.counts.rest)
  expect(right!.counts.easy).toBe(left!.counts.easy)
  expect(left!.counts.away).toBeLessThan(right!.counts.away)
  for (const d of [right!, left!])
    expect(Object.values(d.counts).reduce((a, b) => a + b)).toBe(d.controls.length)
})

test('devices of the pointing hand are not compared', () => {
  expect(
    compareDevices([model('mouse', 'mouse'), model('pad-15', 'p')], { side: 'left', spanMm: 190 }),
  ).toHaveLength(1)
})

describe('from bench to bench', () => {
  const there = environmentOf(given, catalogues, given.arrangements[0]!, given.benches[1]!)
  test('what is lost has its commands, and what is lacking in words', () => {
    const loss = benchLoss(given.arrangements[0]!.placements, there)
    expect(loss.lost.map((l) => [l.command.name, ...l.lacks])).toEqual([
      ['Count', 'the key NumpadAdd'],
      ['Hide', 'the control pad key 1'],
    ])
    expect(loss).toMatchObject({ kept: 1, usesPerHour: 20 })
    expect(loss.without.map((c) => c.name)).toEqual(['Count', 'Hide'])
  })
  test('a command with another trigger there is not left without', () => {
    const loss = benchLoss([...given.arrangements[0]!.placements, ...placements({ hide: 'KeyH' })], there)
    expect(loss.without.map((c) => c.name)).toEqual(['Count'])
    expect(loss.lost).toHaveLength(2)
  })
  test('nothing is lost on the bench itself', () => {
    expect(benchLoss(given.arrangements[0]!.placements, environmentOf(given, catalogues)).lost).toEqual([])
  })
})

describe('the price of a trigger', () => {
  const env = environmentOf(given, catalogues)
  const solver = benchSolver(given.benches[0]!.hands[0]!, env.controls)
  const context = reachContextOf(
    indexPlaces([], env),
    (held, place, withId) =>
      solver.reachChord(held, place, env.layout.altGraph, withId === undefined ? [] : [withId]) ?? undefined,
  )
  const ms = (text: string): number => triggerReach(parseTrigger(text), context)!.timeMs
  test('taps, holds and pop-up sets add to the press', () => {
    expect(ms('KeyD x2') - ms('KeyD')).toBeCloseTo(200)
    expect(ms('KeyD hold') - ms('KeyD')).toBeCloseTo(400)
    expect(ms('popup/set 1')).toBeGreaterThan(ms('mouse/forward') + 200)
  })
  // Kurtenbach and Buxton (1993), from memory: more directions are slower to draw
  test('strokes take longer with more directions', () => {
    const times = ([2, 4, 8, 12] as const).map(strokeMs)
    expect(times).toEqual(times.toSorted((a, b) => a - b))
    expect(ms('mouse/field stroke 0/8')).toBeCloseTo(strokeMs(8))
  })
  test('a pen that the hand does not hold has to be taken up first', () => {
    // about H of the keystroke-level model: a pen lies near the mouse, but is a thin thing to take
    expect(ms('pen/upper') - ms('mouse/back')).toBeGreaterThan(250)
    expect(ms('pen/upper') - ms('mouse/back')).toBeLessThan(600)
    expect(triggerReach(parseTrigger('pen/upper'), context)!.verdict).toBe('away')
  })
  test('a pad key with another one held is a chord of two fingers', () => {
    expect(triggerReach(parseTrigger('pad/k18+pad/k19'), context)!.keys).toEqual(['pad/k18', 'pad/k19'])
    expect(ms('pad/k18+pad/k19')).toBeGreaterThan(ms('pad/k19'))
  })
  test('of two keys with one code the nearer counts, wherever it stands', () => {
    const controls = keyControls(env.controls)
    const twice = [
      ...controls,
      { ...controls.find((c) => c.code === 'KeyP')!, id: 'near/P', xMm: 60, yMm: 60 },
    ]
    const reach = benchSolver(given.benches[0]!.hands[0]!, twice).reachChord([], 'KeyP', false)!
    expect(reach.keys).toEqual(['near/P'])
  })
})

describe('device files', () => {
  test('a device goes out and comes back the same', () => {
    const pad = model('pad-20', 'pad')
    expect(readDevice(writeDevice(pad), 'pad.json')).toEqual(pad)
  })
  test.each([
    ['{', /not JSON/],
    ['{}', /no device/],
    [writeDevice({ ...model('pen-2', 'pen'), controls: [] } as never), /controls/],
    [writeDevice({ ...model('pen-2', 'pen'), id: 'a b' } as never), /letters, digits/],
  ])('%s is refused with the place', (text, message) =>
    expect(() => readDevice(text, 'pad.json')).toThrow(message),
  )
})
