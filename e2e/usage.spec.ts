import { writeFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { chooseCommand, openDemo, planMenu } from './app.js'

const part = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('link', { name: 'Commands', exact: true }).click()
  await page.getByRole('link', { name, exact: true }).click()
}

/** A small log: one sequence twelve times, two faulty rows, and a command that the plan does not have. */
function log(): string {
  const rows = ['time,program,context,command,how']
  let second = 0
  const add = (command: string, how = 'key'): void => {
    const time = new Date(Date.UTC(2026, 4, 4, 9, 0, second++)).toISOString()
    rows.push(`${time},Fenmap,Tracing,${command},${how}`)
  }
  for (let i = 0; i < 12; i++) {
    for (const name of ['Hide shape', 'Channel', 'Show all shapes'])
      add(name, name === 'Channel' ? 'menu' : 'key')
    add(['Buoy', 'Path', 'Wreck', 'Sluice'][i % 4]!)
  }
  add('Untie boat')
  rows.push('noon,Fenmap,Tracing,Channel,key')
  return rows.join('\n')
}

async function importLog(page: Page, path: string): Promise<void> {
  const choosing = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Import a log' }).click()
  await (await choosing).setFiles(path)
}

test('a log is read, its bad rows shown, taken over, and a routine kept from it', async ({ page }, info) => {
  const path = info.outputPath('log.csv')
  await writeFile(path, log())
  await page.goto('/commands')
  await part(page, 'Usage')
  await expect(page.getByText('220,000')).toBeVisible()
  await importLog(page, path)
  const report = page.getByRole('region', { name: 'What was read' })
  await expect(report).toContainText('48 rows can be used')
  await expect(report).toContainText('2 rows cannot')
  await expect(report).toContainText('Fenmap has no command “Untie boat”.')
  await expect(report).toContainText('line 51')
  await report.getByRole('checkbox', { name: /Add the 1 commands/ }).check()
  await report.getByRole('button', { name: 'Take over the 48 rows that can be used' }).click()
  await expect(page.getByText('log.csv', { exact: true })).toBeVisible()
  await expect(page.getByRole('table', { name: 'From a menu, though it has a trigger' })).toContainText(
    'Channel',
  )

  await page.getByRole('link', { name: 'Routines', exact: true }).click()
  await page.getByRole('button', { name: 'Keep Hide shape, Channel, Show all shapes' }).click()
  const routine = page.getByRole('region', { name: /^Routine Hide shape to Show all shapes/ })
  await expect(routine.getByRole('listitem')).toHaveCount(3)
  await routine.getByRole('button', { name: 'Drag', exact: true }).click()
  await routine.getByRole('button', { name: 'Move step 4, drag, up' }).click()
  await routine.getByRole('textbox', { name: 'Name of the routine' }).fill('Check a channel')
  await expect(
    page.getByRole('region', { name: 'Routine Check a channel' }).getByRole('listitem').nth(2),
  ).toContainText('drag')
  await page.getByRole('link', { name: 'Inventory', exact: true }).click()
  await page.getByRole('searchbox').fill('untie')
  await expect(page.getByRole('textbox', { name: 'Name of Untie boat' })).toBeVisible()
})

test('leaving the plan as it is keeps nothing; taking over can be undone', async ({ page }, info) => {
  const path = info.outputPath('log.csv')
  await writeFile(path, log())
  await page.goto('/commands')
  await part(page, 'Usage')
  await importLog(page, path)
  await page.getByRole('button', { name: 'Leave the plan as it is' }).click()
  await expect(page.getByText('220,000')).toBeVisible()
  await importLog(page, path)
  await page.getByRole('button', { name: /^Take over/ }).click()
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('220,000')).toBeVisible()
})

test('a season of 220,000 rows is read with progress, and can be cancelled', async ({ page }) => {
  test.setTimeout(120_000)
  await page.goto('/commands')
  await part(page, 'Usage')
  await page.getByRole('button', { name: 'Read the example’s season' }).click()
  await expect(page.getByRole('progressbar')).toBeVisible()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByRole('progressbar')).toBeHidden()
  await page.getByRole('button', { name: 'Read the example’s season' }).click()
  await expect(page.getByRole('region', { name: 'What was read' })).toContainText(
    '220,000 rows can be used',
    { timeout: 90_000 },
  )
})

test('a faulty log is refused with what to mend', async ({ page }, info) => {
  const path = info.outputPath('bad.csv')
  await writeFile(path, 'when,program\n1,2\n')
  await page.goto('/commands')
  await part(page, 'Usage')
  await importLog(page, path)
  await expect(page.locator('[data-sonner-toast][data-type=error]')).toContainText(
    'the column "time" is missing',
  )
})

test('a key is looked up by pressing it, and by its name; free ones are listed', async ({ page }) => {
  await page.goto('/commands')
  await part(page, 'Look up')
  await page.getByRole('button', { name: 'Look up a key by pressing it' }).click()
  await page.keyboard.press('Control+d')
  const found = page.getByRole('region', { name: 'What a key does' })
  await expect(found.getByRole('row', { name: /^Tracing/ })).toContainText('Duplicate')
  await found.getByRole('textbox', { name: 'Key or combination' }).fill('super l')
  await found.getByRole('button', { name: 'Look up', exact: true }).click()
  await expect(found.getByRole('row', { name: /^GNOME/ })).toContainText('Lock screen')
  await found.getByRole('textbox', { name: 'Key or combination' }).fill('hyper q')
  await found.getByRole('button', { name: 'Look up', exact: true }).click()
  await expect(found.getByRole('alert')).toContainText('cannot be read as a shortcut')
  const list = page.getByRole('region', { name: 'Under a set of modifiers' })
  await list.getByRole('button', { name: 'Ctrl', exact: true }).click()
  await expect(list.getByRole('row', { name: /Duplicate/ })).toBeVisible()
  await list.getByRole('button', { name: /^Free/ }).click()
  await expect(list.getByRole('button', { name: 'Look up Ctrl+Q' })).toBeVisible()
})

test.describe('the inventory', () => {
  test('many commands are changed at once, in one undo', async ({ page }) => {
    await page.goto('/commands')
    await part(page, 'Inventory')
    await page.getByRole('searchbox').fill('warbler')
    await page.getByRole('checkbox', { name: 'Choose all that are shown' }).check()
    const bar = page.getByRole('group', { name: 'Change the chosen commands' })
    await expect(bar).toContainText('2 chosen')
    await bar.getByRole('textbox', { name: 'Uses ×' }).fill('0')
    await bar.getByRole('button', { name: 'Apply' }).click()
    await expect(page.getByRole('textbox', { name: 'Uses an hour of Reed warbler' })).toHaveValue('0')
    await expect(page.getByRole('textbox', { name: 'Uses an hour of Sedge warbler' })).toHaveValue('0')
    await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByRole('textbox', { name: 'Uses an hour of Reed warbler' })).not.toHaveValue('0')
  })
  test('rows are pasted from a spreadsheet', async ({ page }) => {
    await page.goto('/commands')
    await part(page, 'Inventory')
    await page.getByRole('link', { name: 'Bring in keys' }).click()
    await page
      .getByRole('textbox', { name: 'Or type or paste it' })
      .fill('Fenmap\tTracing\tFold chart\tFile > Fold\t3\nFenmap\t\tUnfold chart\t\t2')
    await page.getByRole('button', { name: 'Read it' }).click()
    await expect(page.getByRole('tab', { name: 'New 2' })).toBeVisible()
    await page.getByRole('button', { name: 'Bring in 2 commands' }).click()
    await part(page, 'Inventory')
    await expect(page.getByText('255 of 255', { exact: true })).toBeVisible()
  })
  test('everything about a command is set in its sheet; namesakes stand side by side', async ({ page }) => {
    await page.goto('/commands')
    await part(page, 'Inventory')
    await page.getByRole('searchbox').fill('chart pen')
    await page.getByRole('button', { name: 'All about Chart pen, 0.3 mm' }).click()
    const sheet = page.getByRole('dialog')
    await expect(sheet).toContainText('Chart pen, 0.5 mm · Outline › Pen › Medium')
    await sheet.getByRole('combobox', { name: 'Harmful if pressed by mistake' }).selectOption('rework')
    await sheet.getByRole('textbox', { name: 'The way out of it' }).fill('Undo')
    await sheet.getByRole('combobox', { name: 'Kind' }).selectOption('on-off')
    await sheet.getByRole('textbox', { name: 'Variant' }).fill('0.25 mm')
    await sheet.getByRole('button', { name: 'Done' }).click()
    await page.getByRole('combobox', { name: 'Which commands' }).selectOption('damage')
    await expect(page.getByRole('button', { name: 'All about Chart pen, 0.25 mm' })).toBeVisible()
  })
  test('programs and contexts are added, renamed and tied together', async ({ page }) => {
    await openDemo(page)
    await planMenu(page, 'Programs and contexts')
    const sheet = page.getByRole('dialog')
    await sheet.getByRole('textbox', { name: 'Name of a new context of Fenmap' }).fill('Panel')
    await sheet.getByRole('region', { name: 'Fenmap' }).getByRole('button', { name: 'Add a context' }).click()
    await sheet.getByRole('checkbox', { name: 'Panel is there everywhere' }).check()
    await expect(sheet.getByRole('checkbox', { name: 'Panel and Tracing are live together' })).toBeChecked()
    await expect(sheet.getByRole('checkbox', { name: 'Panel and Tracing are live together' })).toBeDisabled()
    await sheet.getByRole('button', { name: 'Done' }).click()
  })
})

test('keys are looked up in any spelling, and what just happened is found', async ({ page }) => {
  await openDemo(page)
  await page.goto('/commands/lookup')
  const field = page.getByLabel('Key or combination')
  await field.fill('Strg+Umschalt+W')
  await page.getByRole('button', { name: 'Look up', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Ctrl+Shift+W' })).toBeVisible()
  await expect(page.getByRole('row', { name: /The browser Reedcall/ })).toBeVisible()
  await field.fill('Escpe')
  await page.getByRole('button', { name: 'Look up', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'did you mean Esc' })).toBeVisible()
  const happened = page.getByRole('region', { name: 'What just happened?' })
  await chooseCommand(happened.getByRole('combobox', { name: 'What happened' }), 'Delete')
  await expect(happened.getByText(/The way out:/)).toBeVisible()
  await expect(happened.getByRole('listitem').first()).toContainText('in place of')
})

test('a routine is put on one press of a pad key, and says so', async ({ page }) => {
  await openDemo(page)
  await page.goto('/commands/routines')
  const part = page.getByRole('region', { name: 'By one press' })
  await part.getByRole('button', { name: 'Put it there' }).click()
  await expect(page.getByText(/has no key that a control could send/)).toBeVisible()
  await page.getByRole('button', { name: /^Tag one call/ }).click()
  await part.getByRole('button', { name: 'Put it there' }).click()
  await expect(part).toContainText('sends the keys of its 5 commands')
})
