import { expect, test } from '@playwright/test'
import { openDemo, planMenu } from './app.js'

test('the keyboard alone finds, places, undoes and redoes', async ({ page }) => {
  await openDemo(page)
  await page.keyboard.press('f')
  await page.keyboard.type('hide shape')
  await page.keyboard.press('Enter')
  const first = page.locator('[data-place]').first()
  await expect(first).toBeFocused()
  const place = await first.getAttribute('data-place')
  await page.keyboard.press('Enter')
  if (await page.getByRole('dialog').isVisible()) throw new Error('the best place should be free')
  await expect(page.getByText(/“Hide shape” is on/)).toBeVisible()
  await expect(page.locator(`[data-code=${place}]`)).toHaveAttribute('aria-label', /Hide shape/)
  await page.keyboard.press('Control+z')
  await expect(page.locator(`[data-code=${place}]`)).not.toHaveAttribute('aria-label', /Hide shape/)
  await page.keyboard.press('Control+Shift+z')
  await expect(page.locator(`[data-code=${place}]`)).toHaveAttribute('aria-label', /Hide shape/)
})

test('a taken place says who holds it and offers swap, replace and cancel', async ({ page }) => {
  await openDemo(page)
  const key = (code: string) => page.locator(`[data-code=${code}]`)
  await page.getByRole('combobox', { name: 'Find a command by name' }).fill('draw freehand')
  await page.keyboard.press('Enter')
  await key('Digit2').click()
  const sheet = page.getByRole('dialog')
  await expect(sheet).toContainText('2 is taken')
  await expect(sheet.getByRole('row', { name: /Draw straight/ })).toContainText('4.4')
  await sheet.getByRole('button', { name: 'Cancel' }).click()
  await expect(key('Digit2')).toHaveAttribute('aria-label', /Draw straight/)
  await key('Digit2').click()
  await sheet.getByRole('button', { name: /^Swap/ }).click()
  await expect(key('Digit2')).toHaveAttribute('aria-label', /Draw freehand/)
  await expect(key('Digit1')).toHaveAttribute('aria-label', /Draw straight/)
  await key('Digit1').click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Replace/ })
    .click()
  await expect(key('Digit1')).toHaveAttribute('aria-label', /Draw freehand/)
  await page.getByRole('combobox', { name: 'Find a command by name' }).fill('')
  await page.getByRole('button', { name: /^Unplaced/ }).click()
  await expect(page.getByRole('listbox').getByRole('option').first()).toContainText('Draw straight')
  await expect(page.getByRole('listbox').getByRole('option').first()).toContainText('let go')
})

test('holding real modifiers charts their layer, and letting go shows the bare one again', async ({
  page,
}) => {
  await openDemo(page)
  await page.keyboard.down('Shift')
  await expect(page.getByRole('button', { name: 'Shift', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await expect(page.locator('[data-code=KeyY]')).toHaveAttribute('aria-label', /^Shift\+Z/)
  await page.keyboard.up('Shift')
  await expect(page.getByRole('button', { name: 'bare' })).toHaveAttribute('aria-pressed', 'true')
})

test('pressing a key finds what is on it, and choosing a key shows all its levels', async ({ page }) => {
  await openDemo(page)
  await page.keyboard.press('k')
  await page.keyboard.press('Control+KeyC')
  await expect(page.getByRole('listbox').getByRole('option')).toHaveCount(1)
  await expect(page.getByRole('listbox').getByRole('option')).toContainText('Copy')
  await page.getByRole('button', { name: /Show all, not only/ }).click()
  await page.locator('[data-code=KeyL]').click()
  const levels = page.getByRole('list', { name: 'Levels of L' })
  await expect(levels.getByRole('listitem').filter({ hasText: 'Super' }).first()).toContainText(
    'Kept: Lock screen',
  )
  await expect(levels.getByRole('listitem').filter({ hasText: 'bare' })).toContainText('Loop part')
  await expect(levels.getByRole('listitem').filter({ hasText: 'AltGr' })).toContainText('free')
})

test('keys are walked with the arrows and placed with Enter', async ({ page }) => {
  await openDemo(page)
  await page.keyboard.press('c')
  await expect(page.locator('[data-code=KeyF]')).toBeFocused()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await expect(page.locator('[data-code=KeyH]')).toBeFocused()
  await page.keyboard.press('ArrowUp')
  await expect(page.locator('[data-code=KeyY], [data-code=KeyU]').and(page.locator(':focus'))).toHaveCount(1)
})

test('a key that gets the focus outside the chart is moved into view', async ({ page }) => {
  await openDemo(page)
  await page.keyboard.press('c')
  for (let i = 0; i < 24; i++) await page.keyboard.press('ArrowRight')
  const key = page.locator('[data-code]:focus')
  await expect(key).toHaveAttribute('data-code', /^mouse/)
  const chart = await page.getByRole('group', { name: /^Chart of/ }).boundingBox()
  const box = await key.boundingBox()
  expect(box!.x).toBeGreaterThanOrEqual(chart!.x)
  expect(box!.x + box!.width).toBeLessThanOrEqual(chart!.x + chart!.width)
})

test('opposites are placed together on one key with and without Shift', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('combobox', { name: 'Find a command by name' }).fill('hide shape')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Place both' }).first().click()
  await expect(page.locator('[data-code=KeyH]')).toHaveAttribute('aria-label', /Hide shape/)
  await page.getByRole('button', { name: 'Shift', exact: true }).click()
  await expect(page.locator('[data-code=KeyH]')).toHaveAttribute('aria-label', /Show all shapes/)
})

test('defaults are never edited: a change goes into a copy', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('button', { name: /^Arrangement/ }).click()
  await page.getByRole('menuitem', { name: /Program defaults cannot be edited/ }).click()
  await page.getByRole('combobox', { name: 'Find a command by name' }).fill('wreck')
  await page.keyboard.press('Enter')
  await page.locator('[data-place]').first().click()
  await expect(page.getByText('“Program defaults” stays as it is')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Arrangement/ })).toContainText('Program defaults, copy')
})

test('arrangements are copied, renamed and deleted', async ({ page }) => {
  await openDemo(page)
  const menu = page.getByRole('button', { name: /^Arrangement/ })
  await menu.click()
  await page.getByRole('menuitem', { name: /^Copy/ }).click()
  await expect(menu).toContainText('Field season, draft 1, copy')
  await menu.click()
  await page.getByRole('menuitem', { name: 'Rename…' }).click()
  await page.getByRole('textbox', { name: 'Name' }).fill('Travel')
  await page.getByRole('button', { name: 'Rename' }).click()
  await expect(menu).toContainText('Travel')
  await menu.click()
  await page.getByRole('menuitem', { name: 'Delete' }).click()
  await expect(menu).not.toContainText('Travel')
})

test('hand, board, layout and system can be changed, and the chart follows', async ({ page }) => {
  await openDemo(page)
  await planMenu(page, 'Hand, board and system…')
  const sheet = page.getByRole('dialog')
  await expect(sheet).toContainText('Larger than 60 % of 236 students’ hands')
  await sheet.getByRole('combobox', { name: 'Board' }).selectOption('laptop-compact')
  await sheet.getByRole('combobox', { name: 'National layout' }).selectOption('fr')
  await sheet.getByRole('combobox', { name: 'System' }).selectOption('macos')
  await sheet.getByRole('radio', { name: 'right' }).check()
  await sheet.getByRole('button', { name: 'Done' }).click()
  await expect(page.locator('[data-code=KeyJ]')).toHaveAttribute('aria-label', /rest, 100 ms/)
  await expect(page.locator('[data-code=KeyQ]')).toHaveAttribute('aria-label', /^A\./)
  await expect(page.locator('[data-code=Numpad5]')).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Command', exact: true })).toBeVisible()
})
