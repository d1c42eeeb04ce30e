/** The solver on the demo: what it may not do, and what it gives back. */
import { describe, expect, test } from 'vitest'
import {
  applyList,
  defaultSolveOptions,
  findClashes,
  reportOf,
  ruleBook,
  solveArrangement,
  controlRefOf,
  triggerKey,
  withNeeds,
  prepare,
  prepareWork,
  type Placement,
  type Plan,
  type SolveAnswer,
  type SolveScope,
} from '../../src/index.js'
import { catalogues, demoModel, demoPlan, demoTable, draft } from '../work/desk.js'

function solve(scope: SolveScope, plan: Plan = demoPlan, moves = 60_000, stopAt = Infinity): SolveAnswer {
  const model = prepare(plan, catalogues, { arrangement: draft, table: demoTable })
  const steps = solveArrangement(
    { model, clashes: prepareWork(model).clashes },
    { ...defaultSolveOptions, scope, moves, curve: false },
  )
  let step = steps.next()
  for (let n = 0; step.done !== true; n++) step = steps.next(n > stopAt)
  return step.value
}
const keysOf = (placements: readonly { commandId: string; trigger: Placement['trigger'] }[]): string[] =>
  placements.map((p) => `${p.commandId} ${triggerKey(p.trigger)}`)
const minutes = (placements: SolveAnswer['placements']): number =>
  reportOf(prepareWork(demoModel.withArrangement({ ...draft, placements: placements as Placement[] }))).day
    .msPerHour

const whole = solve({ what: 'everything' })

describe('a whole answer', () => {
  test('saves more than a fifth of the command time, with no clash above caution but of what is kept', () => {
    expect(minutes(whole.placements)).toBeLessThan(0.8 * minutes(draft.placements))
    const rules = ruleBook(demoPlan.rules)
    for (const clash of whole.clashesLeft)
      expect(clash.commandIds.some((id) => rules.locks(demoPlan.commands.find((c) => c.id === id)!))).toBe(
        true,
      )
  })
  test('leaves what is kept, and puts nothing on a barred key', () => {
    const reserved = draft.placements.filter((p) => demoPlan.rules.lockedCommandIds.includes(p.commandId))
    for (const p of keysOf(reserved)) expect(keysOf(whole.placements)).toContain(p)
    const barredBefore = new Set(
      draft.placements.filter((p) => controlRefOf(p.trigger) === 'F1').map((p) => p.commandId),
    )
    for (const p of whole.placements)
      if (controlRefOf(p.trigger) === 'F1') expect(barredBefore.has(p.commandId)).toBe(true)
  })
  test('loses no command that had a place', () => {
    const placed = new Set(whole.placements.map((p) => p.commandId))
    for (const { commandId } of draft.placements) expect(placed.has(commandId)).toBe(true)
  })
  test('gains as much as its cost falls, move after move', () => {
    expect(whole.list.gainsMs.at(-1)).toBeCloseTo(whole.beforeMs - whole.afterMs, 0)
    expect(whole.list.moves.every((m) => m.needs.includes(m.id))).toBe(true)
  })
  test('is the same for the same seed', () => {
    const again = solve({ what: 'everything' })
    expect(keysOf(again.placements)).toEqual(keysOf(whole.placements))
  })
})

describe('parts of an answer', () => {
  const above = (placements: SolveAnswer['placements']): Set<string> =>
    new Set(
      findClashes(placements, demoModel.env)
        .filter((c) => c.kind === 'two-commands')
        .map((c) => c.id),
    )
  const before = above(draft.placements)
  test('each move alone, with what it needs, puts no two commands on one press', () => {
    expect(whole.list.moves.length).toBeGreaterThan(60)
    for (const move of whole.list.moves.filter((_, k) => k % 6 === 0)) {
      const placements = applyList(draft.placements, whole.problem.rows, whole.list, [move.id])
      for (const id of above(placements)) expect(before.has(id), `${move.command.name}: ${id}`).toBe(true)
    }
  })
  test('moves that are needed come with it, each once', () => {
    const chained = whole.list.moves.find((m) => m.needs.length > 1)!
    const ids = withNeeds(whole.list, [chained.id])
    expect(new Set(ids)).toEqual(new Set(chained.needs))
    const placements = applyList(draft.placements, whole.problem.rows, whole.list, [chained.id])
    const now = keysOf(placements)
    for (const id of chained.needs) {
      const move = whole.list.moves.find((m) => m.id === id)!
      if (move.to) expect(now).toContain(`${move.command.id} ${triggerKey(move.to)}`)
    }
  })
  test('relays follow the chord that they send', () => {
    for (const { commandId, sends } of whole.placements) {
      if (!sends || sends.length !== 1) continue
      const had = draft.placements.some(
        (p) => p.commandId === commandId && triggerKey(p.trigger) === triggerKey(sends[0]!),
      )
      const has = whole.placements.some(
        (p) => p.commandId === commandId && triggerKey(p.trigger) === triggerKey(sends[0]!),
      )
      // a relay that was in order before is in order after
      if (had) expect(has).toBe(true)
    }
  })
})

describe('what may move', () => {
  test('only the unplaced: all that had a place keeps it', () => {
    const answer = solve({ what: 'unplaced' })
    for (const p of keysOf(draft.placements)) expect(keysOf(answer.placements)).toContain(p)
    expect(answer.list.moves.every((m) => m.kind === 'place')).toBe(true)
    expect(answer.list.moves.length).toBeGreaterThan(20)
  })
  test('one program: the other stays', () => {
    const answer = solve({ what: 'everything', programId: 'reedcall' })
    expect(new Set(answer.list.moves.map((m) => m.command.programId))).toEqual(new Set(['reedcall']))
  })
  test('one device: places on it only', () => {
    const answer = solve({ what: 'everything', deviceId: 'pad' })
    const devices = answer.list.moves.flatMap(({ to }) =>
      to && 'deviceId' in to ? to.deviceId : to ? 'keyboard' : [],
    )
    expect(new Set(devices)).toEqual(new Set(['pad']))
  })
  test('at most 25 moves keep more than half of what all of them save', () => {
    const few = solve({ what: 'everything', mostMoves: 25 })
    expect(few.list.moves.length).toBeLessThanOrEqual(25)
    const [start, all, some] = [draft.placements, whole.placements, few.placements].map(minutes)
    expect(start! - some!).toBeGreaterThan(0.5 * (start! - all!))
    const gains = few.curve.map((p) => p.gainMs)
    expect(gains).toEqual([...gains].sort((a, b) => a - b))
  })
  test('a kept program and a kept key do not move', () => {
    const plan: Plan = {
      ...demoPlan,
      rules: { ...demoPlan.rules, lockedProgramIds: ['reedcall'], lockedControls: ['KeyD'] },
    }
    const answer = solve({ what: 'everything' }, plan)
    expect(answer.list.moves.some((m) => m.command.programId === 'reedcall')).toBe(false)
    expect(answer.list.moves.some((m) => [m.from, m.to].some((t) => t && controlRefOf(t) === 'KeyD'))).toBe(
      false,
    )
  })
  test('stopped early it gives the best so far', () => {
    const answer = solve({ what: 'everything' }, demoPlan, 400_000, 3)
    expect(answer.afterMs).toBeLessThan(answer.beforeMs)
  })
})
