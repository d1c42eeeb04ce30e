import { expect, type Locator, type Page } from '@playwright/test'

/** Opens the app in a fresh browser profile, which shows the demo, and waits until the chart is charted. */
export async function openDemo(page: Page): Promise<void> {
  await page.goto('/')
  await expect(page.locator('[data-code=KeyG]')).toHaveAttribute('aria-label', /ms/)
}

/** Chooses an entry of the Plan menu. */
export async function planMenu(page: Page, entry: string): Promise<void> {
  await page.getByRole('button', { name: /^Plan / }).click()
  await page.getByRole('menuitem', { name: entry }).click()
}

/** Goes to another screen of the open app without loading it anew. */
export async function goTo(page: Page, path: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState(null, '', to)
    dispatchEvent(new PopStateEvent('popstate'))
  }, path)
}

/** Chooses in a field that is searched, by its name. */
export async function chooseCommand(chooser: Locator, name: string): Promise<void> {
  await chooser.fill(name)
  await chooser.page().getByRole('option', { name }).first().click()
}

/** The modifiers that the chart shows as held. */
export const held = (page: Page): Locator =>
  page.getByRole('radiogroup', { name: 'Held modifiers' }).getByRole('radio', { checked: true })

/** Chooses the modifiers that the chart shows as held, such as `Ctrl+Shift`. */
export async function hold(page: Page, modifiers: string): Promise<void> {
  await page.getByRole('radio', { name: modifiers, exact: true }).click()
}

/** Places a command that has no key on its first ranked place. */
export async function placeFirst(page: Page, name: string): Promise<void> {
  const find = page.getByRole('combobox', { name: 'Find a command by name' })
  await find.fill(name)
  await page.keyboard.press('Enter')
  await page.locator('[data-place]').first().click()
}

/** The message that says `words`, at the foot of the screen. */
export function message(page: Page, words: string): Locator {
  return page.locator('[data-sonner-toast]').filter({ hasText: words })
}

/** Chooses an entry of the inventory's menu of files. */
export async function filesMenu(page: Page, entry: string): Promise<void> {
  await page.getByRole('button', { name: 'Files', exact: true }).click()
  await page.getByRole('menuitem', { name: entry }).click()
}
