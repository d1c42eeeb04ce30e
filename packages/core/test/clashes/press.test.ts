import { describe, expect, test } from 'vitest'
import { deviceModels } from '@reach-plot/data'
import {
  benchControls,
  chord,
  deviceFromModel,
  deviceLegends,
  findClashes,
  modifierSetRows,
  lookUp,
  parseTrigger,
  tracePress,
  triggerKey,
  type Chord,
  type Device,
  type Placed,
  type PopupSet,
  type Environment,
} from '../../src/index.js'
import { envWith, at, command, program } from '../build.js'

const model = (id: string, as: string) =>
  deviceFromModel(
    deviceModels.find((m) => m.id === id)!,
    as,
  )
const deck = {
  ...model('deck-15', 'deck'),
  pages: [
    { id: 'fen', name: 'Fen', programId: 'fenmap', opens: [{ controlId: 'b15', pageId: 'more' }] },
    { id: 'more', name: 'More', opens: [{ controlId: 'b15', pageId: null }] },
  ],
}
const devices: Device[] = [
  { id: 'keyboard', name: 'Keyboard', kind: 'board', board: 'iso-105', bottomRow: 'windows' },
  model('pad-20', 'pad'),
  deck,
  model('mouse', 'mouse'),
]
const controls = benchControls(
  { id: 'b', name: 'B', devices: devices.map((d, i) => at(d.id, i * 500)), hands: [] } as never,
  devices,
)
const fenmap = program({ menuChord: chord('F10') })
const other = program({
  id: 'reedcall',
  name: 'Reedcall',
  contexts: [{ id: 'tag', name: 'Tag', typing: false, overlaps: [] }],
})
const simplify = command('Simplify', { contextIds: ['tracing'], menu: ['Shape', 'Simplify'] })
const smooth = command('Smooth', { contextIds: ['tracing'] })
const bold = command('Bold', { contextIds: ['labelling'] })
const tag = command('Tag call', { programId: 'reedcall' })
const popups: PopupSet[] = [
  { id: 'set', name: 'Set', opener: parseTrigger('mouse/forward'), at: 'pointer', entries: 4 },
]
const commands = [simplify, smooth, bold, tag]
const scene: Environment = envWith(commands, {
  programs: [fenmap, other],
  controls,
  devices,
  popups,
  legends: deviceLegends(devices),
  layoutId: 'de',
})

/** `command id → trigger`, or `trigger > chord chord` for a relay. */
const set = (...lines: readonly (readonly [string, string])[]): Placed[] =>
  lines.map(([commandId, text]) => {
    const [trigger = '', sends] = text.split(' > ')
    return {
      commandId,
      trigger: parseTrigger(trigger),
      ...(sends && { sends: sends.split(' ').map((s) => parseTrigger(s) as Chord) }),
    }
  })
const press = (text: string, placements: readonly Placed[], contextId = 'tracing', programId = 'fenmap') =>
  tracePress(parseTrigger(text), { programId, contextId }, placements, scene)
const relays = (placements: readonly Placed[]) =>
  findClashes(placements, scene)
    .filter((c) => c.stage === 'relay')
    .map((c) => [c.severity, c.message])

describe('broken relays', () => {
  test('one that arrives is no clash', () => {
    expect(relays(set(['simplify', 'Control+KeyL'], ['simplify', 'pad/k1 > Control+KeyL']))).toEqual([])
  })
  test.each([
    ['nothing bound', set(['simplify', 'pad/k1 > Control+KeyL']), 'Ctrl+L is not used by Fenmap'],
    [
      'another command',
      set(['smooth', 'Control+KeyL'], ['simplify', 'pad/k1 > Control+KeyL']),
      'Fenmap has “Smooth” on Ctrl+L',
    ],
    [
      'another context only',
      set(['bold', 'Control+KeyL'], ['simplify', 'pad/k1 > Control+KeyL']),
      'in Labelling only, as “Bold”',
    ],
    [
      'another program only',
      set(['tag-call', 'Control+KeyL'], ['simplify', 'pad/k1 > Control+KeyL']),
      'only by Reedcall',
    ],
    [
      'the system',
      set(['simplify', 'Meta+KeyL'], ['simplify', 'pad/k1 > Meta+KeyL']),
      'takes Super+L first: Lock screen',
    ],
    [
      'a step of a sequence',
      set(['simplify', 'KeyX'], ['simplify', 'pad/k1 > KeyQ KeyX']),
      'Q is not used by Fenmap',
    ],
    [
      'a wrong letter in the menu',
      set(['simplify', 'pad/k1 > F10 KeyS KeyX']),
      '“Simplify” needs its letter S',
    ],
    ['a walk that is too short', set(['simplify', 'pad/k1 > F10 KeyS']), 'takes 2 keys, not 1'],
  ])('%s blocks, and the message has the whole way', (_name, placements, words) => {
    const [found] = relays(placements)
    expect(found?.[0]).toBe('blocks')
    expect(found?.[1]).toMatch(/^pad key 1 sends .* for “Simplify”, but /)
    expect(found?.[1]).toContain(words)
  })
  test('a walk through the menus by the first letters arrives', () => {
    expect(relays(set(['simplify', 'pad/k1 > F10 KeyS KeyS']))).toEqual([])
    expect(press('pad/k1', set(['simplify', 'pad/k1 > F10 KeyS KeyS'])).commandIds).toEqual(['simplify'])
  })
  test('with the other program in front it is a caution, but not where the control has a setting or page of its own', () => {
    const both: [string, string][] = [
      ['simplify', 'KeyX'],
      ['tag-call', 'KeyX'],
    ]
    const [found] = relays(set(...both, ['simplify', 'pad/k1 > KeyX']))
    expect(found).toEqual([
      'caution',
      expect.stringContaining('with Reedcall in front it runs “Tag call” there'),
    ])
    expect(relays(set(...both, ['simplify', 'pad/k1 > KeyX'], ['tag-call', 'pad/k1 > KeyX']))).toEqual([])
    expect(relays(set(...both, ['simplify', 'deck@fen/b1 > KeyX']))).toEqual([])
  })
})

describe('what cannot be told apart', () => {
  const context = (placements: readonly Placed[]) =>
    findClashes(placements, scene)
      .filter((c) => c.stage === 'context')
      .map((c) => c.message)
  test('a press waits for the hold and the second tap of the same key', () => {
    expect(context(set(['simplify', 'pad/k1'], ['smooth', 'pad/k1 hold']))[0]).toContain('up to 400 ms')
    expect(context(set(['simplify', 'KeyX'], ['smooth', 'KeyX x2']))[0]).toContain('waits 250 ms')
    expect(context(set(['simplify', 'KeyX'], ['bold', 'KeyX x2']))).toEqual([])
  })
  test('a control that opens a page or a pop-up set carries nothing else', () => {
    expect(context(set(['simplify', 'deck@fen/b15']))).toEqual(['Fen · deck 15 opens another page already.'])
    expect(context(set(['simplify', 'mouse/forward']))[0]).toContain('brings up the pop-up set “Set”')
  })
  test('a device that lacks a control, page or direction blocks', () => {
    const device = (text: string) => findClashes(set(['simplify', text]), scene)[0]?.message
    expect(device('pad/k99')).toContain('the control pad/k99')
    expect(device('deck@gone/b1')).toContain('the page deck@gone')
    expect(device('mouse/field stroke 1/12')).toContain('in that many directions')
    expect(device('popup/gone 1')).toContain('the pop-up set gone')
    expect(device('popup/set 1')).toBeUndefined()
  })
})

describe('a press, layer by layer', () => {
  const stages = (t: ReturnType<typeof press>) => t.steps.map((s) => `${s.stage} ${s.outcome}`)
  test('runs from the device to the command', () => {
    const t = press('KeyX', set(['simplify', 'KeyX']))
    expect(stages(t)).toEqual([
      'device passes',
      'system passes',
      'text field passes',
      'program passes',
      'command runs',
    ])
    expect(t.commandIds).toEqual(['simplify'])
  })
  test('ends at the system, at the text field, at the wrong context', () => {
    expect(stages(press('Meta+KeyL', set(['simplify', 'Meta+KeyL'])))).toEqual([
      'device passes',
      'system ends',
    ])
    const typed = press('KeyX', set(['bold', 'KeyX']), 'labelling')
    expect(stages(typed).at(-1)).toBe('text field ends')
    expect(typed.steps.at(-1)!.text).toContain('types “x”')
    const wrong = press('KeyX', set(['bold', 'KeyX']))
    expect(wrong.commandIds).toEqual([])
    expect(wrong.steps.at(-1)!.text).toContain('only in Labelling')
  })
  test('national characters are those of the layout', () => {
    expect(press('AltGraph+KeyQ', set(['bold', 'AltGraph+KeyQ']), 'labelling').steps.at(-1)!.text).toContain(
      'types “@”',
    )
  })
  test('holds and taps show their waits; without a setting they repeat or count one by one', () => {
    const both = set(['simplify', 'pad/k1'], ['smooth', 'pad/k1 hold'])
    expect(press('pad/k1', both)).toMatchObject({ waitMs: 400, commandIds: ['simplify'] })
    expect(press('pad/k1 hold', both)).toMatchObject({ waitMs: 400, commandIds: ['smooth'] })
    expect(press('KeyX hold', set(['simplify', 'KeyX'])).steps[0]!.text).toContain('it repeats')
    expect(press('KeyX x2', set(['simplify', 'KeyX'])).steps[0]!.text).toContain('2 times')
  })
  test('a control of another program’s setting sends its keys all the same', () => {
    const placements = set(['tag-call', 'pad/k1 > KeyX'], ['simplify', 'KeyX'])
    const t = press('pad/k1', placements)
    expect(t.steps[0]!.text).toContain('as set for Reedcall')
    expect(t.commandIds).toEqual(['simplify'])
  })
  test('pages are opened and left, pop-up sets brought up', () => {
    expect(press('deck@fen/b15', []).opensPage).toBe('more')
    expect(press('deck@more/b15', []).opensPage).toBeNull()
    expect(press('mouse/forward', []).steps.at(-1)!.text).toContain('pop-up set “Set”')
    expect(press('popup/set 2', set(['simplify', 'popup/set 2'])).commandIds).toEqual(['simplify'])
  })
  test('agrees with the check: what the check calls blocked never runs', () => {
    const placements = set(['simplify', 'Meta+KeyL'], ['smooth', 'pad/k1 > KeyQ'], ['bold', 'F13'])
    const blocked = findClashes(placements, scene).filter((c) => c.severity === 'blocks')
    expect(blocked).toHaveLength(3)
    for (const clash of blocked)
      expect(press(triggerKey(clash.trigger), placements, 'labelling').commandIds, clash.message).toEqual([])
  })
})

describe('the other way round', () => {
  const placements = set(
    ['simplify', 'Control+KeyL'],
    ['tag-call', 'Control+KeyL'],
    ['smooth', 'pad/k1 > Control+KeyL'],
    ['bold', 'KeyX'],
  )
  test('a key is looked up in every program and context, with what sends it', () => {
    const found = lookUp(chord('KeyL', ['Control']), placements, scene)
    expect(found.programs.map((p) => p.contexts.map((c) => c.commands.map((x) => x.name)))).toEqual([
      [['Simplify'], [], []],
      [['Tag call']],
    ])
    expect(found.relays.map((r) => triggerKey(r.trigger))).toEqual(['pad/k1'])
    expect(lookUp(chord('KeyL', ['Meta']), [], scene).systemAction).toBe('Lock screen')
    expect(lookUp(chord('F13'), [], scene).lacks).toEqual(['the key F13'])
  })
  test('under a set of modifiers stand what is bound, what is kept and what is free', () => {
    const rows = modifierSetRows(['Control'], placements, scene, null)
    const row = (key: string) => rows.find((r) => triggerKey(r.trigger) === key)
    expect(row('Control+KeyL')!.commands.map((c) => c.name)).toEqual(['Simplify', 'Tag call'])
    expect(row('Control+KeyQ')).toMatchObject({ free: true, commands: [] })
    expect(rows.filter((r) => r.commands.length > 0)).toHaveLength(1)
    expect(
      modifierSetRows(['Control'], placements, scene, 'fenmap').find((r) => r.commands.length > 0)!.commands,
    ).toHaveLength(1)
    expect(
      modifierSetRows(['Meta'], [], scene, null).find((r) => triggerKey(r.trigger) === 'Meta+KeyL'),
    ).toMatchObject({ free: false, systemAction: 'Lock screen' })
    expect(new Set(rows.map((r) => triggerKey(r.trigger))).size).toBe(rows.length)
  })
})
