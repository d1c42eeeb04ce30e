import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { openDemo } from './app.js'
import { readPdf } from './pdf.js'

const mmFromPt = (pt: number): number => (pt * 25.4) / 72

test('a command goes from the list to a key, a clash is mended, and its label is printed and kept', async ({
  page,
}) => {
  await openDemo(page)

  await test.step('choose a command and place it on the best key', async () => {
    await page.getByRole('button', { name: /Program in use/ }).click()
    await page.getByRole('menuitem', { name: 'Tracing' }).click()
    await page.getByRole('combobox', { name: 'Find a command by name' }).fill('hide sh')
    await page.keyboard.press('Enter')
    const first = page.getByRole('list', { name: 'Places for Hide shape' }).getByRole('listitem').first()
    await expect(first).toContainText('first letter of “hide”.')
    await expect(first).toContainText(/easy · \d+ ms · index/)
    await first.getByRole('button', { name: 'Place on H' }).click()
    await expect(page.getByText('“Hide shape” is on H')).toBeVisible()
    await expect(page.locator('[data-code=KeyH]')).toHaveAttribute('aria-label', /Hide shape, 22 an hour/)
  })

  await test.step('see a clash with the system and mend it by its first remedy', async () => {
    await page.getByRole('link', { name: 'Clashes', exact: true }).click()
    const lock = page
      .getByRole('button', { name: /GNOME 43 takes Super\+L first: Lock screen/ })
      .filter({ hasNotText: 'sends' })
    await lock.click()
    await expect(page.getByRole('complementary', { name: 'The chosen clash' })).toContainText('Lock layer')
    await page
      .getByRole('button', { name: /^Move “Lock layer” to/ })
      .first()
      .click()
    await expect(lock).toHaveCount(0)
  })

  await test.step('download the labels and read them back', async () => {
    await page.getByRole('link', { name: 'Labels', exact: true }).click()
    await page.getByRole('combobox', { name: 'Shows' }).selectOption('words')
    await page.getByRole('tab', { name: 'Save and print' }).click()
    const downloading = page.waitForEvent('download')
    await page.getByRole('button', { name: 'PDF', exact: true }).click()
    const pdf = await readPdf(await readFile(await (await downloading).path()))
    expect(pdf.pages.length).toBeGreaterThan(0)
    const [sheet] = pdf.pages
    expect(mmFromPt(sheet!.widthPt)).toBeCloseTo(210, 1)
    expect(mmFromPt(sheet!.heightPt)).toBeCloseTo(297, 1)
    const hide = sheet!.texts.find((t) => t.text.startsWith('Hide'))
    expect(hide).toBeDefined()
    // capitals of 20 minutes of arc at 500 mm, in a face whose capitals are 0.7 em high
    expect(mmFromPt(hide!.sizePt) * 0.7).toBeCloseTo(2.91, 1)
    // an 18 mm cap less 1.5 mm at each side
    expect(
      sheet!.rectangles.some(
        (r) => Math.abs(mmFromPt(r.widthPt) - 15) < 0.01 && Math.abs(mmFromPt(r.heightPt) - 15) < 0.01,
      ),
    ).toBe(true)
    expect(sheet!.texts.map((t) => t.text).join(' ')).toContain('This line is 50 mm long')
  })

  await test.step('reload and find everything there', async () => {
    await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible()
    await page.reload()
    await page.getByRole('link', { name: 'Plot', exact: true }).click()
    await expect(page.locator('[data-code=KeyH]')).toHaveAttribute('aria-label', /Hide shape, 22 an hour/)
  })

  await test.step('export, open an empty plan, import, and have the same plan', async () => {
    const exportPlan = async (): Promise<string> => {
      await page.getByRole('button', { name: /^Plan / }).click()
      const downloading = page.waitForEvent('download')
      await page.getByRole('menuitem', { name: 'Export the plan' }).click()
      return (await downloading).path()
    }
    const before = await exportPlan()
    await page.getByRole('button', { name: /^Plan / }).click()
    await page.getByRole('menuitem', { name: 'New empty plan' }).click()
    await expect(page.getByText('No commands yet.')).toBeVisible()
    await page.getByRole('button', { name: /^Plan / }).click()
    const choosing = page.waitForEvent('filechooser')
    await page.getByRole('menuitem', { name: 'Import a plan…' }).click()
    await (await choosing).setFiles(before)
    await expect(page.locator('[data-code=KeyH]')).toHaveAttribute('aria-label', /Hide shape/)
    expect(await readFile(await exportPlan(), 'utf8')).toBe(await readFile(before, 'utf8'))
  })
})
