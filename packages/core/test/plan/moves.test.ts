import { describe, expect, test } from 'vitest'
import {
  applyMoves,
  chord,
  editDevice,
  isSameDevice,
  parseTrigger,
  placeRefusal,
  removePlacement,
  setPageProgram,
  toggleRule,
  triggerKey,
  type Placed,
} from '../../src/index.js'
import { afterFrom, demo, idOf } from './after.js'

const keys = (placed: readonly Placed[]): string[] =>
  placed.map((p) => `${p.commandId} ${triggerKey(p.trigger)}`).toSorted()
const given: Placed[] = [
  { commandId: 'a', trigger: chord('KeyA') },
  { commandId: 'a', trigger: chord('KeyB') },
  { commandId: 'b', trigger: chord('KeyA') },
]

describe('moves', () => {
  test('of one trigger leave the command’s others, and others on the trigger, where they are', () => {
    const moved = applyMoves(given, [{ commandId: 'a', from: chord('KeyA'), to: chord('KeyC') }])
    expect(keys(moved)).toEqual(['a KeyB', 'a KeyC', 'b KeyA'])
  })
  test('from where the command is not, it gets a place all the same, once', () => {
    const moved = applyMoves(given, [{ commandId: 'b', from: chord('KeyX'), to: chord('KeyC') }])
    expect(keys(moved)).toEqual(['a KeyA', 'a KeyB', 'b KeyA', 'b KeyC'])
  })
  test('onto a trigger that it has already leave one', () => {
    const moved = applyMoves(given, [{ commandId: 'a', from: chord('KeyA'), to: chord('KeyB') }])
    expect(keys(moved)).toEqual(['a KeyB', 'b KeyA'])
  })
  test('to nowhere take the place away', () => {
    expect(keys(applyMoves(given, [{ commandId: 'b', from: chord('KeyA'), to: null }]))).toEqual([
      'a KeyA',
      'a KeyB',
    ])
  })
  test('to nowhere, from where the command is not, change nothing', () => {
    const gone = applyMoves(given, [{ commandId: 'b', from: chord('KeyX'), to: null }])
    expect(keys(gone)).toEqual(keys(given))
  })
  test('without a start add a place', () => {
    expect(keys(applyMoves([], [{ commandId: 'c', from: null, to: chord('KeyC') }]))).toEqual(['c KeyC'])
  })
  test('removing one trigger leaves the others', () => {
    const plan = demo()
    const undo = idOf(plan, 'Undo')
    const unlocked = { ...plan, rules: { ...plan.rules, lockedCommandIds: [] } }
    const of = (p: typeof plan) =>
      p.arrangements
        .find((a) => a.id === p.activeArrangementId)!
        .placements.filter((x) => x.commandId === undo)
        .map((x) => triggerKey(x.trigger))
    const before = of(unlocked)
    expect(before.length).toBe(2)
    const after = afterFrom(unlocked, (p) => removePlacement(p, undo, parseTrigger(before[0]!)))
    expect(of(after)).toEqual(before.slice(1))
  })
})

test('keys stand in for keys, controls for those of their device, entries for entries', () => {
  const same = (a: string, b: string) => isSameDevice(parseTrigger(a), parseTrigger(b))
  expect(same('KeyA', 'Control+F5')).toBe(true)
  expect(same('KeyA', 'Control+KeyK,KeyC')).toBe(true)
  expect(same('pad/k1', 'pad/dial left')).toBe(true)
  expect(same('popup/shapes 1', 'popup/other 2')).toBe(true)
  for (const [a, b] of [
    ['KeyA', 'pad/k1'],
    ['pad/k1', 'mouse/back'],
    ['popup/shapes 1', 'pad/k1'],
    ['popup/shapes 1', 'KeyA'],
  ] as const)
    expect(same(a, b), `${a} and ${b}`).toBe(false)
})

describe('what is locked', () => {
  const plan = demo()
  const [add, hide] = [idOf(plan, 'Add vertex'), idOf(plan, 'Hide shape')]
  const locked = toggleRule(toggleRule(plan, 'lockedCommandIds', add), 'lockedCommandIds', hide)
  const place = (commandId: string, change: object = {}) =>
    placeRefusal(locked, { commandId, trigger: chord('KeyH'), ...change })
  test('does not move to another key, but may get one more', () => {
    expect(place(add)).toEqual({ kind: 'command is locked', commandId: add })
    expect(place(add, { keepOld: true })).toBeNull()
  })
  test('and has no key yet may get its first', () => {
    expect(place(hide)).toBeNull()
  })
  test('does not give way to another', () => {
    const free = idOf(plan, 'Show all shapes')
    expect(place(free)).toBeNull()
    expect(place(free, { displaced: [add] })).toEqual({ kind: 'command is locked', commandId: add })
  })
})

describe('a device', () => {
  const plan = demo()
  const named = (id: string) => afterFrom(plan, (p) => editDevice(p, id, { name: 'Another name' })).devices
  test('is changed by its id, and one that is not there changes nothing', () => {
    expect(
      named('pad')
        .filter((d) => d.name === 'Another name')
        .map((d) => d.id),
    ).toEqual(['pad'])
    expect(named('ghost')).toEqual(plan.devices)
  })
  test('has a program for one of its pages; the other pages stay', () => {
    const deck = plan.devices.find((d) => d.id === 'deck')!
    const pages = deck.kind === 'drawn' ? deck.pages : []
    const [first, second] = pages
    const programOf = (of: typeof plan, pageId: string) => {
      const device = of.devices.find((d) => d.id === 'deck')!
      return device.kind === 'drawn' ? device.pages.find((p) => p.id === pageId)?.programId : undefined
    }
    const after = afterFrom(plan, (p) => setPageProgram(p, 'deck', second!.id, 'reedcall'))
    expect(programOf(after, second!.id)).toBe('reedcall')
    expect(programOf(after, first!.id)).toBe(programOf(plan, first!.id))
    const none = afterFrom(after, (p) => setPageProgram(p, 'deck', second!.id, null))
    expect(programOf(none, second!.id)).toBeUndefined()
    expect(afterFrom(plan, (p) => setPageProgram(p, 'deck', 'ghost', 'reedcall'))).toEqual(plan)
  })
})
