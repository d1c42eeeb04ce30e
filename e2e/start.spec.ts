import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'

// the first visit, as a newcomer has it
test.use({ storageState: { cookies: [], origins: [] } })

const axe = async (page: Page): Promise<void> =>
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])

test('from the first visit to what gains most by the keyboard alone, in at most 60 presses', async ({
  page,
}) => {
  let presses = 0
  const press = async (key: string, times = 1): Promise<void> => {
    for (let i = 0; i < times; i++) await page.keyboard.press(key)
    presses += times
  }
  /** Tab until a part of the page has the focus. */
  const tabTo = async (name: RegExp): Promise<void> => {
    for (let i = 0; i < 40; i++) {
      await press('Tab')
      const found = await page.evaluate(() => {
        const at = document.activeElement as HTMLElement
        const label = at.getAttribute('aria-label') ?? (at as HTMLInputElement).labels?.[0]?.textContent ?? ''
        return `${label} ${at.textContent ?? ''}`
      })
      if (name.test(found)) return
    }
    throw new Error(`no focus on ${name.source}`)
  }
  await page.goto('/')
  await expect(page.getByRole('region', { name: 'Welcome' })).toContainText('what you see here is an example')
  await axe(page)
  await press('Enter')
  await expect(page.getByRole('heading', { name: 'What stands on your desk?' })).toBeFocused()
  await tabTo(/Pad of 20 keys/)
  await press('Space')
  await expect(page.getByRole('status').filter({ hasText: 'The left hand rests on A S D F' })).toContainText(
    /\d+ keys within easy reach/,
  )
  await axe(page)
  await press('Control+Enter')
  await expect(page.getByRole('heading', { name: 'Which hand rests on the keys?' })).toBeFocused()
  await axe(page)
  await press('Enter')
  await expect(page.getByRole('heading', { name: 'Which system, layout and programs?' })).toBeFocused()
  await tabTo(/Name of a program/)
  await page.keyboard.type('Chartroom')
  await press('Enter')
  await expect(page.getByRole('region', { name: 'Chartroom' })).toBeVisible()
  await axe(page)
  await press('Control+Enter')
  await expect(page.getByRole('heading', { name: 'Which commands do you use?' })).toBeFocused()
  await tabTo(/Or type or paste it/)
  await page.keyboard.insertText(
    Array.from(
      { length: 24 },
      (_, i) => `Sound ${i + 1}\tChart > Depth ${i + 1}\t${i < 12 ? `Ctrl+Alt+${'ABCDEFGHIJKL'[i]!}` : ''}`,
    ).join('\n'),
  )
  await tabTo(/Read it/)
  await press('Enter')
  await expect(page.getByRole('button', { name: 'Bring in 24 commands' })).toBeFocused()
  await axe(page)
  await press('Enter')
  await expect(page.getByText('24 commands are in the plan')).toBeVisible()
  await press('Control+Enter')
  await expect(page.getByText('1 of 24', { exact: true })).toBeVisible()
  // the piles: one key each
  for (const [i, pile] of [...'43224411223344112233'].entries()) {
    await page.keyboard.press(pile)
    await expect(page.getByText(`${i + 2} of 24`, { exact: true })).toBeVisible()
  }
  await axe(page)
  await press('Control+Enter')
  await expect(page.getByRole('button', { name: 'What next' })).toHaveAttribute('aria-pressed', 'true')
  const first = page.getByRole('listbox', { name: 'Commands of the program in use' }).getByRole('option')
  await expect(first.first()).toContainText(/Sound \d+/)
  await expect(first.first()).not.toContainText('…')
  await expect(page.getByText('12 of 24 commands placed')).toBeVisible()
  expect(presses).toBeLessThanOrEqual(60)
  // the example is still there, beside the new plan
  await page.goto('/plans')
  await expect(page.getByRole('row').filter({ hasText: 'Coastal survey' })).toBeVisible()
  await expect(page.getByRole('row').filter({ hasText: 'My desk' })).toContainText('open')
})

test('the welcome goes when it is read, and does not come again', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Look at the example' }).click()
  await expect(page.getByRole('region', { name: 'Welcome' })).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Choose a command' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Welcome' })).toHaveCount(0)
})

test('every step can be passed over and gone back to, and each change can be undone', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Start with my own desk' }).click()
  const mouse = page.getByRole('group', { name: 'Beside it' }).getByRole('button', { name: /^Mouse with/ })
  await mouse.click()
  await expect(mouse).toHaveAttribute('aria-pressed', 'true')
  await expect(page.locator('[data-device=mouse]')).toBeVisible()
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('[data-device=mouse]')).toHaveCount(0)
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: /^Next/ }).click()
  await expect(page.getByText('No commands yet. Bring some in first.')).toBeVisible()
  await page.getByRole('button', { name: '2 Hand' }).click()
  await page.getByRole('radio', { name: 'Right hand' }).check()
  await expect(page.getByRole('status').filter({ hasText: 'The right hand rests on J K L ;' })).toBeVisible()
})
