import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { openDemo, planMenu } from './app.js'

const night = (page: Page): Promise<unknown> =>
  page.addInitScript(() =>
    localStorage.setItem('reach-plot-settings', JSON.stringify({ state: { theme: 'night' }, version: 1 })),
  )

const standards = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']

/** What axe finds, on the whole page or in one part of it. By night only colours differ, so only contrast is asked. */
const findings = async (page: Page, theme: 'day' | 'night' = 'day', part = 'body'): Promise<string[]> => {
  // what passes is not listed, which takes most of the time on long tables; there are no frames to look into
  const axe = new AxeBuilder({ page })
    .include(part)
    .options({ resultTypes: ['violations'] })
    .setLegacyMode()
  const { violations } = await (
    theme === 'day' ? axe.withTags(standards) : axe.withRules(['color-contrast'])
  ).analyze()
  return violations.flatMap((v) =>
    v.nodes.map((n) => `${v.id}: ${n.target.join(' ')} ${n.failureSummary?.split('\n')[1] ?? ''}`),
  )
}

for (const theme of ['day', 'night'] as const) {
  test(`axe finds nothing on any screen by ${theme}`, async ({ page }) => {
    test.slow()
    if (theme === 'night') await night(page)
    await openDemo(page)
    expect(await findings(page, theme)).toEqual([])
    await page.getByRole('combobox', { name: 'Find a command by name' }).fill('hide sh')
    await page.keyboard.press('Enter')
    await expect(page.locator('[data-place]').first()).toBeVisible()
    expect(await findings(page, theme)).toEqual([])
    await page.keyboard.press('Escape')
    await page.locator('[data-code=KeyG]').click()
    expect(await findings(page, theme)).toEqual([])
    for (const view of ['Commands', 'Clashes', 'Labels']) {
      await page.getByRole('link', { name: view, exact: true }).click()
      await expect(page.getByRole('heading', { name: view })).toBeVisible()
      await page.waitForTimeout(300)
      expect(await findings(page, theme), view).toEqual([])
    }
  })
}

/** Screens that stand behind tabs, by their addresses. */
const inner = [
  'bench', 'bench/devices', 'bench/moves', 'bench/device/pad', 'bench/device/deck/commands', 'bench/device/mouse/commands',
  'commands/lookup', 'commands/usage', 'commands/routines', 'commands/mnemonics', 'commands/ideas', 'try',
  'bench/hand', 'clashes/matrix', 'clashes/machine', 'solve', 'labels/printer',
] // prettier-ignore

for (const theme of ['day', 'night'] as const) {
  test(`axe finds nothing behind the tabs by ${theme}`, async ({ page }) => {
    test.slow()
    if (theme === 'night') await night(page)
    await openDemo(page)
    for (const at of inner) {
      await page.goto(`/${at}`)
      await expect(page.locator('main').getByRole('button').first()).toBeVisible()
      await page.waitForTimeout(400)
      expect(await findings(page, theme), at).toEqual([])
    }
  })
}

test('axe finds nothing in the sheets', async ({ page }) => {
  await openDemo(page)
  for (const entry of [
    'Hand, board and system…',
    'Programs and contexts…',
    'Pop-up sets…',
    'Shortcuts of this app…',
  ]) {
    await planMenu(page, entry)
    await expect(page.getByRole('dialog').getByRole('heading').first()).toBeVisible()
    expect(await findings(page, 'day', '[role=dialog]'), entry).toEqual([])
    await page.keyboard.press('Escape')
  }
  await page.goto('/commands')
  await page.getByRole('button', { name: 'All about Undo', exact: true }).click()
  await expect(page.getByRole('dialog').getByRole('button', { name: /^Icon/ })).toBeVisible()
  expect(await findings(page, 'day', '[role=dialog]'), 'a command').toEqual([])
  await page.goto('/bench/device/pad/commands')
  await page.getByRole('button', { name: 'Place a command on key 20' }).click()
  await expect(page.getByRole('dialog').getByRole('combobox', { name: 'Control' })).toBeVisible()
  expect(await findings(page, 'day', '[role=dialog]'), 'a trigger').toEqual([])
})

test('shortcuts of the app are shown, can be changed, and refuse what the browser keeps', async ({
  page,
}) => {
  await openDemo(page)
  await page.keyboard.press('?')
  await page.getByRole('button', { name: /^Go to Labels: 4/ }).click()
  await page.keyboard.press('F5')
  await expect(page.getByRole('alert')).toContainText('The browser keeps this combination')
  await page.keyboard.press('F9')
  await expect(page.getByRole('button', { name: /^Go to Labels: F9/ })).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  await page.keyboard.press('F9')
  await expect(page.getByRole('heading', { name: 'Labels' })).toBeVisible()
})

test('no screen logs an error or a warning', async ({ page }) => {
  const logged: string[] = []
  page.on(
    'console',
    (message) => ['error', 'warning'].includes(message.type()) && logged.push(message.text()),
  )
  page.on('pageerror', (error) => logged.push(error.message))
  await openDemo(page)
  for (const view of ['Commands', 'Clashes', 'Labels', 'Bench', 'Solve', 'Compare', 'Try', 'Plot']) {
    await page.getByRole('link', { name: view, exact: true }).click()
    await page.waitForTimeout(300)
  }
  for (const at of inner) {
    await page.goto(`/${at}`)
    await page.waitForTimeout(300)
  }
  expect(logged).toEqual([])
})
