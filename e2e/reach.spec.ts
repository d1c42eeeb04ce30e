import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { goTo, message, openDemo } from './app.js'

test('one’s own reach is asked for, fitted, used and undone; a reload loses no answer', async ({ page }) => {
  await openDemo(page)
  await goTo(page, '/bench/hand')
  await page.getByRole('button', { name: 'Begin', exact: true }).press('Enter')
  await expect(page.getByText('Chord 1 of 24')).toBeVisible({ timeout: 60_000 })
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
  // a hand that finds everything a stretch reaches less far than an average one
  for (let n = 1; n <= 4; n++) {
    await page.getByRole('button', { name: /^A stretch/ }).press('Enter')
    await expect(page.getByText(`Chord ${n + 1} of 24`)).toBeVisible()
  }
  await page.reload()
  await page.getByRole('button', { name: 'Go on with question 5' }).click()
  await expect(page.getByText('Chord 5 of 24')).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Skip' }).click()
  await expect(page.getByText('Chord 5 of 24')).toBeVisible()
  for (let n = 5; n <= 8; n++) {
    await page.getByRole('button', { name: /^A stretch/ }).click()
    await expect(page.getByText(`Chord ${n + 1} of 24`)).toBeVisible()
  }
  await page.getByRole('button', { name: 'One back' }).click()
  await expect(page.getByText('Chord 8 of 24')).toBeVisible()
  await page.getByRole('button', { name: /^My hand leaves/ }).click()
  await page.getByRole('button', { name: 'That is enough' }).click()
  await expect(page.getByText(/From 8 answers/)).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Use my own reach' }).click()
  await expect(page.getByText(/Your own reach is in use, from 8 answers/)).toBeVisible()
  await message(page, 'by your own reach').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/Your own reach is in use/)).toBeHidden()
})

test('a finger that is rested takes no key, on the chart at once', async ({ page }) => {
  await openDemo(page)
  const state = page.locator('[data-code=KeyS]')
  await expect(state).toHaveAttribute('aria-label', /at rest/)
  await goTo(page, '/bench/hand')
  await page.getByRole('combobox', { name: 'Ring finger' }).selectOption('rested')
  await page.getByRole('checkbox', { name: 'The wrist is not to turn' }).check()
  await goTo(page, '/')
  await expect(state).toHaveAttribute('aria-label', /\beasy/)
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(state).toHaveAttribute('aria-label', /at rest/)
})
