import { describe, expect, test } from 'vitest'
import {
  parseTrigger,
  readPlan,
  writePlan,
  type Clash,
  type Plan,
  acceptClash,
  reopenClash,
  setOwnKeys,
  setPlanSettings,
  setProbe,
  toggleSystemKey,
  placeCommand,
  removePlacement,
  setBinds,
  setDrags,
  setHost,
  deleteContext,
} from '@reach-plot/core'
import { demo, derive, idOf } from './build.js'

const plan = demo()
const after = (edit: (plan: Plan) => Plan, from: Plan = plan): Plan => {
  const changed = edit(from)
  expect(readPlan(writePlan(changed))).toEqual(changed)
  return changed
}
const found = (of: Plan, message: RegExp): Clash => derive(of).clashes.find((c) => message.test(c.message))!

describe('accepted findings', () => {
  const clash = found(plan, /has the key F13/)
  const accepted = after((d) => acceptClash(d, clash, '  only at the office '))
  test('leave the count and stay listed with their note', () => {
    expect(derive(accepted).clashes.length).toBe(derive(plan).clashes.length - 1)
    expect(derive(accepted).accepted).toEqual([
      { clash: expect.objectContaining({ id: clash.id }), note: 'only at the office' },
    ])
  })
  test('come back when they are taken up again, or when another command is concerned', () => {
    expect(derive(after((d) => reopenClash(d, clash.id), accepted)).clashes.length).toBe(
      derive(plan).clashes.length,
    )
    const more = after(
      (d) => placeCommand(d, { commandId: idOf(plan, 'Hide shape'), trigger: parseTrigger('F13') }),
      accepted,
    )
    expect(found(more, /has the key F13/)).toBeDefined()
  })
  test('accepting again replaces the note', () => {
    const twice = after((d) => acceptClash(d, clash, 'later'), accepted)
    expect(derive(twice).arrangement.accepted.map((a) => a.note)).toEqual(['later'])
  })
})

describe('the system’s keys', () => {
  const taken = /takes Super\+L first/
  test('one that is turned off is no finding, and is one again when it is on', () => {
    const off = after((d) => toggleSystemKey(d, 'Meta+KeyL'))
    expect(found(off, taken)).toBeUndefined()
    expect(
      found(
        after((d) => toggleSystemKey(d, 'Meta+KeyL'), off),
        taken,
      ),
    ).toBeDefined()
  })
  test('settings are those of the system in front only', () => {
    const off = after((d) => toggleSystemKey(d, 'Meta+KeyL'))
    expect(Object.keys(off.ownSystemKeys)).toEqual(['gnome'])
    const windows = after((d) => setPlanSettings(d, { system: 'windows' }), off)
    expect(found(windows, /Windows takes Win\+L first/)).toBeDefined()
    expect(after((d) => setOwnKeys(d, null), off).ownSystemKeys).toEqual({})
  })
  test('a press that arrived clears a finding, one that never did makes one', () => {
    const arrives = after((d) => setProbe(d, 'Meta+KeyL', 'arrives'))
    expect(found(arrives, taken)).toBeUndefined()
    const gone = after((d) => setProbe(d, 'KeyV', 'swallowed'), arrives)
    expect(found(gone, /V was pressed on this machine and never arrived/)).toMatchObject({
      evidence: 'probe',
    })
    expect(derive(after((d) => setProbe(d, 'KeyV', null), gone)).bench.probes).toEqual([
      { chord: 'Meta+KeyL', system: 'gnome', result: 'arrives' },
    ])
  })
})

describe('what is foreseen', () => {
  const hide = idOf(plan, 'Hide shape')
  const foresee = (of: Plan, trigger: string, id = hide) =>
    derive(of)
      .foresee(id, parseTrigger(trigger))
      .map((c) => c.kind)
  test('is what placing would bring, and nothing that is there already', () => {
    expect(foresee(plan, 'Meta+KeyH')).toContain('system-takes')
    expect(foresee(plan, 'F24')).toEqual(['key-missing'])
    expect(foresee(plan, 'KeyH').filter((k) => k !== 'other-meaning')).toEqual([])
  })
  test('equals what is found once it is done', () => {
    for (const text of ['Meta+KeyH', 'F24', 'KeyD hold', 'KeyF', 'Shift+KeyQ']) {
      const said = foresee(plan, text)
      const placed = after((d) => placeCommand(d, { commandId: hide, trigger: parseTrigger(text) }))
      const then = derive(placed).clashes.filter((c) => c.commandIds.includes(hide))
      expect(said.toSorted(), text).toEqual(then.map((c) => c.kind).toSorted())
    }
  })
  test('asking changes nothing', () => {
    const before = derive(plan).clashes.map((c) => c.id)
    foresee(plan, 'Meta+KeyL')
    expect(derive(plan).clashes.map((c) => c.id)).toEqual(before)
  })
})

describe('one check after another', () => {
  test('edits and undone edits give what a fresh check gives', () => {
    let current = plan
    const ids = ['Hide shape', 'Add vertex', 'Measure', 'Tag call'].map((n) => idOf(plan, n))
    const triggers = ['KeyD', 'KeyQ', 'Meta+KeyL', 'pad/k3', 'Control+Alt+KeyQ', 'KeyM hold']
    for (let i = 0; i < 12; i++) {
      const id = ids[i % ids.length]!
      current =
        i % 5 === 4
          ? removePlacement(current, id)
          : placeCommand(current, {
              commandId: id,
              trigger: parseTrigger(triggers[(i * 5) % triggers.length]!),
            })
      const kept = derive(current).clashes.map((c) => c.id)
      // another system and back: the checker that was kept is gone
      derive(setPlanSettings(current, { system: 'macos' }))
      const fresh = derive(readPlan(writePlan(current))).clashes.map((c) => c.id)
      expect(kept).toEqual(fresh)
    }
  })
})

describe('what a program does', () => {
  test('a program in a browser loses the browser’s keys; out of it they are free', () => {
    expect(found(plan, /The browser that Reedcall runs in/)).toBeDefined()
    const out = after((d) => setHost(d, 'reedcall', null))
    expect(found(out, /The browser that Reedcall runs in/)).toBeUndefined()
    expect(
      found(
        after((d) => setHost(d, 'fenmap', 'browser')),
        /The browser that Fenmap runs in/,
      ),
    ).toBeDefined()
  })
  test('places are the default and are not written down', () => {
    const characters = after((d) => setBinds(d, 'fenmap', 'characters'))
    expect(characters.programs[0]!.binds).toBe('characters')
    expect('binds' in after((d) => setBinds(d, 'fenmap', 'places'), characters).programs[0]!).toBe(false)
  })
  test('drags go with their context', () => {
    const drags = [
      { contextId: 'tracing', modifier: null, does: 'draws' },
      { contextId: null, modifier: 'Shift' as const, does: 'keeps straight' },
    ]
    const set = after((d) => setDrags(d, 'fenmap', drags))
    expect(set.programs[0]!.drags).toEqual(drags)
    expect(found(set, /is a drag too/)).toMatchObject({ kind: 'stroke-or-drag', severity: 'ambiguous' })
    expect(after((d) => deleteContext(d, 'fenmap', 'tracing'), set).programs[0]!.drags).toEqual([drags[1]])
    expect('drags' in after((d) => setDrags(d, 'fenmap', []), set).programs[0]!).toBe(false)
  })
})
