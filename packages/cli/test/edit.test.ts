import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { activeArrangement, readPlan, triggerKey, type Plan } from '@reach-plot/core'
import { cli, demo, folder, json } from './run.js'

let made = 0
const newFile = (): string => join(folder, `edited-${made++}.reachplot.json`)
const planIn = (path: string): Plan => readPlan(readFileSync(path, 'utf8'))
const keysOf = (path: string, name: string): string[] => {
  const plan = planIn(path)
  const { id } = plan.commands.find((c) => c.name === name)!
  return activeArrangement(plan)
    .placements.filter((p) => p.commandId === id)
    .map((p) => triggerKey(p.trigger))
}

describe('edit', () => {
  test('places a command by its name, and the new plan is checked and ranked as any other', async () => {
    const out = newFile()
    const done = await json('edit', demo, '--place', 'Hide shape', '--on', 'KeyH', '--out', out)
    expect(done).toMatchObject({ out, placed: 'KeyH' })
    expect(keysOf(out, 'Hide shape')).toEqual(['KeyH'])
    expect((await json('check', out)).arrangement).toBe(planIn(out).activeArrangementId)
    expect(keysOf(demo, 'Hide shape')).toEqual([])
  })
  test('gives it another key in place of the old, or as well', async () => {
    const [instead, besides] = [newFile(), newFile()]
    const before = keysOf(demo, 'Split line')
    expect(before.length).toBeGreaterThan(0)
    await cli('edit', demo, '--place', 'Split line', '--on', 'KeyH', '--out', instead)
    await cli('edit', demo, '--place', 'Split line', '--on', 'KeyH', '--as-well', '--out', besides)
    expect(keysOf(instead, 'Split line')).toEqual(['KeyH'])
    expect(keysOf(besides, 'Split line').toSorted()).toEqual([...before, 'KeyH'].toSorted())
  })
  test('removes it from one key, or from all', async () => {
    const [besides, one, all] = [newFile(), newFile(), newFile()]
    await cli('edit', demo, '--place', 'Split line', '--on', 'KeyH', '--as-well', '--out', besides)
    await cli('edit', besides, '--remove', 'Split line', '--from', 'KeyH', '--out', one)
    await cli('edit', besides, '--remove', 'Split line', '--out', all)
    expect(keysOf(one, 'Split line')).toEqual(keysOf(demo, 'Split line'))
    expect(keysOf(all, 'Split line')).toEqual([])
  })
  test('locks and unlocks; what is locked is refused as on the screen, and nothing is written', async () => {
    const [locked, refused, unlocked] = [newFile(), newFile(), newFile()]
    await cli('edit', demo, '--lock', 'Split line', '--out', locked)
    expect(planIn(locked).rules.lockedCommandIds.length).toBe(planIn(demo).rules.lockedCommandIds.length + 1)
    const done = await cli('edit', locked, '--remove', 'Split line', '--out', refused)
    expect(done.status).toBe(2)
    expect(done.stderr).toContain('“Split line” is locked. unlock it first')
    expect(existsSync(refused)).toBe(false)
    await cli('edit', locked, '--lock', 'Split line', '--out', unlocked)
    expect(planIn(unlocked).rules).toEqual(planIn(demo).rules)
  })
  test('copies defaults before it changes them', async () => {
    const [defaults, out] = [newFile(), newFile()]
    const plan = planIn(demo)
    const { writeFileSync } = await import('node:fs')
    writeFileSync(defaults, JSON.stringify({ ...plan, activeArrangementId: 'defaults' }))
    const done = await cli('edit', defaults, '--place', 'Hide shape', '--on', 'KeyH', '--out', out)
    expect(done.stdout).toContain('is a copy; the defaults stay as they were')
    const after = planIn(out)
    expect(after.arrangements.find((a) => a.id === 'defaults')).toEqual(
      plan.arrangements.find((a) => a.id === 'defaults'),
    )
    expect(after.arrangements.length).toBe(plan.arrangements.length + 1)
  })
  test.each([
    [['--place', 'Hide shape', '--out', 'x'], '--on is missing'],
    [['--place', 'Hide shape', '--on', 'KeyH'], '--out is missing'],
    [['--out', 'x'], 'one change at a time'],
    [['--place', 'Hide shape', '--on', 'KeyH', '--lock', 'Undo', '--out', 'x'], 'one change at a time'],
    [['--place', 'Nothing of that name', '--on', 'KeyH', '--out', 'x'], 'Nothing of that name'],
    [['--place', 'Hide shape', '--on', 'gibberish +', '--out', 'x'], 'cannot be read as a shortcut'],
    [['--remove', 'Hide shape', '--out', 'x'], 'is not on any key'],
  ])('%j is refused in a sentence, with exit 2', async (args, words) => {
    const done = await cli('edit', demo, ...args)
    expect(done.status).toBe(2)
    expect(done.stderr).toContain(words)
    expect(done.stderr.trim().split('\n')).toHaveLength(1)
  })
  test('puts several commands on one press of a pad key, and refuses a plain key', async () => {
    const out = newFile()
    const four = ['Smooth', 'Join lines', 'Verify outline'].join(',')
    const done = await json(
      'edit',
      demo,
      '--place',
      'Simplify',
      '--then',
      four,
      '--on',
      'pad/k20',
      '--out',
      out,
    )
    expect(done.commands).toHaveLength(4)
    const chain = activeArrangement(planIn(out)).placements.find((p) => p.then)!
    expect(chain.sends).toHaveLength(4)
    const refused = await cli(
      'edit',
      demo,
      '--place',
      'Simplify',
      '--then',
      four,
      '--on',
      'KeyU',
      '--out',
      out,
    )
    expect(refused.stderr).toContain('cannot send other keys')
  })
  test('mends a clash by one of its remedies', async () => {
    const out = newFile()
    const { clashes } = await json('check', demo)
    const broken = clashes.find(
      (c: { kind: string; remedies: { kind: string }[] }) =>
        c.kind === 'relay-broken' && c.remedies.some((r) => r.kind === 'bind'),
    )
    const by = broken.remedies.findIndex((r: { kind: string }) => r.kind === 'bind') + 1
    await json('edit', demo, '--mend', broken.id, '--by', String(by), '--out', out)
    const after = await json('check', out)
    expect(after.clashes.map((c: { id: string }) => c.id)).not.toContain(broken.id)
    const none = await cli('edit', demo, '--mend', 'nope', '--out', out)
    expect(none.stderr).toContain('there is no clash "nope"')
  })
})
