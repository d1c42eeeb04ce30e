/** The command line as one file: it starts in a tenth of the time, and its inner loops run as they are written. */
import { existsSync, readdirSync, renameSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

const root = fileURLToPath(new URL('../../..', import.meta.url))
// as deep as the folder of the verbs, so that paths relative to a source file hold
const outFile = join(root, 'packages/cli/dist/esm/main.mjs')
const sources = ['packages/cli/src', 'packages/core/src', 'data', 'package-lock.json'].map((p) =>
  join(root, p),
)

function newest(path) {
  const stat = statSync(path)
  if (!stat.isDirectory()) return stat.mtimeMs
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))))
}

/** The path of the bundle, made anew when a source is younger. */
export async function upToDateBundle() {
  if (existsSync(outFile) && statSync(outFile).mtimeMs > Math.max(...sources.map(newest))) return outFile
  // a name of its own for each process: two that start at once must not read half a file
  const made = `${outFile}.${process.pid}`
  await build({
    entryPoints: [join(root, 'packages/cli/src/main.ts')],
    outfile: made,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    banner: {
      js: "import { createRequire as reachPlotRequire } from 'node:module'; const require = reachPlotRequire(import.meta.url);",
    },
    logLevel: 'error',
  })
  renameSync(made, outFile)
  return outFile
}
