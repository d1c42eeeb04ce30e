import fc from 'fast-check'
import { catalogues } from '@reach-plot/data'
import { describe, expect, test } from 'vitest'
import {
  arrangementSetNow,
  canBeLiveTogether,
  chord,
  keepAsSet,
  placeCommand,
  prepare,
  readPlan,
  triggerKey,
  triggerName,
  writePlan,
  type Arrangement,
} from '../../src/index.js'
import { demo, draft, shuffled } from '../shuffled.js'
import { nextStep, progressOf, setUpSteps, stepInWords, type SetUpStep } from '../../src/carry/index.js'

const defaults = prepare(demo, catalogues, { arrangement: demo.arrangements.find((a) => a.isDefault)! })
const commands = new Map(demo.commands.map((c) => [c.id as string, c]))
const programs = new Map(demo.programs.map((p) => [p.id as string, p]))

/** What stands where on a simulated program: command → keys of triggers. */
type Held = Map<string, Set<string>>

const heldOf = (a: Arrangement): Held => {
  const out: Held = new Map()
  for (const p of a.placements) {
    const own = out.get(p.commandId) ?? new Set<string>()
    own.add(triggerKey(p.trigger))
    out.set(p.commandId, own)
  }
  return out
}

/** Pairs of commands that can be live together on one trigger. */
function doubles(held: Held): Set<string> {
  const on = new Map<string, string[]>()
  for (const [id, keys] of held) for (const key of keys) on.set(key, [...(on.get(key) ?? []), id])
  const out = new Set<string>()
  for (const [key, ids] of on)
    for (const a of ids)
      for (const b of ids) {
        const [one, other] = [commands.get(a)!, commands.get(b)!]
        const program = programs.get(one.programId)
        if (a < b && program && canBeLiveTogether(one, other, program)) out.add(`${a} ${b} ${key}`)
      }
  return out
}

function walk(from: Arrangement, to: Arrangement, steps: readonly SetUpStep[]): void {
  const held = heldOf(from)
  const allowed = new Set([...doubles(held), ...doubles(heldOf(to))])
  for (const step of steps) {
    if (!step.command) continue
    const own = held.get(step.command.id) ?? new Set<string>()
    for (const t of step.off) own.delete(triggerKey(t))
    for (const t of step.on) own.add(triggerKey(t))
    held.set(step.command.id, own)
    const fresh = [...doubles(held)].filter((d) => !allowed.has(d))
    expect(fresh, step.id).toEqual([])
  }
  const sorted = (h: Held): string[] =>
    [...h]
      .filter(([, keys]) => keys.size > 0)
      .map(([id, keys]) => `${id} ${[...keys].sort().join(' ')}`)
      .sort()
  expect(sorted(held)).toEqual(sorted(heldOf(to)))
}

describe('the set-up list', () => {
  test('leads from the defaults to the draft, and no key is ever held twice on the way', () => {
    const to = defaults.withArrangement(draft)
    const steps = setUpSteps(defaults, to)
    expect(steps.length).toBeGreaterThan(100)
    walk(defaults.arrangement, draft, steps)
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length)
  })

  test('does so between any two arrangements', () => {
    const base = defaults.withArrangement(draft)
    fc.assert(
      fc.property(shuffled(16), shuffled(16), (one, other) => {
        walk(one, other, setUpSteps(base.withArrangement(one), base.withArrangement(other)))
      }),
      { numRuns: 40 },
    )
  })

  test('a swap takes the less used one off first, and says what each step waits for', () => {
    const alone = draft.placements.filter(
      (p) =>
        p.trigger.kind === 'chord' &&
        commands.get(p.commandId)!.programId === demo.programs[0]!.id &&
        commands.get(p.commandId)!.contextIds.length === 0 &&
        draft.placements.filter((o) => o.commandId === p.commandId).length === 1,
    )
    const on = new Map(alone.map((p) => [triggerKey(p.trigger), p]))
    const [a, b] = [...on.values()].filter(
      (p) => draft.placements.filter((o) => triggerKey(o.trigger) === triggerKey(p.trigger)).length === 1,
    )
    const swapped = placeCommand(demo, {
      commandId: a!.commandId,
      trigger: b!.trigger,
      displaced: [b!.commandId],
      swapTo: a!.trigger,
    }).arrangements.find((p) => p.id === draft.id)!
    const from = defaults.withArrangement(draft)
    const steps = setUpSteps(from, from.withArrangement(swapped)).filter((s) => s.command)
    expect(steps).toHaveLength(3)
    const uses = (s: SetUpStep): number => s.command!.usesPerHour
    expect(steps[0]!.on).toEqual([])
    expect(uses(steps[0]!)).toBeLessThanOrEqual(uses(steps[1]!))
    expect(steps[1]!.after).toEqual([steps[0]!.id])
    expect(steps[2]!.after).toEqual([steps[1]!.id])
  })

  test('keys that the system takes are freed first, and what a device has to send is said', () => {
    const steps = setUpSteps(defaults, defaults.withArrangement(draft))
    expect(steps[0]).toMatchObject({ place: { kind: 'system' }, command: null })
    const pad = steps.find((s) => s.place.kind === 'device' && Object.keys(s.sends).length > 0)!
    expect(stepInWords(pad, defaults.env).join(' ')).toMatch(/^(Take .* off it\. )?Let .* send .*\.$/)
    const moved = steps.find((s) => s.place.kind === 'program' && s.off.length > 0 && s.on.length > 0)!
    expect(stepInWords(moved, defaults.env)).toEqual([
      `Take ${moved.off.map((t) => triggerName(t, defaults.env)).join(', ')} off it.`,
      ...moved.on.map((t) => `Press ${triggerName(t, defaults.env)} in its field.`),
    ])
  })

  test('what is ticked off stays so, and the list tells what is next', () => {
    const steps = setUpSteps(defaults, defaults.withArrangement(draft))
    const ticks = { [steps[0]!.id]: { at: 1 }, [steps[1]!.id]: { at: 2, note: 'greyed out' } }
    expect(progressOf(steps, ticks)).toEqual({ done: 1, impossible: 1, all: steps.length })
    expect(nextStep(steps, ticks)).toBe(steps[2])
    expect(setUpSteps(defaults, defaults.withArrangement(draft)).map((s) => s.id)).toEqual(
      steps.map((s) => s.id),
    )
    // an arrangement against itself
    expect(setUpSteps(defaults, defaults)).toEqual(
      setUpSteps(defaults, defaults).filter((s) => s.place.kind === 'system'),
    )
  })

  test('once all is set a record of it is kept, so that a later change is a short list', () => {
    const set = keepAsSet(demo, draft.id)
    expect([set.activeArrangementId, set.arrangements.length]).toEqual([
      draft.id,
      demo.arrangements.length + 1,
    ])
    const steps = (plan: typeof demo) =>
      setUpSteps(
        { plan, arrangement: arrangementSetNow(plan) },
        prepare(plan, catalogues, { arrangement: plan.arrangements.find((a) => a.id === draft.id)! }),
      ).filter((s) => s.command)
    expect(steps(set)).toEqual([])
    const [first] = draft.placements.filter(
      (p) =>
        p.trigger.kind === 'chord' &&
        draft.placements.filter((o) => o.commandId === p.commandId).length === 1,
    )
    const later = placeCommand(set, { commandId: first!.commandId, trigger: chord('F9', ['Control', 'Alt']) })
    expect(steps(later)).toHaveLength(1)
    // the next record takes the place of the one before
    const again = keepAsSet(later, draft.id)
    expect(again.arrangements).toHaveLength(set.arrangements.length)
    expect(steps(again)).toEqual([])
    expect(readPlan(writePlan(again), 'again').setNowArrangementId).toBe(again.setNowArrangementId)
  })

  test('where nothing is set and the programs have nothing by themselves, everything is given', () => {
    const own = { ...demo, setNowArrangementId: null, arrangements: [draft] }
    expect(arrangementSetNow(own).placements).toEqual([])
    const steps = setUpSteps({ plan: own, arrangement: arrangementSetNow(own) }, prepare(own, catalogues))
    walk(arrangementSetNow(own), draft, steps)
    expect(steps.every((s) => s.command === null || s.off.length === 0)).toBe(true)
  })
})
