import { describe, expect, test } from 'vitest'
import { findClashes, parseTrigger, placeChain, prepare, type Plan, type Routine } from '../../src/index.js'
import { prepareWork, reportOf } from '../../src/compare/index.js'
import { timeWork } from '../../src/work/index.js'
import { catalogues, demoPlan } from './desk.js'

const ids = ['fenmap-simplify', 'fenmap-smooth', 'fenmap-join-lines', 'fenmap-verify-outline'] as const
const routine: Routine = {
  id: 'four',
  name: 'Four steps',
  programId: 'fenmap',
  timesPerHour: 30,
  steps: ids.map((commandId) => ({ kind: 'command', commandId })),
}

/** The example with the four on far keys, one routine of them, and perhaps a chain on a pad key. */
function plan(chain: boolean, broken = false): Plan {
  const [arrangement] = demoPlan.arrangements.filter((a) => a.id === demoPlan.activeArrangementId)
  const others = arrangement!.placements.filter(
    (p) =>
      !(ids as readonly string[]).includes(p.commandId) &&
      !('deviceId' in p.trigger && p.trigger.controlId === 'k20'),
  )
  const own = ids.map((commandId, i) => ({
    commandId,
    trigger: parseTrigger(`Control+Shift+Digit${i + 6}`),
  }))
  const base: Plan = {
    ...demoPlan,
    routines: [routine],
    commands: demoPlan.commands.map((c) =>
      ids.includes(c.id as never) ? { ...c, contextIds: ['tracing'] } : c,
    ),
    arrangements: demoPlan.arrangements.map((a) =>
      a.id === demoPlan.activeArrangementId ? { ...a, placements: [...others, ...own] } : a,
    ),
  }
  const done = chain ? placeChain(base, { commandIds: ids, trigger: parseTrigger('pad/k20') }) : base
  if (!broken) return done
  return {
    ...done,
    arrangements: done.arrangements.map((a) => ({
      ...a,
      placements: a.placements.map((p) =>
        p.then
          ? {
              ...p,
              sends: p.sends!.map((s, i) =>
                i === 2 ? { ...s, code: 'F9', modifiers: ['Alt' as const, 'Control' as const] } : s,
              ),
            }
          : p,
      ),
    })),
  }
}
const findings = (given: Plan) => {
  const model = prepare(given, catalogues)
  return findClashes(model.arrangement.placements, model.env).filter(
    (c) => 'deviceId' in c.trigger && c.trigger.controlId === 'k20',
  )
}
const routineMs = (given: Plan): number =>
  reportOf(prepareWork(prepare(given, catalogues))).day.parts.find((p) => p.id === 'four')!.work.ms

describe('four commands on one pad key', () => {
  test('pass the check', () => {
    expect(findings(plan(true)).filter((c) => c.severity === 'blocks')).toEqual([])
  })
  test('are one press and the device’s playing, 10 ms a chord', () => {
    const work = prepareWork(prepare(plan(true), catalogues))
    const timed = timeWork(routine.steps, work.context)
    expect(timed.operators.filter((o) => o.kind === 'K' || o.kind === 'B')).toHaveLength(1)
    expect(timed.operators.find((o) => o.kind === 'R')!.ms).toBe(40)
    expect(timed.ways.every((way) => way?.way === 'key')).toBe(true)
  })
  test('their routine takes less than half as long', () => {
    expect(routineMs(plan(true))).toBeLessThan(routineMs(plan(false)) / 2)
  })
  test('waits count', () => {
    const waiting = placeChain(plan(false), { commandIds: ids, trigger: parseTrigger('pad/k20'), waitMs: 50 })
    expect(routineMs(waiting)).toBeCloseTo(routineMs(plan(true)) + 150, 6)
  })
  test('a third chord that is broken is named with its command', () => {
    const [found] = findings(plan(true, true)).filter((c) => c.kind === 'relay-broken')
    expect(found!.message).toMatch(/for “Join lines” .*Ctrl\+Alt\+F9/)
    // and the routine falls back on single keys
    expect(routineMs(plan(true, true))).toBeCloseTo(routineMs(plan(false)), 6)
  })
  test('an interrupted run is no chain', () => {
    const work = prepareWork(prepare(plan(true), catalogues))
    const steps = [routine.steps[0]!, { kind: 'point' as const }, ...routine.steps.slice(1)]
    expect(timeWork(steps, work.context).operators.some((o) => o.kind === 'R')).toBe(false)
  })
  test('a command without a key, and a plain key of a keyboard, are refused', () => {
    expect(() =>
      placeChain(plan(false), {
        commandIds: [ids[0], 'fenmap-hide-shape'],
        trigger: parseTrigger('pad/k20'),
      }),
    ).toThrow(/has no key that a control could send/)
    expect(() => placeChain(plan(false), { commandIds: ids, trigger: parseTrigger('KeyU') })).toThrow(
      /cannot send other keys/,
    )
  })
})
