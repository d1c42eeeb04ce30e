import { act } from '@testing-library/react'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { activeArrangement, deleteCommand, triggerKey, type Plan } from '@reach-plot/core'
import { useCompare } from '../../src/features/compare/use-compare.js'
import { useMoves } from '../../src/features/solve/use-moves.js'
import { undo, usePlanStore } from '../../src/store/plan-store.js'
import { cancelSolving, startSolving, useSolve } from '../../src/store/solve-store.js'
import { doing, open, planNow, screenOf, until } from './screen.js'

vi.mock('../../src/worker/solve-client.js', async () => {
  const { solveService } = await import('../../src/worker/solve-service.js')
  return { solveService: () => solveService, endSolveService: () => undefined }
})
vi.mock('comlink', async (real) => ({ ...(await real<object>()), proxy: <T>(x: T): T => x }))

const keys = (plan: Plan): string[] =>
  activeArrangement(plan)
    .placements.map((p) => `${p.commandId} ${triggerKey(p.trigger)}`)
    .toSorted()

/** Twelve moves for the demo, found once. */
async function solveFew(): Promise<void> {
  useSolve.getState().setAsk({ isLimited: true, mostMoves: 12, seed: 1 })
  await act(startSolving)
}

beforeEach(() => {
  open()
  useSolve.setState({ running: null, solved: null, trail: [], arrangementId: null })
})

describe('solving', () => {
  test('tells how far it is, ends in a list, and each move of it can be taken with what it needs', async () => {
    const phases = new Set<string>()
    const stop = useSolve.subscribe((s) => void (s.running && phases.add(s.running.phase)))
    await solveFew()
    stop()
    expect([...phases]).toContain('improving')
    expect(useSolve.getState()).toMatchObject({ running: null, arrangementId: planNow().activeArrangementId })
    const solved = useSolve.getState().solved!
    const { result } = screenOf(() => useMoves({ solved }))
    expect(result.current.taken).toEqual(new Set())
    await doing(() => result.current.setShown('all'))
    expect(result.current.open.length).toBe(solved.list.moves.length)
    const before = planNow()
    const needy = solved.list.moves.find((m) => m.needs.length > 1) ?? solved.list.moves[0]!
    await doing(() => result.current.take([needy.id]))
    expect([...result.current.taken!].toSorted()).toEqual([...needy.needs].toSorted())
    await doing(() => result.current.take(solved.list.moves.map((m) => m.id)))
    expect(result.current.open).toEqual([])
    await doing(undo)
    await doing(undo)
    expect(planNow()).toBe(before)

    await doing(() => result.current.setShown('sure'))
    expect(result.current.listed.every((m) => solved.doubts[m.id]?.confidence === 'sure')).toBe(true)
    await doing(() => result.current.setShown('all'))
    await doing(() => result.current.setProgramId('fenmap'))
    expect(result.current.listed.every((m) => m.command.programId === 'fenmap')).toBe(true)

    // a change of the person's own in between makes the list stale, and nothing is taken from a stale list
    const moved = activeArrangement(planNow()).placements[0]!.commandId
    await doing(() => usePlanStore.getState().edit((plan) => deleteCommand(plan, moved)))
    expect(result.current.taken).toBeNull()
    const stale = keys(planNow())
    await doing(() => result.current.take([needy.id]))
    expect(keys(planNow())).toEqual(stale)
  }, 60_000)
  test('a run that is cancelled leaves no list behind', async () => {
    const running = solveFew()
    cancelSolving()
    await running
    expect(useSolve.getState()).toMatchObject({ running: null, solved: null })
  }, 60_000)
})

describe('comparing', () => {
  test('shows the defaults and the arrangement in use, and any others that are ticked, four at most', async () => {
    const plan = planNow()
    const odd = { ...activeArrangement(plan), id: 'one with blanks', name: 'Odd', isDefault: false }
    open({ ...plan, arrangements: [...plan.arrangements, odd] })
    const { result } = screenOf(useCompare)
    expect(result.current.known).toContain(plan.activeArrangementId)
    await doing(() => result.current.toggle('one with blanks'))
    await until(() => result.current.isFresh)
    expect(result.current.columns).toHaveLength(result.current.known.length)
    expect(result.current.last!.name).toBe('Odd')
    await doing(() => result.current.toggle('one with blanks'))
    expect(result.current.known).not.toContain('one with blanks')
  }, 30_000)
})
