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
    'learn',
    'carry',
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

test('axe finds nothing in the sheets, by day and by night', async ({ page }) => {
  // over a plain screen: what shines through from below is looked at for each word above it
  await page.goto('/bench/device/pad')
  /** All rules by day, and those of colour by night. */
  const bothClean = async (name: string): Promise<void> => {
    expect(await axeFinds(page, { part: sheet }), name).toEqual([])
    await page.evaluate(() => (document.documentElement.dataset['theme'] = 'night'))
    expect(await axeFinds(page, { part: sheet, colours: true }), `${name} by night`).toEqual([])
    await page.evaluate(() => (document.documentElement.dataset['theme'] = 'day'))
  }
  for (const entry of [
    'Hand, board and system…',
    'Programs and contexts…',
    'Pop-up sets…',
    'Shortcuts of this app…',
  ]) {
    await planMenu(page, entry)
    await expect(page.getByRole('dialog').getByRole('heading').first()).toBeVisible()
    await bothClean(entry)
    await page.keyboard.press('Escape')
  }
  await page.goto('/commands')
  await page.getByRole('button', { name: 'All about Undo', exact: true }).click()
  await expect(page.getByRole('dialog').getByRole('button', { name: /^Icon/ })).toBeVisible()
  await bothClean('a command')
  await page.goto('/bench/device/pad/commands')
  await page.getByRole('button', { name: 'Place a command on key 20' }).click()
  await expect(page.getByRole('dialog').getByRole('combobox', { name: 'Control', exact: true })).toBeVisible()
  await bothClean('a trigger')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Deal commands …' }).click()
  await expect(page.getByRole('dialog').getByRole('searchbox')).toBeVisible()
  await bothClean('dealing')
})

test('shortcuts of the app are shown, can be changed, and refuse what the browser keeps', async ({
  page,
}) => {
  await openDemo(page)
  await page.keyboard.press('?')
  await page.getByRole('button', { name: /^Go to Labels: 9/ }).click()
  await page.keyboard.press('F5')
  await expect(page.getByRole('alert')).toContainText('The browser keeps this combination')
  await page.keyboard.press('F9')
  await expect(page.getByRole('button', { name: /^Go to Labels: F9/ })).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  await page.keyboard.press('F9')
  await expect(page.getByRole('heading', { name: 'Labels' })).toBeVisible()
})

test('no screen fails in an empty plan', async ({ page }) => {
  await page.goto('/help')
  await expect(page.getByRole('heading', { name: 'How the figures are made' })).toBeVisible()
  await planMenu(page, 'New empty plan')
  for (const at of screens.flat().filter((path) => !path.startsWith('bench/device'))) {
    await goTo(page, `/${at}`)
    await expect(
      page.locator('main').getByRole('button').or(page.locator('main').getByRole('link')).first(),
    ).toBeAttached()
    await expect(page.getByText('This screen has failed')).toHaveCount(0)
  }
  await goTo(page, '/learn')
  await expect(page.getByText('No command that is used has a key yet')).toBeVisible()
  await goTo(page, '/carry')
  await expect(page.getByText('There are no commands yet')).toBeVisible()
})

test('no screen is scrolled sideways at 1024 by 640, nor at 200 % of zoom', async ({ page }) => {
  await page.goto('/help')
  for (const [width, height] of [
    [1024, 640],
    [640, 400],
  ] as const) {
    await page.setViewportSize({ width, height })
    for (const at of screens.flat()) {
      await goTo(page, `/${at}`)
      await expect(page.locator('main').getByRole('button').first()).toBeAttached()
      const hidden = () =>
        page.evaluate(() => ({
          over: document.documentElement.scrollWidth - innerWidth,
          beside: [...document.querySelectorAll('header button, header a, footer button')]
            .filter((el) => el.getBoundingClientRect().right > innerWidth + 1)
            .map((el) => el.textContent),
        }))
      await expect.poll(hidden, { message: `${at} at ${width}` }).toEqual({ over: 0, beside: [] })
    }
  }
})

test('the focus never falls to the page: it goes to what stands nearest', async ({ page }) => {
  await page.goto('/commands')
  const isSomewhere = async (after: string): Promise<void> => {
    await expect
      .poll(() => page.evaluate(() => document.activeElement?.tagName ?? 'BODY'), { message: after })
      .not.toBe('BODY')
  }
  await page.getByRole('searchbox').fill('autotrace')
  await page
    .getByRole('textbox', { name: /^Uses an hour/ })
    .last()
    .press('Enter')
  await isSomewhere('Enter in the last cell')
  await page
    .getByRole('button', { name: /^Delete/ })
    .last()
    .press('Enter')
  await isSomewhere('a deleted row')
  await goTo(page, '/commands/routines')
  await page.getByRole('button', { name: /^Remove step 2/ }).press('Enter')
  await isSomewhere('a removed step')
  await page.getByRole('button', { name: 'Delete', exact: true }).press('Enter')
  await isSomewhere('a deleted routine')
  await page.getByRole('contentinfo').getByRole('button', { name: /^Undo/ }).press('Enter')
  await page.getByRole('contentinfo').getByRole('button', { name: /^Undo/ }).press('Enter')
  await isSomewhere('Undo')
})
