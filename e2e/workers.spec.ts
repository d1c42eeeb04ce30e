import { expect, test, type Page } from '@playwright/test'
import { openDemo } from './app.js'

type Watched = Window & { workers: { readonly url: string; readonly worker: Worker }[] }

test.beforeEach(async ({ page }) => {
  await page.addInitScript(() => {
    const watched = ((window as unknown as Watched).workers = [] as Watched['workers'])
    const Made = window.Worker
    window.Worker = class extends Made {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options)
        watched.push({ url: String(url), worker: this })
      }
    }
  })
})

/** Ends a worker as a browser without memory would: in the middle of what it does, without a word to the page. */
async function endWorker(page: Page, name: string): Promise<void> {
  await page.waitForFunction(
    (part) => (window as unknown as Watched).workers.some((w) => w.url.includes(part)),
    name,
  )
  await page.evaluate((part) => {
    for (const { url, worker } of (window as unknown as Watched).workers)
      if (url.includes(part)) Worker.prototype.terminate.call(worker)
  }, name)
}

test('reach comes back by itself when its worker has ended', async ({ page }) => {
  await openDemo(page)
  for (const end of [
    () => endWorker(page, 'reach.worker'),
    () =>
      page
        .workers()
        .find((w) => /reach\.worker/.test(w.url()))!
        .evaluate(() =>
          setTimeout(() => {
            throw new Error('a fault in the worker')
          }),
        ),
  ]) {
    await end()
    // another hand: everything is asked for anew
    await page.goto('/bench/hand')
    await page.goto('/')
    await expect(page.locator('[data-code=KeyG]')).toHaveAttribute('aria-label', /ms/)
  }
  await endWorker(page, 'reach.worker')
  await page.getByRole('button', { name: /^Held/ }).click()
  await page.getByRole('option', { name: 'Ctrl+Alt', exact: true }).click()
  await expect(page.locator('[data-code=KeyG]')).toHaveAttribute('aria-label', /ms/)
})

test('a search whose worker ends is said within two seconds and can be tried again', async ({ page }) => {
  await openDemo(page)
  await page.goto('/solve')
  await page.getByRole('button', { name: 'Look for a better arrangement' }).click()
  // it is at work
  await expect.poll(() => page.getByRole('progressbar').getAttribute('aria-valuenow')).not.toBe('0')
  await endWorker(page, 'solve.worker')
  await expect(page.getByText('The search ended by itself')).toBeVisible({ timeout: 2000 })
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByRole('region', { name: 'What it would bring' })).toBeVisible({ timeout: 90_000 })
})

test('a log whose worker ends takes nothing, and can be read again', async ({ page }) => {
  await openDemo(page)
  // several seasons in a row, so that it is not done before it is ended
  await page.route('**/demo/season.csv', async (route) => {
    const season = await (await route.fetch()).text()
    const rows = season.slice(season.indexOf('\n') + 1)
    await route.fulfill({ body: season + rows.repeat(4), contentType: 'text/csv' })
  })
  await page.goto('/commands/usage')
  await page.getByRole('button', { name: 'Read the example’s season' }).click()
  await expect(page.getByText(/Reading season.csv: [1-9]/)).toBeVisible()
  await endWorker(page, 'usage.worker')
  await expect(page.getByText(/ended by itself.*Nothing was taken/)).toBeVisible()
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByText(/rows/).first()).toBeVisible()
  await page.unrouteAll({ behavior: 'ignoreErrors' })
})
