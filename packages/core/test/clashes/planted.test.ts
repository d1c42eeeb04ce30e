/**
 * Faults of many kinds, each planted alone beside a decoy that looks like it and is none. Kinds marked `table` were read
 * from published tables (data/), the others from the design or from memory.
 */
import { describe, expect, test } from 'vitest'
import {
  findClashes,
  parseTrigger,
  type ClashKind,
  type Command,
  type Environment,
  type Program,
} from '../../src/index.js'
import { browserChords, inputMethodOf, textActions } from '../../src/hosts/index.js'
import { catalogues, deviceModels, layouts, systems } from '@reach-plot/data'
import { deviceFromModel } from '../../src/bench/index.js'
import { benchControls, deviceLegends } from '../../src/index.js'
import { command } from '../build.js'
import { allDevices, benchOf, devices, fenmap, reedcall, scene, tracing, type SceneChange } from './desk.js'

interface Desk {
  readonly system?: Environment['systemId']
  readonly layout?: string
  readonly host?: Partial<Program>
  readonly inputMethod?: boolean
  readonly compose?: string
  /** where the newcomer lives: not where text is typed, unless said */
  readonly context?: 'tracing' | 'labelling' | 'everywhere'
  readonly newcomer?: Partial<Command>
  readonly others?: Readonly<Record<string, readonly [trigger: string, change?: Partial<Command>]>>
  readonly sends?: readonly string[]
  readonly then?: readonly string[]
  readonly more?: SceneChange
}

const model = deviceModels.find((m) => m.id === 'mouse')!
const rodent = deviceFromModel(model, 'rodent', 'Rodent')
const allOf = [...devices, rodent]
const contexts = { tracing: ['tracing'], labelling: ['labelling'], everywhere: [] } as const

/** What the check says of a command on a trigger, on a desk. */
function kindsOn(trigger: string, desk: Desk): string[] {
  const systemId = desk.system ?? 'gnome'
  const layout = layouts.find((l) => l.id === (desk.layout ?? 'us'))!
  const program: Program = { ...fenmap, ...desk.host }
  const others = Object.entries(desk.others ?? {})
  const newcomer = command('Newcomer', {
    id: 'new',
    contextIds: [...contexts[desk.context ?? 'tracing']],
    ...desk.newcomer,
  })
  const ids = [...allDevices, 'rodent']
  const bench = { ...benchOf(allDevices) }
  const withRodent = {
    ...bench,
    devices: ids.map((deviceId, i) => ({
      deviceId,
      xMm: i * 500,
      yMm: 0,
      turnDeg: 0,
      mirrored: false,
      heightMm: 0,
    })),
  }
  const { placements, env } = scene({
    systemId,
    system: systems.find((s) => s.id === systemId)!,
    layout,
    programs: [program, reedcall],
    devices: allOf,
    legends: deviceLegends(allOf),
    controls: benchControls(withRodent, allOf),
    commands: [
      newcomer,
      ...others.map(([name, [, change]]) =>
        command(name, { id: name, ...tracing, usesPerHour: 4, ...change }),
      ),
    ],
    places: { new: trigger, ...Object.fromEntries(others.map(([name, [at]]) => [name, at])) },
    browserKeys: browserChords(catalogues.browserKeys, layout, systemId),
    terminal: catalogues.terminal,
    textActions: textActions(catalogues.standardKeys, layout, systemId),
    inputMethod: inputMethodOf(
      desk.inputMethod === true ? catalogues.inputMethods[0] : undefined,
      desk.compose,
      layout,
    ),
    ...desk.more,
  })
  const given = placements.map((p) =>
    p.commandId === 'new' && ('deviceId' in p.trigger || desk.sends === undefined)
      ? {
          ...p,
          ...(desk.sends && { sends: desk.sends.map((t) => parseTrigger(t) as never) }),
          ...(desk.then && { then: [...desk.then] as never }),
        }
      : p,
  )
  // the clean scene's own keys are no part of the question: some are taken on other desks
  const own = given.filter((p) => p.commandId === 'new' || p.commandId in (desk.others ?? {}))
  return findClashes(own, env).map((c) => c.kind)
}

type Row = readonly [
  what: string,
  source: 'table' | 'design' | 'from memory',
  kind: ClashKind,
  fault: readonly [trigger: string, desk: Desk],
  decoy: readonly [trigger: string, desk: Desk],
]
const browser = { host: 'browser' } as const
const terminal = { host: 'terminal' } as const
const text = { context: 'labelling' } as const
const loss = { damage: { level: 'loss', wayOut: 'Restore it' } } as const

const opensBy = (opener: string) => [
  { id: 'set', name: 'Set', at: 'pointer' as const, entries: 4, opener: parseTrigger(opener) as never },
]

const rows: readonly Row[] = [
  // systems
  [
    'Windows: programs of the taskbar',
    'from memory',
    'system-takes',
    ['Meta+Digit0', { system: 'windows' }],
    ['Alt+Digit0', { system: 'windows' }],
  ],
  [
    'Windows: the narrator',
    'from memory',
    'system-takes',
    ['Control+Meta+Enter', { system: 'windows' }],
    ['Control+Shift+Enter', { system: 'windows' }],
  ],
  [
    'Windows: to the other screen',
    'from memory',
    'system-takes',
    ['Shift+Meta+ArrowLeft', { system: 'windows' }],
    ['Shift+Alt+ArrowLeft', { system: 'windows' }],
  ],
  [
    'macOS: settings',
    'from memory',
    'system-takes',
    ['Meta+Comma', { system: 'macos' }],
    ['Meta+Comma', { system: 'gnome' }],
  ],
  [
    'macOS: full screen',
    'from memory',
    'system-takes',
    ['Control+Meta+KeyF', { system: 'macos' }],
    ['Control+Meta+KeyG', { system: 'macos' }],
  ],
  [
    'Plasma: all windows',
    'from memory',
    'system-takes',
    ['Meta+KeyW', { system: 'kde' }],
    ['Meta+KeyF', { system: 'kde' }],
  ],
  [
    'Xfce: workspaces by function keys',
    'table',
    'system-takes',
    ['Control+F4', { system: 'xfce' }],
    ['Control+F4', { system: 'mate' }],
  ],
  [
    'Xfce: a workspace more',
    'table',
    'system-takes',
    ['Alt+Insert', { system: 'xfce' }],
    ['Alt+Insert', { system: 'gnome' }],
  ],
  [
    'Xfce: tiling by the number block',
    'table',
    'system-takes',
    ['Meta+Numpad7', { system: 'xfce' }],
    ['Meta+Numpad5', { system: 'xfce' }],
  ],
  [
    'Cinnamon: the looking glass',
    'table',
    'system-takes',
    ['Meta+KeyL', { system: 'cinnamon' }],
    ['Meta+KeyL', { system: 'mate' }],
  ],
  [
    'Cinnamon: the key above Tab',
    'table',
    'system-takes',
    ['Alt+Backquote', { system: 'cinnamon' }],
    ['Alt+Backquote', { system: 'lxqt' }],
  ],
  [
    'MATE: windows of one program',
    'table',
    'system-takes',
    ['Alt+F6', { system: 'mate' }],
    ['Alt+F6', { system: 'sway' }],
  ],
  [
    'LXQt: the file manager',
    'table',
    'system-takes',
    ['Control+Alt+KeyE', { system: 'lxqt' }],
    ['Control+Alt+KeyE', { system: 'openbox' }],
  ],
  [
    'sway: a terminal',
    'table',
    'system-takes',
    ['Meta+Enter', { system: 'sway' }],
    ['Alt+Enter', { system: 'sway' }],
  ],
  [
    'i3: the menu of programs',
    'table',
    'system-takes',
    ['Alt+KeyD', { system: 'i3' }],
    ['Alt+KeyD', { system: 'sway' }],
  ],
  [
    'i3: a sign where the layout has it',
    'table',
    'system-takes',
    ['Alt+Slash', { system: 'i3', layout: 'de' }],
    ['Alt+Minus', { system: 'i3', layout: 'de' }],
  ],
  [
    'i3: a letter where the layout has it',
    'table',
    'system-takes',
    ['Alt+KeyQ', { system: 'i3', layout: 'fr' }],
    ['Alt+KeyQ', { system: 'i3' }],
  ],
  [
    'Openbox: desktops',
    'table',
    'system-takes',
    ['Meta+F1', { system: 'openbox' }],
    ['Meta+F9', { system: 'openbox' }],
  ],
  // browser
  [
    'browser: close the tab',
    'table',
    'browser-takes',
    ['Control+KeyW', { host: browser }],
    ['Control+KeyW', {}],
  ],
  [
    'browser on macOS: Command',
    'table',
    'browser-takes',
    ['Meta+KeyT', { system: 'macos', host: browser }],
    ['Control+KeyT', { system: 'macos', host: browser }],
  ],
  [
    'browser: reserved stays reserved',
    'table',
    'browser-takes',
    ['Control+KeyN', { host: { ...browser, takesHostKeys: true } }],
    ['Control+KeyL', { host: { ...browser, takesHostKeys: true } }],
  ],
  [
    'browser: the address',
    'table',
    'browser-default',
    ['Control+KeyL', { host: browser }],
    ['Control+KeyL', { host: { ...browser, takesHostKeys: true } }],
  ],
  [
    'browser on macOS: the address',
    'table',
    'browser-default',
    ['Meta+KeyL', { system: 'macos', host: browser }],
    ['Control+KeyL', { system: 'macos', host: browser }],
  ],
  [
    'browser: tabs by number on Linux',
    'from memory',
    'browser-default',
    ['Alt+Digit3', { host: browser }],
    ['Control+Digit3', { host: browser }],
  ],
  [
    'browser: tabs by number on Windows',
    'from memory',
    'browser-default',
    ['Control+Digit3', { system: 'windows', host: browser }],
    ['Alt+Digit3', { system: 'windows', host: browser }],
  ],
  [
    'browser: next tab',
    'from memory',
    'browser-default',
    ['Control+PageDown', { host: browser }],
    ['Shift+PageDown', { host: browser }],
  ],
  [
    'browser: close by F4',
    'from memory',
    'browser-default',
    ['Control+F4', { system: 'windows', host: browser }],
    [
      'Control+F4',
      {
        system: 'macos',
        host: browser,
        more: { system: { id: 'macos', name: 'macOS', source: '', keys: [] } },
      },
    ],
  ],
  [
    'browser: developer tools',
    'from memory',
    'browser-default',
    ['Control+Shift+KeyI', { host: browser }],
    ['Control+Shift+KeyI', { system: 'macos', host: browser }],
  ],
  [
    'browser: a letter where the layout has it',
    'table',
    'browser-takes',
    ['Control+KeyZ', { layout: 'fr', host: browser }],
    ['Control+KeyW', { layout: 'fr', host: browser }],
  ],
  [
    'browser: the back button',
    'from memory',
    'browser-pointer',
    ['rodent/back', { host: browser }],
    ['rodent/back', {}],
  ],
  [
    'browser: zoom by the wheel',
    'from memory',
    'browser-pointer',
    ['Control+rodent/wheel up', { host: browser }],
    ['Alt+rodent/wheel up', { host: browser }],
  ],
  // terminal
  [
    'terminal: Ctrl+I is Tab',
    'table',
    'two-commands',
    ['Control+KeyI', { host: terminal, others: { next: ['Tab'] } }],
    ['Control+KeyI', { host: { ...terminal, extendedKeys: true }, others: { next: ['Tab'] } }],
  ],
  [
    'terminal: Ctrl+M is Enter',
    'table',
    'two-commands',
    ['Control+KeyM', { host: terminal, others: { next: ['Enter'] } }],
    ['Control+KeyN', { host: terminal, others: { next: ['Enter'] } }],
  ],
  [
    'terminal: Ctrl+[ is Escape',
    'table',
    'two-commands',
    ['Control+BracketLeft', { host: terminal, others: { next: ['Escape'] } }],
    ['Control+BracketRight', { host: terminal, others: { next: ['Escape'] } }],
  ],
  [
    'terminal: Ctrl+I alone is Tab too',
    'table',
    'terminal-collapses',
    ['Control+KeyI', { host: terminal }],
    ['Control+KeyK', { host: terminal }],
  ],
  [
    'terminal: Ctrl+Shift with a letter',
    'table',
    'terminal-collapses',
    ['Control+Shift+KeyK', { host: terminal }],
    ['Alt+Shift+KeyK', { host: terminal }],
  ],
  [
    'terminal: Shift+Enter',
    'table',
    'terminal-collapses',
    ['Shift+Enter', { host: terminal }],
    ['Alt+Enter', { host: terminal }],
  ],
  [
    'terminal: Ctrl+Tab',
    'from memory',
    'terminal-collapses',
    ['Control+Tab', { host: terminal }],
    ['Shift+Tab', { host: terminal }],
  ],
  [
    'terminal: Ctrl with a sign',
    'table',
    'terminal-never',
    ['Control+Semicolon', { host: terminal }],
    ['Alt+Semicolon', { host: terminal }],
  ],
  [
    'terminal: Ctrl with a letter of no code',
    'table',
    'terminal-never',
    ['Control+Semicolon', { layout: 'de', host: terminal }],
    ['Control+KeyK', { layout: 'de', host: terminal }],
  ],
  [
    'terminal: Super',
    'from memory',
    'terminal-never',
    ['Meta+KeyK', { system: 'openbox', host: terminal }],
    ['Alt+KeyK', { system: 'openbox', host: terminal }],
  ],
  [
    'terminal: a function key that terminfo lacks',
    'table',
    'terminal-never',
    ['Control+Alt+F5', { system: 'lxqt', host: terminal }],
    ['Shift+F5', { system: 'lxqt', host: terminal }],
  ],
  [
    'terminal: an arrow with everything held',
    'table',
    'terminal-never',
    ['Control+Shift+Alt+ArrowUp', { system: 'lxqt', host: terminal }],
    ['Control+Shift+ArrowUp', { system: 'lxqt', host: terminal }],
  ],
  ...(['KeyC', 'KeyZ', 'KeyS', 'KeyQ', 'Backslash', 'KeyD', 'KeyV'] as const).map((code): Row => [
    `terminal: the line discipline takes Ctrl+${code}`,
    'table',
    'terminal-line',
    [`Control+${code}`, { host: terminal }],
    [`Control+${code}`, { host: { ...terminal, takesHostKeys: true } }],
  ]),
  [
    'terminal: the window’s menu',
    'from memory',
    'terminal-window',
    ['F10', { host: terminal }],
    ['F9', { host: terminal }],
  ],
  [
    'terminal: paste by the window',
    'from memory',
    'terminal-window',
    ['Shift+Insert', { host: terminal }],
    ['Alt+Insert', { host: terminal }],
  ],
  // text field
  ['text: paste', 'table', 'edits-text', ['Control+KeyV', text], ['Control+KeyV', {}]],
  [
    'text: the command is what the key does',
    'table',
    'edits-text',
    ['Control+KeyV', { ...text, newcomer: { name: 'Merge' } }],
    ['Control+KeyV', { ...text, newcomer: { name: 'Paste' } }],
  ],
  ['text: paste by Insert', 'table', 'edits-text', ['Shift+Insert', text], ['Alt+Insert', text]],
  ['text: delete a word', 'table', 'edits-text', ['Control+Backspace', text], ['Alt+Shift+Backspace', text]],
  ['text: a word on', 'table', 'edits-text', ['Control+ArrowRight', text], ['Alt+Shift+ArrowRight', text]],
  [
    'text: select a word',
    'table',
    'edits-text',
    ['Control+Shift+ArrowRight', text],
    ['Control+Shift+ArrowRight', {}],
  ],
  ['text: to the start', 'table', 'edits-text', ['Home', text], ['F8', text]],
  [
    'text on macOS: paste',
    'table',
    'edits-text',
    ['Meta+KeyV', { ...text, system: 'macos' }],
    ['Meta+KeyG', { ...text, system: 'macos' }],
  ],
  [
    'text on macOS: a word on',
    'table',
    'edits-text',
    ['Alt+ArrowRight', { ...text, system: 'macos' }],
    ['Alt+ArrowRight', text],
  ],
  ['text: a space', 'table', 'types-character', ['Space', text], ['Space', {}]],
  ['text: a space with Shift', 'table', 'types-character', ['Shift+Space', text], ['Alt+Shift+Space', text]],
  ['text: the number block', 'from memory', 'types-character', ['Numpad5', text], ['Numpad5', {}]],
  [
    'text: a dead key',
    'table',
    'types-accent',
    ['Backquote', { ...text, layout: 'de' }],
    ['Backquote', { layout: 'de' }],
  ],
  [
    'text: the third level',
    'table',
    'types-third-level',
    ['AltGraph+KeyQ', { ...text, layout: 'de' }],
    ['AltGraph+KeyG', { ...text, layout: 'us' }],
  ],
  [
    'text: Ctrl+Alt on Windows',
    'table',
    'types-control-alt',
    ['Control+Alt+KeyQ', { ...text, system: 'windows', layout: 'de' }],
    ['Control+Alt+KeyQ', { ...text, layout: 'de' }],
  ],
  [
    'text on a Swedish board: a dead key',
    'table',
    'types-accent',
    ['Equal', { ...text, layout: 'se' }],
    ['Equal', { ...text, layout: 'us' }],
  ],
  [
    'text on a French board: a digit needs Shift',
    'table',
    'types-character',
    ['Shift+Digit1', { ...text, layout: 'fr' }],
    ['Shift+Digit1', { layout: 'fr' }],
  ],
  // input method
  [
    'input method: switch it on',
    'table',
    'input-method',
    ['Control+Space', { inputMethod: true }],
    ['Control+Space', {}],
  ],
  [
    'input method: signs by number',
    'table',
    'input-method',
    ['Control+Shift+KeyU', { inputMethod: true }],
    ['Control+Shift+KeyJ', { inputMethod: true }],
  ],
  [
    'input method: emoji',
    'table',
    'input-method',
    ['Meta+Period', { system: 'openbox', inputMethod: true }],
    ['Meta+Comma', { system: 'openbox', inputMethod: true }],
  ],
  [
    'input method: Compose',
    'from memory',
    'compose-key',
    ['ContextMenu', { compose: 'ContextMenu' }],
    ['ContextMenu', {}],
  ],
  // pointer
  [
    'pointer: move windows, GNOME',
    'table',
    'pointer-system',
    ['Meta+rodent/left', {}],
    ['Meta+rodent/left', { system: 'windows' }],
  ],
  [
    'pointer: resize windows, Xfce',
    'from memory',
    'pointer-system',
    ['Alt+rodent/right', { system: 'xfce' }],
    ['Alt+rodent/right', {}],
  ],
  ['pointer: a click', 'design', 'pointer-program', ['rodent/left', {}], ['rodent/back', {}]],
  [
    'pointer: extend by Shift',
    'design',
    'pointer-program',
    ['Shift+rodent/left', {}],
    ['Shift+rodent/back', {}],
  ],
  [
    'pointer: add by Ctrl',
    'from memory',
    'pointer-program',
    ['Control+rodent/left', {}],
    ['Control+Shift+Alt+rodent/left', {}],
  ],
  ['pointer: the menu', 'design', 'pointer-program', ['rodent/right', {}], ['rodent/forward', {}]],
  [
    'pointer: the middle button',
    'from memory',
    'pointer-program',
    ['rodent/wheel', {}],
    ['Alt+rodent/wheel', {}],
  ],
  [
    'pointer: scrolling',
    'design',
    'pointer-program',
    ['rodent/wheel up', {}],
    ['rodent/wheel up', { host: { frees: ['wheel'] } }],
  ],
  [
    'pointer: zoom by the wheel',
    'design',
    'pointer-program',
    ['Control+rodent/wheel up', {}],
    ['Control+rodent/wheel up', { host: { frees: ['Control+wheel'] } }],
  ],
  // the program
  [
    'while held, and a press',
    'design',
    'while-held',
    ['KeyK', { others: { peek: ['KeyK while'] } }],
    ['KeyK', { others: { peek: ['KeyL while'] } }],
  ],
  [
    'while held, and a hold',
    'design',
    'while-held',
    ['KeyK hold', { others: { peek: ['KeyK while'] } }],
    ['KeyK hold', { others: { peek: ['KeyL while'] } }],
  ],
  [
    'press and tap of a pad key',
    'design',
    'one-or-more-taps',
    ['pad/k1', { others: { peek: ['pad/k1 x2'] } }],
    ['pad/k1', { others: { peek: ['pad/k2 x2'] } }],
  ],
  [
    'press and hold of a pad key',
    'design',
    'tap-or-hold',
    ['pad/k1', { others: { peek: ['pad/k1 hold'] } }],
    ['pad/k1', { others: { peek: ['pad/k1 hold', { contextIds: ['labelling'] }] } }],
  ],
  [
    'a context before everywhere',
    'design',
    'hidden-in-context',
    ['F8', { context: 'everywhere', others: { own: ['F8'] } }],
    ['F8', { context: 'everywhere', others: { own: ['F9'] } }],
  ],
  [
    'a context and everywhere, which is not known',
    'design',
    'two-commands',
    ['F8', { host: { contextsTie: true }, context: 'everywhere', others: { own: ['F8'] } }],
    ['F8', { context: 'everywhere', others: { own: ['F8'] } }],
  ],
  [
    'AltGr and Ctrl+Alt are one press',
    'from memory',
    'two-commands',
    ['AltGraph+KeyX', { system: 'windows', layout: 'de', others: { own: ['Control+Alt+KeyX'] } }],
    ['AltGraph+KeyX', { layout: 'de', others: { own: ['Control+Alt+KeyX'] } }],
  ],
  [
    'Shift with the number block',
    'from memory',
    'number-block-shift',
    ['Shift+Numpad7', {}],
    ['Alt+Numpad7', { system: 'lxqt' }],
  ],
  [
    'a sequence that begins with a key of its own',
    'design',
    'prefix',
    ['Control+KeyK,KeyC', { others: { own: ['Control+KeyK'] } }],
    ['Control+KeyK,KeyC', { others: { own: ['Control+KeyJ'] } }],
  ],
  // slips
  ['damage that repeats', 'design', 'repeats', ['F8', { newcomer: loss }], ['pad/k1', { newcomer: loss }]],
  [
    'damage next door to what is used nine times',
    'design',
    'slip-neighbour',
    ['KeyD', { newcomer: loss, others: { own: ['KeyF', { usesPerHour: 9 }] } }],
    ['KeyD', { newcomer: loss, others: { own: ['KeyJ', { usesPerHour: 9 }] } }],
  ],
  [
    'damage diagonally',
    'design',
    'slip-neighbour',
    ['KeyD', { newcomer: loss, others: { own: ['KeyX', { usesPerHour: 50 }] } }],
    ['KeyD', { newcomer: loss, others: { own: ['KeyB', { usesPerHour: 50 }] } }],
  ],
  [
    'damage across a gap',
    'design',
    'slip-neighbour',
    ['F5', { newcomer: loss, others: { own: ['F4', { usesPerHour: 50 }] } }],
    ['F5', { newcomer: loss, others: { own: ['F3', { usesPerHour: 50 }] } }],
  ],
  [
    'damage on a pad',
    'design',
    'slip-neighbour',
    ['pad/k2', { newcomer: loss, others: { own: ['pad/k3', { usesPerHour: 50 }] } }],
    ['pad/k1', { newcomer: loss, others: { own: ['pad/k3', { usesPerHour: 50 }] } }],
  ],
  [
    'damage on a deck',
    'design',
    'slip-neighbour',
    ['deck@more/b1', { newcomer: loss, others: { own: ['deck@more/b2', { usesPerHour: 50 }] } }],
    ['deck@more/b1', { newcomer: loss, others: { own: ['deck@main/b1', { usesPerHour: 50 }] } }],
  ],
  [
    'damage on the stroke beside',
    'design',
    'slip-neighbour',
    [
      'mouse/plain stroke 2/8',
      { newcomer: loss, others: { own: ['mouse/plain stroke 3/8', { usesPerHour: 50 }] } },
    ],
    [
      'mouse/plain stroke 2/8',
      { newcomer: loss, others: { own: ['mouse/plain stroke 5/8', { usesPerHour: 50 }] } },
    ],
  ],
  // relays
  [
    'relay: what nothing is on',
    'design',
    'relay-broken',
    ['pad/k1', { sends: ['Control+KeyB'] }],
    [
      'pad/k1',
      { sends: ['Control+KeyB'], others: { new2: ['F9'] }, more: { besides: [['new', 'Control+KeyB']] } },
    ],
  ],
  [
    'relay: the browser takes what is sent',
    'table',
    'relay-broken',
    ['pad/k1', { host: browser, sends: ['Control+KeyW'], more: { besides: [['new', 'Control+KeyW']] } }],
    ['pad/k1', { host: browser, sends: ['Alt+Shift+KeyG'], more: { besides: [['new', 'Alt+Shift+KeyG']] } }],
  ],
  [
    'relay: the terminal sends nothing',
    'table',
    'relay-broken',
    [
      'pad/k1',
      { host: terminal, sends: ['Control+Semicolon'], more: { besides: [['new', 'Control+Semicolon']] } },
    ],
    ['pad/k1', { host: terminal, sends: ['Alt+KeyG'], more: { besides: [['new', 'Alt+KeyG']] } }],
  ],
  [
    'relay: another command',
    'design',
    'relay-broken',
    ['pad/k1', { sends: ['F9'], others: { own: ['F9'] } }],
    ['pad/k1', { sends: ['F9'], more: { besides: [['new', 'F9']] } }],
  ],
  [
    'relay: another context',
    'design',
    'relay-broken',
    ['pad/k1', { sends: ['F9'], others: { own: ['F9', { contextIds: ['labelling'] }] } }],
    [
      'pad/k1',
      {
        sends: ['F9'],
        others: { own: ['F7', { contextIds: ['labelling'] }] },
        more: { besides: [['new', 'F9']] },
      },
    ],
  ],
  [
    'chain: the second chord',
    'design',
    'relay-broken',
    [
      'pad/k1',
      { sends: ['F9', 'F7'], then: ['own'], others: { own: ['F8'] }, more: { besides: [['new', 'F9']] } },
    ],
    [
      'pad/k1',
      { sends: ['F9', 'F8'], then: ['own'], others: { own: ['F8'] }, more: { besides: [['new', 'F9']] } },
    ],
  ],
  [
    'chain: on a plain key',
    'design',
    'relay-broken',
    ['F7', { then: ['own'], others: { own: ['F8'] } }],
    ['F7', { others: { own: ['F8'] } }],
  ],
  // pop-up sets
  [
    'pop-up set: the system takes what opens it',
    'table',
    'system-takes',
    ['popup/set 1', { more: { popups: opensBy('Meta+KeyL') } }],
    ['popup/set 1', { more: { popups: opensBy('Control+KeyL') } }],
  ],
  [
    'pop-up set: the browser takes what opens it',
    'table',
    'browser-takes',
    ['popup/set 1', { host: browser, more: { popups: opensBy('Control+KeyW') } }],
    ['popup/set 1', { more: { popups: opensBy('Control+KeyW') } }],
  ],
  [
    'pop-up set: what opens it types',
    'design',
    'types-character',
    ['popup/set 1', { ...text, more: { popups: opensBy('KeyG') } }],
    ['popup/set 1', { more: { popups: opensBy('KeyG') } }],
  ],
]

describe('planted faults', () => {
  test('there are at least sixty kinds, a third of them from published tables', () => {
    expect(rows.length).toBeGreaterThanOrEqual(60)
    expect(rows.filter(([, source]) => source === 'table').length).toBeGreaterThanOrEqual(rows.length / 3)
    expect(new Set(rows.map(([what]) => what)).size).toBe(rows.length)
  })
  test.each(rows)('%s (%s): %s', (_what, _source, kind, [trigger, desk], [decoy, decoyDesk]) => {
    expect(kindsOn(trigger, desk)).toContain(kind)
    expect(kindsOn(decoy, decoyDesk)).not.toContain(kind)
  })
})
