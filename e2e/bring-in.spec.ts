import { readFile, writeFile } from 'node:fs/promises'
import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page, type TestInfo } from '@playwright/test'
import { xlsx } from '../packages/core/test/key-tables/xlsx.js'

async function openBringIn(page: Page): Promise<void> {
  await page.goto('/commands/bring-in')
  await expect(page.getByRole('button', { name: 'Choose a file' })).toBeVisible()
}

async function choose(page: Page, info: TestInfo, name: string, content: string | Uint8Array): Promise<void> {
  const path = info.outputPath(name)
  await writeFile(path, content)
  const choosing = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Choose a file' }).click()
  await (await choosing).setFiles(path)
  await expect(page.getByRole('heading', { name })).toBeVisible()
}

/** Pastes as a browser does when a part of a page was copied: markup and plain text. */
const paste = (page: Page, html: string, text: string): Promise<void> =>
  page.evaluate(
    ([markup, plain]) => {
      const data = new DataTransfer()
      data.setData('text/html', markup!)
      data.setData('text/plain', plain!)
      document.body.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      )
    },
    [html, text],
  )

const tab = (page: Page, name: string) => page.getByRole('tab', { name })
const rowOf = (page: Page, name: string) => page.getByRole('row').filter({ hasText: name })

test('the table of a foreign page is pasted, its columns are set, and it is taken in one step', async ({
  page,
}) => {
  await page.goto('/commands')
  await expect(page.getByText('253 of 253', { exact: true })).toBeVisible()
  await paste(
    page,
    '<p>Keys</p><table><tr><th>Quoi<th>Touches<th>Fréquence</tr><tr><td>Ouvrir le lutrin<td><kbd>Ctrl</kbd>+<kbd>Maj</kbd>+<kbd>O</kbd><td>daily</tr><tr><td>Fermer le lutrin<td>Suppr<td>5/h</tr><tr><td>Plier<td>Ctrl+Zonk<td></tr></table>',
    'Quoi Touches',
  )
  await expect(page.getByRole('heading', { name: 'what was pasted' })).toBeVisible()
  await page
    .getByRole('textbox', { name: 'Program' })
    .or(page.getByRole('combobox', { name: 'Program' }))
    .last()
    .fill('Lectern')
  await expect(tab(page, 'New 3')).toBeVisible()
  await expect(rowOf(page, 'Ouvrir le lutrin').last()).toContainText('Ctrl+Shift+O')
  await tab(page, 'Cannot be read 1').click()
  await expect(page.getByText('“Ctrl+Zonk” is no key that is known here')).toBeVisible()
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save the lines that cannot be read' }).click()
  expect(await readFile(await (await saving).path(), 'utf8')).toContain('Ctrl+Zonk')
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
  await page.getByRole('button', { name: 'Bring in 3 commands' }).click()
  await expect(
    page.getByText('214 of 256 commands placed').or(page.getByText('213 of 256 commands placed')),
  ).toBeVisible()
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('211 of 253 commands placed')).toBeVisible()
})

test('a spreadsheet, then a newer version of it: what has changed since is shown', async ({ page }, info) => {
  await openBringIn(page)
  const rows = [
    ['Name', 'Shortcut', 'Times'],
    ['Toll the bell', 'Ctrl+Alt+B', '12'],
    ['Still the bell', 'Ctrl+Alt+N', '3'],
  ]
  await choose(page, info, 'bellhouse.xlsx', xlsx(rows))
  await expect(tab(page, 'New 2')).toBeVisible()
  await page.getByRole('button', { name: 'Bring in 2 commands' }).click()
  await expect(page.getByText('213 of 255 commands placed')).toBeVisible()
  rows[1]![1] = 'Ctrl+Alt+G'
  await choose(page, info, 'bellhouse.xlsx', xlsx(rows))
  await expect(tab(page, 'Changed 1')).toHaveAttribute('aria-selected', 'true')
  await expect(tab(page, 'As they are 1')).toBeVisible()
  await expect(rowOf(page, 'Toll the bell').last()).toContainText('Ctrl+Alt+B → Ctrl+Alt+G')
})

test('a key file is read, a locked command stays, and the choice of a column is remembered', async ({
  page,
}, info) => {
  await page.goto('/commands')
  await openBringIn(page)
  const keys =
    '# keys of mine\nbind Ctrl+Alt+1 "Undo"\nbind Ctrl+Alt+2 "Ring out"\nbind Ctrl+Alt+3 "Ring in"\n'
  await choose(page, info, 'Fenmap.conf', keys)
  await expect(page.getByText('a key file, 3 rows')).toBeVisible()
  // Undo of the example is locked
  await expect(page.getByText(/1 stay as they are, since they are locked/)).toBeVisible()
  await expect(tab(page, 'New 2')).toBeVisible()
  await page.getByRole('combobox', { name: 'Column “action” is' }).selectOption('note')
  await expect(page.getByRole('alert')).toContainText('Say which column has the names')
  await page.getByRole('button', { name: 'Put it away' }).click()
  await choose(page, info, 'Fenmap.conf', keys)
  await expect(page.getByRole('combobox', { name: 'Column “action” is' })).toHaveValue('note')
})

test('a file without keys says so, and changes nothing', async ({ page }, info) => {
  await openBringIn(page)
  const path = info.outputPath('poem.txt')
  await writeFile(path, 'Once there was a lighthouse. It stood on a rock.\nNobody lived there any more.\n')
  const choosing = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Choose a file' }).click()
  await (await choosing).setFiles(path)
  await expect(page.getByText(/no names with keys were found in it/)).toBeVisible()
  await expect(page.getByText('211 of 253 commands placed')).toBeVisible()
})

test('who works by keys comes to the button that takes it, however long reading takes', async ({ page }) => {
  // a machine on which whatever is asked of a worker is answered late
  await page.addInitScript(() => {
    const Made = window.Worker
    window.Worker = class extends Made {
      override postMessage(message: unknown, more?: unknown): void {
        setTimeout(() => super.postMessage(message, more as Transferable[]), 400)
      }
    }
  })
  await openBringIn(page)
  await page.getByLabel('Or type or paste it').fill('Save chart\tCtrl+S\nFit chart\tF5')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('button', { name: 'Read it' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Bring in 1 command$/ })).toBeFocused()
})
