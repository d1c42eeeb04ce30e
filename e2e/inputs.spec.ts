import { readFile, writeFile } from 'node:fs/promises'
import { expect, test, type Page, type TestInfo } from '@playwright/test'
import { filesMenu, openDemo, planMenu } from './app.js'

const write = async (info: TestInfo, name: string, content: string | Buffer): Promise<string> => {
  const path = info.outputPath(name)
  await writeFile(path, content)
  return path
}

async function importPlan(page: Page, path: string): Promise<void> {
  const choosing = page.waitForEvent('filechooser')
  await planMenu(page, 'Import a plan…')
  await (await choosing).setFiles(path)
}

async function importCsv(page: Page, path: string): Promise<void> {
  const choosing = page.waitForEvent('filechooser')
  await filesMenu(page, 'Import commands')
  await (await choosing).setFiles(path)
}

test('plan files that cannot be read give one error each and change nothing', async ({ page }, info) => {
  await openDemo(page)
  const faults: readonly (readonly [string, string | Buffer, string])[] = [
    ['empty.json', '', 'the file is empty'],
    ['broken.json', '{"format":"reachplot-plan",', 'the file is not JSON'],
    ['other.json', '{"hello":1}', 'not a plan'],
    ['field.json', '{"format":"reachplot-plan","version":1,"name":5}', 'field.json › name'],
    ['big.json', Buffer.alloc(50_000_000, 32), '50.0 MB; at most 20 MB'],
  ]
  for (const [name, content, words] of faults) {
    await importPlan(page, await write(info, name, content))
    const error = page.locator('[data-sonner-toast][data-type=error]').filter({ hasText: words })
    await expect(error).toHaveCount(1)
    await expect(error).toContainText('Nothing was changed')
    await expect(page.getByText('211 of 253 commands placed')).toBeVisible()
  }
  await expect(page.getByRole('contentinfo').getByRole('button', { name: /^Undo/ })).toBeDisabled()
})

test('a plan that could not be worked with is refused, though each field is well formed', async ({
  page,
}, info) => {
  await openDemo(page)
  const demo = JSON.parse(await readFile(new URL('../demo/demo.reachplot.json', import.meta.url), 'utf8'))
  const strange = { ...demo, layoutId: 'xx' }
  const floating = structuredClone(demo)
  floating.benches[0].hands[0].rests.index = 'KeyNowhere'
  for (const [name, plan, words] of [
    ['layout.json', strange, 'there is no layout "xx"'],
    ['rests.json', floating, 'rests on "keyboard/KeyNowhere"'],
  ] as const) {
    await importPlan(page, await write(info, name, JSON.stringify(plan)))
    await expect(page.locator('[data-sonner-toast][data-type=error]').filter({ hasText: words })).toHaveCount(
      1,
    )
    await expect(page.getByText('211 of 253 commands placed')).toBeVisible()
  }
})

test('a CSV with a wrong column, an empty one and one of 50 MB change nothing', async ({ page }, info) => {
  await page.goto('/commands')
  for (const [name, content, words] of [
    ['wrong.csv', 'program,comand\nFenmap,Undo\n', 'there is no column "comand"'],
    ['empty.csv', '', 'the file is empty'],
    ['big.csv', Buffer.alloc(50_000_000, 32), '50.0 MB'],
  ] as const) {
    await importCsv(page, await write(info, name, content))
    await expect(page.locator('[data-sonner-toast][data-type=error]').filter({ hasText: words })).toHaveCount(
      1,
    )
    await expect(page.getByRole('status').filter({ hasText: '253 of 253' })).toBeVisible()
  }
})

test('a CSV is shown before it is taken: bad lines are named, the good ones come in, and undo takes them out', async ({
  page,
}, info) => {
  await page.goto('/commands')
  await importCsv(
    page,
    await write(
      info,
      'mine.csv',
      'program,contexts,command,menu,usesPerHour\nFenmap,Tracing,Weld lines,Outline > Weld,40\nFenmap,,Broken,,often\nFenmap,everywhere,Undo,Edit > Undo,70\n',
    ),
  )
  const sheet = page.getByRole('dialog')
  await expect(sheet).toContainText('1 new, 1 changed, 0 as they are, 1 with errors')
  await expect(sheet.getByRole('row', { name: /line 3/ })).toContainText(
    '“often” is no number from 0 to 100000.',
  )
  await expect(page.getByText('253 of 253', { exact: true })).toBeVisible()
  await sheet.getByRole('button', { name: 'Import the 2 good lines' }).click()
  await expect(page.getByText('254 of 254', { exact: true })).toBeVisible()
  await page.getByRole('searchbox', { name: 'Find commands by name or menu' }).fill('weld')
  await expect(page.getByRole('textbox', { name: 'Name of Weld lines' })).toHaveValue('Weld lines')
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('0 of 253', { exact: true })).toBeVisible()
})

test('cells are edited in place, wrong values never reach the plan, and one undo takes a whole edit back', async ({
  page,
}) => {
  await page.goto('/commands')
  await page.getByRole('searchbox', { name: 'Find commands by name or menu' }).fill('weird')
  await expect(page.getByText('0 of 253', { exact: true })).toBeVisible()
  await page.getByRole('searchbox', { name: 'Find commands by name or menu' }).fill('simplify')
  const uses = page.getByRole('textbox', { name: 'Uses an hour of Simplify' })
  await uses.fill('123')
  await uses.press('Enter')
  await expect(uses).toHaveValue('123')
  await uses.fill('many')
  await expect(uses).toHaveAttribute('aria-invalid', 'true')
  await uses.press('Tab')
  // what is refused stays as it was typed, and says so, until it is put back
  await expect(uses).toHaveValue('many')
  await expect(uses).toHaveAttribute('title', /300 a day/)
  await uses.press('Escape')
  await expect(uses).toHaveValue('123')
  await uses.fill('5/h')
  await uses.press('Enter')
  await expect(uses).toHaveValue('5')
  const name = page.getByRole('textbox', { name: 'Name of Simplify' })
  await name.click()
  await name.press('End')
  await page.keyboard.type(' more')
  await expect(page.getByRole('textbox', { name: 'Name of Simplify more' })).toBeVisible()
  // typed but never left: a reload must not lose it
  await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible()
  await page.reload()
  await page.getByRole('searchbox', { name: 'Find commands by name or menu' }).fill('simplify')
  await expect(page.getByRole('textbox', { name: 'Name of Simplify more' })).toBeVisible()
})
