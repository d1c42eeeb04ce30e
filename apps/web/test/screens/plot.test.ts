import { beforeEach, describe, expect, test, vi } from 'vitest'
import { activeArrangement, chord, triggerKey, type Plan } from '@reach-plot/core'
import { useCommandList } from '../../src/features/plot/use-command-list.js'
import { useKeyLevels } from '../../src/features/plot/use-key-levels.js'
import { usePlaces } from '../../src/features/plot/use-places.js'
import { usePlot } from '../../src/features/plot/use-plot.js'
import { undo } from '../../src/store/plan-store.js'
import { useView } from '../../src/store/view-store.js'
import { idOf } from '../build.js'
import { doing, open, planNow, screenOf } from './screen.js'

vi.mock('../../src/worker/reach-client.js', async () => {
  const { reachInPlace } = await import('./screen.js')
  const service = reachInPlace()
  return { reachService: () => service }
})

const keysOf = (plan: Plan, name: string): string[] =>
  activeArrangement(plan)
    .placements.filter((p) => p.commandId === idOf(plan, name))
    .map((p) => triggerKey(p.trigger))
const choose = (name: string): Promise<void> =>
  doing(() => useView.getState().set({ commandId: idOf(planNow(), name), controlRef: null }))

beforeEach(() => open())

describe('the plot', () => {
  test('a press on a free key places the chosen command there, and undo takes it back', async () => {
    const { result } = screenOf(usePlot)
    await choose('Hide shape')
    expect(result.current.title).toContain('Places for “Hide shape”')
    await doing(() => result.current.onKey('KeyH'))
    expect(keysOf(planNow(), 'Hide shape')).toEqual(['KeyH'])
    expect(result.current.controlRef).toBe('KeyH')
    await doing(undo)
    expect(keysOf(planNow(), 'Hide shape')).toEqual([])
  })
  test('on a held key it asks before anyone has to move', async () => {
    const { result } = screenOf(usePlot)
    await choose('Hide shape')
    await doing(() => result.current.onKey('KeyD'))
    expect(result.current.taking?.holders.map((c) => c.name)).toContain('Add vertex')
    expect(keysOf(planNow(), 'Hide shape')).toEqual([])
  })
  test('a command that has a key is asked about: instead of it, or as well', async () => {
    const { result } = screenOf(usePlot)
    await choose('Measure')
    const had = keysOf(planNow(), 'Measure')
    expect(had.length).toBeGreaterThan(0)
    await doing(() => result.current.onKey('KeyH'))
    expect(keysOf(planNow(), 'Measure')).toEqual(had)
    const place = result.current.asking!
    await doing(() => result.current.put(place, 'as well'))
    expect(keysOf(planNow(), 'Measure').toSorted()).toEqual([...had, 'KeyH'].toSorted())
    await doing(undo)
    await doing(() => result.current.put(place, 'instead'))
    expect(keysOf(planNow(), 'Measure')).toContain('KeyH')
    expect(keysOf(planNow(), 'Measure').length).toBeLessThanOrEqual(had.length)
    expect(result.current.asking).toBeNull()
  })
  test('on a dial it asks which way', async () => {
    const { result } = screenOf(usePlot)
    await choose('Hide shape')
    await doing(() => result.current.onKey('pad/dial'))
    expect(result.current.other).toMatchObject({ deviceId: 'pad', controlId: 'dial' })
  })
  test('without a command it only shows the key; a control that opens a page opens it', async () => {
    const { result } = screenOf(usePlot)
    await doing(() => result.current.onKey('KeyD'))
    expect(result.current.controlRef).toBe('KeyD')
    const deck = planNow().devices.find((d) => d.id === 'deck')!
    const page = deck.kind === 'drawn' ? deck.pages.find((p) => p.programId === 'fenmap')! : undefined!
    const { controlId, pageId } = page.opens[0]!
    await doing(() => result.current.onKey(`deck/${controlId}`))
    expect(useView.getState().openPages).toEqual({ deck: pageId })
  })
  test('opposites go on one key, with and without Shift, in one step', async () => {
    const { result } = screenOf(usePlot)
    await choose('Hide shape')
    const place = result.current.places!.ranked.find((p) => triggerKey(p.trigger) === 'KeyH')!
    await doing(() => result.current.putBoth(place))
    expect(keysOf(planNow(), 'Hide shape')).toEqual(['KeyH'])
    expect(keysOf(planNow(), 'Show all shapes')).toEqual(['Shift+KeyH'])
  })
})

describe('ranked places', () => {
  test('are those of the held modifiers, plainest first, and filters narrow them', async () => {
    const { result } = screenOf(usePlaces)
    await choose('Hide shape')
    const all = result.current!.ranked
    expect(triggerKey(all[0]!.trigger)).toBe('KeyH')
    expect(all.map((p) => p.totalMs)).toEqual(all.map((p) => p.totalMs).toSorted((a, b) => a - b))
    await doing(() => useView.getState().set({ chosenHeld: ['Control'] }))
    expect(new Set(result.current!.ranked.map((p) => p.candidate.held.join()))).toEqual(new Set(['Control']))
    await doing(() =>
      useView.getState().set({
        chosenHeld: [],
        placeFilter: { bareOnly: true, deviceId: 'pad', freeOnly: true },
      }),
    )
    const narrowed = result.current!.ranked
    expect(narrowed.length).toBeGreaterThan(0)
    expect(new Set(narrowed.flatMap((p) => p.holders))).toEqual(new Set())
    expect(new Set(narrowed.map((p) => p.candidate.deviceId))).toEqual(new Set(['pad']))
  })
})

describe('the levels of a key', () => {
  test('say who stands on them, what is reserved, and what would suit', async () => {
    const { result } = screenOf(() => useKeyLevels('KeyH'))
    await doing(() => undefined)
    const { rows, freeCount, legend } = result.current
    expect(legend).toBe('H')
    expect(freeCount).toBeGreaterThan(3)
    const plain = rows.find((r) => r.key === 'KeyH')!
    expect(plain).toMatchObject({ isFree: true, reserved: null })
    expect(plain.fit?.command.name).toBe('Hide shape')
    const system = rows.find((r) => r.key === 'Meta+KeyH')!
    expect(system.reserved).toMatchObject({ by: 'system' })
    expect(system.isFree).toBe(false)
  })
  test('an act that is no plain level is listed too', async () => {
    const plan = planNow()
    const arrangements = plan.arrangements.map((a) =>
      a.id === plan.activeArrangementId
        ? {
            ...a,
            placements: [
              ...a.placements,
              {
                commandId: idOf(plan, 'Hide shape'),
                trigger: { ...chord('KeyH'), kind: 'key', act: 'twice' } as never,
              },
            ],
          }
        : a,
    )
    open({ ...plan, arrangements })
    const { result } = screenOf(() => useKeyLevels('KeyH'))
    await doing(() => undefined)
    const other = result.current.rows.filter((r) => r.isOther)
    expect(other.map((r) => r.holders[0]?.name)).toEqual(['Hide shape'])
  })
  test('a modifier carries no command of its own', () => {
    expect(screenOf(() => useKeyLevels('ShiftLeft')).result.current.isModifier).toBe(true)
  })
})

describe('the list of commands', () => {
  const keyFind = { listening: false, listen: () => undefined }
  const list = () =>
    screenOf(() => useCommandList({ searchRef: { current: null }, keyFind, onChosen: () => undefined }))
      .result
  test('searches, forgives a wrong letter, and finds what a key holds', async () => {
    const result = list()
    const all = result.current.listed.length
    await doing(() => useView.getState().set({ query: 'hide shape' }))
    expect(result.current.listed.map((c) => c.name)).toEqual(['Hide shape'])
    await doing(() => useView.getState().set({ query: 'hied shape' }))
    expect(result.current.listed.map((c) => c.name)).toContain('Hide shape')
    await doing(() => useView.getState().set({ query: '', triggerQuery: chord('KeyD') }))
    expect(result.current.listed.map((c) => c.name)).toContain('Add vertex')
    expect(result.current.listed.length).toBeLessThan(all)
    expect(result.current.systemAction).toBeNull()
    await doing(() => useView.getState().set({ triggerQuery: chord('KeyL', ['Meta']) }))
    expect(result.current.systemAction).toMatchObject({ by: 'system' })
  })
  test('without a key: those that lost theirs come first', async () => {
    const result = list()
    const lost = idOf(planNow(), 'Show all shapes')
    await doing(() => useView.getState().set({ onlyUnplaced: true, displaced: [lost] }))
    expect(result.current.listed[0]?.id).toBe(lost)
    expect(result.current.listed.length).toBe(result.current.unplacedCount)
  })
  test('choosing one shows its places and forgets the key', async () => {
    const result = list()
    await doing(() => result.current.choose(result.current.listed[3]!))
    expect(useView.getState()).toMatchObject({ commandId: result.current.listed[3]!.id, controlRef: null })
  })
})
