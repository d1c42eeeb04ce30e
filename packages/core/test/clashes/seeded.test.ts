import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  causesOf,
  chord,
  clashChecker,
  clashKinds,
  findClashes,
  noRules,
  parseTrigger,
  triggerKey,
  type ClashKind,
  type Command,
} from '../../src/index.js'
import { catalogues, systems } from '@reach-plot/data'
import { inputMethodOf } from '../../src/hosts/index.js'
import { command, layout, groupOf, keyOf } from '../build.js'
import { fenmap, reedcall, scene, tracing, type Scene, type SceneChange } from './desk.js'

const one = (name: string, change: Partial<Command> = {}): Command =>
  command(name, { id: 'new', ...tracing, ...change })
const on = (trigger: string, more: SceneChange = {}, change: Partial<Command> = {}): SceneChange => ({
  ...more,
  commands: [one('Newcomer', change), ...(more.commands ?? [])],
  places: { new: trigger, ...more.places },
})
const windows = { systemId: 'windows', system: systems.find((s) => s.id === 'windows')! } as const
const ibus = inputMethodOf(catalogues.inputMethods[0], undefined, layout('us'))
const inTerminal: SceneChange = {
  programs: [{ ...fenmap, host: 'terminal' }, reedcall],
  terminal: catalogues.terminal,
  // the clean scene has keys that a terminal cannot tell
  places: { 'fit-chart': 'Alt+KeyO', 'place-name': 'Alt+KeyJ' },
}
const labelling = { contextIds: ['labelling'] }
const damage = { damage: { level: 'loss', wayOut: 'Restore the last copy' } } as const
const busy = command('Busy', { ...tracing, usesPerHour: 80 })
const drags = (modifier: 'Alt' | null) => ({
  programs: [
    { ...fenmap, drags: [{ contextId: 'tracing', modifier, does: 'keeps the line straight' }] },
    reedcall,
  ],
})
const popups = (zone: string) => [
  {
    id: 'shapes',
    name: 'Shapes',
    at: 'fingertip' as const,
    entries: 4,
    opener: parseTrigger(`glass/${zone}`) as never,
  },
]

/** One fault of each kind, planted into the clean scene. Some kinds are planted in several ways. */
const faults: readonly (readonly [ClashKind, string, SceneChange])[] = [
  ['key-missing', 'a key that the board lacks', on('F13')],
  [
    'key-missing',
    'a number block on a laptop',
    on('Numpad7', { bench: ['laptop', 'pad', 'deck', 'mouse', 'glass'] }),
  ],
  ['control-missing', 'a control that is not on the bench', on('pad/k9')],
  ['page-missing', 'a page that the deck lacks', on('deck@gone/b1')],
  ['directions-missing', 'a stroke of other directions', on('mouse/plain stroke 1/4')],
  ['popup-missing', 'a pop-up set that is gone', on('popup/gone 1')],
  [
    'modifier-missing',
    'AltGr on a layout without one',
    on('AltGraph+KeyX', { controls: scene().env.controls.filter((c) => c.code !== 'AltRight') }),
  ],
  [
    'media-key',
    'a function key of a laptop',
    on('F8', { bench: ['laptop', 'pad', 'deck', 'mouse', 'glass'] }),
  ],
  [
    'tap-hold-key',
    'a key that is Control when it is held',
    on('F9', {
      tapHolds: [
        { controlId: scene().env.controls.find((c) => c.code === 'F9')!.id, holds: 'Control', waitMs: 180 },
      ],
    }),
  ],
  [
    'boot-report',
    'seven keys held at once',
    on('pad/k1 while', { sends: { new: ['KeyA', 'KeyB', 'KeyC', 'KeyD', 'KeyE', 'KeyG', 'KeyM'] } }),
  ],
  ['pair-unreported', 'two deck buttons together', on('deck/b2+deck/b1')],
  ['coarse-dial', 'a value on a dial of eight steps', on('pad/dial right', {}, { kind: 'stepped' })],
  ['system-takes', 'a key of the desktop', on('Meta+KeyL')],
  [
    'system-takes',
    'a key of the person’s own',
    on('Control+Alt+KeyG', {
      ownKeys: {
        off: [],
        own: [{ modifiers: ['Control', 'Alt'], char: 'g', action: 'Open the field book' }],
      },
    }),
  ],
  ['sticky-keys', 'five Shifts on Windows', on('ShiftLeft x5', windows)],
  ['slow-keys', 'a held right Shift on Windows', on('ShiftRight hold', windows)],
  [
    'probe-swallowed',
    'a chord that never arrived here',
    on('Control+F7', { probes: new Map([[keyOf('Control+F7'), 'swallowed' as const]]) }),
  ],
  [
    'browser-takes',
    'a browser’s key for a program in one',
    on('Control+KeyT', {
      programs: [{ ...fenmap, host: 'browser' }, reedcall],
      browserKeys: new Map([
        [keyOf('Control+KeyT'), { keys: 'accel+t', reserved: true, does: 'open a tab' }],
      ]),
    }),
  ],
  [
    'browser-default',
    'a browser’s key that a page can take',
    on('Control+KeyL', {
      programs: [{ ...fenmap, host: 'browser' }, reedcall],
      browserKeys: new Map([[keyOf('Control+KeyL'), { keys: 'accel+l', reserved: false }]]),
    }),
  ],
  [
    'browser-pointer',
    'the middle button in a browser',
    on('mouse/wheel', { programs: [{ ...fenmap, host: 'browser', frees: [] }, reedcall] }),
  ],
  ['pointer-program', 'a scroll of the wheel', on('mouse/wheel up')],
  ['pointer-system', 'a button with the modifier that moves windows', on('Meta+mouse/wheel')],
  ['input-method', 'a key of the input method', on('Control+Shift+KeyU', { inputMethod: ibus })],
  [
    'compose-key',
    'the key that starts a Compose sequence',
    on('ContextMenu', { inputMethod: { ...ibus, composeCode: 'ContextMenu' } }),
  ],
  ['terminal-never', 'a key that terminals send nothing for', on('Control+Semicolon', inTerminal)],
  ['terminal-collapses', 'a capital with Control in a terminal', on('Control+Shift+KeyK', inTerminal)],
  ['terminal-line', 'the key that stops a program in a terminal', on('Control+KeyZ', inTerminal)],
  ['terminal-window', 'a key of terminal windows', on('F11', inTerminal)],
  ['number-block-shift', 'Shift with the number block', on('Shift+Numpad7')],
  [
    'hidden-in-context',
    'a key that a context has a command of its own on',
    on('Control+Shift+KeyO', {}, { contextIds: [] }),
  ],
  [
    'while-held',
    'a key that works while it is held and by a press',
    on('KeyK', { commands: [command('Peek', tracing)], places: { peek: 'KeyK while' } }),
  ],
  ['repeats', 'damage on a key that repeats', on('F8', {}, damage)],
  ['types-character', 'a letter where text is typed', on('KeyK', {}, labelling)],
  ['types-capital', 'a capital where text is typed', on('Shift+KeyK', {}, labelling)],
  [
    'types-third-level',
    'AltGr on a national layout',
    on('AltGraph+KeyQ', { layoutId: 'x', layout: layout('de') }, labelling),
  ],
  [
    'types-control-alt',
    'Ctrl+Alt+Q on Windows with a German layout',
    on('Control+Alt+KeyQ', { ...windows, layout: layout('de') }, labelling),
  ],
  ['types-accent', 'a dead key where text is typed', on('Equal', { layout: layout('de') }, labelling)],
  ['edits-text', 'Backspace where text is typed', on('Backspace', {}, labelling)],
  [
    'no-character',
    'a dead key in a program that binds characters',
    on('Equal', { layout: layout('de'), programs: [{ ...fenmap, binds: 'characters' }, reedcall] }),
  ],
  ['two-commands', 'a second command on a key', on('KeyM')],
  ['opens-page', 'a command on a button that opens a page', on('deck@main/b2')],
  [
    'opens-popup',
    'a command on what brings up a pop-up set',
    on('glass/middle', { popups: popups('middle') }),
  ],
  ['tap-or-hold', 'a hold on a key that is pressed', on('KeyM hold')],
  ['one-or-more-taps', 'a double tap on a key that is pressed', on('KeyM x2')],
  [
    'one-or-more-taps',
    'two and three taps on one key',
    on('KeyK x2', { commands: [command('Further', tracing)], places: { further: 'KeyK x3' } }),
  ],
  [
    'prefix',
    'a pair that begins with a key of its own',
    on('pad/k1+pad/k2', { commands: [command('First', tracing)], places: { first: 'pad/k1' } }),
  ],
  ['drag-modifier', 'a wheel with the modifier of a drag', on('Alt+mouse/wheel up', drags('Alt'))],
  [
    'default-lost',
    'a default that nothing reaches any more',
    on('F8', {
      commands: [command('Forgotten', tracing)],
      defaults: new Map([[groupOf('fenmap', 'F8'), [command('Forgotten', tracing)]]]),
    }),
  ],
  ['barred-key', 'a key that must not be used', on('F7', { rules: { ...noRules, barredControls: ['F7'] } })],
  [
    'relay-broken',
    'a pad key that sends what nobody has',
    on('pad/k1', { sends: { new: ['Control+KeyB'] } }),
  ],
  ['relay-broken', 'a pad key that sends another command', on('pad/k1', { sends: { new: ['KeyM'] } })],
  ['relay-broken', 'a pad key that sends a system key', on('pad/k1', { sends: { new: ['Meta+KeyL'] } })],
  [
    'relay-elsewhere',
    'a pad key that does something else in the other program',
    on('pad/k1', {
      sends: { new: ['Alt+Shift+KeyG'] },
      commands: [command('Quiet', { programId: 'reedcall', usesPerHour: 1 })],
      places: { quiet: 'Alt+Shift+KeyG' },
      besides: [['new', 'Alt+Shift+KeyG']],
    }),
  ],
  [
    'close-strokes',
    'neighbours of twelve strokes',
    on('mouse/field stroke 3/12', {
      commands: [command('Beside', tracing)],
      places: { beside: 'mouse/field stroke 4/12' },
    }),
  ],
  ['stroke-or-drag', 'a stroke where a drag means something', on('mouse/plain stroke 2/8', drags(null))],
  [
    'menu-at-edge',
    'a pop-up set at the corner of a screen',
    on('popup/shapes 1', { popups: popups('corner') }),
  ],
  [
    'slip-neighbour',
    'damage beside a busy key',
    on('KeyD', { commands: [busy], places: { busy: 'KeyF' } }, damage),
  ],
  [
    'slip-modifier',
    'damage one modifier from a busy key',
    on('Shift+KeyD', { commands: [busy], places: { busy: 'KeyD' } }, damage),
  ],
  ['no-way-out', 'damage without a way out', on('F8', {}, { damage: { level: 'loss', wayOut: '' } })],
  ['other-meaning', 'one key with two meanings in two programs', on('Alt+Shift+KeyP')],
  [
    'character-moves',
    'a key whose character moves on the other layout',
    on('KeyK', {
      otherLayout: {
        ...layout('us'),
        name: 'Mine',
        keys: { ...layout('us').keys, KeyK: layout('us').keys['KeyL']! },
      },
    }),
  ],
]

/** What a fault brings besides itself, where one cannot be had without the other. */
const companions: Partial<Record<string, readonly ClashKind[]>> = {
  // a relay of a command that has its chord nowhere reaches nothing
  'seven keys held at once': ['relay-broken'],
  // damage on a key of a keyboard repeats while it is held
  'damage beside a busy key': ['repeats'],
  'damage one modifier from a busy key': ['repeats'],
  'damage without a way out': ['repeats'],
  'the middle button in a browser': ['pointer-program'],
}

describe('a clean arrangement', () => {
  test('has no finding at all', () => {
    const { placements, env } = scene()
    expect(findClashes(placements, env)).toEqual([])
  })
})

describe('one fault planted into it', () => {
  test('there are faults of at least thirty kinds, and of every kind that the check knows', () => {
    const planted = new Set(faults.map(([kind]) => kind))
    expect(planted.size).toBeGreaterThanOrEqual(30)
    expect([...clashKinds].filter((kind) => !planted.has(kind))).toEqual([])
  })
  test.each(faults)('%s: %s is found exactly once, and nothing else', (kind, what, change) => {
    const { placements, env } = scene(change)
    const found = findClashes(placements, env)
    const expected = [kind, ...(companions[what] ?? [])]
    expect(found.map((c) => c.kind).sort(), found.map((c) => c.message).join('\n')).toEqual(expected.sort())
    for (const clash of found) {
      expect(clash.message).toMatch(/\.$/)
      expect(clash.cause).toMatch(/\.$/)
      expect(clash.commandIds.length).toBeGreaterThan(0)
    }
    expect(found.map((c) => c.commandIds).flat()).toContain(kind === 'two-commands' ? 'measure' : 'new')
  })
})

describe('evidence', () => {
  const place = (more: SceneChange): Scene => scene(on('Meta+KeyL', more))
  const [kind, evidence] = ['kind', 'evidence'] as const
  test('a press that arrived on this machine clears a catalogue’s finding, one that did not strengthens it', () => {
    const cleared = place({ probes: new Map([[keyOf('Meta+KeyL'), 'arrives' as const]]) })
    expect(findClashes(cleared.placements, cleared.env)).toEqual([])
    const kept = place({ probes: new Map([[keyOf('Meta+KeyL'), 'swallowed' as const]]) })
    expect(findClashes(kept.placements, kept.env).map((c) => [c[kind], c[evidence]])).toEqual([
      ['system-takes', 'probe'],
    ])
  })
  test('a setting that is turned off clears it', () => {
    const off = place({ ownKeys: { off: ['Meta+KeyL'], own: [] } })
    expect(findClashes(off.placements, off.env)).toEqual([])
  })
  test('GNOME’s keys come from a catalogue and name the setting that frees them, Windows’ from memory', () => {
    const gnome = place({})
    const [found] = findClashes(gnome.placements, gnome.env)
    expect(found).toMatchObject({ evidence: 'catalogue' })
    expect(found!.setting).toMatch(/^gsettings set org\.gnome\.\S+ \S+ "\[\]"$/)
    const other = place(windows)
    expect(findClashes(other.placements, other.env)[0]).toMatchObject({ evidence: 'from memory' })
  })
})

test('one cause with many victims is one cause', () => {
  const names = ['Kk', 'Ll', 'Gg', 'Hh']
  const { placements, env } = scene({
    commands: names.map((n) => command(n, labelling)),
    places: Object.fromEntries(names.map((n) => [n.toLowerCase(), `Key${n[0]}`])),
  })
  const causes = causesOf(findClashes(placements, env))
  expect(causes.map((c) => [c.severity, c.clashes.length])).toEqual([['shadows', 4]])
})

describe('a check after an edit', () => {
  const triggers = [
    'KeyM',
    'KeyM hold',
    'KeyM x2',
    'KeyD',
    'Shift+KeyD',
    'KeyF',
    'Meta+KeyL',
    'pad/k1',
    'pad/k1+pad/k2',
    'F13',
    'Alt+Shift+KeyP',
    'mouse/field stroke 3/12',
    'mouse/field stroke 4/12',
    'deck@main/b2',
  ]
  const commands = Array.from({ length: 8 }, (_, i) =>
    command(`Act ${i}`, { id: `act-${i}`, ...tracing, usesPerHour: i * 12, ...(i % 3 === 0 && damage) }),
  )
  const base = scene({ commands, defaults: new Map([[groupOf('fenmap', 'KeyD'), [commands[1]!]]]) })
  const placement = fc.record({
    commandId: fc.constantFrom(...commands.map((c) => c.id), 'play', 'place-name'),
    trigger: fc.constantFrom(...triggers).map((t) => parseTrigger(t)),
    sends: fc.constantFrom(undefined, [chord('KeyM')], [chord('KeyP', ['Alt', 'Shift'])]),
  })
  const arrangement = fc.array(placement, { maxLength: 14 })

  test('finds what a check from the beginning finds, whatever was edited before', () => {
    fc.assert(
      fc.property(fc.array(arrangement, { minLength: 2, maxLength: 5 }), (steps) => {
        const checker = clashChecker(base.env)
        // as an edit does, what is not changed keeps its identity
        let before: (typeof steps)[number] = []
        for (const step of steps) {
          const next = [...before.filter((_, i) => i % 2 === 0), ...step.filter((_, i) => i % 2 === 1)]
          expect(checker.check(next)).toEqual(findClashes(next, base.env))
          before = next
        }
      }),
      { numRuns: 60 },
    )
  })
  test('judges only what the edit touches', () => {
    const checker = clashChecker(base.env)
    checker.check(base.placements)
    expect(checker.judged).toBe(base.placements.length)
    checker.check(base.placements)
    expect(checker.judged).toBe(0)
    const added = { commandId: 'act-1', trigger: parseTrigger('KeyM hold') }
    const found = checker.check([...base.placements, added])
    // the new one, and the press on the same key that has to wait now
    expect(checker.judged).toBe(2)
    expect(found.map((c) => [c.kind, triggerKey(c.trigger)])).toEqual([['tap-or-hold', 'KeyM']])
  })
})
