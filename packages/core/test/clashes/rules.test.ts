/** What each rule says and, as often, when it says nothing. */
import { describe, expect, test } from 'vitest'
import {
  bootReportKeys,
  causesOf,
  findClashes,
  noMemory,
  strokeErrorShare,
  type Clash,
  type Command,
} from '../../src/index.js'
import { systems } from '@reach-plot/data'
import { command, layout, groupOf, keyOf } from '../build.js'
import { devices, fenmap, reedcall, scene, tracing, type SceneChange } from './desk.js'

const find = (change: SceneChange): readonly Clash[] => {
  const { placements, env } = scene(change)
  return findClashes(placements, env)
}
const kinds = (change: SceneChange): string[] => find(change).map((c) => c.kind)
const one = (trigger: string, change: Partial<Command> = {}, more: SceneChange = {}): SceneChange => ({
  ...more,
  commands: [command('Newcomer', { id: 'new', ...tracing, ...change }), ...(more.commands ?? [])],
  places: { new: trigger, ...more.places },
})
const labelling = { contextIds: ['labelling'] }

describe('device', () => {
  test('a key of the number block names what would stand in for it, and what that means already', () => {
    const bench = ['laptop', 'pad', 'deck', 'mouse', 'glass']
    const [free] = find(one('Control+Numpad7', {}, { bench }))
    expect(free!.message).toBe('No device on this bench has the key Numpad7. Ctrl+7 would stand in for it.')
    expect(free!.cause).toBe('There is no number block on this bench.')
    const [taken] = find(
      one(
        'Control+Numpad7',
        {},
        { bench, commands: [command('Seven', tracing)], places: { seven: 'Control+Digit7' } },
      ),
    )
    expect(taken!.message).toContain('Ctrl+7 would stand in for it, but means “Seven”.')
  })
  test('a laptop whose firmware is set to function keys sends them', () => {
    const bench = ['laptop', 'pad', 'deck', 'mouse', 'glass']
    const set = devices.map((d) =>
      d.id === 'laptop' ? { ...d, functionKeys: 'plain' as const } : d,
    ) as typeof devices
    expect(kinds(one('F8', {}, { bench }))).toEqual(['media-key'])
    expect(kinds(one('F8', {}, { bench, devices: set }))).toEqual([])
    // F13 to F24 are no media keys anywhere, and a desk keyboard sends its own
    expect(kinds(one('F8'))).toEqual([])
  })
  test('with a keyboard beside the laptop its function keys are there', () => {
    expect(kinds(one('F8', {}, { bench: ['keyboard', 'laptop', 'pad', 'deck', 'mouse', 'glass'] }))).toEqual(
      [],
    )
  })
  test('six keys at once fit the boot report of HID 1.11, a seventh does not; one after another any number does', () => {
    const six = ['KeyA', 'KeyB', 'KeyC', 'KeyD', 'KeyE', 'KeyG']
    const held = (sends: readonly string[], act: string) =>
      kinds(one(`pad/k1${act}`, {}, { sends: { new: sends } })).includes('boot-report')
    expect(bootReportKeys).toBe(6)
    expect(held(six, ' while')).toBe(false)
    expect(held([...six, 'KeyM'], ' while')).toBe(true)
    expect(held([...six, 'KeyM'], '')).toBe(false)
  })
  test('pad keys come together, deck buttons do not', () => {
    expect(kinds(one('pad/k1+pad/k2'))).toEqual([])
    expect(kinds(one('deck/b1+deck/b2'))).toContain('pair-unreported')
  })
  test('a coarse dial is told only for commands that step, and only where its steps are known', () => {
    expect(kinds(one('pad/dial left', { kind: 'stepped' }))).toEqual(['coarse-dial'])
    expect(kinds(one('pad/dial left', { kind: 'once' }))).toEqual([])
    expect(kinds(one('pad/fine left', { kind: 'stepped' }))).toEqual([])
  })
})

describe('system and browser', () => {
  const windows = { systemId: 'windows', system: systems.find((s) => s.id === 'windows')! } as const
  test('a held or tapped Shift means something on Windows only', () => {
    expect(kinds(one('ShiftLeft x5', {}, windows))).toEqual(['sticky-keys'])
    expect(kinds(one('ShiftLeft x5'))).toEqual([])
    expect(kinds(one('ShiftLeft x2', {}, windows))).toEqual([])
  })
  test('areas and settings stand with each of the system’s keys', () => {
    const [found] = find(one('ShiftRight hold', {}, windows))
    expect(found).toMatchObject({ severity: 'blocks', stage: 'system', evidence: 'from memory' })
    expect(found!.setting).toContain('Filter keys')
  })
  test('a program that runs by itself has the browser’s keys', () => {
    const browserKeys = new Map([[keyOf('Control+KeyT'), { keys: 'accel+t', reserved: true }]])
    expect(kinds(one('Control+KeyT', {}, { browserKeys }))).toEqual([])
    const programs = [{ ...fenmap, host: 'browser' as const }, reedcall]
    expect(kinds(one('Control+KeyT', {}, { browserKeys, programs }))).toEqual(['browser-takes'])
    const probes = new Map([[keyOf('Control+KeyT'), 'arrives' as const]])
    expect(kinds(one('Control+KeyT', {}, { browserKeys, programs, probes }))).toEqual([])
  })
  test('what the system takes is not told as typing too', () => {
    const own = { off: [], own: [{ modifiers: [], code: 'KeyK', action: 'Open the field book' }] }
    expect(kinds(one('KeyK', labelling, { ownKeys: own }))).toEqual(['system-takes'])
  })
})

describe('typing', () => {
  test('all keys that type in one context have one cause', () => {
    const found = find({
      commands: ['Kk', 'Gg'].map((n) => command(n, labelling)),
      places: { kk: 'KeyK', gg: 'KeyG' },
    })
    expect(new Set(found.map((c) => c.cause))).toEqual(
      new Set(['Keys that type a character do so while text can be typed in Fenmap, Labelling.']),
    )
  })
  test('a digit with Shift types a sign, not a capital', () => {
    expect(kinds(one('Shift+Digit1', labelling))).toEqual(['types-character'])
    expect(kinds(one('Shift+KeyK', labelling))).toEqual(['types-capital'])
  })
  test('an accent is a character for a program that binds places', () => {
    expect(kinds(one('Equal', {}, { layout: layout('de') }))).toEqual([])
    const programs = [{ ...fenmap, binds: 'characters' as const }, reedcall]
    const [found] = find(one('Equal', {}, { layout: layout('de'), programs }))
    expect(found!.message).toContain('types none by itself: it starts the accent')
  })
  test('with another layout in use it says which key moves, in the words of what the program binds', () => {
    const otherLayout = layout('de')
    const [place] = find(one('Control+KeyZ', {}, { otherLayout })).filter((c) => c.commandIds.includes('new'))
    expect(place!.message).toBe(
      'Fenmap binds places: with the German layout the key of Ctrl+Z types “y”, not “z”.',
    )
    const programs = [{ ...fenmap, binds: 'characters' as const }, reedcall]
    const [character] = find(one('Control+KeyZ', {}, { otherLayout, programs })).filter((c) =>
      c.commandIds.includes('new'),
    )
    expect(character!.message).toBe(
      'Fenmap binds the character “z”: with the German layout it is on another key, where Y is printed here.',
    )
    expect(kinds(one('Control+KeyX', {}, { otherLayout })).length).toBe(0)
  })
})

describe('program', () => {
  test('two and three taps wait for each other, two taps and a hold do not', () => {
    const beside = (act: string) =>
      kinds(one('KeyK x2', {}, { commands: [command('Other', tracing)], places: { other: `KeyK ${act}` } }))
    expect(beside('x3')).toEqual(['one-or-more-taps'])
    expect(beside('x5')).toEqual(['one-or-more-taps'])
    expect(beside('hold')).toEqual([])
    expect(beside('while')).toEqual([])
  })
  test('a pair may begin with a key that means something elsewhere', () => {
    const first = (change: Partial<Command>) =>
      kinds(one('pad/k1+pad/k2', {}, { commands: [command('First', change)], places: { first: 'pad/k1' } }))
    expect(first(tracing)).toEqual(['prefix'])
    expect(first(labelling)).toEqual([])
    expect(first({ programId: 'reedcall' })).toEqual([])
  })
  test('a modifier of a drag matters in its context, on what is held or pointed with', () => {
    const drags = [{ contextId: 'tracing', modifier: 'Shift' as const, does: 'keeps the line straight' }]
    const programs = [{ ...fenmap, drags }, reedcall]
    expect(kinds(one('Shift+F9 while', {}, { programs }))).toEqual(['drag-modifier'])
    expect(kinds(one('Shift+F9', { kind: 'held' }, { programs }))).toEqual(['drag-modifier'])
    expect(kinds(one('Shift+F9', {}, { programs }))).toEqual([])
    expect(kinds(one('Control+F9 while', {}, { programs }))).toEqual([])
    expect(kinds(one('Shift+F9 while', { contextIds: ['overview'] }, { programs }))).toEqual([])
  })
  test('a default is lost only while nothing else reaches it, where both are live', () => {
    const old = command('Old', tracing)
    const defaults = new Map([[groupOf('fenmap', 'F8'), [old]]])
    expect(kinds(one('F8', {}, { commands: [old], defaults }))).toEqual(['default-lost'])
    expect(kinds(one('F8', {}, { commands: [old], defaults, places: { old: 'F9' } }))).toEqual([])
    expect(kinds(one('F8', labelling, { commands: [old], defaults }))).toEqual([])
    // a default that keeps its key is no finding
    expect(kinds({ commands: [old], defaults, places: { old: 'F8' } })).toEqual([])
  })
})

describe('strokes', () => {
  test('the share of strokes that go wrong is that of the published trials', () => {
    // Kurtenbach and Buxton (1993): reliable to 8 directions, 12 at one level only (from memory)
    expect(strokeErrorShare(4)).toBeLessThan(0.001)
    expect(strokeErrorShare(8)).toBeGreaterThan(0.01)
    expect(strokeErrorShare(8)).toBeLessThan(0.03)
    expect(strokeErrorShare(12)).toBeGreaterThan(0.1)
    expect(strokeErrorShare(12)).toBeLessThan(0.13)
    const shares = [2, 4, 6, 8, 12].map((n) => strokeErrorShare(n))
    expect(shares).toEqual(shares.toSorted((a, b) => a - b))
  })
  test('the error function agrees with its table', () => {
    // Abramowitz and Stegun (1964), table 7.1: erf(0.5) = 0.5204999, erf(1) = 0.8427008
    const share = (x: number) => 1 - strokeErrorShare(180, 1 / (x * Math.SQRT2))
    expect(share(0.5)).toBeCloseTo(0.5204999, 6)
    expect(share(1)).toBeCloseTo(0.8427008, 6)
  })
  test('eight directions side by side are well, and twelve with a gap between them too', () => {
    const two = (a: string, b: string) =>
      kinds(
        one(`mouse/${a}`, {}, { commands: [command('Beside', tracing)], places: { beside: `mouse/${b}` } }),
      )
    expect(two('plain stroke 1/8', 'plain stroke 2/8')).toEqual([])
    expect(two('field stroke 1/12', 'field stroke 3/12')).toEqual([])
    expect(two('field stroke 11/12', 'field stroke 0/12')).toEqual(['close-strokes'])
  })
  test('a set that comes up in the middle of the screen, or at the pointer, has room', () => {
    const popups = (id: string, where: 'fingertip' | 'pointer') => [
      {
        id: 'shapes',
        name: 'Shapes',
        at: where,
        entries: 4,
        opener: {
          kind: 'button' as const,
          modifiers: [],
          deviceId: 'glass',
          controlId: id,
          act: 'press' as const,
        },
      },
    ]
    expect(kinds(one('popup/shapes 1', {}, { popups: popups('corner', 'fingertip') }))).toEqual([
      'menu-at-edge',
    ])
    expect(kinds(one('popup/shapes 1', {}, { popups: popups('corner', 'pointer') }))).toEqual([])
  })
})

describe('slips', () => {
  const loss = { damage: { level: 'loss' as const, wayOut: 'Restore it.' } }
  const beside = (uses: number, change: Partial<Command> = {}, own: Partial<Command> = loss) =>
    kinds(
      one('KeyD', own, {
        commands: [command('Busy', { ...tracing, usesPerHour: uses, ...change })],
        places: { busy: 'KeyF' },
      }),
    )
  test('count beside keys that are used often, live together, and not its own opposite', () => {
    expect(beside(80)).toEqual(['repeats', 'slip-neighbour'])
    // no floor of uses: what a slip costs counts
    expect(beside(2)).toEqual(['repeats', 'slip-neighbour'])
    expect(beside(0)).toEqual(['repeats'])
    expect(beside(80, labelling).filter((k) => k.startsWith('slip'))).toEqual([])
    expect(beside(80, { oppositeId: 'new' })).toEqual(['repeats'])
    expect(beside(80, {}, { damage: { level: 'nuisance', wayOut: '' } })).toEqual([])
  })
  test('all busy neighbours stand in one finding, with the way out', () => {
    const found = find(
      one('KeyD', loss, {
        commands: ['Left', 'Right', 'Above'].map((n) =>
          command(`${n} one`, { id: n, ...tracing, usesPerHour: 50 }),
        ),
        places: { Left: 'KeyS', Right: 'KeyF', Above: 'KeyE' },
      }),
    )
    expect(found.map((c) => c.kind).sort()).toEqual(['repeats', 'slip-neighbour'])
    const slip = found.find((c) => c.kind === 'slip-neighbour')!
    for (const name of ['S (“Left one”', 'F (“Right one”', 'E (“Above one”'])
      expect(slip.message).toContain(name)
    expect(slip.message).toMatch(/The way out: Restore it\.$/)
  })
  test('a modifier missed or added counts, another key does not', () => {
    const busy = (text: string) =>
      kinds(
        one('Control+KeyD', loss, {
          commands: [command('Busy', { ...tracing, usesPerHour: 80 })],
          places: { busy: text },
        }),
      )
    expect(busy('Control+Shift+KeyD')).toEqual(['repeats', 'slip-modifier'])
    expect(busy('KeyD')).toEqual(['repeats', 'slip-modifier'])
    expect(busy('Alt+Shift+KeyD')).toEqual(['repeats'])
  })
})

describe('two programs', () => {
  const there = (uses: number, name = 'Quiet') =>
    command(name, { id: 'there', programId: 'reedcall', usesPerHour: uses })
  const both = (uses: number, more: SceneChange = {}, name?: string) =>
    kinds(one('F9', {}, { ...more, commands: [there(uses, name)], places: { there: 'F9' } }))
  test('one trigger with two much used meanings is told once', () => {
    expect(both(30)).toEqual(['other-meaning'])
    expect(both(1)).toEqual([])
  })
  test('but not when both are one idea, by name or by what the person says', () => {
    expect(both(30, {}, 'Newcomers')).toEqual([])
    expect(both(30, { memory: { ...noMemory, sameIdeas: [['new', 'there']] } })).toEqual([])
  })
})

test('causes stand by severity, each with its findings', () => {
  const causes = causesOf(
    find({
      commands: [command('Kk', labelling), command('Gg', labelling), command('Lost', tracing)],
      places: { kk: 'KeyK', gg: 'KeyG', lost: 'F13' },
    }),
  )
  expect(causes.map((c) => [c.severity, c.stage, c.clashes.length])).toEqual([
    ['blocks', 'device', 1],
    ['shadows', 'typing', 2],
  ])
})
