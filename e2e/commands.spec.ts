import { readFile, writeFile } from 'node:fs/promises'
import { expect, test, type Locator, type Page } from '@playwright/test'
import { filesMenu } from './app.js'

async function openCommands(page: Page): Promise<void> {
  await page.goto('/commands')
  await expect(page.getByRole('heading', { name: 'Commands' })).toBeVisible()
}

const search = (page: Page) => page.getByRole('searchbox', { name: 'Find commands by name or menu' })

test('commands go out as CSV and come in again unchanged', async ({ page }, info) => {
  await openCommands(page)
  const downloading = page.waitForEvent('download')
  await filesMenu(page, 'Export commands')
  const text = await readFile(await (await downloading).path(), 'utf8')
  expect(text.split('\r\n')[0]).toBe(
    'id,program,contexts,command,menu,usesPerHour,opposite,label,note,parameter,kind,damage,wayOut,siblings,icon',
  )
  const path = info.outputPath('again.csv')
  await writeFile(path, text)
  const choosing = page.waitForEvent('filechooser')
  await filesMenu(page, 'Import commands')
  await (await choosing).setFiles(path)
  await expect(page.getByRole('dialog')).toContainText('0 new, 0 changed, 253 as they are, 0 with errors')
  await expect(page.getByRole('dialog').getByRole('button', { name: 'Import 0 commands' })).toBeDisabled()
})

test('placements go out and come in; a faulty file changes nothing', async ({ page }, info) => {
  await openCommands(page)
  const downloading = page.waitForEvent('download')
  await filesMenu(page, 'Export placements')
  const text = await readFile(await (await downloading).path(), 'utf8')
  const bring = async (name: string, content: string): Promise<void> => {
    const path = info.outputPath(name)
    await writeFile(path, content)
    const choosing = page.waitForEvent('filechooser')
    await filesMenu(page, 'Import placements')
    await (await choosing).setFiles(path)
  }
  await bring('bad.csv', text.replace('Control+KeyX', 'Ctrl-X'))
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('"Ctrl-X" cannot be read as a shortcut')
  await expect(dialog.getByRole('button', { name: /^Import/ })).toBeDisabled()
  await dialog.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByText('211 of 253 commands placed')).toBeVisible()
  await bring('few.csv', text.split('\r\n').slice(0, 11).join('\r\n'))
  await expect(dialog).toContainText('10 placements go into')
  // those of other programs stay, and so does what is locked
  await dialog.getByRole('combobox').selectOption('replace')
  await dialog.getByRole('button', { name: 'Import 10 placements' }).click()
  await expect(page.getByText('10 placements read')).toBeVisible()
  await expect(page.getByText('93 of 253 commands placed')).toBeVisible()
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('211 of 253 commands placed')).toBeVisible()
})

test('an import says which clashes it would bring, before it is taken', async ({ page }, info) => {
  await openCommands(page)
  const bring = async (button: string, name: string, content: string): Promise<void> => {
    const path = info.outputPath(name)
    await writeFile(path, content)
    const choosing = page.waitForEvent('filechooser')
    await filesMenu(page, button)
    await (await choosing).setFiles(path)
  }
  const dialog = page.getByRole('dialog')
  await bring('Import placements', 'locks.csv', 'program,command,trigger\nFenmap,Hide shape,Meta+KeyL\n')
  await expect(dialog).toContainText('It brings')
  await dialog.locator('summary').click()
  await expect(dialog).toContainText('takes Super+L first: Lock screen')
  await dialog.getByRole('button', { name: 'Cancel' }).click()
  // a command on a letter comes to live where text is typed
  const row = 'program,contexts,command,menu\nFenmap,Labelling,Next vertex,Outline > Vertex > Next\n'
  await bring('Import commands', 'labelling.csv', row)
  await expect(dialog).toContainText('1 changed')
  await expect(dialog).toContainText(/It brings/)
})

test('a command is added with a new program, found, and deleted with undo', async ({ page }) => {
  await openCommands(page)
  await page.getByRole('button', { name: 'Add a command' }).click()
  await page.getByRole('textbox', { name: 'Name' }).fill('Ring the bell')
  await page.getByRole('combobox', { name: 'Program' }).last().fill('Bellhouse')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('254 of 254', { exact: true })).toBeVisible()
  await search(page).fill('bell')
  await expect(page.getByRole('row').filter({ hasText: 'Bellhouse' })).toHaveCount(1)
  await page.getByRole('button', { name: 'Delete Ring the bell' }).click()
  await expect(page.getByText('0 of 253', { exact: true })).toBeVisible()
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('1 of 254', { exact: true })).toBeVisible()
})

test('contexts are changed in place, and the chart follows', async ({ page }) => {
  await openCommands(page)
  await search(page).fill('saltmarsh')
  await page.getByRole('button', { name: 'Contexts of Saltmarsh: Tracing' }).click()
  await page.getByRole('option', { name: 'Sheet' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Contexts of Saltmarsh: Tracing, Sheet' })).toBeVisible()
  await page.getByRole('button', { name: 'Find a place for Saltmarsh' }).click()
  await expect(page.getByRole('heading', { name: 'Saltmarsh' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Program in use/ })).toContainText('Fenmap · Tracing')
})

test('columns sort both ways, and only the rows in view are drawn', async ({ page }) => {
  await openCommands(page)
  const firstName = () => page.getByRole('row').nth(1).getByRole('textbox').first()
  await page.getByRole('button', { name: 'Uses/h' }).click()
  await expect(firstName()).toHaveValue('Play or pause')
  await page.getByRole('button', { name: 'Uses/h' }).click()
  await expect(page.getByRole('columnheader', { name: 'Uses/h' })).toHaveAttribute('aria-sort', 'ascending')
  await page.getByRole('button', { name: 'Command', exact: true }).click()
  await expect(firstName()).toHaveValue('Accept suggestion')
  expect(await page.getByRole('row').count()).toBeLessThan(60)
  await page
    .getByRole('table', { name: 'Commands' })
    .evaluate((table) => table.scrollTo(0, table.scrollHeight))
  await expect(page.getByRole('textbox', { name: 'Name of Zoom time out' })).toBeVisible()
})

test('commands are found by pressing their key, in every program', async ({ page }) => {
  await openCommands(page)
  await page.keyboard.press('k')
  await page.keyboard.press('Shift+D')
  await expect(page.getByRole('textbox', { name: /^Name of/ })).toHaveCount(2)
  await expect(page.getByRole('textbox', { name: 'Name of Remove vertex' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByText('253 of 253', { exact: true })).toBeVisible()
})

test('what is half typed in a cell and in a dialog is there again after a reload', async ({ page }) => {
  await openCommands(page)
  await search(page).fill('pan')
  const uses = page.getByRole('textbox', { name: 'Uses an hour of Pan', exact: true })
  await uses.fill('about many')
  await page.reload()
  await search(page).fill('pan')
  await expect(uses).toHaveValue('about many')
  await expect(uses).toHaveAttribute('aria-invalid', 'true')
  await uses.focus()
  await page.keyboard.press('Escape')
  await expect(uses).not.toHaveValue('about many')
  await page.getByRole('button', { name: 'Add a command' }).click()
  await page.getByRole('dialog').getByRole('textbox', { name: 'Name' }).fill('Half a na')
  await page.reload()
  await expect(page.getByRole('dialog').getByRole('textbox', { name: 'Name' })).toHaveValue('Half a na')
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click()
  await page.reload()
  await expect(page.getByRole('dialog')).toHaveCount(0)

  const renaming = async (): Promise<Locator> => {
    await page.getByRole('button', { name: /^Arrangement / }).click()
    await page.getByRole('menuitem', { name: /^Rename/ }).click()
    return page.getByRole('dialog').getByRole('textbox', { name: 'Name' })
  }
  await (await renaming()).fill('Field season, half')
  await page.reload()
  await expect(await renaming()).toHaveValue('Field season, half')
  await page.keyboard.press('Escape')
  await expect(await renaming()).toHaveValue('Field season, draft 1')
})

test('Escape closes one thing at a time', async ({ page }) => {
  await openCommands(page)
  await page
    .getByRole('button', { name: /^Another key for / })
    .first()
    .click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('combobox', { name: 'Control', exact: true }).fill('K')
  await expect(page.getByRole('listbox')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('listbox')).toHaveCount(0)
  await expect(dialog).toHaveCount(1)
  await page.keyboard.press('Escape')
  await expect(dialog).toHaveCount(0)
})

test('commands that a hand leaves for are listed with what would mend it, and get another key', async ({
  page,
}) => {
  await openCommands(page)
  await page.getByRole('combobox', { name: 'Which commands' }).selectOption({ label: 'A hand leaves for' })
  const rows = page.getByRole('table', { name: 'Commands' }).getByRole('row')
  await expect(rows.nth(1)).toContainText(/\d\.\d s\/h/)
  await expect(page.getByRole('status').filter({ hasText: /of 253/ })).toHaveText(/^[1-9]\d? of 253$/)
  await page.getByRole('button', { name: 'Another key for Autotrace' }).click()
  const dialog = page.getByRole('dialog')
  const control = dialog.getByRole('combobox', { name: 'Control', exact: true })
  await control.fill('K')
  await expect(page.getByRole('listbox').getByRole('option').first()).toHaveText(/^K/)
  await control.press('Enter')
  await expect(control).toHaveValue('K')
  await dialog.getByRole('radio', { name: 'Shift+K', exact: true }).check()
  await dialog.getByRole('checkbox', { name: /^Keep F9/ }).check()
  await dialog.getByRole('button', { name: 'Place on Shift+K' }).click()
  await page.getByRole('combobox', { name: 'Which commands' }).selectOption({ label: 'With several keys' })
  await search(page).fill('autotrace')
  await expect(rows.nth(1)).toContainText('Shift+K')
  await expect(rows.nth(1)).toContainText('F9')
})

test('chosen commands are dealt onto the number block, in a row', async ({ page }) => {
  await openCommands(page)
  await search(page).fill('vertex')
  for (const name of ['Next vertex', 'Move vertex', 'Add vertex'])
    await page.getByRole('checkbox', { name: `Choose ${name}`, exact: true }).check()
  await page.getByRole('button', { name: 'Deal onto …' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('combobox', { name: 'Onto' }).selectOption({ label: 'Keyboard, number block' })
  await dialog.getByRole('combobox', { name: 'In which order' }).selectOption('in a row')
  await dialog.getByRole('combobox', { name: 'Beginning with' }).selectOption({ label: 'Num 4' })
  await dialog.getByRole('checkbox', { name: /keep the keys/ }).check()
  await dialog.getByRole('button', { name: 'Deal 3 commands' }).click()
  const keysOf = (name: string) =>
    page.getByRole('row').filter({ has: page.getByRole('textbox', { name: `Name of ${name}`, exact: true }) })
  await expect(keysOf('Next vertex')).toContainText('Num 4')
  await expect(keysOf('Move vertex')).toContainText('Num 5')
  await expect(keysOf('Add vertex')).toContainText('Num 6')
  await expect(keysOf('Next vertex')).toContainText('own')
})
