import { expect, test, type Page } from '@playwright/test'
import { openDemo } from './app.js'

type Watched = Window & {
  workers: { readonly url: string; readonly worker: Worker }[]
  /** a part of the name of the worker that ends as soon as something is asked of it; once */
  endWhenAsked?: string | undefined
}

test.beforeEach(async ({ page }) => {
  await page.addInitScript(() => {
    const watched = ((window as unknown as Watched).workers = [] as Watched['workers'])
    const Made = window.Worker
    window.Worker = class extends Made {
      readonly #url: string

      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options)
        this.#url = String(url)
        watched.push({ url: this.#url, worker: this })
      }

      override postMessage(message: unknown, more?: unknown): void {
        super.postMessage(message, more as Transferable[])
        const page = window as unknown as Watched
        if (page.endWhenAsked === undefined || !this.#url.includes(page.endWhenAsked)) return
        page.endWhenAsked = undefined
        Made.prototype.terminate.call(this)
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
  await page.getByRole('button', { name: 'More sets of modifiers' }).click()
  await page.getByRole('option', { name: 'Ctrl+Shift+Alt', exact: true }).click()
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
  await page.goto('/commands/usage')
  await page.evaluate(() => {
    ;(window as unknown as Watched).endWhenAsked = 'usage.worker'
  })
  await page.getByRole('button', { name: 'Read the example’s season' }).click()
  await expect(page.getByText(/ended by itself.*Nothing was taken/)).toBeVisible()
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByText(/rows/).first()).toBeVisible()
})
