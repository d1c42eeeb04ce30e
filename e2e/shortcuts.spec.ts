import { expect, test } from '@playwright/test'
import { openDemo } from './app.js'

test('a screen answers its keys from its first picture', async ({ page }) => {
  await openDemo(page)
  // the key comes as soon as the screen is in the page, before the browser has drawn it
  await page.evaluate(() => {
    const watch = new MutationObserver(() => {
      if (document.querySelector('main h2')?.textContent !== 'Clashes') return
      watch.disconnect()
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'f', code: 'KeyF', bubbles: true }))
    })
    watch.observe(document.body, { childList: true, subtree: true })
  })
  await page.getByRole('link', { name: 'Clashes', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Clashes' })).toBeVisible()
  await expect(page.getByRole('searchbox', { name: 'Find clashes by name' })).toBeFocused()
})
