import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { planMenu } from './app.js'

test('the help is found in the menu, searched, and leads to where a thing is done', async ({ page }) => {
  await page.goto('/')
  await planMenu(page, 'Help')
  await expect(page.getByRole('heading', { name: 'Help' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'How to' }).getByRole('article')).toHaveCount(17)
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
  await page.getByRole('searchbox', { name: 'Search the help' }).fill('keystroke level')
  await expect(page.getByText('1 found')).toBeVisible()
  await expect(page.getByRole('article')).toContainText('Card, Moran and Newell')
  await page.getByRole('searchbox', { name: 'Search the help' }).fill('bring in spreadsheets')
  await page.getByRole('link', { name: 'Go to Bring in' }).click()
  await expect(page.getByRole('button', { name: 'Choose a file' })).toBeVisible()
})
