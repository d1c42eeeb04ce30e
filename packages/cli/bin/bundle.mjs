/** The command line in a few files: it starts in a tenth of the time, and its inner loops run as they are written. */
import { existsSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('../../..', import.meta.url))
const dist = join(root, 'packages/cli/dist')
const sources = [
  'packages/cli/src',
  'packages/cli/bin',
  'packages/core/src',
  'packages/ipp/src',
  'data',
  'package-lock.json',
].map((p) => join(root, p))

function newest(path) {
  const stat = statSync(path)
  if (!stat.isDirectory()) return stat.mtimeMs
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))))
}

/** The path of the bundle of the sources as they are now, made when there is none yet. */
export async function upToDateBundle() {
  // as deep as the folder of the verbs, so that paths relative to a source file hold
  const folder = join(dist, `of-${Math.round(Math.max(...sources.map(newest)))}`)
  const main = join(folder, 'main.mjs')
  if (existsSync(main)) return main
  const { build } = await import('esbuild')
  const old = existsSync(dist) ? readdirSync(dist) : []
  // a folder of its own for each process: two that start at once must not read half a bundle
  const made = `${folder}.${process.pid}`
  await build({
    entryPoints: [join(root, 'packages/cli/src/main.ts')],
    outdir: made,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    // it tells its own functions apart by their names, which a bundle changes
    external: ['@sealsystems/ipp'],
    banner: {
      js: "import { createRequire as reachPlotRequire } from 'node:module'; const require = reachPlotRequire(import.meta.url);",
    },
    logLevel: 'error',
  })
  try {
    renameSync(made, folder)
  } catch {
    // another process was quicker
    rmSync(made, { recursive: true, force: true })
  }
  for (const name of old)
    if (/^of-\d+$/.test(name)) rmSync(join(dist, name), { recursive: true, force: true })
  return main
}
