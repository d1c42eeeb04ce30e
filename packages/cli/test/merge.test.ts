import { execFileSync } from 'node:child_process'
import { copyFileSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { readPlan } from '@reach-plot/core'
import { cli, demo, folder, json, root } from './run.js'

const at = (name: string): string => join(folder, `merge-${name}.reachplot.json`)
const placed = async (name: string, command: string, key: string): Promise<string> => {
  await cli('edit', demo, '--place', command, '--on', key, '--out', at(name))
  return at(name)
}

describe('diff', () => {
  test('a plan and itself: nothing, and exit code 0', async () => {
    const { status: code, stdout: out } = await cli('diff', demo, demo)
    expect([code, out.trim()]).toEqual([0, 'no difference'])
  })
  test('one move is one line, and exit code 1', async () => {
    const moved = await placed('one', 'Split line', 'KeyH')
    const { status: code, stdout: out } = await cli('diff', demo, moved)
    expect(code).toBe(1)
    expect(out.trim().split('\n')).toHaveLength(1)
    expect(out).toMatch(/“Split line” in “Field season, draft 1”: .* → H/)
    expect((await json('diff', demo, moved, '--kind', 'devices')).differences).toEqual([])
  })
})

describe('merge', () => {
  test('different commands merge clean; the same command is one conflict, and ours stays', async () => {
    const ours = await placed('ours', 'Split line', 'KeyH')
    const theirs = await placed('theirs', 'Hide shape', 'F9')
    const out = at('out')
    const clean = await cli('merge', demo, ours, theirs, '--out', out)
    expect(clean.status).toBe(0)
    expect((await json('diff', ours, out)).differences).toHaveLength(1)
    const other = await placed('other', 'Split line', 'KeyJ')
    const both = await cli('merge', demo, ours, other, '--out', out)
    expect(both.status).toBe(1)
    expect(both.stdout).toMatch(/conflict: “Split line”.*ours H, theirs J; kept as ours/)
    expect((await json('diff', ours, out)).differences).toEqual([])
  })

  test('as git’s merge driver: two branches, one clean merge and one with a conflict', async () => {
    const repository = join(folder, 'merge-git')
    mkdirSync(repository)
    const git = (...args: string[]): string =>
      execFileSync('git', ['-c', 'user.name=Test', '-c', 'user.email=test@example.org', ...args], {
        cwd: repository,
        encoding: 'utf8',
        stdio: ['ignore', 'pipe', 'pipe'],
      })
    const plan = join(repository, 'plan.reachplot.json')
    git('init', '-q', '-b', 'main')
    git(
      'config',
      'merge.plan.driver',
      `node ${join(root, 'packages/cli/bin/reach-plot.mjs')} merge %O %A %B --out %A`,
    )
    writeFileSync(join(repository, '.gitattributes'), '*.reachplot.json merge=plan\n')
    copyFileSync(demo, plan)
    git('add', '-A')
    git('commit', '-qm', 'start')
    const branch = async (name: string, command: string, key: string): Promise<void> => {
      git('checkout', '-q', 'main')
      git('checkout', '-qb', name)
      await cli('edit', plan, '--place', command, '--on', key, '--out', plan)
      git('commit', '-qam', name)
    }
    await branch('one', 'Split line', 'KeyH')
    await branch('two', 'Hide shape', 'F9')
    await branch('three', 'Split line', 'KeyJ')
    git('checkout', '-q', 'one')
    git('merge', '-q', '--no-edit', 'two')
    const merged = readPlan(readFileSync(plan, 'utf8'), 'plan')
    const keys = JSON.stringify(merged.arrangements.flatMap((a) => a.placements))
    expect(keys).toContain('"F9"')
    expect(() => git('merge', '-q', '--no-edit', 'three')).toThrow()
    expect(git('status', '--short')).toContain('UU plan.reachplot.json')
    // the file opens, as ours has it
    expect(() => readPlan(readFileSync(plan, 'utf8'), 'plan')).not.toThrow()
  })
})
