import { describe, expect, test } from 'vitest'
import { readFileSync } from 'node:fs'
import {
  acceptedIn,
  chord,
  defaultPlaceWeights,
  noMemory,
  noRules,
  planVersion,
  readPlan,
  environmentOf,
  writePlan,
  type Plan,
} from '../../src/index.js'
import { catalogues } from '@reach-plot/data'
import { command, draft, placements, plan, program, groupOf, keyOf } from '../build.js'

type Raw = Record<string, unknown> & {
  benches: { devices: Record<string, unknown>[] }[]
  arrangements: Record<string, unknown>[]
}
const rawOf = (of: Plan): Raw => JSON.parse(writePlan(of)) as Raw
const read = (raw: unknown): Plan => readPlan(JSON.stringify(raw), 'old.reachplot.json')

const versions = [1, 2, 3, 4, 5, 6] as const
type Version = (typeof versions)[number]

/** A plan of today as a file of an older version: without what versions since then have brought, by its old names. */
function aged(of: Plan, version: Version): Raw {
  const raw = rawOf(of)
  raw['version'] = version
  const drop = (from: Record<string, unknown>, ...names: string[]): void => {
    for (const name of names) Reflect.deleteProperty(from, name)
  }
  const rules = of.rules
  raw['rules'] = {
    keptCommandIds: rules.lockedCommandIds,
    keptSpots: rules.lockedControls,
    keptProgramIds: rules.lockedProgramIds,
    barredSpots: rules.barredControls,
  }
  for (const a of raw.arrangements) {
    a['popups'] = (a['popups'] as Raw[]).map(({ entries, ...set }) => ({ ...set, places: entries }))
    a['placements'] = (a['placements'] as Raw[]).map((placed) => {
      const { entry, ...trigger } = placed['trigger'] as Record<string, unknown>
      return { ...placed, trigger: entry === undefined ? trigger : { ...trigger, place: entry } }
    })
  }
  drop(raw, 'id', 'setNowArrangementId')
  if (version < 6) drop(raw, 'labels')
  if (version < 5) {
    drop(raw, 'hoursPerDay')
    drop(raw['weights'] as Raw, 'learnMs')
  }
  if (version < 4) {
    drop(raw, 'otherLayoutId', 'ownSystemKeys')
    for (const a of raw.arrangements) drop(a, 'accepted')
  }
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
  const withPopups: Plan = {
    ...now,
    rules: { ...noRules, lockedCommandIds: ['hide-shape'], barredControls: ['F1'] },
    arrangements: [
      draft(placements({ 'hide-shape': 'popup/shapes 3' }), {
        popups: [{ id: 'shapes', name: 'Shapes', opener: chord('F2'), at: 'pointer', entries: 6 }],
      }),
    ],
  }
  test.each(versions)('version %i opens as the plan of today', (version) => {
    expect({ ...read(aged(now, version)), id: now.id }).toEqual(now)
  })
  test.each([3, 4, 5, 6] as const)('what version %i called otherwise has its name of today', (version) => {
    expect({ ...read(aged(withPopups, version)), id: now.id }).toEqual(withPopups)
  })
  test('an older plan gets an id from what it holds: the same each time, another for another plan', () => {
    const [id, again, other] = [now, now, withPopups].map((p) => read(aged(p, 6)).id)
    expect(id).toMatch(/^new-plan-[0-9a-f]+$/)
    expect(again).toBe(id)
    expect(other).not.toBe(id)
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
      'a locked command',
      { rules: { ...noRules, lockedCommandIds: ['gone'] } },
      /rules › lockedCommandIds.*"gone"/s,
    ],
    ['a locked program', { rules: { ...noRules, lockedProgramIds: ['gone'] } }, /lockedProgramIds/],
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
  const env = environmentOf(
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
    expect(env.otherLayout!.id).toBe('de')
    expect(env.ownKeys!.off).toEqual(['Meta+KeyL'])
    expect([...env.probes!]).toEqual([['Control+F7', 'swallowed']])
    expect(env.defaults!.get(groupOf('fenmap', 'KeyH'))!.map((c) => c.name)).toEqual(['Hide shape'])
  })
  test('a browser’s keys are looked up on the layout', () => {
    expect(env.browserKeys!.has(keyOf('Control+KeyT'))).toBe(true)
    expect(env.browserKeys!.has(keyOf('Alt+ArrowLeft'))).toBe(true)
    const german = environmentOf({ ...given, layoutId: 'de' }, catalogues)
    expect(env.browserKeys!.has(keyOf('Control+Alt+KeyZ'))).toBe(true)
    expect(german.browserKeys!.has(keyOf('Control+Alt+KeyY'))).toBe(true)
  })
  test('an unknown other layout is named', () => {
    expect(() => environmentOf({ ...given, otherLayoutId: 'xx' }, catalogues)).toThrow(/other layout "xx"/)
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
