import { describe, expect, test } from 'vitest'
import { findClashes, parseTrigger, tracePress, type Placed } from '../../src/index.js'
import { command, envWith } from '../build.js'
import { scene, tracing } from './desk.js'

const [one, two, three] = [command('One', tracing), command('Two', tracing), command('Three', tracing)]

describe('a chain of commands', () => {
  const { env } = scene({ commands: [one!, two!, three!], places: {} })
  const press = (text: string, placed: readonly Placed[]) =>
    tracePress(parseTrigger(text), { programId: 'fenmap', contextId: 'tracing' }, placed, env)
  test('that the program knows itself runs all its commands, in order', () => {
    const placed = [{ commandId: 'one', trigger: parseTrigger('pad/k1'), then: ['two', 'three'] }]
    const trace = press('pad/k1', placed)
    expect(trace.commandIds).toEqual(['one', 'two', 'three'])
    expect(trace.steps.at(-1)!.text).toBe('Then “Two”, then “Three” run.')
  })
  test('of one command is a press like any other', () => {
    const trace = press('pad/k1', [{ commandId: 'one', trigger: parseTrigger('pad/k1') }])
    expect(trace.commandIds).toEqual(['one'])
    expect(trace.steps.filter((s) => s.text.startsWith('Then'))).toEqual([])
  })
  const keys = (count: number) =>
    ['KeyX', 'KeyW', 'KeyE'].slice(0, count).map((code, i) => ({
      commandId: ['one', 'two', 'three'][i]!,
      trigger: parseTrigger(code),
    }))
  const relay = (then?: string[]): Placed => ({
    commandId: 'one',
    trigger: parseTrigger('pad/k1'),
    sends: ['KeyX', 'KeyW', 'KeyE'].map((c) => parseTrigger(c)) as never,
    ...(then && { then }),
  })
  test('that is sent as keys runs each key’s command; without a chain only the last counts', () => {
    expect(press('pad/k1', [relay(['two', 'three']), ...keys(3)]).commandIds).toEqual(['one', 'two', 'three'])
    expect(press('pad/k1', [relay(), ...keys(3)]).commandIds).toEqual(['three'])
  })
  test('ends at the first key that nothing has', () => {
    expect(press('pad/k1', [relay(['two', 'three']), keys(3)[0]!, keys(3)[2]!]).commandIds).toEqual(['one'])
  })
})

test('several findings of one kind on one trigger have ids of their own, in the order of use', () => {
  const commands = ['A', 'B', 'C'].map((name, i) => command(name, { usesPerHour: 9 - i, ...tracing }))
  const { env } = scene({ commands, places: {} })
  const placed = commands.map((c) => ({
    commandId: c.id,
    trigger: parseTrigger('pad/k1'),
    sends: [parseTrigger('Control+KeyQ')] as never,
  }))
  const idsOf = (of: readonly Placed[]): string[] =>
    findClashes(of, env).flatMap((c) => (c.kind === 'relay-broken' ? c.id : []))
  const base = 'relay-broken:fenmap pad/k1'
  expect(idsOf(placed)).toEqual([base, `${base}:2`, `${base}:3`])
  expect(idsOf(placed.toReversed()).toSorted()).toEqual(idsOf(placed).toSorted())
})

test('one command placed twice on a trigger, for some contexts each, is live in all of them', () => {
  const wide = command('Wide', { contextIds: [] })
  const other = command('Other', { contextIds: ['labelling'] })
  const env = envWith([wide, other])
  const clashing = (...sets: (string[] | undefined)[]) =>
    findClashes(
      [
        ...sets.map((contextIds) => ({
          commandId: 'wide',
          trigger: parseTrigger('F8'),
          ...(contextIds && { contextIds }),
        })),
        { commandId: 'other', trigger: parseTrigger('F8') },
      ],
      env,
    ).filter((c) => c.kind === 'two-commands' || c.kind === 'hidden-in-context').length
  expect(clashing(['tracing'])).toBe(0)
  expect(clashing(['tracing'], ['labelling'])).toBe(1)
  expect(clashing(['labelling'], ['tracing'])).toBe(1)
  expect(clashing(['tracing'], undefined)).toBe(1)
  expect(clashing(undefined, ['tracing'])).toBe(1)
})
