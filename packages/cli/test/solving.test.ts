import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { cli, demo, folder, json } from './run.js'

const out = join(folder, 'new.reachplot.json')

describe('solve', () => {
  const args = [
    'solve',
    demo,
    '--seed',
    '1',
    '--moves',
    '25',
    '--search',
    '30000',
    '--out',
    out,
    '--json',
  ] as const
  test('gives moves with gain, reason and confidence, the same bytes for the same seed, and a plan that opens', async () => {
    const first = await cli(...args)
    expect(first.status).toBe(0)
    const written = readFileSync(out, 'utf8')
    const value = JSON.parse(first.stdout)
    expect(value.moves.length).toBeLessThanOrEqual(25)
    for (const move of value.moves) {
      expect(Object.keys(move).sort()).toEqual([
        'command',
        'confidence',
        'countedUses',
        'draws',
        'from',
        'gainRangeSecondsPerHour',
        'gainSecondsPerHour',
        'gainSoFarSecondsPerHour',
        'group',
        'holds',
        'kind',
        'needs',
        'partSecondsPerHour',
        'reason',
        'shareOfDraws',
        'to',
      ])
      expect(move.shareOfDraws).toBeCloseTo(move.holds / move.draws, 3)
      expect(move.reason).not.toBe('')
    }
    const parts = value.moves.reduce(
      (sum: number, m: { partSecondsPerHour: number }) => sum + m.partSecondsPerHour,
      0,
    )
    expect(parts).toBeCloseTo(value.costBeforeSecondsPerHour - value.costAfterSecondsPerHour, 0)
    expect(value.payBack[0]).toEqual({ day: 0, gainedMinutes: 0 })
    expect(value.commandMinutesPerDayAfter).toBeLessThan(value.commandMinutesPerDayBefore)
    expect(value.curve.at(-1).moves).toBeGreaterThan(25)
    const again = await cli(...args)
    expect(again.stdout).toBe(first.stdout)
    expect(readFileSync(out, 'utf8')).toBe(written)
    const [draft, solved] = JSON.parse(written).arrangements.slice(-2)
    expect(draft.name).toBe('Field season, draft 1')
    expect(solved.name).toBe('Field season, draft 1, solved')
    expect((await cli('check', out, '--fail-on', 'blocks')).stderr).toBe('')
  })
  test('compare shows what the new plan saves against the old one', async () => {
    const [before, after] = await json('compare', demo, out)
    expect(after.figures.time).toBeLessThan(before.figures.time)
    expect(after.changes.length).toBeLessThanOrEqual(25)
    expect(before.changes).toEqual([])
    expect(after.routines.map((r: { name: string }) => r.name)).toContain('Tag one call')
    const table = (await cli('compare', demo, out)).stdout.split('\n')
    expect(table[0]).toContain('Field season, draft 1, solved')
    expect(table.find((line) => line.startsWith('Strain Index, left hand'))).toBeDefined()
  })
  test('people read a line for each move', async () => {
    const { stdout } = await cli('solve', demo, '--only', 'unplaced', '--search', '20000')
    expect(stdout).toMatch(/^Hide shape: no place → .+ s an hour, sure: gains in \d+ of 64 draws$/m)
    expect(stdout).toMatch(/\d+ moves: [\d.]+ min of command time a day before, [\d.]+ after/)
  })
})

describe('time', () => {
  test('lists a routine operator by operator', async () => {
    const value = await json('time', demo, '--routine', 'trace and close an outline')
    expect(value.operators.map((o: { operator: string }) => o.operator).join('')).toMatch(/^K?.*PBPB/)
    const sum = value.operators.reduce((ms: number, o: { ms: number }) => ms + o.ms, 0)
    expect(sum).toBeCloseTo(value.ms, -1)
  })
  test('a command in every way, and a day', async () => {
    expect(await json('time', demo, '--command', 'Undo')).toMatchObject({ menuMs: 3750, dragMs: 2400 })
    const day = await json('time', demo)
    expect(day.note).toContain('screening aid')
    const ms = Object.values(day.secondsPerHourByOperator as Record<string, number>).reduce(
      (a, b) => a + b,
      0,
    )
    expect(day.activeHoursPerDay).toEqual({ hours: 1.48, source: 'log' })
    expect((ms * day.activeHoursPerDay.hours) / 60).toBeCloseTo(day.commandMinutesPerDay, 0)
    const range = day.commandMinutesPerDayRange
    expect(range['by heart']).toBeLessThan(range.usual)
    expect(range.usual).toBe(day.commandMinutesPerDay)
    expect(range['seldom used']).toBeGreaterThan(range.usual)
  })
  test.each([
    [['time', demo, '--routine', 'Nope'], 'there is no routine "Nope"'],
    [['time', demo, '--arrangement', 'nope'], 'there is no arrangement "nope"'],
    [['solve', demo, '--moves', '0'], '--moves'],
    [['solve', demo, '--program', 'nope'], 'there is no program "nope"'],
    [['compare', demo, '--arrangements', 'draft-1,nope'], 'there is no arrangement "nope"'],
    [['compare', demo, '--arrangements', 'draft-1'], 'only one arrangement'],
  ])('%j exits 2 and says why', async (args, why) => {
    const done = await cli(...args)
    expect(done.status).toBe(2)
    expect(done.stderr).toContain(why)
  })
})
