import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  benchCandidates,
  boardControls,
  isAvailable,
  defaultPlaceWeights,
  differingIdeas,
  displacementChain,
  matchingCommands,
  freePlaces,
  homeKeys,
  isFree,
  noRules,
  parseTrigger,
  placeReason,
  placesOn,
  rankPlaces,
  reachWithHeld,
  reachSolver,
  reweigh,
  indexPlaces,
  triggerKey,
  type Command,
  type Modifier,
  type PlaceIndex,
  type ReachAt,
  type Rules,
} from '../../src/index.js'
import { envWith, command, placements, program, index } from '../build.js'

const controls = boardControls('iso-105', 'windows')
const solver = reachSolver({ side: 'left', spanMm: 190, rests: homeKeys.left }, controls)
const held: Modifier[][] = [[], ['Shift'], ['Control']]
const reachBySet = new Map(held.map((h) => [h.join('+'), reachWithHeld(solver, controls, h, false)]))
const reachAt: ReachAt = (h, place) => reachBySet.get(h.join('+'))?.[place]
const candidatesOf = (given: PlaceIndex) => benchCandidates(given, held, () => undefined)
const ranked = (who: Command, given: PlaceIndex) =>
  rankPlaces(placesOn(who, candidatesOf(given), reachAt, given))

const tracing = { contextIds: ['tracing'] }
const hide = command('Hide shape', { usesPerHour: 84, ...tracing })
const split = command('Split', { usesPerHour: 20, ...tracing })
const trim = command('Trim', { usesPerHour: 6, ...tracing })
const idle = command('Sort by coast', { usesPerHour: 0, ...tracing })

describe('every trigger of the bench', () => {
  const given = index([hide, split], { split: 'KeyS' })
  const places = ranked(hide, given)
  test('is ranked: presses with and without modifiers, taps and holds', () => {
    const keys = places.map((p) => p.key)
    for (const key of ['KeyH', 'Shift+KeyH', 'Control+KeyH', 'KeyH x2', 'KeyH hold'])
      expect(keys).toContain(key)
    expect(new Set(keys).size).toBe(keys.length)
  })
  test('a tap or a hold costs its wait, and more where the key is pressed for something else', () => {
    const of = (key: string) => places.find((p) => p.key === key)!
    expect(of('KeyH hold').cost.timeMs - of('KeyH').cost.timeMs).toBeCloseTo(400)
    expect(of('KeyH x2').cost.timeMs - of('KeyH').cost.timeMs).toBeCloseTo(200)
    expect(of('KeyS x2').waitsWith.map((c) => c.name)).toEqual(['Split'])
    expect(of('KeyS x2').cost.clashMs).toBe(defaultPlaceWeights.clashMs / 2)
    expect(of('KeyH x2').cost.clashMs).toBe(0)
  })
  test('parts of the cost add up, and other weights rank what they weigh', () => {
    for (const p of places)
      expect(Object.values(p.cost).reduce((a: number, b: number) => a + b, 0)).toBeCloseTo(p.totalMs, 9)
    const seldom = ranked({ ...hide, usesPerHour: 1 }, given)
    const blind = rankPlaces(reweigh(places, { ...defaultPlaceWeights, recallMs: 0 }))
    const nameOnly = rankPlaces(reweigh(seldom, { ...defaultPlaceWeights, recallMs: 3000 }))
    expect(nameOnly[0]!.mnemonic.score).toBe(1)
    expect(blind[0]!.reach.verdict).toBe('rest')
    expect(reweigh(places, defaultPlaceWeights)).toEqual(places)
  })
  test('the strongest finger is preferred among equals', () => {
    const finger = (weights: typeof defaultPlaceWeights) =>
      rankPlaces(reweigh(ranked(command('Qqq', tracing), index([])), weights))[0]!.reach.fingers
    expect(Object.values(finger({ ...defaultPlaceWeights, fingerMs: 500 }))).toEqual(['index'])
  })
  test('each has one sentence that says why', () => {
    const of = (key: string) =>
      placeReason(
        places.find((p) => p.key === key)!,
        given.env,
      )
    expect(of('KeyH')).toBe('Easy with the index finger; first letter of “hide”.')
    expect(of('KeyS')).toBe(
      'Under the resting finger; first letter of “shape”. “Split”, used 20 times an hour, would have to move.',
    )
    expect(of('KeyS x2')).toMatch('one has to wait for the other with “Split” on the same key')
    for (const p of places) expect(placeReason(p, given.env)).toMatch(/\.$/)
  })
})

describe('free places', () => {
  const given = index([hide, split], { split: 'KeyS', 'hide-shape': 'KeyQ' })
  test('are within the verdict, unheld and untaken, quickest first', () => {
    const free = freePlaces(candidatesOf(given), reachAt, given, 'easy', 'fenmap')
    const keys = free.map((f) => f.candidate.key)
    expect(keys.length).toBeGreaterThan(20)
    expect(keys).not.toContain('KeyS')
    expect(keys).not.toContain('KeyQ')
    for (const { reach } of free) expect(['rest', 'easy']).toContain(reach.verdict)
    const times = free.map((f) => f.reach.timeMs)
    expect(times).toEqual(times.toSorted((a, b) => a - b))
    const rest = freePlaces(candidatesOf(given), reachAt, given, 'rest', 'fenmap')
    expect(rest.length).toBeLessThan(free.length)
  })
  test('of another program a held key is free, of all programs together it is not', () => {
    const of = (id: string | null) =>
      freePlaces(candidatesOf(given), reachAt, given, 'easy', id).map((f) => f.candidate.key)
    expect(of('reedcall')).toContain('KeyS')
    expect(of(null)).not.toContain('KeyS')
  })
  test('each is offered the unplaced command that suits its letter, every command once', () => {
    const open = [command('Trim', { usesPerHour: 3 }), command('Turn', { usesPerHour: 9 }), command('Fit')]
    const free = ['KeyT', 'Shift+KeyT', 'KeyF', 'KeyW'].map((t) => parseTrigger(t))
    const found = matchingCommands(free, open, index(open))
    expect(found.get('KeyT')!.command.name).toBe('Turn')
    expect(found.get('Shift+KeyT')!.command.name).toBe('Trim')
    expect(found.get('KeyF')!.command.name).toBe('Fit')
    expect(found.has('KeyW')).toBe(false)
  })
})

describe('what taking a place starts', () => {
  const chainFor = (who: Command, key: string, given: PlaceIndex) =>
    displacementChain(who, parseTrigger(key), candidatesOf(given), reachAt, given, defaultPlaceWeights)

  test('nothing on a free key; on a held one the holder goes to its best place', () => {
    const given = index([hide, split, trim], { split: 'KeyS', 'hide-shape': 'KeyH' })
    expect(chainFor(trim, 'KeyT', given)!.steps.map((s) => s.command.name)).toEqual(['Trim'])
    const chain = chainFor(hide, 'KeyS', given)!
    expect(chain.steps.map((s) => s.command.name)).toEqual(['Hide shape', 'Split'])
    expect(chain.steps[0]!.from).toEqual(parseTrigger('KeyH'))
    expect(chain.steps[1]).toMatchObject({ displacedBy: hide, from: parseTrigger('KeyS') })
    expect(chain.steps[1]!.to).not.toBeNull()
    expect(chain.afterMsPerHour).toBeGreaterThan(0)
  })
  test('a command that has another trigger as good keeps that, and is not without a place', () => {
    const given = indexPlaces(
      [...placements({ split: 'KeyS', trim: 'KeyK' }), { commandId: 'split', trigger: parseTrigger('KeyF') }],
      envWith([hide, split, trim]),
    )
    const chain = chainFor(hide, 'KeyS', given)!
    expect(chain.steps[1]).toMatchObject({ command: split, to: null, keeps: parseTrigger('KeyF') })
    // it does not go by the menu from then on
    expect(chain.steps[1]!.afterMs).toBeLessThan(chain.steps[1]!.menuMs)
  })
  test('a command that is never used may be let go', () => {
    const given = index([hide, idle], { 'sort-by-coast': 'KeyS' })
    const chain = chainFor(hide, 'KeyS', given)!
    expect(chain.steps[1]).toMatchObject({ command: idle, to: null })
  })
  test('what the system takes, a key that must not be used and a kept command cannot be displaced', () => {
    const rules: Rules = {
      ...noRules,
      lockedCommandIds: ['split'],
      barredControls: ['KeyB'],
      lockedControls: ['KeyG'],
    }
    const given = index([hide, split, trim], { split: 'KeyS', trim: 'KeyG' }, { rules })
    for (const key of ['KeyS', 'KeyB', 'KeyG']) expect(chainFor(hide, key, given), key).toBeNull()
    expect(chainFor(hide, 'KeyD', given)).not.toBeNull()
  })

  describe('where places are scarce', () => {
    const busy = command('Busy', { usesPerHour: 50, ...tracing })
    const chainOn = (keys: readonly string[], placed: Record<string, string>, displaceMs?: number) => {
      const given = index([hide, split, trim, busy], placed)
      const weights = { ...defaultPlaceWeights, ...(displaceMs !== undefined && { displaceMs }) }
      const few = candidatesOf(given).filter((c) => keys.includes(c.key))
      const chain = displacementChain(hide, parseTrigger('KeyS'), few, reachAt, given, weights)!
      return chain.steps.map((s) => `${s.command.name}: ${s.to?.key ?? 'none'}`)
    }
    test('only a command that is used less is pushed out in turn', () => {
      const held = { split: 'KeyS', trim: 'KeyD', busy: 'KeyF' }
      expect(chainOn(['KeyS', 'KeyD', 'KeyF'], held)).toEqual([
        'Hide shape: KeyS',
        'Split: KeyD',
        'Trim: none',
      ])
      expect(chainOn(['KeyS', 'KeyF'], held)).toEqual(['Hide shape: KeyS', 'Split: none'])
    })
    test('a held place is taken where that costs less than a free one, by what pushing weighs', () => {
      const held = { split: 'KeyS', trim: 'KeyD' }
      expect(chainOn(['KeyS', 'KeyD', 'KeyB'], held, 0)).toEqual([
        'Hide shape: KeyS',
        'Split: KeyD',
        'Trim: KeyB',
      ])
      expect(chainOn(['KeyS', 'KeyD', 'KeyB'], held, 1500)).toEqual(['Hide shape: KeyS', 'Split: KeyB'])
    })
    test('of those pushed out, the cost of their next place counts by how often they are used', () => {
      const held = { split: 'KeyS', trim: 'KeyD' }
      const often = chainOn(['KeyS', 'KeyD', 'KeyB'], held, 400)
      expect(often.at(-1)).toMatch(/KeyB$/)
    })
  })

  const codes = ['KeyA', 'KeyS', 'KeyD', 'KeyF', 'KeyG', 'KeyW', 'KeyE', 'KeyR', 'KeyT']
  const arrangement = fc
    .array(
      fc.tuple(
        fc.constantFrom(...codes),
        fc.constantFrom('', 'Shift+', 'Control+'),
        fc.integer({ min: 0, max: 90 }),
      ),
      {
        minLength: 4,
        maxLength: 24,
      },
    )
    .map((rows) => {
      const commands = rows.map(([, , uses], i) =>
        command(`Act ${String.fromCharCode(97 + i)}x`, { id: `c${i}`, usesPerHour: uses }),
      )
      const taken = new Set<string>()
      const placed = rows.flatMap(([code, mod], i) => {
        const key = mod + code
        if (taken.has(key)) return []
        taken.add(key)
        return [[`c${i}`, key] as const]
      })
      return { commands, placed: Object.fromEntries(placed) }
    })

  test('a chain ends, loses no command, puts no two on one trigger and never breaks a lock', () => {
    fc.assert(
      fc.property(arrangement, fc.nat(), fc.nat(), ({ commands, placed }, who, lock) => {
        const keptId = `c${lock % commands.length}`
        const rules: Rules = {
          ...noRules,
          lockedCommandIds: [keptId],
          lockedControls: ['KeyA'],
          barredControls: ['KeyG'],
        }
        const given = index(commands, placed, { rules })
        const mover = commands[who % commands.length]!
        const wanted = Object.values(placed)[who % Object.keys(placed).length]!
        const chain = displacementChain(
          mover,
          parseTrigger(wanted),
          candidatesOf(given),
          reachAt,
          given,
          defaultPlaceWeights,
        )
        if (!chain) return
        const ids = chain.steps.map((s) => s.command.id)
        expect(new Set(ids).size).toBe(ids.length)
        expect(ids.slice(1)).not.toContain(keptId)
        // a dropped command is one that is never used; all others have a place that nobody else has
        const after = new Map(Object.entries(placed))
        for (const s of chain.steps) after.delete(s.command.id)
        for (const s of chain.steps) {
          if (s.to) after.set(s.command.id, s.to.key)
          else expect(s.command.usesPerHour).toBe(0)
          if (s.to) expect(['KeyG', 'KeyA']).not.toContain(s.to.candidate.controlRef)
        }
        expect(new Set(after.values()).size).toBe(after.size)
        for (const id of Object.keys(placed))
          if (!after.has(id)) expect(commands.find((c) => c.id === id)!.usesPerHour).toBe(0)
      }),
      { numRuns: 40 },
    )
  })
})

test('rules: what is kept or barred is never ranked nor free', () => {
  const rules: Rules = {
    ...noRules,
    lockedControls: ['KeyD'],
    barredControls: ['KeyB', 'F5'],
    lockedProgramIds: ['reedcall'],
  }
  const other = command('Drum', { programId: 'reedcall' })
  const programs = [program(), program({ id: 'reedcall', name: 'Reedcall' })]
  const given = indexPlaces(
    placements({ drum: 'KeyW', split: 'KeyR' }),
    envWith([hide, split, other], { rules, programs }),
  )
  const places = placesOn(hide, candidatesOf(given), reachAt, given)
  for (const p of places) {
    if (['KeyD', 'KeyB', 'F5'].includes(p.candidate.controlRef ?? ''))
      expect(isAvailable(p), p.key).toBe(false)
  }
  expect(places.find((p) => p.key === 'KeyR')!.isLocked).toBe(false)
  const mine = placesOn(command('Dot', { programId: 'reedcall' }), candidatesOf(given), reachAt, given)
  expect(mine.find((p) => p.key === 'KeyW')!.isLocked).toBe(true)
  expect(isFree(places.find((p) => p.key === 'KeyT')!)).toBe(true)
})

describe('ideas on different triggers', () => {
  const here = command('Show grid', { usesPerHour: 30 })
  const there = command('Show grids', { programId: 'reedcall', usesPerHour: 4 })
  const blocker = command('Gap', { programId: 'reedcall' })
  const programs = [program(), program({ id: 'reedcall', name: 'Reedcall' })]
  const given = (placed: Readonly<Record<string, string>>, rules: Rules = noRules) =>
    index([here, there, blocker], placed, { programs, rules })
  test('are listed with the move that ends it, the most used one leading', () => {
    const [found] = differingIdeas(given({ 'show-grid': 'KeyG', 'show-grids': 'Control+KeyG', gap: 'KeyG' }))
    expect(found!.fix!.map((m) => [m.command.id, triggerKey(m.from), triggerKey(m.to)])).toEqual([
      ['show-grids', 'Control+KeyG', 'KeyG'],
    ])
    expect(found!.fix![0]!.holders.map((c) => c.name)).toEqual(['Gap'])
  })
  test('are no finding once they share a trigger, or while one has none', () => {
    expect(differingIdeas(given({ 'show-grid': 'KeyG', 'show-grids': 'KeyG' }))).toEqual([])
    expect(differingIdeas(given({ 'show-grid': 'KeyG' }))).toEqual([])
  })
  test('a kept command has no fix, and it says so', () => {
    const rules: Rules = { ...noRules, lockedCommandIds: ['show-grids'] }
    const [found] = differingIdeas(given({ 'show-grid': 'KeyG', 'show-grids': 'KeyF' }, rules))
    expect(found).toMatchObject({ fix: null, obstacle: '“Show grids” is locked.' })
  })
})
