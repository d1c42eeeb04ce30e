import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Page } from '@playwright/test'
import { goTo, openDemo } from './app.js'
import { screens } from './screens.js'

test.use({ serviceWorkers: 'allow' })

/** A server of its own, to be stopped. */
async function server(
  port: number,
  folder = mkdtempSync(join(tmpdir(), 'reach-plot-state-')),
): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'apps/server/src/main.ts'], {
    env: { ...process.env, PORT: String(port), REACH_PLOT_STATE: folder },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise<void>((resolve, reject) => {
    child.stdout.on('data', (text: Buffer) => text.toString().includes('is ready') && resolve())
    child.once('exit', () => reject(new Error('the server ended')))
  })
  return child
}
/** A server of another build than the one in the repository. */
async function serveFrom(built: string): Promise<{ url: string; child: ChildProcess }> {
  const folder = mkdtempSync(join(tmpdir(), 'reach-plot-state-'))
  const child = spawn(process.execPath, ['--import', 'tsx', 'apps/server/test/serve.ts', built, folder], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const port = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (text: Buffer) => {
      const found = /port (\d+)/.exec(text.toString())
      if (found) resolve(found[1] as string)
    })
    child.once('exit', () => reject(new Error('the server ended')))
  })
  return { url: `http://127.0.0.1:${port}`, child }
}
const stop = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    child.once('exit', () => resolve())
    child.kill('SIGKILL')
  })

const isControlled = (page: Page): Promise<unknown> =>
  page.waitForFunction(async () => {
    const { active } = await navigator.serviceWorker.ready
    return active?.state === 'activated' && navigator.serviceWorker.controller !== null
  })

test('with the server stopped and no network every screen opens, and only printing is out of reach', async ({
  browser,
}) => {
  const running = await server(4751)
  const context = await browser.newContext({ baseURL: 'http://127.0.0.1:4751', serviceWorkers: 'allow' })
  const page = await context.newPage()
  await openDemo(page)
  await isControlled(page)
  await stop(running)
  await context.setOffline(true)
  for (const [path, shows] of screens) {
    await page.goto(path)
    await expect(page.locator('body'), path).toContainText(shows)
    await expect(page.getByRole('heading', { name: /could not be loaded|has failed/ }), path).toHaveCount(0)
  }
  await page.goto('/labels')
  await page.getByRole('tab', { name: 'Save and print' }).click()
  await expect(page.getByRole('region', { name: 'Print', exact: true })).toContainText(
    'server does not answer',
  )
  // what was laid out without a server is there with one
  await openDemo(page)
  await page.getByRole('combobox', { name: 'Find a command by name' }).fill('hide shape')
  await page.keyboard.press('Enter')
  await page.locator('[data-place]').first().click()
  await expect(page.getByText('212 of 253 commands placed')).toBeVisible()
  await page.reload()
  await expect(page.getByText('212 of 253 commands placed')).toBeVisible()
  await context.close()
})

test('a screen that could not be loaded opens by itself when the server is back', async ({ browser }) => {
  const folder = mkdtempSync(join(tmpdir(), 'reach-plot-state-'))
  const running = await server(4752, folder)
  const context = await browser.newContext({ baseURL: 'http://127.0.0.1:4752', serviceWorkers: 'block' })
  const page = await context.newPage()
  await openDemo(page)
  await stop(running)
  await goTo(page, '/compare')
  await expect(page.getByRole('heading', { name: 'This screen could not be loaded' })).toBeVisible()
  const again = await server(4752, folder)
  await expect(page.getByText('Program defaults').first()).toBeVisible()
  await stop(again)
  await context.close()
})

test('a new version is offered, waits until it is taken, and is then whole', async ({ browser }) => {
  const built = mkdtempSync(join(tmpdir(), 'reach-plot-built-'))
  cpSync('apps/web/dist', built, { recursive: true })
  const running = await serveFrom(built)
  const context = await browser.newContext({ baseURL: running.url, serviceWorkers: 'allow' })
  const page = await context.newPage()
  await openDemo(page)
  await isControlled(page)
  const worker = join(built, 'sw.js')
  for (const name of ['sw.js.br', 'sw.js.gz']) rmSync(join(built, name), { force: true })
  writeFileSync(worker, `${readFileSync(worker, 'utf8')}\n// the next version\n`)
  await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update())
  const offer = page.getByText('There is a new version of Reach Plot')
  await expect(offer).toBeVisible()
  // until then the old one goes on, with parts of its own
  await goTo(page, '/compare')
  await expect(page.getByText('Program defaults').first()).toBeVisible()
  const before = await page.evaluate(() => performance.timeOrigin)
  await page.getByRole('button', { name: 'Load it' }).click()
  await page.waitForFunction((origin) => performance.timeOrigin !== origin, before)
  await expect(page.getByText('Program defaults').first()).toBeVisible()
  const waits = await page.evaluate(
    async () => (await navigator.serviceWorker.getRegistration())?.waiting !== null,
  )
  expect(waits).toBe(false)
  await context.close()
  await stop(running.child)
})

test('no screen breaks the app’s own security policy', async ({ page }) => {
  await page.addInitScript(() => {
    addEventListener('securitypolicyviolation', (event) => {
      sessionStorage.setItem('breach', `${event.violatedDirective} ${event.sourceFile} ${event.blockedURI}`)
    })
  })
  await openDemo(page)
  for (const [path, shows] of screens) {
    await page.goto(path)
    await expect(page.locator('body'), path).toContainText(shows)
  }
  expect(await page.evaluate(() => sessionStorage.getItem('breach'))).toBeNull()
})
