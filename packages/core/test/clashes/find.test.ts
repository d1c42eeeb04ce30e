import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { systems } from '@reach-plot/data'
import {
  type Chord,
  boardControls,
  findClashes,
  parseTrigger,
  systemActions,
  typedBy,
  type Clash,
} from '../../src/index.js'
import { envWith, command, layout, placements, program } from '../build.js'

const brief = (clashes: readonly Clash[]) => clashes.map((c) => [c.severity, c.stage, c.commandIds.join(' ')])

describe('two commands on one trigger', () => {
  const split = command('Split', { contextIds: ['tracing'] })
  const done = command('Done', { contextIds: ['overview'] })
  const place = command('Place', { contextIds: ['labelling'] })

  test('clash where their contexts can be live together', () => {
    const found = findClashes(placements({ split: 'F9', done: 'F9' }), envWith([split, done]))
    expect(brief(found)).toEqual([['ambiguous', 'context', 'done split']])
    expect(found[0]!.message).toContain('“Done” and “Split”')
  })
  test('do not clash where contexts exclude each other, nor between programs', () => {
    expect(findClashes(placements({ split: 'F9', place: 'F9' }), envWith([split, place]))).toEqual([])
    const other = command('Play', { programId: 'reedcall' })
    const two = envWith([split, other], {
      programs: [program(), program({ id: 'reedcall', name: 'Reedcall' })],
    })
    // one key with two meanings is worth a word, but nothing is in the way
    expect(brief(findClashes(placements({ split: 'F9', play: 'F9' }), two))).toEqual([
      ['caution', 'consistency', 'split play'],
    ])
  })
  test('a command placed twice on one trigger is one command', () => {
    expect(
      findClashes([...placements({ split: 'F9' }), ...placements({ split: 'F9' })], envWith([split])),
    ).toEqual([])
  })
})

describe('system keys', () => {
  const split = command('Split', { contextIds: ['tracing'] })
  // GNOME 43's schemas as Debian ships them; Windows and macOS from memory
  test.each([
    ['gnome', 'Meta+KeyL', 'Lock screen'],
    ['gnome', 'Control+Alt+ArrowLeft', 'workspace left'],
    ['gnome', 'Alt+F2', 'run command'],
    ['windows', 'Meta+KeyL', 'Lock'],
    ['windows', 'Control+Shift+Escape', 'Task manager'],
    ['macos', 'Meta+Space', 'System search'],
    ['macos', 'Control+ArrowUp', 'All windows'],
  ] as const)('%s takes %s', (systemId, trigger, action) => {
    const [clash] = findClashes(placements({ split: trigger }), envWith([split], { systemId }))
    expect(clash).toMatchObject({ severity: 'blocks', stage: 'system', commandIds: ['split'] })
    expect(clash!.message).toContain(action)
  })
  test('letters are looked up on the layout: Super+Z is no Super+Y', () => {
    const actions = systemActions(
      { id: 'x', name: 'X', source: 'test', keys: [{ modifiers: ['Meta'], char: 'z', action: 'Zap' }] },
      layout('de'),
    )
    expect([...actions.keys()]).toEqual(['Meta+KeyY'])
  })
  test('every key of the catalogues is known to the board or has a letter on the US layout', () => {
    for (const system of systems)
      expect(systemActions(system, layout('us')).size, system.id).toBeGreaterThan(
        0.8 * new Set(system.keys.map((k) => JSON.stringify([k.modifiers, k.code, k.char]))).size,
      )
  })
})

describe('typed characters', () => {
  const typed = (trigger: string, layoutId = 'de', system: 'gnome' | 'windows' | 'macos' = 'gnome') =>
    typedBy(parseTrigger(trigger) as Chord, layout(layoutId), system)

  // Source: xkb-data levels; Control+Alt as AltGr on Windows and Option on macOS from memory
  test('bare and Shift type the first two levels, AltGr the third and fourth', () => {
    expect(typed('KeyY')).toEqual({ kind: 'character', character: 'z' })
    expect(typed('Shift+KeyQ')).toEqual({ kind: 'character', character: 'Q' })
    expect(typed('AltGraph+KeyQ')).toEqual({ kind: 'character', character: '@' })
    expect(typed('Shift+AltGraph+Digit1')).toEqual({ kind: 'character', character: '¡' })
    expect(typed('Equal')).toMatchObject({ kind: 'accent' })
  })
  test('Control+Alt types the third level on Windows only, and only where the layout has one', () => {
    expect(typed('Control+Alt+KeyQ', 'de', 'windows')).toEqual({ kind: 'character', character: '@' })
    expect(typed('Control+Alt+KeyQ', 'de', 'gnome')).toBeNull()
    expect(typed('Control+Alt+KeyQ', 'us', 'windows')).toBeNull()
  })
  test('Option types something on macOS; Command, Control and Super type nothing', () => {
    expect(typed('Alt+KeyB', 'us', 'macos')).toEqual({ kind: 'unknown' })
    expect([typed('Meta+KeyB'), typed('Control+KeyB'), typed('Alt+KeyB'), typed('F5')]).toEqual([
      null,
      null,
      null,
      null,
    ])
  })
  test('a clash only in contexts where text can be typed', () => {
    const label = command('Label', { contextIds: ['labelling'] })
    const trace = command('Trace', { contextIds: ['tracing'] })
    const found = findClashes(
      placements({ label: 'KeyL', trace: 'KeyT' }),
      envWith([label, trace], { layoutId: 'de' }),
    )
    expect(brief(found)).toEqual([['shadows', 'typing', 'label']])
    expect(found[0]!.message).toBe('L types “l” while text can be typed in Fenmap, Labelling.')
  })
})

test('a key that no device has blocks, and nothing else is said of it', () => {
  const split = command('Split')
  const found = findClashes(
    placements({ split: 'Numpad5' }),
    envWith([split], { controls: boardControls('laptop-compact', 'windows') }),
  )
  expect(brief(found)).toEqual([['blocks', 'device', 'split']])
})

test('worst first, then by use; the same input gives the same list in any order of placements', () => {
  const commands = ['Aa', 'Bb', 'Cc', 'Dd'].map((n, i) => command(n, { usesPerHour: i }))
  const list = placements({ aa: 'F9', bb: 'F9', cc: 'Meta+KeyL', dd: 'KeyD' })
  const reference = findClashes(list, envWith(commands))
  expect(reference.map((c) => c.severity)).toEqual(['blocks', 'shadows', 'ambiguous'])
  fc.assert(
    fc.property(fc.shuffledSubarray(list, { minLength: 4 }), (shuffled) => {
      expect(findClashes(shuffled, envWith(commands))).toEqual(reference)
    }),
  )
})
