/** The parts of the solver's objective, each by itself. */
import { describe, expect, test } from 'vitest'
import {
  arrangementProblem,
  pressMs,
  prepare,
  prepareWork,
  type Arrangement,
  type ArrangementProblem,
  type Plan,
} from '../../src/index.js'
import { relationIndex, type RelationKind } from '../../src/solve/slot-relations.js'
import { relationAt } from '../../src/solve/slots.js'
import { catalogues, demoPlan, demoTable, draft } from '../work/desk.js'

function problemOf(plan: Plan = demoPlan, arrangement: Arrangement = draft): ArrangementProblem {
  const model = prepare(plan, catalogues, { arrangement, table: demoTable })
  return arrangementProblem({ model, clashes: prepareWork(model).clashes }, { what: 'everything' })
}
const whole = problemOf()
const slot = (key: string): number => {
  const at = whole.slots.findIndex((s) => s.key === key)
  expect(at, key).toBeGreaterThanOrEqual(0)
  return at
}
const row = (id: string, of = whole): number =>
  of.rows.findIndex((r) => r.command.id === id && r.role === 'main')
const related = (kind: RelationKind, p: string, q: string): number =>
  relationAt(whole.problem.relations[relationIndex(kind)]!, slot(p), slot(q))

describe('how slots lie to each other', () => {
  test('a key with and without Shift are opposites, two keys are not', () => {
    expect(related('opposite', 'KeyR', 'Shift+KeyR')).toBe(0.9)
    expect(related('opposite', 'Shift+KeyR', 'KeyR')).toBe(0.9)
    expect(related('opposite', 'KeyR', 'KeyT')).toBe(0)
  })
  test('right and below are seen from the first of a pair', () => {
    expect(related('right', 'KeyA', 'KeyS')).toBe(0.85)
    expect(related('right', 'KeyS', 'KeyA')).toBe(0)
    expect(related('below', 'KeyW', 'KeyS')).toBe(0.85)
    expect(related('below', 'KeyS', 'KeyW')).toBe(0)
    expect(related('right', 'KeyA', 'Shift+KeyS')).toBe(0)
  })
  test('near ones count the more the nearer, with the same modifiers only', () => {
    expect(related('near', 'KeyS', 'KeyD')).toBeGreaterThan(related('near', 'KeyS', 'KeyF'))
    expect(related('near', 'KeyS', 'KeyF')).toBeGreaterThan(0)
    expect(related('near', 'KeyS', 'Shift+KeyD')).toBe(0)
    expect(related('near', 'KeyA', 'KeyG')).toBe(0)
  })
  test('a slip goes to the key beside, or to one modifier more or less', () => {
    expect(related('slip', 'KeyS', 'KeyD')).toBe(1)
    // a quarter as often as the key beside
    expect(related('slip', 'KeyS', 'Shift+KeyS')).toBe(0.25)
    expect(related('slip', 'KeyS', 'KeyF')).toBe(0)
  })
  test('one trigger in two programs is the same', () => {
    expect(related('same', 'KeyS', 'KeyS')).toBe(0.9)
  })
})

describe('travel from slot to slot', () => {
  const { travel } = whole.problem
  const between = (p: string, q: string): number =>
    travel!.table[travel!.controlRefOf[slot(p)]! * travel!.controlRefs + travel!.controlRefOf[slot(q)]!]!
  test('keys of different fingers cost what they cost alone', () => {
    expect(between('KeyE', 'KeyR')).toBe(0)
  })
  test('a key again needs no way, and the same finger one from key to key', () => {
    expect(between('KeyR', 'KeyR')).toBeLessThan(0)
    expect(Math.abs(between('KeyR', 'KeyT'))).toBeLessThan(200)
  })
  test('two far keys of the pad save the way to it and back', () => {
    expect(between('pad/k2', 'pad/k3')).toBeLessThan(-200)
    expect(between('pad/k3', 'KeyR')).toBe(0)
  })
  test('modifiers that stay down save their presses', () => {
    const held = travel!.heldOf[slot('Control+KeyR')]!
    expect(held).toBe(travel!.heldOf[slot('Control+KeyE')])
    expect(travel!.heldSaves[held]).toBe(pressMs)
    expect(travel!.heldOf[slot('KeyR')]).toBe(0)
  })
})

describe('rows', () => {
  test('one place of each command counts; commands without a place have none', () => {
    for (const command of demoPlan.commands)
      expect(whole.rows.filter((r) => r.command.id === command.id && r.role === 'main').length).toBe(1)
    expect(whole.problem.initialSlot[row('fenmap-hide-shape')]).toBe(-1)
  })
  test('commands that are live together exclude each other; those of two programs do not', () => {
    const { overlap, rows } = whole.problem
    const at = (a: string, b: string): number => overlap[row(a) * rows + row(b)]!
    expect(at('fenmap-add-vertex', 'fenmap-next-vertex')).toBeGreaterThan(0)
    expect(at('fenmap-add-vertex', 'reedcall-tag-call')).toBe(0)
  })
  test('what is kept is fixed, and barred keys cost infinitely', () => {
    expect(whole.problem.fixed[row('fenmap-undo')]).toBe(1)
    const barred = whole.slots.findIndex((s) => s.candidate.barred)
    if (barred >= 0) {
      const i = row('fenmap-add-vertex')
      expect(whole.problem.costs[i * whole.problem.slots + barred]).toBe(Infinity)
    }
  })
  test('a command that types where text is typed cannot stand on a letter', () => {
    // Place name lives where labels are typed
    const typing = whole.rows.findIndex(
      (r) =>
        r.role === 'main' && r.command.programId === 'fenmap' && r.command.contextIds.join() === 'labelling',
    )
    expect(typing).toBeGreaterThanOrEqual(0)
    expect(whole.problem.costs[typing * whole.problem.slots + slot('KeyG')]).toBe(Infinity)
  })
  test('opposites gain from each other by their use and the weight of memory, by half of it where they are known by heart', () => {
    const [a, b] = [row('fenmap-zoom-in'), row('fenmap-zoom-out')]
    const pair = whole.problem.pairs.find(
      (p) => p.relation === relationIndex('opposite') && [a, b].includes(p.a) && [a, b].includes(p.b),
    )!
    expect(pair.scored).toBe(true)
    expect([pair.gainA, pair.gainB]).toEqual(
      [pair.a, pair.b].map((i) => 0.5 * demoPlan.weights.recallMs * whole.weight[i]!),
    )
  })
  test('what does damage loses by busy keys beside it', () => {
    const slips = whole.problem.pairs.filter((p) => p.relation === relationIndex('slip'))
    expect(slips.length).toBeGreaterThan(0)
    for (const { a, gainA, gainB } of slips) {
      expect(whole.rows[a]!.command.damage).toBeDefined()
      expect(gainA + gainB).toBeLessThan(0)
    }
  })
  test('flows come from the log, and from routines where there is none', () => {
    expect(whole.problem.flows.length).toBeGreaterThan(100)
    const unassignedCost = problemOf({ ...demoPlan, usage: null })
    const pairs = demoPlan.routines.flatMap((r) =>
      r.steps.slice(1).filter((step, k) => step.kind === 'command' && r.steps[k]!.kind === 'command'),
    )
    expect(unassignedCost.problem.flows.length).toBe(pairs.length)
  })
  test('a higher weight of memory makes places without a link dearer, and no others', () => {
    const heavy = problemOf({ ...demoPlan, weights: { ...demoPlan.weights, recallMs: 1000 } })
    const i = row('fenmap-hide-shape')
    const costOf = (of: ArrangementProblem, key: string): number =>
      of.problem.costs[
        row('fenmap-hide-shape', of) * of.problem.slots + of.slots.findIndex((s) => s.key === key)
      ]!
    expect(costOf(heavy, 'KeyH')).toBeCloseTo(costOf(whole, 'KeyH'), 6)
    expect(costOf(heavy, 'KeyG')).toBeGreaterThan(costOf(whole, 'KeyG'))
    expect(whole.problem.scores![i * whole.problem.slots + slot('KeyH')]).toBe(1)
  })
})
