/** `npm run bench [PART …]`: the benches as one file, so that inner loops run as they are written. */
import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

// beside its source, so that paths relative to it hold
const bundle = fileURLToPath(new URL('../packages/core/bench/bundle.mjs', import.meta.url))
await build({
  entryPoints: [fileURLToPath(new URL('../packages/core/bench/main.ts', import.meta.url))],
  outfile: bundle,
  bundle: true,
  // its tables need one another in an order that a bundle changes
  external: ['@sealsystems/ipp'],
  platform: 'node',
  format: 'esm',
  target: 'node20',
  banner: {
    js: "import { createRequire as reachPlotRequire } from 'node:module'; const require = reachPlotRequire(import.meta.url);",
  },
  logLevel: 'error',
})
try {
  await import(bundle)
} finally {
  rmSync(bundle)
}
