import { mkdtempSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { message, openDemo } from './app.js'

const next = (page: Page) => page.getByRole('complementary', { name: 'Next' })
const places = (page: Page) => page.getByRole('navigation', { name: 'Where to change' })

async function openCarry(page: Page): Promise<void> {
  await openDemo(page)
  await page.keyboard.press('0')
  await expect(
    page.getByText(/From “Program defaults” to “Field season, draft 1”: \d+ changes, 0 done/),
  ).toBeVisible()
}

test('the set-up list is ticked off by keys alone, stays so, and says what cannot be set', async ({
  page,
}) => {
  await openCarry(page)
  await places(page)
    .getByRole('button', { name: /^Fenmap/ })
    .press('Enter')
  await expect(next(page)).toContainText('Delete')
  await next(page).getByRole('button', { name: 'Done', exact: true }).press('Enter')
  await expect(next(page)).toContainText('Redo')
  await page.reload()
  await expect(page.getByText(/changes, 1 done/)).toBeVisible()

  await places(page)
    .getByRole('button', { name: /^Fenmap.*1 of/ })
    .click()
  await next(page).getByRole('button', { name: 'Not possible there…' }).click()
  const dialog = page.getByRole('dialog')
  expect((await new AxeBuilder({ page }).include('[role=dialog]').analyze()).violations).toEqual([])
  await dialog.getByLabel('What stands in the way').fill('greyed out')
  // what is half typed is there again
  await page.keyboard.press('Escape')
  await next(page).getByRole('button', { name: 'Not possible there…' }).click()
  await dialog.getByRole('button', { name: 'Keep the note' }).click()
  await expect(page.getByText('not possible there: greyed out')).toBeVisible()
  await expect(message(page, '“Redo” is not proposed there again')).toBeVisible()
  await expect(page.getByText(/1 done, 1 not possible/)).toBeVisible()

  const saved = async (form: string): Promise<Buffer> => {
    await page.getByRole('button', { name: 'Save what is left' }).click()
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name: form }).click(),
    ])
    return readFile(await file.path())
  }
  await expect(page.getByRole('button', { name: 'Save the table' })).toBeVisible()
  const [codes] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the table' }).click(),
  ])
  expect(await readFile(await codes.path(), 'utf8')).toContain(',KeyA,pressed,KeyA,0x07,0x04,')
  const text = (await saved('Text')).toString('utf8')
  expect(text).toContain('## Fenmap')
  expect(text).toContain(
    '- [ ] Edit › Select › None: Select none: Take Ctrl+Shift+A off it. Press Esc in its field.',
  )
  expect(text).not.toContain('Redo: Take Ctrl+Shift+Y')
  expect((await saved('HTML page')).toString('utf8')).toContain('Select none · Edit › Select › None')
  expect((await saved('PDF')).subarray(0, 5).toString()).toBe('%PDF-')
})

test('keys of the system come as lines with a way back, a key file is written over as it is', async ({
  page,
}) => {
  await openCarry(page)
  await expect(page.getByRole('region', { name: 'Lines that free the keys' })).toContainText(
    'gsettings set org.gnome.desktop.wm.keybindings minimize',
  )
  await expect(page.getByRole('region', { name: 'Lines that bring the keys back' })).toContainText(
    'gsettings reset',
  )
  await places(page)
    .getByRole('button', { name: /^Fenmap/ })
    .click()
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Choose the key file…' }).click()
  await (
    await chooser
  ).setFiles({
    name: 'keys.conf',
    mimeType: 'text/plain',
    buffer: Buffer.from('# mine\nbind ctrl+shift+k "Close outline"\nbind g "Show grid"\n'),
  })
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('keys.conf: 1 line changes')
  await expect(dialog).toContainText('bind f "Close outline"')
  // kept under a name, it is written anew without the file
  await dialog.getByLabel(/Keep it with the plan/).fill('my keys')
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await dialog.getByRole('button', { name: 'Close', exact: true }).last().click()
  const kept = page.getByRole('list', { name: 'Kept with the plan' })
  await page.reload()
  await places(page)
    .getByRole('button', { name: /^Fenmap/ })
    .click()
  await kept.getByRole('button', { name: 'Write it anew…' }).click()
  await expect(dialog).toContainText('my keys: 0 lines change')
  await dialog.getByRole('button', { name: 'Close', exact: true }).last().click()
  await kept.getByRole('button', { name: 'Keep my keys no longer' }).click()
  await expect(kept).toHaveCount(0)
  const again = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Choose the key file…' }).click()
  await (
    await again
  ).setFiles({
    name: 'keys.conf',
    mimeType: 'text/plain',
    buffer: Buffer.from('# mine\nbind ctrl+shift+k "Close outline"\nbind g "Show grid"\n'),
  })
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: 'Save the new file' }).click(),
  ])
  expect(await readFile(await file.path(), 'utf8')).toBe(
    '# mine\nbind f "Close outline"\nbind g "Show grid"\n',
  )
})

test('the page for others opens from the disk without a network, finds keys, and is a list without scripts', async ({
  page,
  browser,
}) => {
  await openCarry(page)
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the page' }).click(),
  ])
  const path = join(mkdtempSync(join(tmpdir(), 'reach-plot-page-')), 'page.html')
  await file.saveAs(path)
  const apart = await browser.newContext({ offline: true })
  const other = await apart.newPage()
  const asked: string[] = []
  other.on('request', (r) => asked.push(r.url()))
  await other.goto(`file://${path}`)
  await other.keyboard.press('g')
  await expect(other.getByRole('status')).toContainText('G: Show grid')
  await expect(other.locator('[data-ref=KeyG]')).toContainText('Show grid')
  await other.getByLabel('Held').selectOption('Shift')
  await expect(other.locator('[data-ref=KeyS]')).toContainText('Saltmarsh')
  await other.getByLabel('Find', { exact: true }).fill('close outl')
  await expect(other.getByRole('row')).toHaveCount(1 + 1 + 1)
  expect(asked).toEqual([`file://${path}`])
  expect((await new AxeBuilder({ page: other }).analyze()).violations).toEqual([])
  await apart.close()

  const still = await browser.newContext({ javaScriptEnabled: false, offline: true })
  const plain = await still.newPage()
  await plain.goto(`file://${path}`)
  await expect(plain.getByRole('row', { name: /Close outline F/ })).toBeVisible()
  await still.close()
})

test('another’s plan: what is different, what both have changed, and what is taken of it in one step', async ({
  page,
}) => {
  interface Demo {
    arrangements: { id: string; placements: { commandId: string; trigger: Record<string, unknown> }[] }[]
    commands: { id: string; name: string }[]
  }
  const text = await readFile(new URL('../demo/demo.reachplot.json', import.meta.url), 'utf8')
  const planWith = (code: string, name: string) => {
    const plan = JSON.parse(text) as Demo
    const draft = plan.arrangements.find((a) => a.id === 'draft-1')!
    draft.placements.find(
      (p) => p.commandId === 'fenmap-close-outline' && p.trigger['kind'] === 'chord',
    )!.trigger['code'] = code
    plan.commands.find((c) => c.id === 'fenmap-show-grid')!.name = name
    return {
      name: `${code}.reachplot.json`,
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(plan)),
    }
  }
  await openCarry(page)
  const choose = async (button: string, file: ReturnType<typeof planWith>): Promise<void> => {
    const chooser = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: button }).click()
    await (await chooser).setFiles(file)
  }
  await choose('Choose their plan…', planWith('F6', 'Draw the grid'))
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('2 differences.')
  await expect(dialog.getByRole('button', { name: 'Take 0 changes' })).toBeDisabled()
  await choose('Choose the plan that both began with…', planWith('F5', 'Show grid'))
  await expect(dialog).toContainText('2 differences, 1 of them changed by both')
  await expect(dialog.getByRole('listitem').first()).toContainText(
    'Changed by both, yours stays: “Close outline”',
  )
  expect((await new AxeBuilder({ page }).include('[role=dialog]').analyze()).violations).toEqual([])
  await dialog.getByRole('checkbox').first().check()
  await expect(dialog.getByRole('group', { name: 'Clashes that it brings' })).toContainText(/It brings/)
  await dialog.getByRole('button', { name: 'Take 2 changes' }).click()
  await expect(message(page, '2 changes of “F6.reachplot.json” taken')).toBeVisible()
  await places(page)
    .getByRole('button', { name: /^Fenmap/ })
    .click()
  await expect(page.getByRole('row', { name: /Close outline.*F6/ })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('row', { name: /Close outline.*F6/ })).toHaveCount(0)
})

test('a standard is followed, one’s own ways keep their reasons, and a newer version is offered change by change', async ({
  page,
}) => {
  interface Team {
    id: string
    name: string
    arrangements: { id: string; placements: { commandId: string; trigger: Record<string, unknown> }[] }[]
  }
  const text = await readFile(new URL('../demo/demo.reachplot.json', import.meta.url), 'utf8')
  /** The example as a team's standard, with some of its keys changed. */
  const teamWith = (codes: Readonly<Record<string, string>>) => {
    const plan = JSON.parse(text) as Team
    plan.id = 'team'
    plan.name = 'The survey team'
    const draft = plan.arrangements.find((a) => a.id === 'draft-1')!
    for (const [id, code] of Object.entries(codes))
      draft.placements.find((p) => p.commandId === id && p.trigger['kind'] === 'chord')!.trigger['code'] =
        code
    return {
      name: 'team.reachplot.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(plan)),
    }
  }
  await openCarry(page)
  const choose = async (button: string, file: ReturnType<typeof teamWith>): Promise<void> => {
    const chooser = page.waitForEvent('filechooser')
    await page.getByRole('button', { name: button }).click()
    await (await chooser).setFiles(file)
  }
  await choose('Choose the standard…', teamWith({ 'fenmap-close-outline': 'F6', 'fenmap-show-grid': 'F7' }))
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('What The survey team would change')
  // F13 is on no device of the example's desk
  await expect(dialog.getByRole('list', { name: 'Changes' }).getByRole('listitem')).toHaveCount(3)
  await expect(dialog.getByRole('group', { name: 'Clashes that it brings' })).toContainText(/It brings/)
  expect((await new AxeBuilder({ page }).include('[role=dialog]').analyze()).violations).toEqual([])
  await dialog.getByRole('listitem').filter({ hasText: 'Show grid' }).getByRole('checkbox').uncheck()
  await dialog.getByRole('button', { name: 'Take 2 changes' }).click()
  await expect(message(page, '“The survey team” is followed: 2 changes taken over')).toBeVisible()
  await expect(places(page)).toContainText('This plan follows The survey team')
  await expect(places(page)).toContainText('2 your own way')

  await page.getByRole('button', { name: 'Your own ways…' }).click()
  const why = dialog.getByLabel('Why Show grid deviates')
  await why.fill('G is where I look for it')
  await why.press('Enter')
  expect((await new AxeBuilder({ page }).include('[role=dialog]').analyze()).violations).toEqual([])
  await dialog.getByRole('button', { name: 'Done' }).click()
  await page.reload()

  await choose('Read a newer version…', teamWith({ 'fenmap-close-outline': 'F5', 'fenmap-show-grid': 'F7' }))
  await expect(dialog).toContainText('What is new in The survey team')
  await expect(dialog).toContainText('2 stay your own way')
  await expect(dialog.getByRole('list', { name: 'Changes' }).getByRole('listitem')).toHaveCount(1)
  await expect(dialog.getByRole('checkbox')).toBeChecked()
  await dialog.getByRole('button', { name: 'Take 1 change' }).click()
  await page.getByRole('button', { name: 'Your own ways…' }).click()
  await expect(dialog.getByLabel('Why Show grid deviates')).toHaveValue('G is where I look for it')
  await page.keyboard.press('Escape')
  // both have changed it: asked, and one’s own stays
  await choose('Read a newer version…', teamWith({ 'fenmap-close-outline': 'F5', 'fenmap-show-grid': 'F6' }))
  await expect(dialog.getByRole('list', { name: 'Changes' })).toContainText(
    'You have it your own way, and the standard has changed it',
  )
  await expect(dialog.getByRole('checkbox')).not.toBeChecked()
})
