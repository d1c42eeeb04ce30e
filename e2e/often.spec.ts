import { expect, test, type Page } from '@playwright/test'
import { axeFinds } from './access.js'
import { message } from './app.js'

async function openOften(page: Page, way: string): Promise<void> {
  await page.goto('/commands/often')
  await page.getByRole('tab', { name: way }).click()
}
const foot = (page: Page) => page.getByRole('contentinfo')
/** What the plan says of a command's use. */
async function usesOf(page: Page, name: string): Promise<string> {
  await page.getByRole('link', { name: 'Inventory' }).click()
  await page.getByRole('searchbox').fill(name)
  return page.getByRole('textbox', { name: `Uses an hour of ${name}` }).inputValue()
}

test('a tally counts by letters, survives a reload, is shared with its small window and gives rates', async ({
  page,
  context,
}) => {
  await openOften(page, 'Tally')
  const board = page.getByRole('application', { name: /^Count by letters/ })
  await page.getByRole('button', { name: 'Count', exact: true }).click()
  await board.focus()
  for (const key of ['a', 'a', 'b', 'A', 'a', 'a']) await page.keyboard.press(key)
  await expect(page.getByRole('spinbutton', { name: 'Uses of Next vertex' })).toHaveValue('3')
  const opening = context.waitForEvent('page')
  await page.getByRole('button', { name: 'In a small window' }).click()
  const small = await opening
  await small.getByRole('button', { name: 'Count Move vertex' }).click()
  await expect(page.getByRole('spinbutton', { name: 'Uses of Move vertex' })).toHaveValue('2')
  await small.close()
  await page.reload()
  await page.getByRole('tab', { name: 'Tally' }).click()
  await page.getByRole('textbox', { name: 'Minutes counted' }).fill('20')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('row', { name: /Next vertex/ })).toContainText('9 give or take 50 %')
  expect(await axeFinds(page)).toEqual([])
  await page.getByRole('button', { name: 'Take these rates' }).click()
  await expect(message(page, '2 commands have the rates that were counted')).toBeVisible()
  expect(await usesOf(page, 'Next vertex')).toBe('9')
  await foot(page).getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByRole('textbox', { name: 'Uses an hour of Next vertex' })).not.toHaveValue('9')
})

test('commands are compared two by two, by keys alone, and get rates by their order', async ({ page }) => {
  await openOften(page, 'By comparing')
  await page.getByRole('button', { name: 'Begin comparing' }).click()
  await expect(page.getByRole('application')).toBeFocused()
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowUp')
  await expect(page.getByRole('list', { name: 'The order so far' }).getByRole('listitem')).toHaveCount(1)
  const ends = page.getByText('All are in order.')
  for (let asked = 0; asked < 70 && (await ends.count()) === 0; asked++)
    await page.keyboard.press(asked % 2 === 0 ? 'ArrowLeft' : 'ArrowRight')
  await expect(ends).toBeVisible()
  await page.getByRole('button', { name: 'Take these rates' }).click()
  await expect(message(page, '16 commands have their rates by the order')).toBeVisible()
})
