import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { cli, demo, folder, root } from './run.js'

const json = (text: string) => JSON.parse(text)

describe('lookup', () => {
  test('names what a key does in every program and context, and what sends it', async () => {
    const done = await cli('lookup', demo, '--keys', 'n', '--json')
    expect(done.status).toBe(0)
    const found = json(done.stdout)
    expect(found).toMatchObject({ trigger: 'KeyN', system: null, typed: 'types “n”' })
    expect(found.programs[0].contexts[0]).toEqual({ context: 'Overview', commands: ['Next sheet'] })
    expect(found.relays).toContainEqual({ trigger: 'mouse/field stroke 2/8', command: 'Next sheet' })
  })
  test('without a key it says what to give', async () => {
    expect(await cli('lookup', demo)).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('--keys is missing'),
    })
  })
})

describe('trace', () => {
  test('follows a press to its command', async () => {
    const done = await cli(
      'trace',
      demo,
      '--press',
      'pad/k3',
      '--program',
      'Fenmap',
      '--context',
      'Tracing',
      '--json',
    )
    expect(done.status).toBe(0)
    expect(json(done.stdout)).toMatchObject({ press: 'pad/k3', commands: ['fenmap-zoom-in'] })
  })
  test('exits 1 where no command runs, 2 for an unknown context', async () => {
    const typed = await cli('trace', demo, '--press', 'KeyT', '--program', 'fenmap', '--context', 'labelling')
    expect(typed.status).toBe(1)
    expect(typed.stdout).toContain('types “t”')
    const wrong = await cli('trace', demo, '--press', 'KeyT', '--context', 'Nowhere')
    expect(wrong).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('Overview, Tracing, Labelling, Sheet'),
    })
  })
})

describe('bench', () => {
  test('compares two devices for the hand', async () => {
    const { devices } = json(
      (await cli('bench', demo, '--compare', 'keyboard', 'keyboard-left', '--json')).stdout,
    )
    expect(devices.map((d: { counts: { away: number } }) => d.counts.away)).toEqual([56, 49])
  })
  test('tells what is lost from bench to bench', async () => {
    const loss = json((await cli('bench', demo, '--compare', 'desk', 'travel', '--json')).stdout)
    expect(loss.kept + loss.lost.length).toBe(257)
    expect(loss.lost).toContainEqual({
      command: 'Tag call',
      trigger: 'pad/k6',
      lacks: ['the control pad key 6'],
    })
    expect(loss.without).toContain('Sluice')
  })
  test('an unknown name is refused with those that there are', async () => {
    expect(await cli('bench', demo, '--compare', 'desk', 'ship')).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('"ship" is neither a bench nor a device'),
    })
  })
})

describe('usage', () => {
  const log = join(folder, 'log.csv')
  const rows = Array.from({ length: 12 }, (_, i) =>
    ['Hide shape', 'Channel', 'Show all shapes']
      .map((c, k) => `2026-05-04T09:00:${String(i * 4 + k).padStart(2, '0')},Fenmap,Tracing,${c},menu`)
      .join('\n'),
  )
  test('counts a log, proposes routines, and exits 1 for rows that cannot be used', async () => {
    writeFileSync(log, `time,program,context,command,how\n${rows.join('\n')}\nnoon,Fenmap,,Undo,key\n`)
    const done = await cli('usage', log, '--json')
    expect(done.status).toBe(1)
    const report = json(done.stdout)
    expect(report).toMatchObject({ rows: 36, badRows: 1, sittings: 1, bad: [{ line: 38 }] })
    expect(report.commands).toContainEqual(
      expect.objectContaining({ command: 'fenmap-channel', uses: 12, menuThoughPlaced: 12 }),
    )
    expect(report.routines[0]).toMatchObject({
      support: 12,
      commandIds: ['fenmap-hide-shape', 'fenmap-channel', 'fenmap-show-all-shapes'],
    })
  })
  test('the season is the same for the same seed', async () => {
    const files = ['a.csv', 'b.csv'].map((name) => join(folder, name))
    for (const file of files)
      spawnSync(process.execPath, ['--import', 'tsx', 'demo/write-season.ts', file, '3000'], { cwd: root })
    const [a, b] = files.map((file) => readFileSync(file, 'utf8'))
    expect(a).toBe(b)
    expect(a!.split('\n')).toHaveLength(3002)
    const done = await cli('usage', files[0]!, '--json')
    expect(done.status).toBe(0)
    expect(json(done.stdout)).toMatchObject({ rows: 3000, badRows: 0 })
  })
})
