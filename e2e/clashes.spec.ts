import { expect, test, type Page } from '@playwright/test'
import { openDemo, planMenu } from './app.js'

async function openClashes(page: Page): Promise<void> {
  await openDemo(page)
  await page.getByRole('link', { name: 'Clashes', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Clashes' })).toBeVisible()
}

const detail = (page: Page) => page.getByRole('complementary', { name: 'The chosen clash' })

test('clashes stand in groups of severity, each explained', async ({ page }) => {
  await openClashes(page)
  for (const [severity, meaning] of [
    ['blocks', 'The command never gets the press.'],
    ['shadows', 'Something else gets the press in some state.'],
    ['ambiguous', 'Two commands answer to the same press.'],
  ] as const) {
    await expect(page.getByRole('region', { name: severity })).toContainText(meaning)
  }
  await page.getByRole('button', { name: /Show depths/ }).click()
  await expect(detail(page)).toContainText('No device on this bench has the key F13.')
})

test('two commands on one key: the less used one moves, and undo brings the clash back', async ({ page }) => {
  await openClashes(page)
  const clash = page.getByRole('button', { name: /Q means “Split line” and “Snap on or off”/ })
  await clash.click()
  await expect(detail(page).getByRole('listitem').first()).toContainText('Split line')
  await detail(page)
    .getByRole('button', { name: /^Move “Snap on or off” to/ })
    .first()
    .click()
  await expect(clash).toHaveCount(0)
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(clash).toHaveCount(1)
})

test('a clash leads to its key on the Plot, with its modifiers', async ({ page }) => {
  await openClashes(page)
  await page.getByRole('button', { name: /AltGr\+E types “€”/ }).click()
  await detail(page).getByRole('button', { name: 'Show AltGr+E on the Plot' }).click()
  await expect(
    page.getByRole('group', { name: 'Held modifiers' }).getByRole('button', { name: 'AltGr' }),
  ).toHaveAttribute('aria-pressed', 'true')
  await expect(page.locator('[data-code=KeyE]')).toHaveAttribute(
    'aria-label',
    /^AltGr\+E\. Insert degree sign/,
  )
  await expect(page.getByRole('list', { name: 'Levels of E' })).toBeVisible()
})

test('another system and layout have other clashes', async ({ page }) => {
  await openClashes(page)
  await expect(page.getByRole('button', { name: /Ctrl\+Alt\+Q types/ })).toHaveCount(0)
  await planMenu(page, 'Hand, board and system…')
  await page.getByRole('combobox', { name: 'System' }).selectOption('windows')
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByRole('button', { name: /Ctrl\+Alt\+Q types “@”/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /Windows takes Win\+L first: Lock/ }).first()).toBeVisible()
})

test('where text is typed and which contexts live together decides about clashes', async ({ page }) => {
  await openClashes(page)
  await expect(
    page.getByRole('button', { name: /types “.” while text can be typed in Reedcall/ }),
  ).toHaveCount(0)
  await planMenu(page, 'Programs and contexts…')
  await page.getByRole('checkbox', { name: 'Text is typed in Tag' }).check()
  await page.getByRole('checkbox', { name: 'Tracing and Overview are live together' }).uncheck()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(
    page.getByRole('button', { name: /S types “s” while text can be typed in Reedcall, Tag/ }),
  ).toBeVisible()
  await expect(page.getByRole('button', { name: /D means “Add vertex” and “Mark done”/ })).toHaveCount(0)
})

test('clashes are found by name and by pressing the key', async ({ page }) => {
  await openClashes(page)
  await page.keyboard.press('f')
  await page.keyboard.type('lock layer')
  await expect(page.getByRole('status').filter({ hasText: /2 of \d+ on GNOME/ })).toBeVisible()
  await page.getByRole('searchbox', { name: 'Find clashes by name' }).fill('')
  await page.getByRole('button', { name: 'Find by pressing a key' }).click()
  await page.keyboard.press('q')
  await expect(detail(page)).toContainText('Q means')
  await page.getByRole('button', { name: 'Show all, not only those on Q' }).click()
  await expect(page.getByRole('region', { name: 'blocks' })).toBeVisible()
})
