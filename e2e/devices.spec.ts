import AxeBuilder from '@axe-core/playwright'
import { readFile, writeFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { chooseCommand, openDemo, planMenu } from './app.js'

const go = async (page: Page, view: string, part?: string): Promise<void> => {
  await page.getByRole('link', { name: view, exact: true }).click()
  if (part !== undefined) await page.getByRole('link', { name: part, exact: true }).click()
}
const device = (page: Page, id: string) => page.locator(`[data-device="${id}"]`)
const dialog = (page: Page) => page.getByRole('dialog')

/** Opens a device of the demo's desk, at its controls or at the commands on it. */
async function openDevice(page: Page, id: string, button: 'Edit controls' | 'Commands on it'): Promise<void> {
  await openDemo(page)
  await go(page, 'Bench')
  await device(page, id).click()
  await page.getByRole('button', { name: button }).click()
}

test('a device of one’s own is drawn, sends codes, goes out as a file and comes in again', async ({
  page,
}, info) => {
  await openDemo(page)
  await go(page, 'Bench')
  await page.getByRole('button', { name: 'Add a device' }).click()
  await page.getByRole('menuitem', { name: 'Touch zone in two parts' }).click()
  await page.getByRole('textbox', { name: 'Name of the device' }).fill('My strip')
  await page.getByRole('button', { name: 'Edit controls' }).click()
  await page.getByRole('textbox', { name: 'Columns' }).fill('4')
  await page.getByRole('button', { name: 'Add 4' }).click()
  const drawing = page.getByRole('group', { name: 'Drawing of My strip' })
  await expect(drawing.getByRole('button')).toHaveCount(6)
  // the four new ones are chosen together; one is then given a name, a place and a code
  await expect(page.getByText('Set for all of them')).toBeVisible()
  await drawing.getByRole('button', { name: /^key 3,/ }).click()
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Fold')
  await page.getByRole('textbox', { name: 'Centre across, mm' }).fill('22')
  await page.getByRole('combobox', { name: 'Key code that it sends' }).fill('F14')
  await expect(drawing.getByRole('button', { name: /^key Fold, 22 mm across/ })).toBeVisible()
  await drawing.getByRole('button', { name: /^key Fold/ }).press('ArrowRight')
  await expect(page.getByRole('textbox', { name: 'Centre across, mm' })).toHaveValue('23')
  // dragged by ten millimetres or so
  const box = (await drawing.getByRole('button', { name: /^key Fold/ }).boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByRole('textbox', { name: 'Centre across, mm' })).not.toHaveValue('23')
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('textbox', { name: 'Centre across, mm' })).toHaveValue('23')

  await page.getByRole('link', { name: 'Back to the desk' }).click()
  await device(page, 'touch-2').click()
  const downloading = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export' }).click()
  const path = info.outputPath('strip.device.json')
  await (await downloading).saveAs(path)
  expect(JSON.parse(await readFile(path, 'utf8')).device.controls).toHaveLength(6)
  const choosing = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Read a device from a file' }).click()
  await (await choosing).setFiles(path)
  await expect(device(page, 'touch-2-2')).toBeVisible()
})

test('a board is read from a geometry file, and a keyboard of the catalogue becomes one’s own', async ({
  page,
}, info) => {
  await openDemo(page)
  await go(page, 'Bench')
  const path = info.outputPath('halves')
  await writeFile(
    path,
    `xkb_geometry "halves" { description = "Two halves"; shape "NORM" { { [18,18] } }; key.gap = 1;
     section "Left" { left = 10; top = 10; angle = 10; row { keys { <AC01>, <AC02>, <AC03>, <AC04> }; }; };
     section "Thumb" { left = 90; top = 50; angle = 20; row { keys { <SPCE>, <BKSP> }; }; }; };
     xkb_geometry "one" { shape "NORM" { { [18,18] } }; section "A" { row { keys { <ESC> }; }; }; };`,
  )
  const choosing = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Read a device from a file' }).click()
  await (await choosing).setFiles(path)
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('combobox', { name: 'Which of its boards' }).selectOption('one')
  await expect(dialog).toContainText('1 keys on')
  await dialog.getByRole('combobox', { name: 'Which of its boards' }).selectOption('halves')
  await expect(dialog).toContainText('6 are turned')
  await dialog.getByRole('button', { name: 'Add to the bench' }).click()
  await expect(device(page, 'halves')).toBeVisible()

  await device(page, 'keyboard').click()
  await chooseCommand(page.getByRole('combobox', { name: 'thumb', exact: true }), 'Alt')
  await page.getByRole('button', { name: 'Make it mine to change' }).click()
  await page.getByRole('button', { name: 'Edit controls' }).click()
  const drawing = page.getByRole('group', { name: /^Drawing of/ })
  await drawing.getByRole('button', { name: /^key KeyG/ }).click()
  await page.getByRole('textbox', { name: 'Turn, °' }).fill('15')
  await page.getByRole('link', { name: 'Plot' }).click()
  await expect(page.locator('[data-code=KeyG]').first()).toHaveAttribute('transform', /rotate\(15\)/)
})

test('a device is put where it serves best, and back by undo', async ({ page }) => {
  await openDemo(page)
  await go(page, 'Bench')
  await device(page, 'pad').click()
  const across = page.getByRole('textbox', { name: 'Across, mm' })
  const before = await across.inputValue()
  await page.getByRole('button', { name: 'Find where it serves best' }).click()
  await expect(page.getByText(/s an hour less at the dashed place/)).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Put it there' }).click()
  await expect(across).not.toHaveValue(before)
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(across).toHaveValue(before)
  // the hand’s home goes where the hand is
  await device(page, 'keyboard').click()
  await expect(page.getByRole('button', { name: 'Find where it serves best' })).toBeHidden()
})

test('a split board of sixty keys is drawn by keyboard alone in under eighty presses', async ({ page }) => {
  await openDemo(page)
  await go(page, 'Bench')
  await page.getByRole('button', { name: 'Add a device' }).click()
  await page.getByRole('menuitem', { name: 'Touch zone in two parts' }).click()
  await page.getByRole('button', { name: 'Edit controls' }).click()
  // from the first field of the tools on, every press counts
  await page.getByRole('combobox', { name: 'Add' }).focus()
  let presses = 0
  const press = async (...keys: string[]): Promise<void> => {
    for (const key of keys) {
      presses++
      await page.keyboard.press(key)
    }
  }
  const keys = page.locator('[data-control]')
  const before = await keys.count()
  await press('Tab', '6', 'Tab', '4', 'Tab', 'Tab', 'Enter')
  await expect(keys).toHaveCount(before + 24)
  await press('Tab', 'Enter')
  await expect(keys).toHaveCount(before + 30)
  await press('Tab', 'Tab', 'Enter')
  await expect(keys).toHaveCount(2 * (before + 30))
  await press('Tab', 'Enter')
  await expect(page.getByText('60 to go:')).toBeVisible()
  const codes = [
    ...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'.split('').map((letter) => `Key${letter}`),
    ...'0123456789'.split('').map((digit) => `Digit${digit}`),
    ...Array.from({ length: 12 }, (_, i) => `F${i + 1}`),
    ...['Comma', 'Period', 'Slash', 'Semicolon', 'Quote', 'BracketLeft', 'BracketRight'],
    ...['Minus', 'Equal', 'Backquote', 'Backslash', 'Tab'],
  ]
  expect(codes).toHaveLength(60)
  await press(...codes)
  expect(presses).toBeLessThan(80)
  await expect(page.getByText(/to go:/)).toBeHidden()
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
})

test('a layer is made on a board of one’s own, and its keys are places', async ({ page }) => {
  await openDemo(page)
  await go(page, 'Bench')
  await device(page, 'keyboard').click()
  await page.getByRole('button', { name: 'Make it mine to change' }).click()
  await page.getByRole('button', { name: 'Edit controls' }).click()
  await page.getByRole('link', { name: 'Layers' }).click()
  await page.getByRole('button', { name: 'Add a layer' }).click()
  await page.getByRole('textbox', { name: 'Name of the layer' }).fill('Nav')
  const keys = page.getByRole('group', { name: /^Keys of/ })
  await keys
    .getByRole('button', { name: /^Alt\b/ })
    .first()
    .click()
  await page.getByRole('combobox', { name: 'It opens “Nav”' }).selectOption('held')
  await keys.getByRole('button', { name: 'D', exact: true }).press('Enter')
  await page.getByRole('textbox', { name: 'On “Nav” it sends' }).fill('F19')
  await expect(keys.getByRole('button', { name: 'D, F19' })).toBeVisible()
  await page.getByRole('combobox', { name: 'While it is held, it holds' }).selectOption('Control')
  await page.getByRole('textbox', { name: 'It counts as held after, ms' }).fill('150')
  await expect(page.getByRole('img', { name: /After 150 ms .* of taps count as holds/ })).toBeVisible()
  // the key that no board has can carry a command now
  await page.getByRole('link', { name: 'Plot', exact: true }).click()
  await page.locator('[data-code=KeyD]').click()
  await expect(page.getByText('Nav: F19')).toBeVisible()
})

test('devices are moved by keys and numbers, turned, and their distances shown', async ({ page }) => {
  await openDemo(page)
  await go(page, 'Bench')
  await device(page, 'pad').focus()
  await page.keyboard.press('ArrowLeft')
  await expect(page.getByRole('textbox', { name: 'Across, mm' })).toHaveValue('-131')
  await page.getByRole('textbox', { name: 'Turn, °' }).fill('90')
  await expect(device(page, 'pad')).toHaveAttribute('aria-label', /turned 90°/)
  await expect(page.getByText(/Clear distance to/)).toBeVisible()
  await page.getByRole('button', { name: 'Make it the home of the left hand' }).click()
  await expect(page.getByRole('combobox', { name: 'index', exact: true })).toHaveValue('key 9')
})

test('a stroke, a dial, a button on a page and a relay are bound; a broken relay is found', async ({
  page,
}) => {
  await openDevice(page, 'mouse', 'Commands on it')
  await page.getByRole('button', { name: 'Place a command on the stroke ↗ of mouse/field' }).click()
  await chooseCommand(dialog(page).getByRole('combobox', { name: 'Command' }), 'Sluice')
  await dialog(page)
    .getByRole('button', { name: /^Place on stroke ↗/ })
    .click()
  await expect(page.getByRole('row', { name: /^↗/ })).toContainText('Sluice')
  // the next sheet and the next fault are one step in two modes; other strokes differ
  await expect(page.getByRole('row', { name: /^→/ })).toContainText('gain: the same')
  await expect(page.getByText(/loss: \d meanings/).first()).toBeVisible()

  await page.getByRole('link', { name: 'Back to the desk' }).click()
  await device(page, 'pad').click()
  await page.getByRole('button', { name: 'Commands on it' }).click()
  await page.getByRole('button', { name: 'Place a command on dial' }).click()
  await chooseCommand(dialog(page).getByRole('combobox', { name: 'Command' }), 'Offset line')
  await dialog(page).getByRole('radio', { name: 'pad dial', exact: true }).check()
  await dialog(page).getByRole('button', { name: 'Place on pad dial', exact: true }).click()
  await expect(page.getByRole('row', { name: /dial/ })).toContainText('Offset line')

  // a relay that the program has bound, then one that it has not
  await page.getByRole('button', { name: 'Place a command on key 20' }).click()
  await chooseCommand(dialog(page).getByRole('combobox', { name: 'Command' }), 'Measure')
  await dialog(page).getByRole('button', { name: 'Send M, its key' }).click()
  await dialog(page).getByRole('button', { name: 'Place on pad key 20' }).click()
  const row = page.getByRole('row', { name: /key 20/ })
  await expect(row).toContainText('Measure')
  await row.getByRole('button', { name: 'Change Measure on key 20' }).click()
  await dialog(page).getByRole('button', { name: 'Do not send M' }).click()
  await dialog(page).getByRole('textbox', { name: 'Sends keys' }).fill('Control+Alt+KeyM')
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click()
  await dialog(page).getByRole('button', { name: 'Place on pad key 20' }).click()
  await expect(row).toContainText('but Ctrl+Alt+M is not used by Fenmap')
  await go(page, 'Clashes')
  await page.getByRole('searchbox').fill('pad key 20')
  await expect(page.getByRole('complementary')).toContainText('pad key 20 sends Ctrl+Alt+M for “Measure”')
})

test('commands are dealt onto a page at once, and undone at once', async ({ page }) => {
  await openDevice(page, 'deck', 'Commands on it')
  await page.getByRole('tab', { name: 'Features' }).click()
  await page.getByRole('button', { name: 'Deal commands …' }).click()
  await dialog(page).getByRole('searchbox', { name: 'Find commands to deal' }).fill('chart pen')
  for (const pen of [0, 1, 2])
    await dialog(page)
      .getByRole('checkbox', { name: /^Chart pen/ })
      .nth(pen)
      .check()
  await dialog(page).getByRole('combobox', { name: 'In which order' }).selectOption('in a row')
  await dialog(page)
    .getByRole('combobox', { name: 'Beginning with' })
    .selectOption({ label: 'Features · deck 10' })
  await dialog(page)
    .getByRole('checkbox', { name: /keep the keys/ })
    .check()
  await expect(dialog(page).getByRole('list', { name: 'What goes where' }).getByRole('listitem')).toHaveCount(
    3,
  )
  await dialog(page).getByRole('button', { name: 'Deal 3 commands' }).click()
  await expect(page.getByRole('row', { name: /Chart pen/ })).toHaveCount(3)
  await page.getByRole('contentinfo').getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByRole('row', { name: /Chart pen/ })).toHaveCount(0)
})

test('a command takes a place that is taken, and the other takes its old one', async ({ page }) => {
  await openDevice(page, 'pad', 'Commands on it')
  await page.getByRole('button', { name: 'Place a command on key 1', exact: true }).click()
  await chooseCommand(dialog(page).getByRole('combobox', { name: 'Command' }), 'Measure')
  await dialog(page)
    .getByRole('radio', { name: /^takes M/ })
    .check()
  await dialog(page).getByRole('button', { name: 'Place on pad key 1' }).click()
  await expect(page.getByRole('row', { name: /^Choose key 1 / }).first()).toContainText('Measure')
  await expect(page.getByText(/“.*” has moved/)).toBeVisible()
})

test('buttons of a deck page are copied to another device with what they send', async ({ page }) => {
  await openDevice(page, 'deck', 'Commands on it')
  await page.getByRole('tab', { name: 'Features' }).click()
  await page.getByRole('checkbox', { name: 'Choose 1', exact: true }).check()
  await page.getByRole('checkbox', { name: 'Choose 2', exact: true }).check()
  const bar = page.getByRole('group', { name: 'Copy or move the chosen controls' })
  await bar.getByRole('combobox', { name: 'to', exact: true }).selectOption('pad')
  await chooseCommand(bar.getByRole('combobox', { name: 'from control', exact: true }), 'k17')
  await bar.getByRole('button', { name: 'Copy there' }).click()
  await expect(page.getByText('2 triggers copied to Pad of 20 keys')).toBeVisible()
  await page.getByRole('link', { name: 'Back to the desk' }).click()
  await device(page, 'pad').click()
  await page.getByRole('button', { name: 'Commands on it' }).click()
  await expect(page.getByRole('row', { name: /key 17/ })).toContainText('Channel')
  await expect(page.getByRole('row', { name: /key 17/ })).toContainText('sends')
})

test('a page of the deck follows the program in use, on the Plot too', async ({ page }) => {
  await openDemo(page)
  await expect(page.locator('[data-code="deck/b1"]')).toHaveAttribute('aria-label', /Open chart/)
  await page.locator('[data-code="deck/b15"]').focus()
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-code="deck/b1"]')).toHaveAttribute('aria-label', /Channel/)
  await page.getByRole('button', { name: /^Program in use/ }).click()
  await page.getByRole('menuitem', { name: 'Tag', exact: true }).click()
  await page.locator('[data-code="deck/b15"]').focus()
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-code="deck/b1"]')).toHaveAttribute('aria-label', /Filter traffic/)
})

test('two boards are compared for the hand', async ({ page }) => {
  await page.goto('/bench/devices')
  await expect(page.getByRole('combobox', { name: 'Second device' })).toHaveValue('keyboard-left')
  await expect(page.getByRole('row', { name: /^the hand must move/ })).toContainText('-7')
  await page.getByRole('combobox', { name: 'First device' }).selectOption('pad')
  await expect(page.getByRole('row', { name: /^Controls/ })).toContainText('21')
})

test('moving to the travel bench shows what is lost', async ({ page }) => {
  await page.goto('/bench/moves')
  await expect(page.getByText(/are lost/)).toContainText('74 are lost')
  await expect(page.getByRole('row', { name: /Tag call/ })).toContainText('pad key 6')
  await page.getByRole('button', { name: 'Work on “Travel”' }).click()
  await go(page, 'Plot')
  await expect(page.getByRole('group', { name: 'Chart of Travel' })).toBeVisible()
  await page.getByRole('link', { name: /clashes/ }).click()
  await expect(page.getByText('No device on this bench has the control pad key 6.').first()).toBeVisible()
})

test('what another bench would leave without a key gets places of its own there', async ({ page }) => {
  await page.goto('/bench/moves')
  await page.getByRole('button', { name: 'Find places for them' }).click()
  const dialog = page.getByRole('dialog', { name: 'Places on Travel' })
  await expect(dialog.getByRole('listitem').first()).toBeVisible()
  const found = await dialog.getByRole('listitem').count()
  expect(found).toBeGreaterThan(20)
  expect((await new AxeBuilder({ page }).include('[role=dialog]').analyze()).violations).toEqual([])
  await dialog.getByRole('checkbox').first().uncheck()
  await dialog.getByRole('button', { name: `Take ${found - 1} places` }).click()
  await expect(page.getByText(`${found - 1} keys are Travel’s own.`)).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Take them off' }).click()
  await expect(page.getByText('keys are Travel’s own.')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(page.getByText(`${found - 1} keys are Travel’s own.`)).toBeVisible()
})

test.describe('the simulated bench', () => {
  const happened = (page: Page) =>
    page.getByRole('region', { name: 'What happened' }).getByRole('article').first()
  const key = (page: Page, at: string) => page.locator(`[data-code="${at}"]`)

  test('shows a press layer by layer, a broken relay among them', async ({ page }) => {
    await page.goto('/try')
    await page.getByRole('combobox', { name: 'Context in use' }).selectOption('tracing')
    await key(page, 'pad/k3').click()
    await expect(happened(page)).toContainText('pad key 3 sends T')
    await expect(happened(page)).toContainText('“Zoom in” runs')
    await page.getByRole('combobox', { name: 'How' }).selectOption('hold')
    await key(page, 'pad/k11').click()
    await expect(happened(page)).toContainText('“Lock shape” runs')
    await page.getByRole('combobox', { name: 'How' }).selectOption('press')
    await page.getByRole('combobox', { name: 'Context in use' }).selectOption('labelling')
    await key(page, 'KeyT').click()
    await expect(happened(page)).toContainText('T types “t”')
    await key(page, 'mouse/field').click()
    await page
      .getByRole('group', { name: 'Which way' })
      .getByRole('button', { name: /stroke ↑/ })
      .click()
    await expect(happened(page)).toContainText('stroke ↑ sends F')
  })

  test('takes real keys with their holds and taps', async ({ page }) => {
    // the page's clock goes on only when it is told to, so that a slow machine's press is no hold
    await page.clock.install()
    await page.goto('/try')
    await page.getByRole('combobox', { name: 'Context in use' }).selectOption('tracing')
    await page.getByRole('button', { name: 'Use my keyboard' }).click()
    await page.clock.pauseAt(Date.now() + 600_000)
    await page.keyboard.press('m')
    await page.clock.runFor(400)
    await expect(happened(page)).toContainText('“Measure” runs')
    await page.keyboard.down('m')
    await page.clock.runFor(500)
    await page.keyboard.up('m')
    await expect(happened(page)).toContainText('“Toggle ruler” runs')
    await page.keyboard.press('f')
    await page.clock.runFor(100)
    await page.keyboard.press('f')
    await page.clock.runFor(400)
    await expect(happened(page)).toContainText('“Open outline” runs')
    await page.clock.resume()
    await page.keyboard.press('Escape')
    await expect(page.getByRole('button', { name: 'Use my keyboard' })).toBeVisible()
  })

  test('opens a pop-up set and picks from it', async ({ page }) => {
    await page.goto('/try')
    await page.getByRole('combobox', { name: 'Context in use' }).selectOption('tracing')
    await key(page, 'mouse/forward').click()
    await page.getByRole('button', { name: '1 Buffer' }).click()
    await expect(happened(page)).toContainText('“Buffer” runs')
  })
})

test('a pop-up set is made, and a command stands on a place of it', async ({ page }) => {
  await openDemo(page)
  await planMenu(page, 'Pop-up sets…')
  await dialog(page).getByRole('button', { name: 'New set' }).click()
  await chooseCommand(dialog(page).getByRole('combobox', { name: 'Control', exact: true }), 'key 20')
  await dialog(page).getByRole('button', { name: 'Place a command on New set 2' }).click()
  await chooseCommand(dialog(page).getByRole('combobox', { name: 'Command' }), 'Wreck')
  await dialog(page).getByRole('button', { name: 'Place on New set 2' }).click()
  await expect(dialog(page).getByRole('listitem').nth(1)).toContainText('Wreck')
  await dialog(page).getByRole('button', { name: 'Done' }).click()
  await expect(page.locator('[data-code="pad/k20"]')).toHaveAttribute('aria-label', /Brings up “New set”/)
})

test.describe('a bench', () => {
  const menu = (page: Page) => page.getByRole('button', { name: /^Bench Desk|^Bench [A-Z]/ })
  const act = async (page: Page, entry: RegExp): Promise<void> => {
    await menu(page).click()
    await page.getByRole('menuitem', { name: entry }).click()
  }
  const nameIt = async (page: Page, name: string): Promise<void> => {
    await dialog(page).getByRole('textbox', { name: 'Name' }).fill(name)
    await dialog(page).getByRole('button', { name: 'Make it' }).click()
  }
  test('is made anew, with a keyboard, and is worked on', async ({ page }) => {
    await openDemo(page)
    await go(page, 'Bench')
    await act(page, /^New bench/)
    await nameIt(page, 'Lab table')
    await expect(menu(page)).toContainText('Lab table')
    await expect(page.locator('[data-device]')).toHaveCount(1)
    await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
    await expect(menu(page)).not.toContainText('Lab table')
  })
  test('is copied with all that stands on it; a device is dragged on the copy, and stays where it was on the first', async ({
    page,
  }) => {
    await openDemo(page)
    await go(page, 'Bench')
    const across = page.getByRole('textbox', { name: 'Across, mm' })
    await device(page, 'pad').click()
    const before = Number(await across.inputValue())
    await act(page, /^Copy/)
    await nameIt(page, 'Second desk')
    await expect(menu(page)).toContainText('Second desk')
    await device(page, 'pad').click()
    await expect(across).toHaveValue(String(before))
    const box = (await device(page, 'pad').boundingBox())!
    const [x, y] = [box.x + box.width / 2, box.y + box.height - 6]
    await page.mouse.move(x, y)
    await page.mouse.down()
    await page.mouse.move(x - 30, y + 50, { steps: 6 })
    await page.mouse.up()
    await expect(across).not.toHaveValue(String(before))
    const moved = Number(await across.inputValue())
    expect(moved).toBeLessThan(before - 10)
    await page.keyboard.press('Control+z')
    await expect(across).toHaveValue(String(before))
    await page.keyboard.press('Control+Shift+z')
    await expect(across).toHaveValue(String(moved))
    await menu(page).click()
    await page
      .getByRole('menuitem', { name: /devices/ })
      .first()
      .click()
    await device(page, 'pad').click()
    await expect(across).toHaveValue(String(before))
  })
  test('is mirrored for the other hand', async ({ page }) => {
    await openDemo(page)
    await go(page, 'Bench')
    const centre = async (id: string): Promise<number> => {
      const box = (await device(page, id).boundingBox())!
      return box.x + box.width / 2
    }
    expect(await centre('pad')).toBeLessThan(await centre('mouse'))
    await act(page, /^Mirror for the other hand/)
    await expect.poll(async () => (await centre('pad')) > (await centre('mouse'))).toBe(true)
    await go(page, 'Plot')
    await expect(page.getByText(/Reach of the right hand/)).toBeVisible()
  })
})
