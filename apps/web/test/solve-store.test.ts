import { beforeEach, describe, expect, test } from 'vitest'
import {
  applyList,
  defaultSolveOptions,
  chooseArrangement,
  prepare,
  prepareWork,
  setPlacements,
  solveArrangement,
  triggerKey,
  type Placement,
} from '@reach-plot/core'
import { keepAsArrangement, takePlacements } from '../src/store/actions.js'
import { catalogues } from '../src/worker/catalogues.js'
import { undo, usePlanStore } from '../src/store/plan-store.js'
import { placementsWith, takenMoves } from '../src/store/solve-store.js'
import type { SolvedPlan } from '../src/worker/solve-protocol.js'
import { demo, derive } from './build.js'

const plan = () => usePlanStore.getState().plan!
const placements = (): readonly Placement[] => derive(plan()).arrangement.placements
const names = (list: readonly { commandId: string; trigger: Placement['trigger'] }[]): string[] =>
  list.map((p) => `${p.commandId} ${triggerKey(p.trigger)}`).sort()

/** An answer of twelve moves for the demo, as the worker gives it. */
function solved(): SolvedPlan {
  const from = demo()
  const { arrangement } = derive(from)
  const model = prepare(from, catalogues)
  const steps = solveArrangement(
    { model, clashes: prepareWork(model).clashes },
    { ...defaultSolveOptions, moves: 20_000, curve: false, scope: { what: 'everything', mostMoves: 12 } },
  )
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  const answer = step.value
  const summary = { minutesPerDay: 0, clashes: {} }
  return {
    placements: arrangement.placements,
    rows: answer.problem.rows,
    list: answer.list,
    reasons: {},
    doubts: {},
    payBack: [],
    load: [],
    beforeMs: answer.beforeMs,
    curve: answer.curve,
    clashesLeft: [],
    before: summary,
    after: summary,
  }
}
const answer = solved()
const ids = answer.list.moves.map((m) => m.id)

beforeEach(() => {
  usePlanStore.getState().replace(demo())
  usePlanStore.temporal.getState().clear()
})

describe('taking moves', () => {
  test('at first none is taken, at last all are', () => {
    expect(takenMoves(answer, placements())).toEqual(new Set())
    takePlacements(placementsWith(answer, new Set(), ids), 'taken')
    expect(takenMoves(answer, placements())).toEqual(new Set(ids))
  })
  test('one by one, in any order, comes to the same as all at once', () => {
    for (const order of [ids, [...ids].reverse()]) {
      usePlanStore.getState().replace(demo())
      for (const id of order) {
        const taken = takenMoves(answer, placements())
        expect(taken).not.toBeNull()
        if (!taken!.has(id)) takePlacements(placementsWith(answer, taken!, [id]), 'taken')
      }
      const whole = applyList(answer.placements, answer.rows, answer.list, ids)
      expect(names(placements())).toEqual(names(whole))
    }
  })
  test('each is one step of undo', () => {
    const before = names(placements())
    const [first, second] = ids
    takePlacements(placementsWith(answer, new Set(), [first!]), 'taken')
    const taken = takenMoves(answer, placements())!
    expect(taken.has(first!)).toBe(true)
    takePlacements(placementsWith(answer, taken, [second!]), 'taken')
    undo()
    expect(takenMoves(answer, placements())).toEqual(taken)
    undo()
    expect(names(placements())).toEqual(before)
  })
  test('a change of another kind is noticed, and its undo too', () => {
    usePlanStore.getState().edit((before) => setPlacements(before, placements().slice(0, -1)))
    expect(takenMoves(answer, placements())).toBeNull()
    undo()
    expect(takenMoves(answer, placements())).toEqual(new Set())
  })
  test('what a move needs comes with it', () => {
    expect(answer.list.moves.length).toBeGreaterThan(0)
    for (const move of answer.list.moves) {
      const next = placementsWith(answer, new Set(), [move.id])
      expect(takenMoves(answer, next)).toEqual(new Set(move.needs))
    }
  })
})

describe('keeping an answer beside', () => {
  test('adds an arrangement and opens it; the old one is as it was; one undo takes it back', () => {
    const before = plan()
    keepAsArrangement(placementsWith(answer, new Set(), ids))
    expect(plan().arrangements.length).toBe(before.arrangements.length + 1)
    const { arrangement } = derive(plan())
    expect(arrangement.name).toBe('Field season, draft 1, solved')
    expect(names(plan().arrangements.find((a) => a.id === before.activeArrangementId)!.placements)).toEqual(
      names(answer.placements),
    )
    undo()
    expect(plan()).toEqual(before)
  })
  test('a second one has a name of its own', () => {
    const all = placementsWith(answer, new Set(), ids)
    keepAsArrangement(all)
    usePlanStore.getState().edit((before) => chooseArrangement(before, 'draft-1'))
    keepAsArrangement(all)
    expect(new Set(plan().arrangements.map((a) => a.name)).size).toBe(plan().arrangements.length)
    expect(new Set(plan().arrangements.map((a) => a.id)).size).toBe(plan().arrangements.length)
  })
})
