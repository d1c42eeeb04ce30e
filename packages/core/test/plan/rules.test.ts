import { describe, expect, test } from 'vitest'
import {
  activeArrangement,
  chord,
  noMemory,
  noRules,
  shippedWordPairs,
  triggerKey,
  type Plan,
  deleteCommand,
  moveMany,
  type Move,
  joinIdeas,
  partIdeas,
  setWeight,
  setWordPairs,
  toggleRule,
  setFit,
  setSpan,
} from '../../src/index.js'
import { afterFrom, demo, idOf } from './after.js'

const plan: Plan = { ...demo(), rules: noRules, memory: noMemory }
type Edit = Parameters<typeof afterFrom>[1]
const after = (edit: Edit, from: Plan = plan): Plan => afterFrom(from, edit)
const placesOf = (of: Plan, id: string): string[] =>
  activeArrangement(of)
    .placements.filter((p) => p.commandId === id)
    .map((p) => triggerKey(p.trigger))

describe('many moves in one step', () => {
  const [add, next] = [idOf(plan, 'Add vertex'), idOf(plan, 'Next vertex')]
  test('commands can change places', () => {
    const moves: Move[] = [
      { commandId: add, from: chord('KeyD'), to: chord('KeyS') },
      { commandId: next, from: chord('KeyS'), to: chord('KeyD') },
    ]
    const swapped = after((d) => moveMany(d, moves))
    expect(placesOf(swapped, add)).toContain('KeyS')
    expect(placesOf(swapped, next)).toContain('KeyD')
    expect(placesOf(swapped, next)).not.toContain('KeyS')
  })
  test('one that is let go loses its place, one without a place gets one', () => {
    const hide = idOf(plan, 'Hide shape')
    const moved = after((d) =>
      moveMany(d, [
        { commandId: hide, from: null, to: chord('KeyD') },
        { commandId: add, from: chord('KeyD'), to: null },
      ]),
    )
    expect(placesOf(moved, hide)).toEqual(['KeyD'])
    expect(placesOf(moved, add)).not.toContain('KeyD')
  })
  test('a relay goes along to another control, and ends on a key', () => {
    const relayed = plan.arrangements[1]!.placements.find((p) => p.sends && !('code' in p.trigger))!
    const to = { ...relayed.trigger, controlId: 'elsewhere' } as typeof relayed.trigger
    const find = (of: Plan, key: string) =>
      activeArrangement(of).placements.find(
        (p) => p.commandId === relayed.commandId && triggerKey(p.trigger) === key,
      )
    const move = (target: typeof to) =>
      after((d) => moveMany(d, [{ commandId: relayed.commandId, from: relayed.trigger, to: target }]))
    expect(find(move(to), triggerKey(to))!.sends).toEqual(relayed.sends)
    expect(find(move(chord('F24')), 'F24')!.sends).toBeUndefined()
  })
  test('defaults are left as they are', () => {
    const defaults = { ...plan, activeArrangementId: 'defaults' }
    expect(after((d) => moveMany(d, [{ commandId: add, from: null, to: chord('F24') }]), defaults)).toEqual(
      defaults,
    )
  })
})

describe('what is kept', () => {
  test('goes on and off', () => {
    const once = after((d) => toggleRule(d, 'barredControls', 'KeyH'))
    expect(once.rules.barredControls).toEqual(['KeyH'])
    expect(after((d) => toggleRule(d, 'barredControls', 'KeyH'), once).rules.barredControls).toEqual([])
  })
  test('a deleted command leaves the rules and the ideas', () => {
    const [a, b] = [idOf(plan, 'Add vertex'), idOf(plan, 'Tag call')]
    const kept = afterFrom(
      plan,
      (d) => toggleRule(d, 'lockedCommandIds', a),
      (d) => partIdeas(d, [a, idOf(plan, 'Sure')]),
      (d) => joinIdeas(d, [a, b]),
    )
    expect(kept.rules.lockedCommandIds).toEqual([a])
    expect(kept.memory.otherIdeas).toHaveLength(1)
    const gone = after((d) => deleteCommand(d, a), kept)
    expect(gone.rules).toEqual(noRules)
    expect(gone.memory).toEqual(noMemory)
  })
})

describe('ideas', () => {
  const ids = ['Undo', 'Undo tag change', 'Redo', 'Redo tag change'].map((n) => idOf(plan, n))
  test('joining runs groups together, parting takes them apart and remembers it', () => {
    const joined = afterFrom(
      plan,
      (d) => joinIdeas(d, [ids[0]!, ids[1]!]),
      (d) => joinIdeas(d, [ids[2]!, ids[3]!]),
      (d) => joinIdeas(d, [ids[1]!, ids[2]!]),
    )
    expect(joined.memory.sameIdeas.map((g) => g.toSorted())).toEqual([ids.toSorted()])
    const parted = after((d) => partIdeas(d, ids.slice(0, 2)), joined)
    expect(parted.memory.sameIdeas).toEqual([])
    expect(parted.memory.otherIdeas).toEqual([[ids[0], ids[1]]])
    const again = after((d) => joinIdeas(d, ids.slice(0, 2)), parted)
    expect(again.memory.otherIdeas).toEqual([])
  })
})

test('weights, pairs of words, span and fit are set and taken back', () => {
  expect(after((d) => setWeight(d, 'recallMs', 0)).weights.recallMs).toBe(0)
  const longer = after((d) =>
    setWordPairs(d, (list) => [{ first: 'ebb', second: 'flow', axis: 'opposite' }, ...list]),
  )
  expect(longer.memory.wordPairs!.length).toBe(shippedWordPairs.length + 1)
  expect(after((d) => setWordPairs(d, null), longer).memory.wordPairs).toBeNull()
  expect(after((d) => setSpan(d, 205)).benches[0]!.hands[0]!.spanMm).toBe(205)
  const fit = { pressMs: 90, msPerBit: 80, fingerFactors: { index: 1 }, presses: 50, residualMs: 12 }
  const fitted = after((d) => setFit(d, fit))
  expect(fitted.benches[0]!.hands[0]!.fit).toEqual(fit)
  expect(after((d) => setFit(d, null), fitted).benches[0]!.hands[0]!.fit).toBeUndefined()
})
