import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  menuMs,
  movementMs,
  operatorMs,
  timeCommand,
  timeWork,
  thereAndBackMs,
  triggerReach,
  waysToDo,
  type RoutineStep,
  type TimedWork,
} from '../../src/index.js'
import { demoPlan, deskWith, step } from './desk.js'

const kinds = (work: TimedWork): string => work.operators.map((o) => o.kind).join('')
const undo = 'fenmap-undo'
const redo = 'fenmap-redo'
const commandOf = (id: string) => demoPlan.commands.find((c) => c.id === id)!

describe('one command', () => {
  test('under a resting finger takes one press', () => {
    const { context } = deskWith({ [undo]: 'KeyF' })
    const work = timeCommand(commandOf(undo), context)
    expect(kinds(work)).toBe('K')
    expect(work.ms).toBe(100)
    expect(work.trips).toBe(0)
  })
  test.each(['Shift+KeyR', 'Control+KeyR'])(
    '%s takes what the reach model says, and the way back of the palm that a stretch takes along',
    (chosen) => {
      const { context } = deskWith({ [undo]: chosen })
      const { trigger } = timeWork([step(undo)], context).ways[0]!
      const reach = triggerReach(trigger!, context.place.reachContext)!
      expect(timeCommand(commandOf(undo), context).ms).toBeCloseTo(thereAndBackMs(reach), 6)
      expect(thereAndBackMs(reach) > reach.timeMs).toBe(reach.verdict === 'stretch')
    },
  )
  test('without a trigger goes through its menu: M once, then P + B for each level', () => {
    const { context } = deskWith({})
    const work = timeCommand(commandOf(undo), context)
    expect(kinds(work)).toBe('MPBPB')
    expect(work.ms).toBe(menuMs(2))
    expect(work.ms).toBe(operatorMs.M + 2 * (operatorMs.P + operatorMs.B))
    expect(work.ways).toEqual([{ way: 'menu', trigger: null }])
  })
  test('on a key that never arrives goes through the menu too', () => {
    // GNOME takes Super+L
    const { context } = deskWith({ [undo]: 'Meta+KeyL' })
    expect(timeCommand(commandOf(undo), context).ways[0]!.way).toBe('menu')
  })
  test('on a far key is a trip there and back', () => {
    const { context } = deskWith({ [undo]: 'NumpadEnter' })
    const work = timeCommand(commandOf(undo), context)
    expect(kinds(work)).toBe('HKH')
    expect(work.trips).toBe(1)
  })
  test('of several triggers takes the quickest', () => {
    const { context } = deskWith({ [undo]: ['NumpadEnter', 'KeyF'] })
    expect(timeCommand(commandOf(undo), context).ms).toBe(100)
  })
})

describe('a routine', () => {
  test('again and again on one key needs no movement; the same finger goes from key to key', () => {
    const { context } = deskWith({ [undo]: 'KeyR', [redo]: 'KeyT' })
    expect(kinds(timeWork([step(undo), step(undo)], context))).toBe('FKK')
    const both = timeWork([step(undo), step(redo)], context)
    // R and T are both the index finger's, and lie one pitch apart
    const [, , second] = both.operators
    expect(second!.kind).toBe('F')
    expect(second!.ms).toBeCloseTo(movementMs(19.05, 18), 6)
  })
  test('modifiers that both chords need stay down', () => {
    const { context } = deskWith({ [undo]: 'Control+KeyA', [redo]: 'Control+KeyS' })
    const work = timeWork([step(undo), step(redo)], context)
    expect(work.operators.filter((o) => o.kind === 'K').map((o) => o.count)).toEqual([2, 1])
  })
  test('a hand that is away stays there while it is needed there', () => {
    const { context } = deskWith({ [undo]: 'NumpadEnter', [redo]: 'NumpadAdd' })
    const work = timeWork([step(undo), step(redo)], context)
    expect(work.trips).toBe(1)
    expect(work.ms).toBeLessThan(
      timeCommand(commandOf(undo), context).ms + timeCommand(commandOf(redo), context).ms,
    )
  })
  test('typing takes the pointing hand to the keys, and pointing takes it back', () => {
    const { context } = deskWith({})
    const work = timeWork([{ kind: 'type', characters: 5 }, { kind: 'point' }], context)
    expect(kinds(work)).toBe('HKHPB')
    expect(work.operators[1]!.ms).toBe(5 * operatorMs.K)
    expect(work.operators.filter((o) => o.kind === 'H').every((o) => o.hand === 'right')).toBe(true)
  })
  test('a drag is P B P B', () => {
    const { context } = deskWith({})
    expect(kinds(timeWork([{ kind: 'drag' }], context))).toBe('PBPB')
  })
  test('a stroke of the mouse leaves both hands where they are', () => {
    const { context } = deskWith({ [undo]: 'mouse/field stroke 2/8' })
    const work = timeWork([step(undo)], context)
    expect(work.trips).toBe(0)
    expect(work.ways[0]!.way).toBe('pointer')
    expect(work.operators.every((o) => o.hand === 'right')).toBe(true)
  })
  test('every operator belongs to a step, but for the way back', () => {
    const { context } = deskWith({ [undo]: 'NumpadEnter' })
    expect(timeWork([step(undo)], context).operators.map((o) => o.step)).toEqual([0, 0, null])
  })
})

test('ways to do it: a key beats the menu, and choosing and clicking costs P + B more', () => {
  const { context } = deskWith({ [undo]: 'KeyF' })
  const ways = waysToDo(commandOf(undo), context)
  expect(ways.keyMs).toBe(100)
  expect(ways.menuMs).toBe(menuMs(2))
  expect(ways.toolAndClickMs).toBe(100 + operatorMs.P + operatorMs.B)
  expect(ways.dragMs).toBe(2 * (operatorMs.P + operatorMs.B))
  expect(waysToDo(commandOf(redo), context).keyMs).toBeNull()
})

const anyStep = fc.oneof(
  fc.constantFrom(undo, redo, 'fenmap-cut').map(step),
  fc.constantFrom<RoutineStep>({ kind: 'point' }, { kind: 'drag' }, { kind: 'type', characters: 3 }),
)
const anyPlace = fc.constantFrom(
  'KeyF',
  'Control+KeyR',
  'NumpadEnter',
  'pad/k3',
  'mouse/field stroke 2/8',
  'Shift+KeyQ',
)

test('operators add up to the time, are never negative, and a step more never makes it shorter', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(anyPlace, { minLength: 3, maxLength: 3 }),
      fc.array(anyStep, { minLength: 1, maxLength: 8 }),
      ([a, b, c], steps) => {
        const { context } = deskWith({ [undo]: a!, [redo]: b!, 'fenmap-cut': c! })
        const work = timeWork(steps, context)
        expect(work.operators.every((o) => o.ms > 0 || (o.ms === 0 && (o.takesMs ?? 0) > 0))).toBe(true)
        expect(work.operators.reduce((sum, o) => sum + o.ms, 0)).toBeCloseTo(work.ms, 6)
        const longer = timeWork([...steps, { kind: 'point' }], context)
        expect(longer.ms).toBeGreaterThanOrEqual(work.ms)
      },
    ),
    { numRuns: 60 },
  )
})
