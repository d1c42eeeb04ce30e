import { describe, expect, test } from 'vitest'
import {
  activeArrangement,
  deleteCommand,
  findClashes,
  indexPlaces,
  markSetNow,
  notLookedAt,
  parseTrigger,
  placeCommand,
  prepare,
  readPlan,
  tracePress,
  triggerKey,
  triggerName,
  writePlan,
  type Chord,
  type Placement,
  type Plan,
} from '../../src/index.js'
import { layouts, systems } from '@reach-plot/data'
import { command, envWith } from '../build.js'
import { afterFrom, demo, idOf } from './after.js'

const catalogues = { layouts, systems }
const chord = (text: string): Chord => parseTrigger(text) as Chord

/** The demo with one placement more in its draft. */
const withPlacement = (placement: Placement, change: Partial<Plan> = {}): Plan => {
  const plan = { ...demo(), ...change }
  return {
    ...plan,
    arrangements: plan.arrangements.map((a) =>
      a.id === plan.activeArrangementId ? { ...a, placements: [...a.placements, placement] } : a,
    ),
  }
}

/** A plan goes out as a file and comes back as it was. */
const expectUnchanged = (plan: Plan): void => {
  const again = readPlan(writePlan(plan))
  expect(again).toEqual(plan)
  expect(writePlan(readPlan(writePlan(again)))).toBe(writePlan(again))
}

describe('goes out and in unchanged', () => {
  const plan = demo()
  const undo = idOf(plan, 'Undo')
  const pad = plan.devices.find((d) => d.kind === 'drawn')!
  const [bench] = plan.benches
  const parts: readonly (readonly [string, Plan])[] = [
    [
      'a placement in some of its command’s contexts',
      withPlacement({ commandId: undo, trigger: chord('F20'), contextIds: ['tracing'] }),
    ],
    ['a sequence of chords', withPlacement({ commandId: undo, trigger: parseTrigger('Control+KeyK,KeyC') })],
    [
      'a chain of commands',
      withPlacement({ commandId: undo, trigger: chord('F20'), then: [idOf(plan, 'Split line')] }),
    ],
    ['what is set now on the machine', { ...plan, setNowArrangementId: plan.activeArrangementId }],
    [
      'a device that programs set',
      {
        ...plan,
        devices: plan.devices.map((d) => (d === pad ? { ...d, isSetByProgram: true } : d)) as Plan['devices'],
      },
    ],
    [
      'layers of a device',
      {
        ...plan,
        devices: plan.devices.map((d) =>
          d === pad
            ? {
                ...d,
                layers: [
                  {
                    id: 'second',
                    name: 'Second',
                    openedBy: [{ controlId: pad.controls[0]!.id, how: 'held' }],
                    keys: [{ controlId: pad.controls[1]!.id, sends: [chord('Control+KeyC')] }],
                  },
                ],
              }
            : d,
        ) as Plan['devices'],
      },
    ],
    [
      'several hands with names',
      {
        ...plan,
        benches: [
          { ...bench!, hands: [bench!.hands[0]!, { ...bench!.hands[0]!, name: 'Guest', spanMm: 175 }] },
          ...plan.benches.slice(1),
        ],
      },
    ],
  ]
  test.each(parts)('%s', (_name, changed) => {
    expect(changed).not.toEqual(plan)
    expectUnchanged(changed)
  })
  test('and what nothing judges yet is said', () => {
    expect(notLookedAt(plan)).toEqual([])
    // layers are judged, so nothing is said of them
    expect(notLookedAt(parts[5]![1])).toEqual([])
    expect(notLookedAt(parts[6]![1])).toEqual([expect.stringMatching(/first hand only; the other is kept/)])
  })
})

describe('references', () => {
  test.each([
    ['a context that is not the command’s', { contextIds: ['nowhere'] }, /nowhere/],
    ['a chained command that is not there', { then: ['ghost'] }, /ghost/],
  ])('%s is refused by name', (_name, part, words) => {
    const plan = demo()
    const bad = withPlacement({ commandId: idOf(plan, 'Undo'), trigger: chord('F20'), ...part })
    expect(() => readPlan(writePlan(bad))).toThrow(words)
  })
  test('an arrangement set now that is not there is refused', () => {
    expect(() => readPlan(writePlan({ ...demo(), setNowArrangementId: 'ghost' }))).toThrow(/ghost/)
  })
  test('a deleted command leaves the chains', () => {
    const plan = demo()
    const [undo, save] = [idOf(plan, 'Undo'), idOf(plan, 'Split line')]
    const chained = withPlacement({ commandId: undo, trigger: chord('F20'), then: [save] })
    const after = afterFrom(chained, (p) => deleteCommand(p, save))
    const left = activeArrangement(after).placements.find((p) => triggerKey(p.trigger) === 'F20')!
    expect(left.commandId).toBe(undo)
    expect(left.then ?? []).not.toContain(save)
  })
  test('an arrangement can be marked as set now, and be none again', () => {
    const marked = afterFrom(demo(), (p) => markSetNow(p, 'draft-1'))
    expect(marked.setNowArrangementId === 'draft-1' || marked.setNowArrangementId === null).toBe(true)
    const plan = demo()
    const known = afterFrom(plan, (p) => markSetNow(p, plan.activeArrangementId))
    expect(known.setNowArrangementId).toBe(plan.activeArrangementId)
    expect(afterFrom(known, (p) => markSetNow(p, null)).setNowArrangementId).toBeNull()
    expect(afterFrom(known, (p) => markSetNow(p, 'ghost')).setNowArrangementId).toBe(plan.activeArrangementId)
  })
})

describe('sequences', () => {
  test('are written and read back, two to four chords', () => {
    for (const text of ['Control+KeyK,KeyC', 'KeyG,KeyG', 'Control+KeyK,Control+Shift+KeyX,F2,Digit1'])
      expect(triggerKey(parseTrigger(text))).toBe(text)
    for (const text of ['KeyK,', ',KeyK', 'KeyA,KeyB,KeyC,KeyD,KeyE', 'KeyK,pad/k1', 'KeyK,Control'])
      expect(() => parseTrigger(text), text).toThrow(/cannot be read as a shortcut/)
  })
  test('are named chord by chord', () => {
    const env = envWith([])
    expect(triggerName(parseTrigger('Control+KeyK,KeyC'), env)).toMatch(/^Ctrl\+K.+C$/)
  })
  const [save, comment, other] = [command('Save'), command('Comment'), command('Other')]
  const env = envWith([save, comment, other])
  const placed = (...pairs: readonly (readonly [string, string])[]) =>
    pairs.map(([commandId, text]) => ({ commandId, trigger: parseTrigger(text) }))
  test('that begin with the key of another command wait, and it is found', () => {
    const found = findClashes(placed(['save', 'Control+KeyK'], ['comment', 'Control+KeyK,KeyC']), env)
    expect(found.some((c) => c.commandIds.includes('save') && c.commandIds.includes('comment'))).toBe(true)
  })
  test('that differ in their last chord do not clash', () => {
    const found = findClashes(placed(['save', 'F8,KeyS'], ['comment', 'F8,KeyC']), env)
    expect(found.filter((c) => c.kind === 'two-commands')).toEqual([])
  })
  test('that are the same clash', () => {
    const found = findClashes(placed(['save', 'F8,KeyS'], ['comment', 'F8,KeyS']), env)
    expect(found.map((c) => c.kind)).toContain('two-commands')
  })
  test('whose first chord the system takes never arrive', () => {
    const found = findClashes(placed(['save', 'Meta+KeyL,KeyS']), env)
    expect(found.map((c) => c.severity)).toContain('blocks')
  })
  test('are held by their command in the index', () => {
    const index = indexPlaces(placed(['save', 'F8,KeyS']), env)
    expect(index.holders.get(triggerKey(parseTrigger('F8,KeyS')))?.map((c) => c.id)).toEqual(['save'])
  })
})

describe('a placement in some contexts', () => {
  const plan = demo()
  const split = idOf(plan, 'Split line')
  const limited = (contextIds: string[]): Plan =>
    withPlacement({ commandId: split, trigger: chord('KeyH'), contextIds })
  test('runs there, and elsewhere the press goes on', () => {
    const fenmap = plan.programs.find((p) => p.name === 'Fenmap')!
    const { env, arrangement } = prepare(limited(['tracing']), catalogues)
    const press = (contextId: string) =>
      tracePress(chord('KeyH'), { programId: fenmap.id, contextId }, arrangement.placements, env)
    expect(press('tracing').commandIds).toEqual([split])
    const elsewhere = fenmap.contexts.find((c) => c.id !== 'tracing')!
    expect(press(elsewhere.id).commandIds).toEqual([])
  })
  test('does not clash with another command in another context', () => {
    const a = command('A', { contextIds: ['tracing', 'labelling'] })
    const b = command('B', { contextIds: ['labelling'] })
    const env = envWith([a, b])
    const both = (contextIds?: string[]) =>
      findClashes(
        [
          { commandId: 'a', trigger: chord('F8'), ...(contextIds && { contextIds }) },
          { commandId: 'b', trigger: chord('F8') },
        ],
        env,
      ).filter((c) => c.kind === 'two-commands')
    expect(both()).toHaveLength(1)
    expect(both(['tracing'])).toEqual([])
  })
})

test('a program may be called `command`: its clashes are found as those of any other', () => {
  const contexts = [{ id: 'one', name: 'One', typing: false, overlaps: [] }]
  const kindsFor = (id: string) => {
    const [a, b] = ['A', 'B'].map((name) => command(name, { programId: id }))
    const env = envWith([a!, b!], { programs: [{ id, name: 'It', contexts }] })
    const found = findClashes(
      [
        { commandId: 'a', trigger: chord('F8') },
        { commandId: 'b', trigger: chord('F8') },
      ],
      env,
    )
    return found.map((c) => c.kind)
  }
  expect(kindsFor('fenmap')).toContain('two-commands')
  for (const id of ['command', 'system', 'page', 'a b']) expect(kindsFor(id), id).toEqual(kindsFor('fenmap'))
})

test('taking a place that a relay points to takes the relay along', () => {
  const plan = demo()
  const relayed = activeArrangement(plan).placements.find((p) => p.sends && !('code' in p.trigger))!
  const free = { ...relayed.trigger, controlId: 'elsewhere' } as typeof relayed.trigger
  const undo = idOf(plan, 'Undo')
  const moved = placeCommand(plan, {
    commandId: undo,
    trigger: relayed.trigger,
    displaced: [relayed.commandId],
    swapTo: free,
  })
  const now = activeArrangement(moved).placements.find(
    (p) => p.commandId === relayed.commandId && triggerKey(p.trigger) === triggerKey(free),
  )
  expect(now?.sends).toEqual(relayed.sends)
})
