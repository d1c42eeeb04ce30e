import { expect, test } from '@playwright/test'
import { goTo, message, openDemo } from './app.js'

test('a message covers nothing that can be worked', async ({ page }) => {
  await openDemo(page)
  await goTo(page, '/commands')
  await page.getByRole('checkbox', { name: 'Choose Cut', exact: true }).check()
  await page.getByRole('button', { name: 'Take off their keys' }).click()
  const told = message(page, '1 command is taken off')
  await expect(told).toBeVisible()
  await expect
    .poll(() =>
      told.evaluate((element) => {
        const { left, right, top, bottom } = element.getBoundingClientRect()
        const under = [left, (left + right) / 2, right - 1].flatMap((x) =>
          [top, (top + bottom) / 2, bottom - 1].flatMap((y) => document.elementsFromPoint(x, y)),
        )
        return under.filter(
          (e) => e.matches('button, a, input, select') && !e.closest('[data-sonner-toaster]'),
        ).length
      }),
    )
    .toBe(0)
})
