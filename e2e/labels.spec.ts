import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { openDemo } from './app.js'
import { readPdf, type PdfPage } from './pdf.js'

const mmFromPt = (pt: number): number => (pt * 25.4) / 72

async function openLabels(page: Page): Promise<void> {
  await openDemo(page)
  await page.getByRole('link', { name: 'Labels', exact: true }).click()
  await page.getByRole('combobox', { name: 'Commands of' }).selectOption('Fenmap · Tracing')
  await expect(page.getByRole('img', { name: /Page 1/ })).toBeVisible()
}

async function download(page: Page): Promise<readonly PdfPage[]> {
  const downloading = page.waitForEvent('download')
  await page.getByRole('button', { name: /Download \d+ labels as PDF/ }).click()
  return (await readPdf(await readFile(await (await downloading).path()))).pages
}

const textOf = (pages: readonly PdfPage[]): string =>
  pages.flatMap((p) => p.texts.map((t) => t.text)).join(' ')

/** Outlines of key labels: as high as a key less 1.5 mm at each edge. */
const outlines = (pages: readonly PdfPage[]): number =>
  pages.flatMap((p) => p.rectangles).filter((r) => Math.abs(mmFromPt(r.heightPt) - 15) < 0.01).length

test('as many labels are printed as the button says, on the paper chosen', async ({ page }) => {
  await openLabels(page)
  await page.getByRole('combobox', { name: 'Paper' }).selectOption('Letter')
  await page.getByRole('combobox', { name: 'Device' }).selectOption('keyboard')
  const button = page.getByRole('button', { name: /Download \d+ labels as PDF/ })
  const count = Number(/\d+/.exec((await button.textContent()) ?? '')?.[0])
  const pages = await download(page)
  expect(outlines(pages)).toBe(count)
  expect(
    pages.map((p) => [mmFromPt(p.widthPt), mmFromPt(p.heightPt)].map((mm) => Math.round(mm * 10) / 10)),
  ).toEqual([[215.9, 279.4]])
  expect(await page.locator('[data-label]').count()).toBe(count)
})

test('levels and keys can be left out', async ({ page }) => {
  await openLabels(page)
  expect(textOf(await download(page))).toContain('Copy')
  await page.getByRole('checkbox', { name: 'Ctrl' }).uncheck()
  expect(textOf(await download(page))).not.toContain('Copy')
  await page.getByRole('checkbox', { name: 'Print the label of C', exact: true }).uncheck()
  expect(textOf(await download(page))).not.toContain('Channel')
})

test('a longer reading distance makes letters larger, and labels that no longer fit are named, not shrunk', async ({
  page,
}) => {
  await openLabels(page)
  const height = async (): Promise<number> => {
    const text = (await download(page)).flatMap((p) => p.texts).find((t) => t.text === 'Help')
    return mmFromPt(text!.sizePt) * 0.7
  }
  expect(await height()).toBeCloseTo(2.91, 1)
  await page.getByRole('spinbutton', { name: 'Reading distance, mm' }).fill('650')
  // 20 minutes of arc at 650 mm, by plain trigonometry
  expect(await height()).toBeCloseTo(2 * 650 * Math.tan(((20 / 60 / 2) * Math.PI) / 180), 1)
  const rows = page.getByRole('region', { name: 'Labels one by one' })
  await expect(rows).toContainText('cannot be read and are left out')
  await expect(rows.getByRole('listitem').first()).toContainText(
    'Write a shorter text, print fewer levels or make the label larger',
  )
})

test('a number out of bounds is marked and not taken', async ({ page }) => {
  await openLabels(page)
  const distance = page.getByRole('spinbutton', { name: 'Reading distance, mm' })
  await distance.fill('9')
  await expect(distance).toHaveAttribute('aria-invalid', 'true')
  await distance.blur()
  await expect(distance).toHaveValue('500')
})

test('an arrangement without placements says what to do next', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  await page.getByRole('menuitem', { name: 'New empty plan' }).click()
  await page.getByRole('link', { name: 'Labels', exact: true }).click()
  await expect(page.getByText('Nothing to print here. Place commands on the Plot')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Download 0 labels as PDF' })).toBeDisabled()
  await page.getByRole('link', { name: 'Clashes', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'No clashes' })).toBeVisible()
  await page.getByRole('link', { name: 'Commands', exact: true }).click()
  await page.getByRole('button', { name: 'Open the demo instead' }).click()
  await expect(page.getByText('253 of 253', { exact: true })).toBeVisible()
})

test('a list of all triggers is kept as a page, with the way out of traps', async ({ page }) => {
  await openLabels(page)
  await page.getByRole('combobox', { name: 'Order of the list' }).selectOption('by device')
  for (const [button, start] of [
    ['HTML page', '<!doctype html>'],
    ['Markdown', '# '],
  ] as const) {
    const saved = page.waitForEvent('download')
    await page.getByRole('button', { name: button }).click()
    const text = await readFile(await (await saved).path(), 'utf8')
    expect(text.startsWith(start)).toBe(true)
    expect(text).toContain('Deck of 15 buttons')
    expect(text).toContain('Traps, and the way out')
  }
})
