import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { defineConfig } from '@playwright/test'
import { chromiumLaunch } from './scripts/chromium.mjs'

const port = 4748

export default defineConfig({
  testDir: 'e2e',
  fullyParallel: true,
  workers: 2,
  // speed is measured by the benches: tests wait as long as a machine that is many times slower needs
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    // the welcome of the first visit is looked at by `start.spec.ts`
    storageState: {
      cookies: [],
      origins: [
        {
          origin: `http://127.0.0.1:${port}`,
          localStorage: [{ name: 'reach-plot-welcomed', value: '1' }],
        },
      ],
    },
    launchOptions: chromiumLaunch,
    // each test has a browser of its own, which would fetch the whole app once more; `offline.spec.ts` lets it
    serviceWorkers: 'block',
  },
  webServer: {
    command: 'node --import tsx apps/server/src/main.ts',
    url: `http://127.0.0.1:${port}/health`,
    env: { PORT: String(port), REACH_PLOT_STATE: mkdtempSync(join(tmpdir(), 'reach-plot-state-')) },
    gracefulShutdown: { signal: 'SIGTERM', timeout: 3000 },
  },
})
