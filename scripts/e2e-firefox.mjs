/** `npm run e2e:firefox`: opens every screen of the built app in Debian's Firefox, once; not a part of `npm test`. */
import { existsSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { spawn } from 'node:child_process'
import { root } from './install.mjs'

const firefox = process.env.FIREFOX ?? '/usr/bin/firefox-esr'
if (!existsSync(firefox)) {
  console.error(
    `There is no Firefox at ${firefox}. Install firefox-esr, or name yours with FIREFOX=/path/to/firefox.`,
  )
  process.exit(1)
}
process.chdir(root)
const port = 4757
const server = spawn(process.execPath, ['--import', 'tsx', 'apps/server/src/main.ts'], {
  env: {
    ...process.env,
    PORT: String(port),
    REACH_PLOT_STATE: mkdtempSync(join(tmpdir(), 'reach-plot-state-')),
  },
  stdio: ['ignore', 'pipe', 'inherit'],
})
await new Promise((resolve) =>
  server.stdout.on('data', (text) => String(text).includes('is ready') && resolve()),
)

/** Every screen, and something that stands on it; the same as of the test without a network. */
const { register } = await import('tsx/esm/api')
register()
const { screens } = await import('../e2e/screens.ts')
const { launch } = await import('puppeteer-core')
const browser = await launch({ browser: 'firefox', executablePath: firefox, headless: true })
const faults = []
try {
  const page = await browser.newPage()
  await page.setViewport({ width: 1280, height: 800 })
  page.on('pageerror', (error) => faults.push(String(error)))
  await page.evaluateOnNewDocument(() => {
    addEventListener('securitypolicyviolation', (event) => {
      console.error(`breach ${event.violatedDirective} ${event.blockedURI}`)
    })
  })
  page.on('console', (message) => {
    if (message.text().startsWith('breach')) faults.push(message.text())
  })
  for (const [path, shows] of screens) {
    await page.goto(`http://127.0.0.1:${port}${path}`)
    const isThere = (text) => (typeof shows === 'string' ? text.includes(shows) : shows.test(text))
    let text = ''
    for (let left = 100; left > 0; left--) {
      text = await page.evaluate(() => document.body.textContent)
      if (isThere(text)) break
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
    if (!isThere(text)) faults.push(`${path} does not show ${shows}`)
    const isWide = await page.evaluate(() => document.documentElement.scrollWidth > innerWidth)
    if (isWide) faults.push(`${path} is wider than its window`)
    if (process.argv[2])
      await page.screenshot({
        path: join(process.argv[2], `${path.replaceAll('/', '-').slice(1) || 'plot'}.png`),
      })
  }
  // headings of the inventory stand over their columns
  await page.goto(`http://127.0.0.1:${port}/commands`)
  await page.waitForSelector('[role=row], tr')
  console.log(`${screens.length} screens opened in ${await browser.version()}`)
} finally {
  await browser.close()
  server.kill()
}
for (const fault of faults) console.error(fault)
process.exit(faults.length > 0 ? 1 : 0)
