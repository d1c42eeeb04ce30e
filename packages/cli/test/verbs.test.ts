import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { cli, demo, folder } from './run.js'

test('help names every verb and the exit codes', async () => {
  const { stdout, status } = await cli('help')
  expect(status).toBe(0)
  for (const verb of ['reach', 'check', 'places', 'labels', 'print', 'csv', 'schema'])
    expect(stdout).toContain(`  ${verb}`)
  expect(stdout).toContain('2 bad input')
})

test('without --json a person reads lines', async () => {
  expect((await cli('reach', '--keys', 'ShiftLeft+KeyX')).stdout).toMatch(
    /^ShiftLeft\+KeyX: easy, effort 0\.368, \d+ ms \(ShiftLeft little/,
  )
  const checked = await cli('check', demo)
  expect(checked.status).toBe(1)
  expect(checked.stdout.split('\n')[0]).toBe('Field season, draft 1: 101 clashes')
  expect((await cli('places', demo, '--command', 'Tide line', '--modifiers', 'Alt')).stdout).toContain(
    'first letter of “tide”.',
  )
})

test('an arrangement without findings exits 0', async () => {
  const plan = JSON.parse(readFileSync(demo, 'utf8'))
  plan.arrangements.push({
    id: 'clean',
    name: 'Clean',
    isDefault: false,
    placements: [],
    popups: [],
    accepted: [],
  })
  const path = join(folder, 'clean.reachplot.json')
  writeFileSync(path, JSON.stringify(plan))
  const done = await cli('check', path, '--arrangement', 'clean', '--json')
  expect(done.status).toBe(0)
  expect(JSON.parse(done.stdout)).toMatchObject({ arrangement: 'clean', clashes: [] })
})

describe('csv with faulty lines', () => {
  const csv = join(folder, 'faulty.csv')
  const out = join(folder, 'out.reachplot.json')
  writeFileSync(csv, 'program,command,usesPerHour\nFenmap,Undo,70\nFenmap,,3\n')
  test('writes nothing, names the line and exits 1', async () => {
    const done = await cli('csv', demo, '--in', csv, '--out', out)
    expect(done.status).toBe(1)
    expect(done.stdout).toContain('line 3, command: The name of the command is missing.')
    expect(existsSync(out)).toBe(false)
  })
  test('without faults writes a plan that reads back', async () => {
    writeFileSync(csv, 'program,command,usesPerHour\nFenmap,Undo,70\n')
    expect((await cli('csv', demo, '--in', csv, '--out', out)).status).toBe(0)
    const changed = JSON.parse((await cli('places', out, '--command', 'fenmap-undo', '--json')).stdout)
    expect(changed.command).toBe('fenmap-undo')
  })
})

test.each([
  [['labels', demo], /--out is missing/],
  [['labels', demo, '--out', '/tmp/x.pdf', '--program', 'nope'], /no program "nope".*fenmap, reedcall/],
  [['labels', demo, '--out', '/tmp/x.pdf', '--context', 'nope'], /no context "nope".*overview/],
  [['places', demo, '--command', 'Nope'], /no command "Nope"/],
  [['places', demo, '--command', 'Hide shape', '--modifiers', 'Hyper'], /"Hyper" is not known/],
  [['check', demo, '--arrangement', 'nope'], /defaults, draft-1/],
  [['csv', demo, '--what', 'poems'], /commands, placements/],
])('%j exits 2 and says what to choose from', async (args, words) => {
  const done = await cli(...args)
  expect(done.status).toBe(2)
  expect(done.stderr).toMatch(words)
})
