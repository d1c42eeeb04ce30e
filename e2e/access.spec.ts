import { expect, test, type Page } from '@playwright/test'
import { axeFinds, sheet } from './access.js'
import { goTo, openDemo, planMenu } from './app.js'

/** Every screen, and those behind its tabs, in the shares in which they are tested side by side. */
const screens = [
  [
    'clashes',
    'clashes/matrix',
    'clashes/machine',
    'labels',
    'labels/printer',
    'try',
    'solve',
    'compare',
    'plans',
  ],
  [
    'commands',
    'commands/lookup',
    'commands/usage',
    'commands/routines',
    'commands/mnemonics',
    'commands/ideas',
  ],
  [
    'bench',
    'bench/devices',
    'bench/moves',
    'bench/hand',
    'bench/device/pad',
    'bench/device/deck/commands',
    'bench/device/mouse/commands',
  ],
] as const

/** What the page writes to its console as an error or a warning, from now on. */
function complaints(page: Page): readonly string[] {
  const logged: string[] = []
  // what the test tool itself says where it keeps the service worker out
  const isOurs = (text: string): boolean => !text.startsWith('Service Worker registration blocked')
  page.on(
    'console',
    (m) => ['error', 'warning'].includes(m.type()) && isOurs(m.text()) && logged.push(m.text()),
  )
  page.on('pageerror', (error) => logged.push(error.message))
  return logged
}

/** Finds nothing by day by any rule, and by night, where only colours differ, none too faint. */
async function expectClean(page: Page, name: string): Promise<void> {
  expect(await axeFinds(page), name).toEqual([])
  await page.getByRole('button', { name: 'Night colours' }).click()
  expect(await axeFinds(page, { part: 'main', colours: true }), `${name} by night`).toEqual([])
  await page.getByRole('button', { name: 'Day colours' }).click()
}

test('the plot, the places of a command and a key: axe finds nothing, and nothing complains', async ({
  page,
}) => {
  const logged = complaints(page)
  await openDemo(page)
  await expectClean(page, 'plot')
  await page.getByRole('combobox', { name: 'Find a command by name' }).fill('hide sh')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-place]').first()).toBeVisible()
  await expectClean(page, 'places')
  await page.keyboard.press('Escape')
  await page.locator('[data-code=KeyG]').click()
  await expectClean(page, 'key')
  await page.getByRole('button', { name: 'Night colours' }).click()
  expect(await axeFinds(page, { colours: true }), 'frame by night').toEqual([])
  expect(logged).toEqual([])
})

for (const share of screens) {
  test(`${share[0]} to ${share.at(-1)}: axe finds nothing, and nothing complains`, async ({ page }) => {
    const logged = complaints(page)
    await page.goto('/try')
    for (const at of share) {
      await goTo(page, `/${at}`)
      await expect(page.locator('main').getByRole('button').first()).toBeVisible()
      await page.waitForTimeout(400)
      await expectClean(page, at)
    }
    expect(logged).toEqual([])
  })
}

test('axe finds nothing in the sheets', async ({ page }) => {
  // over a plain screen: what shines through from below is looked at for each word above it
  await page.goto('/bench/device/pad')
  for (const entry of [
    'Hand, board and system…',
    'Programs and contexts…',
    'Pop-up sets…',
    'Shortcuts of this app…',
  ]) {
    await planMenu(page, entry)
    await expect(page.getByRole('dialog').getByRole('heading').first()).toBeVisible()
    expect(await axeFinds(page, { part: sheet }), entry).toEqual([])
    await page.keyboard.press('Escape')
  }
  await page.goto('/commands')
  await page.getByRole('button', { name: 'All about Undo', exact: true }).click()
  await expect(page.getByRole('dialog').getByRole('button', { name: /^Icon/ })).toBeVisible()
  expect(await axeFinds(page, { part: sheet }), 'a command').toEqual([])
  await page.goto('/bench/device/pad/commands')
  await page.getByRole('button', { name: 'Place a command on key 20' }).click()
  await expect(page.getByRole('dialog').getByRole('combobox', { name: 'Control' })).toBeVisible()
  expect(await axeFinds(page, { part: sheet }), 'a trigger').toEqual([])
})

test('shortcuts of the app are shown, can be changed, and refuse what the browser keeps', async ({
  page,
}) => {
  await openDemo(page)
  await page.keyboard.press('?')
  await page.getByRole('button', { name: /^Go to Labels: 8/ }).click()
  await page.keyboard.press('F5')
  await expect(page.getByRole('alert')).toContainText('The browser keeps this combination')
  await page.keyboard.press('F9')
  await expect(page.getByRole('button', { name: /^Go to Labels: F9/ })).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  await page.keyboard.press('F9')
  await expect(page.getByRole('heading', { name: 'Labels' })).toBeVisible()
})
