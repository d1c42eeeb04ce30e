import { expect, test } from '@playwright/test'
import { openDemo, planMenu } from './app.js'

const saved = { hasText: /^saved$/ }

test('two tabs never overwrite each other silently', async ({ context, page }) => {
  await openDemo(page)
  await expect(page.getByRole('status').filter(saved)).toBeVisible()
  const other = await context.newPage()
  await other.goto('/')
  await planMenu(other, 'New empty plan')
  await expect(other.getByRole('status').filter(saved)).toBeVisible()
  await expect(page.getByRole('alert')).toContainText('This plan was changed in another tab')

  await page.getByRole('combobox', { name: 'Find a command by name' }).fill('hide shape')
  await page.keyboard.press('Enter')
  await page.locator('[data-place]').first().click()
  await expect(page.getByText('not saved', { exact: true })).toBeVisible()
  await other.reload()
  await expect(other.getByText('No commands yet.')).toBeVisible()

  await page.getByRole('button', { name: 'Keep this one' }).click()
  await expect(page.getByRole('alert')).toHaveCount(0)
  await expect(other.getByRole('alert')).toContainText('changed in another tab')
  await other.getByRole('button', { name: 'Take the other tab’s plan' }).click()
  await expect(other.getByText('212 of 253 commands placed')).toBeVisible()
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
  await page.evaluate(() => void ((window as { full?: boolean }).full = true))
  await planMenu(page, 'New empty plan')
  await expect(page.getByRole('alert').filter({ hasText: 'Not saved' })).toBeVisible()
  await page.evaluate(() => void ((window as { full?: boolean }).full = false))
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByRole('status').filter(saved)).toBeVisible()
  await page.reload()
  await expect(page.getByText('No commands yet.')).toBeVisible()
})

test('a change that the page could not save before it closed is there again', async ({ page }) => {
  await openDemo(page)
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('no room', 'QuotaExceededError')
    }
  })
  await planMenu(page, 'New empty plan')
  await page.reload()
  await expect(page.getByText('No commands yet.')).toBeVisible()
})

test('a stored plan that cannot be read is put aside and said, and the app opens all the same', async ({
  page,
}) => {
  await openDemo(page)
  await expect(page.getByRole('status').filter(saved)).toBeVisible()
  await page.evaluate(async () => {
    const database = await new Promise<IDBDatabase>((resolve, reject) => {
      const opening = indexedDB.open('reach-plot')
      opening.onsuccess = () => resolve(opening.result)
      opening.onerror = () => reject(opening.error)
    })
    const write = database.transaction('plan', 'readwrite')
    write.objectStore('plan').put({ revision: 7, text: '{"format":"reachplot-plan","version":1}' }, 'current')
    await new Promise((resolve) => (write.oncomplete = resolve))
    database.close()
  })
  await page.reload()
  await expect(page.getByRole('alert')).toContainText('The saved plan could not be read and was put aside')
  await expect(page.getByText('211 of 253 commands placed')).toBeVisible()
  const kept = await page.evaluate(async () => {
    const database = await new Promise<IDBDatabase>((resolve) => {
      const opening = indexedDB.open('reach-plot')
      opening.onsuccess = () => resolve(opening.result)
    })
    const keys = database.transaction('plan').objectStore('plan').getAllKeys()
    return new Promise((resolve) => (keys.onsuccess = () => resolve(keys.result)))
  })
  expect(kept).toContain('unreadable-7')
  await page.getByRole('alert').getByRole('button', { name: 'Close' }).click()
  await expect(page.getByRole('alert')).toHaveCount(0)
})
