import { expect, test, type Page } from '@playwright/test'
import { goTo, message, openDemo, placeFirst, planMenu } from './app.js'

const saved = { hasText: /^saved$/ }
const isSaved = (page: Page): Promise<void> => expect(page.getByRole('status').filter(saved)).toBeVisible()
const placed = (page: Page, count: number): Promise<void> =>
  expect(page.getByText(`${count} of 253 commands placed`)).toBeVisible()

test('two tabs never overwrite each other silently', async ({ context, page }) => {
  await openDemo(page)
  await isSaved(page)
  const other = await context.newPage()
  await openDemo(other)
  await placeFirst(other, 'hide shape')
  await isSaved(other)
  await expect(page.getByRole('alert')).toContainText('This plan was changed in another tab')

  await placeFirst(page, 'level view')
  await expect(page.getByText('not saved', { exact: true })).toBeVisible()
  await other.reload()
  await placed(other, 212)

  await page.getByRole('button', { name: 'Keep this one' }).click()
  await expect(page.getByRole('alert')).toHaveCount(0)
  await expect(other.getByRole('alert')).toContainText('changed in another tab')
  await other.getByRole('button', { name: 'Take the other tab’s plan' }).click()
  await expect(other.getByRole('alert')).toHaveCount(0)
})

test('a tab in conflict that is closed comes back as a second plan', async ({ context, page }) => {
  await openDemo(page)
  await isSaved(page)
  const other = await context.newPage()
  await openDemo(other)
  await placeFirst(other, 'hide shape')
  await isSaved(other)
  await placeFirst(page, 'hide shape')
  await placeFirst(page, 'level view')
  await expect(page.getByText('not saved', { exact: true })).toBeVisible()
  await page.close()
  // the other tab goes on and saves
  await other.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await isSaved(other)
  await other.reload()
  await expect(other.getByRole('alert')).toContainText('were not saved before their tab was closed')
  await other.getByRole('alert').getByRole('link', { name: 'All plans' }).click()
  await expect(other.getByRole('cell', { name: /changed in another tab/ }).first()).toBeVisible()
})

test('a page that crashes right after a change loses nothing', async ({ browser }) => {
  const context = await browser.newContext()
  const devtools = await browser.newBrowserCDPSession()
  for (const [n, name] of ['hide shape', 'level view', 'ungroup'].entries()) {
    const page = await context.newPage()
    await openDemo(page)
    await placed(page, 211 + n)
    await page.getByRole('combobox', { name: 'Find a command by name' }).fill(name)
    await page.keyboard.press('Enter')
    const first = page.locator('[data-place]').first()
    await first.waitFor()
    await first.click({ noWaitAfter: true })
    const { processInfo } = await devtools.send('SystemInfo.getProcessInfo')
    for (const { type, id } of processInfo) if (type === 'renderer') process.kill(id, 'SIGKILL')
    await page.close().catch(() => undefined)
    const next = await context.newPage()
    await openDemo(next)
    await placed(next, 212 + n)
    await next.close()
  }
  await context.close()
})

test('full storage is said, loses nothing, and saving goes on when there is room', async ({ page }) => {
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
      if ((window as { full?: boolean }).full) throw new DOMException('no room', 'QuotaExceededError')
      return put.apply(this, args)
    }
  })
  await openDemo(page)
  await isSaved(page)
  await page.evaluate(() => void ((window as { full?: boolean }).full = true))
  await placeFirst(page, 'hide shape')
  await expect(page.getByRole('alert').filter({ hasText: 'Not saved' })).toBeVisible()
  await page.evaluate(() => void ((window as { full?: boolean }).full = false))
  await page.getByRole('button', { name: 'Try again' }).click()
  await isSaved(page)
  await page.reload()
  await placed(page, 212)
})

test('a change that the page could not save before it closed is there again', async ({ page }) => {
  await openDemo(page)
  await isSaved(page)
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('no room', 'QuotaExceededError')
    }
  })
  await placeFirst(page, 'hide shape')
  await page.reload()
  await placed(page, 212)
})

/** Writes a plan into the browser's store, as an earlier visit or version would have. */
const store = (page: Page, database: string, name: string, key: string, value: object): Promise<void> =>
  page.evaluate(
    async ([databaseName, storeName, at, entry]) => {
      const opened = await new Promise<IDBDatabase>((resolve, reject) => {
        const opening = indexedDB.open(databaseName)
        opening.onupgradeneeded = () => opening.result.createObjectStore(storeName)
        opening.onsuccess = () => resolve(opening.result)
        opening.onerror = () => reject(opening.error)
      })
      const write = opened.transaction(storeName, 'readwrite')
      write.objectStore(storeName).put(entry, at)
      await new Promise((resolve) => (write.oncomplete = resolve))
      opened.close()
    },
    [database, name, key, value] as const,
  )

test('a stored plan that cannot be read is named, can be mended, and the app opens all the same', async ({
  page,
}) => {
  await openDemo(page)
  await isSaved(page)
  const text = await page.evaluate(async () => (await fetch('/demo/none').catch(() => null))?.status ?? 0)
  expect(text).toBeGreaterThan(0)
  await page.evaluate(async () => {
    const opened = await new Promise<IDBDatabase>((resolve) => {
      const opening = indexedDB.open('reach-plot-plans')
      opening.onsuccess = () => resolve(opening.result)
    })
    const at = opened.transaction('plans', 'readwrite').objectStore('plans')
    const keys = await new Promise<IDBValidKey[]>((resolve) => {
      const asked = at.getAllKeys()
      asked.onsuccess = () => resolve(asked.result)
    })
    const key = keys.find((k) => String(k).startsWith('plan/'))!
    const kept = await new Promise<{ text: string }>((resolve) => {
      const asked = at.get(key)
      asked.onsuccess = () => resolve(asked.result as { text: string })
    })
    const plan = JSON.parse(kept.text) as { commands: { usesPerHour: unknown }[] }
    plan.commands[5]!.usesPerHour = 'often'
    await new Promise((resolve) => {
      at.put({ ...kept, text: JSON.stringify(plan) }, key).onsuccess = resolve
    })
    opened.close()
  })
  await page.reload()
  await expect(page.getByRole('alert')).toContainText('cannot be read and was put aside')
  await placed(page, 211)
  await page.getByRole('alert').getByRole('link', { name: 'All plans' }).click()
  const aside = page.getByRole('region', { name: 'Plans that cannot be read' })
  await expect(aside).toContainText('usesPerHour')
  await aside.getByRole('button', { name: /^Mend/ }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('252 commands')
  await expect(dialog).toContainText('commands › 6')
  await dialog.getByRole('button', { name: /^Open it without/ }).click()
  await expect(page.getByText(/of 252 commands placed/)).toBeVisible()
  await expect(aside).toHaveCount(0)
  await page.getByRole('alert').getByRole('button', { name: 'Close' }).click()
  await expect(page.getByRole('alert')).toHaveCount(0)
})

test('what an earlier version kept is there again', async ({ page }) => {
  await page.goto('/favicon.svg')
  const old = { format: 'reachplot-plan', version: 1 }
  await store(page, 'reach-plot', 'plan', 'current', { revision: 7, text: JSON.stringify(old) })
  await openDemo(page)
  await goTo(page, '/plans')
  await expect(page.getByRole('region', { name: 'Plans that cannot be read' })).toContainText(
    'A plan of an earlier version',
  )
})

test('without storage, with one that never answers, and without channels the app works and says so', async ({
  browser,
}) => {
  const ways: readonly (() => void)[] = [
    () => Object.defineProperty(window, 'indexedDB', { get: () => undefined }),
    () => {
      IDBFactory.prototype.open = () => new EventTarget() as never
    },
    () => {
      for (const name of ['localStorage', 'sessionStorage', 'indexedDB'])
        Object.defineProperty(window, name, {
          get() {
            throw new DOMException('denied', 'SecurityError')
          },
        })
    },
    () => {
      delete (window as Partial<Window & typeof globalThis>).BroadcastChannel
      Object.defineProperty(navigator, 'locks', { get: () => undefined })
    },
  ]
  for (const [i, way] of ways.entries()) {
    const page = await browser.newPage()
    await page.addInitScript(way)
    await openDemo(page)
    await placeFirst(page, 'hide shape')
    await placed(page, 212)
    const bar = page.getByRole('alert').filter({ hasText: 'Nothing is kept here' })
    await expect(bar).toHaveCount(i < 3 ? 1 : 0)
    await page.close()
  }
})

test.describe('plans side by side', () => {
  test('new, example, copy, rename, delete and open replace nothing, and one can go back in time', async ({
    page,
  }) => {
    await openDemo(page)
    await placeFirst(page, 'hide shape')
    await isSaved(page)
    await planMenu(page, 'New empty plan')
    await expect(page.getByText('No commands yet.')).toBeVisible()
    await page.getByRole('button', { name: 'Back', exact: true }).click()
    await placed(page, 212)
    // the changed example stays as it is, a fresh one comes beside it
    await planMenu(page, 'Open the example')
    await placed(page, 211)
    await planMenu(page, 'All plans')
    const table = page.getByRole('region', { name: 'Plans', exact: true })
    await expect(table.getByRole('row')).toHaveCount(4)
    await table.getByRole('button', { name: 'Copy New plan' }).click()
    await expect(table.getByText('New plan, copy')).toBeVisible()
    await table.getByRole('button', { name: 'Rename New plan, copy' }).click()
    await page.getByRole('dialog').getByRole('textbox').fill('Mine')
    await page.getByRole('dialog').getByRole('button', { name: 'Rename' }).click()
    await table.getByRole('button', { name: 'Delete Mine' }).click()
    await expect(page.getByRole('region', { name: 'Deleted plans' })).toContainText('Mine')
    await message(page, '“Mine” is deleted').getByRole('button', { name: 'Undo' }).click()
    await expect(table.getByRole('button', { name: 'Open Mine' })).toBeVisible()
    await table.getByRole('button', { name: 'Open Coastal survey desk', exact: true }).click()
    await placed(page, 212)
    const past = page.getByRole('complementary', { name: 'Earlier states' })
    await expect(past).toContainText('“Hide shape” on')
    await page.reload()
    await past.getByRole('button', { name: /as it was at first/ }).click()
    await placed(page, 211)
    await page.getByRole('contentinfo').getByRole('button', { name: /^Undo/ }).click()
    await placed(page, 212)
  })
  test('Undo and Redo say what they are about', async ({ page }) => {
    await openDemo(page)
    await placeFirst(page, 'hide shape')
    const foot = page.getByRole('contentinfo')
    await expect(foot.getByRole('button', { name: /^Undo “Hide shape” on/ })).toBeVisible()
    await foot.getByRole('button', { name: /^Undo/ }).click()
    await expect(foot.getByRole('button', { name: /^Redo “Hide shape” on/ })).toBeVisible()
  })
})
