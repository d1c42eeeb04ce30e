import { describe, expect, test } from 'vitest'
import { readFileSync } from 'node:fs'
import {
  acceptedIn,
  defaultPlaceWeights,
  noMemory,
  noRules,
  planVersion,
  readPlan,
  surroundings,
  writePlan,
  type Plan,
} from '../../src/index.js'
import { browserKeys, layouts, systems } from '@reach-plot/data'
import { command, draft, placements, plan, program } from '../build.js'

type Raw = Record<string, unknown> & {
  benches: { devices: Record<string, unknown>[] }[]
  arrangements: Record<string, unknown>[]
}
const rawOf = (of: Plan): Raw => JSON.parse(writePlan(of)) as Raw
const read = (raw: unknown): Plan => readPlan(JSON.stringify(raw), 'old.reachplot.json')

/** What versions since the given one have brought, taken out of a plan of today. */
function aged(of: Plan, version: 1 | 2 | 3): Raw {
  const raw = rawOf(of)
  raw['version'] = version
  const drop = (from: Record<string, unknown>, ...names: string[]): void => {
    for (const name of names) Reflect.deleteProperty(from, name)
  }
  drop(raw, 'otherLayoutId', 'ownSystemKeys')
  for (const a of raw.arrangements) drop(a, 'accepted')
  if (version < 3) {
    drop(raw, 'rules', 'weights', 'memory')
    for (const b of raw.benches) for (const d of b.devices) drop(d, 'heightMm')
  }
  if (version < 2) {
    drop(raw, 'routines', 'usage')
    for (const b of raw.benches) for (const d of b.devices) drop(d, 'turnDeg', 'mirrored')
    for (const a of raw.arrangements) drop(a, 'popups')
  }
  return raw
}

describe('older plan files', () => {
  const now = plan({
    commands: [command('Hide shape')],
    arrangements: [draft(placements({ 'hide-shape': 'KeyH' }))],
  })
  test.each([1, 2, 3] as const)('version %i opens as the plan of today', (version) => {
    expect(read(aged(now, version))).toEqual(now)
  })
  test('what is new stands at its defaults', () => {
    const opened = read(aged(now, 1))
    expect(opened.version).toBe(planVersion)
    expect(opened).toMatchObject({
      rules: noRules,
      weights: defaultPlaceWeights,
      memory: noMemory,
      ownSystemKeys: {},
      otherLayoutId: null,
    })
    expect(opened.benches[0]!.devices[0]).toMatchObject({ heightMm: 0, turnDeg: 0, mirrored: false })
    expect(opened.arrangements[0]).toMatchObject({ accepted: [], popups: [] })
  })
  test('a plan of a later version is refused, and one without a version too', () => {
    expect(() => read({ ...rawOf(now), version: planVersion + 1 })).toThrow(/reads up to version/)
    expect(() => read({ ...rawOf(now), version: undefined })).toThrow(/version/)
  })
  test('an older plan with a fault is told where, in the words of today', () => {
    const raw = aged(now, 2)
    raw.benches[0]!.devices[0]!['xMm'] = 'left'
    expect(() => read(raw)).toThrow(/benches › 0 › devices › 0 › xMm/)
  })
  test('the demo of today is of the newest version', () => {
    const demo = JSON.parse(
      readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
    )
    expect(demo.version).toBe(planVersion)
  })
})

describe('references of the newer parts', () => {
  const commands = [command('Hide shape')]
  test.each<[string, Partial<Plan>, RegExp]>([
    [
      'a kept command',
      { rules: { ...noRules, keptCommandIds: ['gone'] } },
      /rules › keptCommandIds.*"gone"/s,
    ],
    ['a kept program', { rules: { ...noRules, keptProgramIds: ['gone'] } }, /keptProgramIds/],
    ['a shared idea', { memory: { ...noMemory, sameIdeas: [['hide-shape', 'gone']] } }, /sameIdeas/],
    ['parted ideas', { memory: { ...noMemory, otherIdeas: [['gone', 'hide-shape']] } }, /otherIdeas/],
    [
      'the context of a drag',
      { programs: [program({ drags: [{ contextId: 'gone', modifier: null, does: 'pans' }] })] },
      /programs › 0 › drags › 0/,
    ],
  ])('%s that is not there is named with its place', (_what, change, message) => {
    expect(() => read(rawOf(plan({ commands, ...change })))).toThrow(message)
  })
  test.each<[string, (raw: Raw) => void, RegExp]>([
    [
      'a weight below nothing',
      (r) => void ((r['weights'] as Record<string, number>)['recallMs'] = -1),
      /weights › recallMs/,
    ],
    [
      'a word pair without a way',
      (r) => void (r['memory'] = { ...noMemory, wordPairs: [{ first: 'a', second: 'b', axis: 'slant' }] }),
      /wordPairs/,
    ],
    [
      'an own key without an action',
      (r) => void (r['ownSystemKeys'] = { gnome: { off: [], own: [{ modifiers: [], code: 'F1' }] } }),
      /ownSystemKeys/,
    ],
    ['a height beyond the desk', (r) => void (r.benches[0]!.devices[0]!['heightMm'] = 9000), /heightMm/],
    [
      'a probe of no result',
      (r) =>
        void ((r.benches[0] as Record<string, unknown>)['probes'] = [
          { chord: 'F1', system: 'gnome', result: 'perhaps' },
        ]),
      /probes/,
    ],
  ])('%s is refused with its place', (_what, spoil, message) => {
    const raw = rawOf(plan({ commands }))
    spoil(raw)
    expect(() => read(raw)).toThrow(message)
  })
})

describe('what stands around an arrangement', () => {
  const catalogues = { layouts, systems, browserKeys }
  const given = plan({
    commands: [command('Hide shape'), command('Split')],
    otherLayoutId: 'de',
    ownSystemKeys: { gnome: { off: ['Meta+KeyL'], own: [] }, windows: { off: [], own: [] } },
    arrangements: [
      { ...draft(placements({ 'hide-shape': 'KeyH' })), id: 'defaults', isDefault: true },
      draft(placements({ split: 'KeyH' })),
    ],
    activeArrangementId: 'draft',
  })
  const bench = given.benches[0]!
  const around = surroundings(
    {
      ...given,
      benches: [
        {
          ...bench,
          probes: [
            { chord: 'Control+F7', system: 'gnome', result: 'swallowed' },
            { chord: 'Control+F8', system: 'windows', result: 'swallowed' },
          ],
        },
      ],
    },
    catalogues,
  )
  test('the other layout, the defaults, and the settings and probes of the system in front', () => {
    expect(around.otherLayout!.id).toBe('de')
    expect(around.ownKeys!.off).toEqual(['Meta+KeyL'])
    expect([...around.probes!]).toEqual([['Control+F7', 'swallowed']])
    expect(around.defaults!.get('fenmap KeyH')!.map((c) => c.name)).toEqual(['Hide shape'])
  })
  test('a browser’s keys are looked up on the layout', () => {
    expect(around.browserKeys!.has('Control+KeyT')).toBe(true)
    expect(around.browserKeys!.has('Alt+ArrowLeft')).toBe(true)
    const german = surroundings({ ...given, layoutId: 'de' }, catalogues)
    expect(around.browserKeys!.has('Control+Alt+KeyZ')).toBe(true)
    expect(german.browserKeys!.has('Control+Alt+KeyY')).toBe(true)
  })
  test('an unknown other layout is named', () => {
    expect(() => surroundings({ ...given, otherLayoutId: 'xx' }, catalogues)).toThrow(/other layout "xx"/)
  })
})

test('an accepted finding is one with the same commands, in any order', () => {
  const find = acceptedIn(
    draft([], {
      accepted: [{ clashId: 'two-commands:fenmap KeyQ', commandIds: ['b', 'a'], note: 'both are meant' }],
    }),
  )
  expect(find({ id: 'two-commands:fenmap KeyQ', commandIds: ['a', 'b'] })!.note).toBe('both are meant')
  expect(find({ id: 'two-commands:fenmap KeyQ', commandIds: ['a', 'b', 'c'] })).toBeUndefined()
  expect(find({ id: 'two-commands:fenmap KeyW', commandIds: ['a', 'b'] })).toBeUndefined()
})
