/** The way from an arrangement to an answer, as moves that can be taken apart. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  applyList,
  chord,
  triggerKey,
  withNeeds,
  type ArrangementProblem,
  type MoveList,
  type Placed,
} from '../../src/index.js'
import { movesTo } from '../../src/solve/moves.js'
import { slotCost } from '../../src/solve/index.js'
import { command } from '../build.js'

const codes = ['KeyA', 'KeyS', 'KeyD', 'KeyF', 'KeyG', 'KeyH']
const rows = 4
const placements = codes.slice(0, rows).map((code, i) => ({ commandId: `c${i}`, trigger: chord(code) }))

/** Four commands on A S D F, two free keys; costs are given, nothing else counts. */
function problemOf(costs: readonly number[]): ArrangementProblem {
  const reach = { timeMs: 100, verdict: 'easy' } as ArrangementProblem['slots'][number]['reach']
  return {
    problem: {
      rows,
      slots: codes.length,
      costs: Float64Array.from(costs),
      unassignedCost: new Float64Array(rows).fill(9000),
      overlap: Float64Array.from({ length: rows * rows }, (_, k) => (k % (rows + 1) === 0 ? 0 : 50_000)),
      rivals: { start: new Int32Array(codes.length + 1), to: new Int32Array(0) },
      pairs: [],
      relations: [],
      flows: [],
      initialSlot: Int32Array.from([0, 1, 2, 3]),
      fixed: new Uint8Array(rows),
    },
    rows: placements.map(({ commandId }, i) => ({
      command: command(`Command ${i}`, { id: commandId }),
      role: 'main',
      placement: i,
    })),
    slots: codes.map((code) => ({
      candidate: {} as ArrangementProblem['slots'][number]['candidate'],
      trigger: chord(code),
      key: code,
      reach,
      handMs: 100,
    })),
    groups: [[0, 1, 2, 3]],
    weight: new Float64Array(rows).fill(1),
    menusKnown: 'usual',
  }
}
const flat = problemOf(Array.from({ length: rows * codes.length }, (_, k) => 100 + ((k * 37) % 90)))
const listOf = (slotOf: readonly number[], problem = flat): MoveList => movesTo(problem, slotOf)
const of = (list: MoveList, row: number) => list.moves.find((m) => m.row === row)!

describe('what a move needs', () => {
  test('to a free key is nothing but itself', () => {
    const list = listOf([4, 1, 2, 3])
    expect(list.moves.length).toBe(1)
    expect(of(list, 0)).toMatchObject({ kind: 'move', needs: [of(list, 0).id] })
  })
  test('a chain needs those before it, not those behind', () => {
    // A to S, S to D, D to the free G
    const list = listOf([1, 2, 4, 3])
    expect(of(list, 0).needs.length).toBe(3)
    expect(of(list, 1).needs.length).toBe(2)
    expect(of(list, 2).needs.length).toBe(1)
    expect(new Set(list.moves.map((m) => m.group)).size).toBe(1)
  })
  test('a ring needs all of itself, whichever is taken', () => {
    const list = listOf([1, 2, 0, 3])
    expect(list.moves).toHaveLength(3)
    for (const move of list.moves) expect([...move.needs].sort()).toEqual(list.moves.map((m) => m.id).sort())
  })
  test('two swaps are two groups', () => {
    const list = listOf([1, 0, 3, 2])
    expect(of(list, 0).group).toBe(of(list, 1).group)
    expect(of(list, 0).group).not.toBe(of(list, 2).group)
  })
  test('letting go frees the key for another', () => {
    const list = listOf([-1, 0, 2, 3])
    expect(of(list, 0).kind).toBe('let go')
    expect(of(list, 1).needs).toContain(of(list, 0).id)
  })
})

const anyAnswer = fc
  .shuffledSubarray([0, 1, 2, 3, 4, 5], { minLength: rows, maxLength: rows })
  .chain((slots) =>
    fc.tuple(fc.constant(slots), fc.array(fc.boolean(), { minLength: rows, maxLength: rows })),
  )
  .map(([slots, gone]) => slots.map((p, i) => (gone[i] === true && i > 1 ? -1 : p)))
const anyCosts = fc.array(fc.integer({ min: 1, max: 900 }), { minLength: rows * 6, maxLength: rows * 6 })

describe('any answer', () => {
  test('gains in all what its cost says, and none of its parts puts two commands on one key', () => {
    fc.assert(
      fc.property(anyAnswer, anyCosts, fc.array(fc.nat(3), { maxLength: 4 }), (slotOf, costs, picks) => {
        const problem = problemOf(costs)
        const list = listOf(slotOf, problem)
        const total =
          slotCost(problem.problem, problem.problem.initialSlot) - slotCost(problem.problem, slotOf)
        expect(list.gainsMs.at(-1) ?? 0).toBeCloseTo(total, 6)
        const ids = picks.filter((id) => id < list.moves.length)
        const placed = applyList(placements, problem.rows, list, ids)
        const keys = placed.map((p) => triggerKey(p.trigger))
        expect(new Set(keys).size).toBe(keys.length)
      }),
      { numRuns: 300 },
    )
  })
  test('is reached by taking everything, in any order', () => {
    fc.assert(
      fc.property(anyAnswer, (slotOf) => {
        const list = listOf(slotOf)
        const whole = applyList(
          placements,
          flat.rows,
          list,
          list.moves.map((m) => m.id),
        )
        const wanted = slotOf.flatMap((p, i) => (p < 0 ? [] : [`c${i} ${codes[p]}`])).sort()
        expect(whole.map((p) => `${p.commandId} ${triggerKey(p.trigger)}`).sort()).toEqual(wanted)
        expect(
          withNeeds(
            list,
            list.moves.map((m) => m.id),
          ).length,
        ).toBe(list.moves.length)
      }),
      { numRuns: 200 },
    )
  })
})

test('the parts of the gain add up to the whole, in the order of the list', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 10, max: 900 }), { minLength: 24, maxLength: 24 }),
      fc.shuffledSubarray([0, 1, 2, 3, 4, 5], { minLength: 4, maxLength: 4 }),
      (costs, slotOf) => {
        const problem = problemOf(costs)
        const list = movesTo(problem, slotOf)
        const gained =
          slotCost(problem.problem, problem.problem.initialSlot) - slotCost(problem.problem, slotOf)
        expect(list.moves.reduce((sum, m) => sum + m.partMs, 0)).toBeCloseTo(gained, 6)
      },
    ),
    { numRuns: 200 },
  )
})

describe('relays', () => {
  const relayed: Placed[] = [
    { commandId: 'c0', trigger: chord('KeyA') },
    { commandId: 'c1', trigger: chord('KeyS') },
    { commandId: 'c2', trigger: chord('KeyD') },
    { commandId: 'c3', trigger: chord('KeyF') },
    {
      commandId: 'c0',
      trigger: { kind: 'button', modifiers: [], deviceId: 'pad', controlId: 'k1', act: 'press' },
      sends: [chord('KeyA')],
    },
  ]
  test('send the new chord of a command that has moved', () => {
    const list = listOf([4, 1, 2, 3])
    const pad = applyList(relayed, flat.rows, list, [0]).find((p) => p.trigger.kind === 'button')!
    expect(pad.sends).toEqual([chord('KeyG')])
  })
  test('send nothing once the command has no chord', () => {
    const list = listOf([-1, 1, 2, 3])
    const pad = applyList(relayed, flat.rows, list, [0]).find((p) => p.trigger.kind === 'button')!
    expect(pad).not.toHaveProperty('sends')
  })
  test('of other commands stay as they are', () => {
    const list = listOf([0, 4, 2, 3])
    const pad = applyList(relayed, flat.rows, list, [0]).find((p) => p.trigger.kind === 'button')!
    expect(pad.sends).toEqual([chord('KeyA')])
  })
})
