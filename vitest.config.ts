import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['packages/*/test/**/*.test.ts', 'apps/*/test/**/*.test.ts'],
    testTimeout: 60_000,
    // modules are read once for each worker, not for each file: tests change nothing that outlives them but files of their own
    isolate: false,
    // as many as the smallest machine that runs them has cores; by default one of two would lie idle
    maxWorkers: 2,
    // the command line's bundle is run as it is, not translated once more
    server: { deps: { external: [/packages\/cli\/dist/] } },
  },
})
