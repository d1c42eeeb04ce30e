import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['packages/*/test/**/*.test.ts', 'apps/*/test/**/*.test.ts'],
    testTimeout: 60_000,
    // as many as the smallest machine that runs them has cores; by default one of two would lie idle
    maxWorkers: 2,
  },
})
