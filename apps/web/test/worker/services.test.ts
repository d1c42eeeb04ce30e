import { describe, expect, test, vi } from 'vitest'
import { reachSituation } from '@reach-plot/core'
import { reachService } from '../../src/worker/reach-service.js'
import { solveService } from '../../src/worker/solve-service.js'
import { usageService } from '../../src/worker/usage-service.js'
import rates from '../../../../demo/rates.json'
import { season } from '../../../../demo/season.js'
import { demo, derive, idOf, reachOfSet } from '../build.js'

const plan = demo()
const derived = derive(plan)
const situation = {
  ...reachSituation(derived.bench, plan.devices, derived.env.layout.altGraph),
  key: 'demo',
}

describe('the reach worker', () => {
  test('answers as the hand over the bench does', async () => {
    const found = await reachService.withHeld(situation, ['Shift'])
    const expected = reachOfSet(derived, ['Shift'])
    for (const code of ['KeyF', 'KeyH', 'KeyQ'])
      expect(found[code]!.timeMs).toBeCloseTo(expected[code]!.timeMs, 6)
  })
  test('what is stale by the time it is asked is not worked out', async () => {
    const old = reachService.withHeld({ ...situation, key: 'an older hand' }, [])
    const latest = reachService.withHeld(situation, [])
    expect(await old).toEqual({})
    expect(Object.keys(await latest).length).toBeGreaterThan(100)
  })
  test('charts times and efforts over an area, of one finger or the best', () => {
    const area = { x0Mm: 0, x1Mm: 200, y0Mm: 0, y1Mm: 120, cellMm: 8 }
    const chart = (finger: 'little' | null) =>
      reachService.chart(situation, { area, timesMs: [200, 300], efforts: [1], finger })
    expect(chart(null).times.map((c) => c.value)).toEqual([200, 300])
    expect(chart('little')).not.toEqual(chart(null))
  })
})

describe('the solving worker', () => {
  const unplaced = {
    moves: 40_000,
    seed: 1,
    curve: false,
    draws: 8,
    scope: { what: 'unplaced', programId: 'reedcall' },
  } as const
  test('tells how far it is, and gives moves with reasons and figures before and after', async () => {
    const told = vi.fn()
    const solved = await solveService.solve(plan, unplaced, told)
    expect(told).toHaveBeenCalled()
    expect(solved.list.moves.length).toBeGreaterThan(0)
    expect(new Set(solved.list.moves.map((m) => m.command.programId))).toEqual(new Set(['reedcall']))
    expect(Object.keys(solved.reasons)).toHaveLength(solved.list.moves.length)
    expect(solved.after.minutesPerDay).toBeLessThan(solved.before.minutesPerDay)
    expect(solved.placements).toEqual(derived.arrangement.placements)
  })
  test('stopped, it ends with the best so far', async () => {
    const stopped = await solveService.solve(plan, unplaced, () => solveService.stop())
    expect(stopped.after.minutesPerDay).toBeLessThanOrEqual(stopped.before.minutesPerDay)
  })
  test('compares the arrangements that are there, in the order asked', async () => {
    const columns = await solveService.compare(plan, ['draft-1', 'ghost', 'defaults'])
    expect(columns.map((c) => c.id)).toEqual(['draft-1', 'defaults'])
    expect(columns[0]!.figures['time']!.value).toBeLessThan(columns[1]!.figures['time']!.value!)
  })
})

describe('the usage worker', () => {
  const split = plan.commands.find((c) => c.id === idOf(plan, 'Split line'))!
  const log = [
    'time,program,context,command,how',
    ...Array.from(
      { length: 40 },
      (_, i) => `2026-05-04T09:${String(i).padStart(2, '0')}:00Z,Fenmap,Tracing,${split.name},key`,
    ),
    '2026-05-04T10:00:00Z,Fenmap,Tracing,A command that nobody knows,key',
  ].join('\n')
  test('reads a file piece by piece and says how far it is', async () => {
    const told: number[] = []
    const report = await usageService.read(new File([log], 'log.csv'), plan, (p) => told.push(p.doneBytes))
    expect(told.at(-1)).toBe(log.length)
    expect(report.goodRows).toBeGreaterThanOrEqual(40)
  })
  test('a file that is no log is refused in words', async () => {
    await expect(usageService.read(new File(['a,b\n1,2'], 'x.csv'), plan, () => undefined)).rejects.toThrow(
      /the column/,
    )
  })
  test('the demo’s season is read as a log', async () => {
    const log = new File([...season(plan, rates)], 'season.csv')
    const report = await usageService.read(log, plan, () => undefined)
    expect(report.goodRows).toBeGreaterThan(200_000)
  })
})
