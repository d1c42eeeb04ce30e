import { expect, test, type Page } from '@playwright/test'
import { held, openDemo, planMenu } from './app.js'

async function openClashes(page: Page): Promise<void> {
  await page.goto('/clashes')
  await expect(page.getByRole('heading', { name: 'Clashes' })).toBeVisible()
}

const detail = (page: Page) => page.getByRole('complementary', { name: 'The chosen clash' })

test('clashes stand in groups of severity, each explained', async ({ page }) => {
  await openClashes(page)
  for (const [severity, meaning] of [
    ['never arrives', 'The command never gets the press.'],
    ['hides another', 'Something else gets the press in some state.'],
    ['two answers', 'Two commands answer to the same press.'],
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
  await expect(held(page)).toHaveAccessibleName('AltGr')
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
  await expect(page.getByRole('region', { name: 'never arrives' })).toBeVisible()
})

test('a finding names its evidence, and a broken relay is mended by what it sends', async ({ page }) => {
  await openClashes(page)
  await page.getByRole('button', { name: /pad key 3 sends T for “Tide line”/ }).click()
  await expect(detail(page)).toContainText('How sure: follows from the plan.')
  await page
    .getByRole('button', { name: /GNOME 43 takes Super\+L first: Lock screen/ })
    .filter({ hasNotText: 'sends' })
    .click()
  await expect(detail(page)).toContainText('How sure: from a catalogue.')
  await expect(detail(page)).toContainText('gsettings set org.gnome')
  await detail(page)
    .getByRole('button', { name: /^Turn the key off in GNOME 43/ })
    .click()
  await expect(page.getByRole('button', { name: /GNOME 43 takes Super\+L first: Lock screen/ })).toHaveCount(
    0,
  )
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(
    page.getByRole('button', { name: /GNOME 43 takes Super\+L first: Lock screen/ }).first(),
  ).toBeVisible()
})

test('a finding is accepted with a note, stays listed, and is taken up again', async ({ page }) => {
  await openClashes(page)
  await expect(page.getByText('101 clashes')).toBeVisible()
  await page.getByRole('button', { name: /No device on this bench has the key F13/ }).click()
  await detail(page).getByLabel('Live with it').fill('Only at the office')
  await detail(page).getByRole('button', { name: 'Accept' }).click()
  await expect(page.getByText('100 clashes')).toBeVisible()
  const accepted = page.getByRole('region', { name: 'accepted' })
  await expect(accepted).toContainText('Only at the office')
  await page.reload()
  await accepted.getByRole('button').click()
  await expect(detail(page)).toContainText('accepted')
  await detail(page).getByRole('button', { name: 'No longer accept it' }).click()
  await expect(page.getByText('101 clashes')).toBeVisible()
})

test('a fault is foreseen before it is made, found once it is, and mended by a remedy', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('combobox', { name: 'Find a command by name' }).fill('place depth')
  await page.getByRole('option').first().click()
  await page.getByLabel('No modifiers').check()
  await page.getByLabel('Places on').selectOption('keyboard')
  await page.getByRole('button', { name: /^40 more of/ }).click()
  await page.locator('[data-place=KeyH]').click()
  await expect(page.getByText(/H types “h” while text can be typed in Fenmap, Labelling/)).toBeVisible()
  await page.getByRole('button', { name: 'H instead' }).click()
  await expect(page.getByText('“Place depth” is on H')).toBeVisible()
  await page.getByRole('link', { name: 'Clashes', exact: true }).click()
  const found = page.getByRole('button', { name: /H types “h” while text can be typed/ })
  await found.click()
  await expect(detail(page)).toContainText('Place depth')
  await detail(page)
    .getByRole('button', { name: /^Move “Place depth” to/ })
    .first()
    .click()
  await expect(found).toHaveCount(0)
})

test('counts of the matrix lead to the findings behind them', async ({ page }) => {
  await openClashes(page)
  await page.getByRole('link', { name: 'Where and at which stage' }).click()
  await page.getByRole('button', { name: '6 of Keyboard at the stage browser or terminal' }).click()
  await expect(page.getByText('6 chosen: show all')).toBeVisible()
  await expect(page.getByRole('status').filter({ hasText: 'of 101' })).toContainText('6 of 101')
  await page.getByRole('button', { name: '6 chosen: show all' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'of 101' })).toContainText('101 of 101')
})

test('chords pressed on this machine count more than the catalogue', async ({ page }) => {
  await openClashes(page)
  await page.getByRole('link', { name: 'This machine' }).click()
  await page.getByRole('button', { name: /^Press \d+ chords/ }).click()
  const run = page.getByRole('group', { name: 'Guided run' })
  await expect(run).toContainText('Press Ctrl+Alt+←')
  // another chord does not count; the one asked for clears it
  await page.keyboard.press('Control+Alt+ArrowRight')
  await expect(run).toContainText('Press Ctrl+Alt+←')
  await page.keyboard.press('Control+Alt+ArrowLeft')
  await expect(run).toContainText('Press Ctrl+Alt+→')
  await expect(run).toContainText('Did you press it?', { timeout: 15_000 })
  await run.getByRole('button', { name: 'I pressed it' }).click()
  await run.getByRole('button', { name: 'Stop' }).click()
  const list = page.getByRole('region', { name: 'Pressed on this machine' })
  await expect(list.getByRole('listitem').filter({ hasText: 'never arrived' })).toHaveCount(1)
  await expect(list.getByRole('listitem').filter({ hasText: /^(?!.*never).*arrives/ })).toHaveCount(1)
  await page.getByRole('link', { name: 'Findings' }).click()
  await expect(page.getByRole('button', { name: /GNOME 43 takes Ctrl\+Alt\+← first/ })).toHaveCount(0)
  await page
    .getByRole('button', { name: /^.*GNOME 43 takes Ctrl\+Alt\+→ first: Switch/ })
    .filter({ hasNotText: 'sends' })
    .click()
  await expect(detail(page)).toContainText('How sure: pressed on this machine.')
})

test('a dump of one’s own settings is taken over; what is no dump says what to do', async ({ page }) => {
  await openClashes(page)
  await page.getByRole('link', { name: 'This machine' }).click()
  const file = page.getByLabel('Import your settings')
  await file.setInputFiles({ name: 'keys.txt', mimeType: 'text/plain', buffer: Buffer.from('hello') })
  await expect(
    page.getByText(/choose the text of `gsettings list-recursively` or `dconf dump \/`/),
  ).toBeVisible()
  await file.setInputFiles({
    name: 'keys.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from(
      "org.gnome.settings-daemon.plugins.media-keys screensaver ['<Super>Escape']\norg.gnome.desktop.wm.keybindings minimize @as []\n",
    ),
  })
  await expect(page.getByText(/2 settings read: 2 keys are off, 1 are your own/)).toBeVisible()
  await expect(page.getByText('your own', { exact: true })).toBeVisible()
  await page.getByRole('link', { name: 'Findings' }).click()
  await expect(page.getByRole('button', { name: /takes Super\+L first/ })).toHaveCount(0)
  await expect(page.getByRole('button', { name: /takes Super\+H first/ })).toHaveCount(0)
})

test('a combination of one’s own counts as taken; one of one’s choice is probed', async ({ page }) => {
  await openClashes(page)
  await page.getByRole('link', { name: 'This machine' }).click()
  await page.getByLabel('Another combination that is taken').fill('Strg+Alt+G')
  await page.getByLabel('For what').fill('Open the field book')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('Open the field book')).toBeVisible()
  await page.getByLabel('Another, to see whether it arrives').fill('Ctrl+F9')
  await page.getByRole('button', { name: 'Ask for it' }).click()
  await page.keyboard.press('Control+F9')
  await expect(page.getByRole('listitem').filter({ hasText: 'Ctrl+F9' })).toContainText('arrives')
})

test('a program in a terminal has the terminal’s findings, until it is said to take those keys', async ({
  page,
}) => {
  await openClashes(page)
  await planMenu(page, 'Programs and contexts')
  const dialog = page.getByRole('dialog')
  const fenmap = dialog.getByRole('region', { name: 'Fenmap' })
  await fenmap.getByRole('combobox', { name: 'Runs' }).selectOption('in a terminal')
  await dialog.getByRole('button', { name: 'Done' }).click()
  const found = page.getByRole('button', { name: /The terminal’s line discipline.* takes Ctrl\+V first/ })
  await expect(found).toBeVisible()
  await planMenu(page, 'Programs and contexts')
  await fenmap.getByRole('checkbox', { name: /It turns off the terminal’s own keys/ }).check()
  await dialog.getByRole('button', { name: 'Done' }).click()
  await expect(found).toHaveCount(0)
})
