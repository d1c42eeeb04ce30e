import { spawnSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = fileURLToPath(new URL('../../..', import.meta.url))
export const demo = join(root, 'demo/demo.reachplot.json')
export const folder = mkdtempSync(join(tmpdir(), 'reach-plot-'))

/** Runs the command line as a person would. */
export const cli = (...args: string[]) =>
  spawnSync(process.execPath, ['packages/cli/bin/reach-plot.mjs', ...args], { cwd: root, encoding: 'utf8' })

/** What a verb prints as JSON. */
export const json = (...args: string[]) => JSON.parse(cli(...args, '--json').stdout)
