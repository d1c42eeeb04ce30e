import { expect, type Page } from '@playwright/test'

/** Opens the app in a fresh browser profile, which shows the demo, and waits until the chart is charted. */
export async function openDemo(page: Page): Promise<void> {
  await page.goto('/')
  await expect(page.locator('[data-code=KeyG]')).toHaveAttribute('aria-label', /ms/)
}

/** Chooses an entry of the Plan menu. */
export async function planMenu(page: Page, entry: string): Promise<void> {
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  await page.getByRole('menuitem', { name: entry }).click()
}

/** Goes to another screen of the open app without loading it anew. */
export async function goTo(page: Page, path: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState(null, '', to)
    dispatchEvent(new PopStateEvent('popstate'))
  }, path)
}

/** Chooses the modifiers that the chart shows as held, such as `Ctrl+Shift`. */
export async function hold(page: Page, modifiers: string): Promise<void> {
  await page.getByRole('button', { name: /^Held/ }).click()
  await page.getByRole('option', { name: modifiers, exact: true }).click()
}
