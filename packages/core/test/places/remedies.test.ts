import { describe, expect, test } from 'vitest'
import {
  activeArrangement,
  applyRemedy,
  parseTrigger,
  findClashes,
  homeKeys,
  keyControls,
  noRules,
  reachWithHeld,
  reachSolver,
  remediesFor,
  remedyModifierSets,
  controlRef,
  indexPlaces,
  triggerKey,
  type ClashKind,
  type Remedy,
  type Rules,
} from '../../src/index.js'
import { command, groupOf } from '../build.js'
import { demoPlan } from '../work/desk.js'
import { scene, tracing, type SceneChange } from '../clashes/desk.js'

/** Remedies of the one finding of a kind in a scene. */
function remedies(kind: ClashKind, change: SceneChange): readonly Remedy[] {
  const { placements, env } = scene(change)
  const clash = findClashes(placements, env).find((c) => c.kind === kind)!
  const rests = Object.fromEntries(
    Object.entries(homeKeys.left).map(([finger, id]) => [finger, controlRef('keyboard', id)]),
  ) as typeof homeKeys.left
  const controls = keyControls(env.controls)
  const solver = reachSolver({ side: 'left', spanMm: 190, rests, thumbRest: 'keyboard/Space' }, controls)
  const reachBySet = remedyModifierSets.map((held) =>
    reachWithHeld(solver, controls, held, env.layout.altGraph),
  )
  return remediesFor(clash, indexPlaces(placements, env), reachBySet)
}
const kinds = (list: readonly Remedy[]): string[] => list.map((r) => r.kind)
const newcomer = command('Newcomer', { id: 'new', ...tracing })

describe('remedies', () => {
  test('a relay that sends nothing useful is first told to send what its command has', () => {
    const found = remedies('relay-broken', {
      commands: [newcomer],
      places: { new: 'pad/k1' },
      besides: [['new', 'Control+KeyB']],
      sends: { new: ['Control+KeyQ'] },
    })
    expect(found[0]).toMatchObject({ kind: 'relay', commandId: 'new' })
    expect(found[0]!.sends!.map(triggerKey)).toEqual(['Control+KeyB'])
    expect(found[0]!.text).toContain('Let pad k1 send Ctrl+B, which is “Newcomer”')
    expect(kinds(found).at(-1)).toBe('unplace')
  })
  test('a command without a chord of its own gets the one that is sent, or a free one, or moves', () => {
    const found = remedies('relay-broken', {
      commands: [newcomer],
      places: { new: 'pad/k1' },
      sends: { new: ['Control+KeyQ'] },
    })
    expect(kinds(found)).not.toContain('relay')
    expect(kinds(found)).toEqual(['bind', 'bind', 'move', 'move', 'move', 'unplace'])
    expect(triggerKey(found[0]!.chord!)).toBe('Control+KeyQ')
    // keys that boards lack come first
    expect(triggerKey(found[1]!.chord!)).toBe('F13')
    expect(found[1]!.sends!.map(triggerKey)).toEqual(['F13'])
  })
  test('what a system takes is not offered as a key to bind', () => {
    const found = remedies('relay-broken', {
      commands: [newcomer],
      places: { new: 'pad/k1' },
      sends: { new: ['Meta+KeyL'] },
    })
    expect(found.filter((r) => r.kind === 'bind').map((r) => triggerKey(r.chord!))).toEqual(['F13'])
  })
  test('a relay that sends a key which no board has is whole when its command has that key', () => {
    const { placements, env } = scene({
      commands: [newcomer],
      places: { new: 'pad/k1' },
      besides: [['new', 'F13']],
      sends: { new: ['F13'] },
    })
    expect(findClashes(placements, env)).toEqual([])
  })
  test('a program that takes the keys of its host, or leaves the wheel free, is said so in one step', () => {
    const wheel = remedies('pointer-program', { commands: [newcomer], places: { new: 'mouse/wheel up' } })
    expect(wheel.find((r) => r.kind === 'habit')).toMatchObject({ programId: 'fenmap', freed: 'wheel' })
  })
  test('a system’s key names the setting that frees it, after the moves', () => {
    const found = remedies('system-takes', { commands: [newcomer], places: { new: 'Meta+KeyL' } })
    expect(kinds(found)).toEqual(['move', 'move', 'move', 'setting', 'unplace'])
    expect(found.find((r) => r.kind === 'setting')!.text).toMatch(/gsettings set \S+ \S+ "\[\]"/)
  })
  test('a slip is mended by a swap with a harmless command that is used less', () => {
    const danger = command('Discard', {
      id: 'new',
      ...tracing,
      usesPerHour: 30,
      damage: { level: 'loss', wayOut: 'Undo' },
    })
    const found = remedies('slip-neighbour', {
      commands: [
        danger,
        command('Busy', { ...tracing, usesPerHour: 90 }),
        command('Rare', { ...tracing, usesPerHour: 1 }),
      ],
      places: { new: 'KeyD', busy: 'KeyF', rare: 'KeyR' },
    })
    const swap = found.find((r) => r.kind === 'swap')!
    expect(swap).toMatchObject({ commandId: 'new' })
    expect(swap.otherId).not.toBe('busy')
    expect(swap.text).toMatch(/^Swap with “/)
  })
  test('a default that lost its key is offered a place of its own; there is nothing to take off', () => {
    const lost = command('Forgotten', tracing)
    const found = remedies('default-lost', {
      commands: [newcomer, lost],
      places: { new: 'F8' },
      defaults: new Map([[groupOf('fenmap', 'F8'), [lost]]]),
    })
    expect(new Set(kinds(found))).toEqual(new Set(['move']))
    expect(found.length).toBeGreaterThan(0)
    for (const r of found) {
      expect(r.commandId).toBe('forgotten')
      expect(r.text).toMatch(/^Place “Forgotten” on/)
    }
  })
  test('what is kept where it is does not move; only the setting is left', () => {
    const rules: Rules = { ...noRules, lockedCommandIds: ['new'] }
    const found = remedies('system-takes', { commands: [newcomer], places: { new: 'Meta+KeyL' }, rules })
    expect(kinds(found)).toEqual(['setting'])
    const locked = remedies('types-character', {
      commands: [command('Newcomer', { id: 'new', contextIds: ['labelling'] })],
      places: { new: 'KeyK' },
      rules: { ...noRules, lockedControls: ['KeyK'] },
    })
    expect(locked).toEqual([])
  })
  test('no remedy moves to a barred key, a kept key or one that brings the same trouble', () => {
    const rules: Rules = { ...noRules, barredControls: ['KeyW', 'KeyE'], lockedControls: ['KeyR'] }
    const found = remedies('system-takes', { commands: [newcomer], places: { new: 'Meta+KeyL' }, rules })
    const goals = found.flatMap((r) => (r.kind === 'move' ? triggerKey(r.to!) : []))
    expect(goals).toHaveLength(3)
    expect(goals.filter((key) => /Key[WER]$/.test(key))).toEqual([])
  })
  describe('a pop-up set that opens by the wrong press', () => {
    const opensBy = (opener: string): SceneChange => ({
      commands: [newcomer],
      places: { new: 'popup/set 1' },
      popups: [{ id: 'set', name: 'Set', at: 'pointer', entries: 4, opener: parseTrigger(opener) as never }],
    })
    test.each([
      ['the system takes', 'system-takes', 'Meta+KeyL'],
      ['no device has', 'key-missing', 'F13'],
    ] as const)('that %s opens by a free one instead', (_what, kind, opener) => {
      const change = opensBy(opener)
      const [first] = remedies(kind, change)
      expect(first).toMatchObject({ kind: 'opener', setId: 'set' })
      const { placements, env } = scene({ ...change, popups: opensBy(triggerKey(first!.to!)).popups! })
      expect(findClashes(placements, env).filter((c) => c.commandIds.includes('new'))).toEqual([])
    })
    test('a set on the key of a command opens elsewhere, where no program has a command', () => {
      const change: SceneChange = { ...opensBy('KeyM'), besides: [['new', 'Control+KeyM']] }
      const openers = remedies('opens-popup', change).filter((r) => r.kind === 'opener')
      expect(openers.length).toBeGreaterThan(0)
      for (const { to } of openers) {
        const { placements, env } = scene({ ...change, popups: opensBy(triggerKey(to!)).popups! })
        expect(findClashes(placements, env).filter((c) => c.kind === 'opens-popup')).toEqual([])
      }
    })
    test('the plan is changed by the edit of the set', () => {
      const plan = { ...demoPlan, activeArrangementId: 'draft-1' }
      const draft = activeArrangement(plan)
      const [set] = draft.popups
      const to = parseTrigger('Control+Shift+F9')
      const changed = applyRemedy(plan, { kind: 'opener', from: set!.opener, setId: set!.id, to, text: '' })
      expect(activeArrangement(changed).popups[0]).toEqual({ ...set, opener: to })
    })
  })
  test('each move leaves the finding behind and brings no other of its weight', () => {
    for (const [kind, places] of [
      ['system-takes', { new: 'Meta+KeyL' }],
      ['two-commands', { new: 'KeyM' }],
      ['tap-or-hold', { new: 'KeyM hold' }],
      ['key-missing', { new: 'F13' }],
    ] as const) {
      const change = { commands: [newcomer], places }
      const { placements, env } = scene(change)
      const before = findClashes(placements, env)
      const moves = remedies(kind, change).filter((x) => x.kind === 'move')
      expect(moves.length, kind).toBeGreaterThan(0)
      for (const r of moves) {
        const after = findClashes(
          placements.map((p) =>
            p.commandId === r.commandId && triggerKey(p.trigger) === triggerKey(r.from)
              ? { ...p, trigger: r.to! }
              : p,
          ),
          env,
        )
        expect(after.filter((c) => c.severity !== 'caution').length, r.text).toBeLessThan(
          before.filter((c) => c.severity !== 'caution').length,
        )
      }
    }
  })
})
