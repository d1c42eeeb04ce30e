import { spawnSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { upToDateBundle } from '../bin/bundle.mjs'
import type { Ended, run } from '../src/main.js'

export const root = fileURLToPath(new URL('../../..', import.meta.url))
export const demo = join(root, 'demo/demo.reachplot.json')
export const folder = mkdtempSync(join(tmpdir(), 'reach-plot-'))

const bundle = upToDateBundle().then(
  (path) => import(/* @vite-ignore */ path) as Promise<{ run: typeof run }>,
)

/** What the command line that people start does, without half a second to start it each time. */
export const cli = async (...args: string[]): Promise<Ended> => (await bundle).run(args)

/** What a verb prints as JSON. */
export const json = async (...args: string[]) => JSON.parse((await cli(...args, '--json')).stdout)

/** Starts the command line as a person does. */
export const started = (...args: string[]) =>
  spawnSync(process.execPath, ['packages/cli/bin/reach-plot.mjs', ...args], { cwd: root, encoding: 'utf8' })
