import { readFile } from 'node:fs/promises'
import { decode } from 'fast-png'
import { unzipSync } from 'fflate'
import { expect, test, type Page } from '@playwright/test'
import { readPwgRaster } from '@reach-plot/print'
import { axeFinds, sheet as dialog } from './access.js'
import { readPdf, type PdfPage } from './pdf.js'

const mmFromPt = (pt: number): number => (pt * 25.4) / 72

async function openLabels(page: Page): Promise<void> {
  await page.goto('/labels')
  await page.getByRole('combobox', { name: 'Commands of' }).selectOption('Fenmap · Tracing')
  await expect(page.getByRole('img', { name: /Page 1/ })).toBeVisible()
}

const tab = (page: Page, name: string) => page.getByRole('tab', { name }).click()

async function saved(page: Page, form: string): Promise<Uint8Array> {
  const out = page.getByRole('tab', { name: 'Save and print' })
  if ((await out.count()) > 0) await out.click()
  const downloading = page.waitForEvent('download')
  await page.getByRole('button', { name: form, exact: true }).click()
  return new Uint8Array(await readFile(await (await downloading).path()))
}
const pdf = async (page: Page): Promise<readonly PdfPage[]> => (await readPdf(await saved(page, 'PDF'))).pages
const textOf = (pages: readonly PdfPage[]): string =>
  pages.flatMap((p) => p.texts.map((t) => t.text)).join(' ')

/** Outlines of key labels: as high as a key less 1.5 mm at each edge. */
const outlines = (pages: readonly PdfPage[]): number =>
  pages.flatMap((p) => p.rectangles).filter((r) => Math.abs(mmFromPt(r.heightPt) - 15) < 0.01).length

test('as many labels are printed as the list says, on the stock chosen', async ({ page }) => {
  await openLabels(page)
  await page.getByRole('combobox', { name: 'Stock' }).selectOption('Letter')
  await page.getByRole('combobox', { name: 'Device' }).selectOption('keyboard')
  const said = page.getByText(/\d+ printed/)
  await expect(said).toBeVisible()
  const count = Number(/\d+/.exec((await said.textContent()) ?? '')?.[0])
  expect(await page.locator('[data-label]').count()).toBe(count)
  const pages = await pdf(page)
  expect(outlines(pages)).toBe(count)
  expect(
    pages.map((p) => [mmFromPt(p.widthPt), mmFromPt(p.heightPt)].map((mm) => Math.round(mm * 10) / 10)),
  ).toEqual([[215.9, 279.4]])
})

test('the rule changes all labels, and one key can leave them or be left out; all of it is undone', async ({
  page,
}) => {
  await openLabels(page)
  await page.getByRole('combobox', { name: 'Shows' }).selectOption('words')
  expect(textOf(await pdf(page))).toContain('Copy')
  await page.getByRole('checkbox', { name: 'Ctrl' }).uncheck()
  expect(textOf(await pdf(page))).not.toContain('Copy')
  await tab(page, 'One by one')
  await page.getByRole('checkbox', { name: 'Print the label of C', exact: true }).uncheck()
  expect(textOf(await pdf(page))).not.toContain('Channel')
  for (const _ of [1, 2]) await page.getByRole('contentinfo').getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByRole('checkbox', { name: 'Ctrl' })).toBeChecked()
  expect(textOf(await pdf(page))).toContain('Copy')
})

test('one label gets its own text, icon, level and size, and shows them at once', async ({ page }) => {
  await openLabels(page)
  await page.getByRole('button', { name: 'Change the label of G', exact: true }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByRole('textbox', { name: 'Text', exact: true }).fill('Raster')
  await sheet.getByRole('textbox', { name: 'Short text' }).fill('Rst')
  // words of this key alone, written letter by letter with a blank between
  const text = sheet.getByRole('textbox', { name: 'Text', exact: true })
  const only = sheet.getByRole('checkbox', { name: 'Other words on this key' })
  await only.check()
  await text.pressSequentially('Red grid')
  await expect(text).toHaveValue('Red grid')
  await only.uncheck()
  await expect(text).toHaveValue('Raster')
  await sheet.getByRole('button', { name: /^Icon: / }).click()
  await sheet.getByRole('textbox', { name: 'Find an icon by what it shows' }).fill('hash')
  await sheet.getByRole('button', { name: 'Icon hash', exact: true }).click()
  await expect(sheet.getByRole('button', { name: 'Icon: hash' })).toBeVisible()
  await sheet.getByRole('spinbutton', { name: 'Width, mm' }).fill('22')
  await sheet.getByRole('combobox', { name: 'Shape' }).selectOption('round')
  await expect(sheet.getByRole('status')).toContainText('15.0 x 15.0 mm')
  await sheet.getByRole('combobox', { name: 'Shape' }).selectOption('rectangular')
  await expect(sheet.getByRole('status')).toContainText('22.0 x 15.0 mm')
  expect(await axeFinds(page, { part: dialog })).toEqual([])
  await page.keyboard.press('Escape')
  const pages = await pdf(page)
  expect(textOf(pages)).toContain('Raster')
  expect(pages.flatMap((p) => p.rectangles).some((r) => Math.abs(mmFromPt(r.widthPt) - 22) < 0.01)).toBe(true)
  // it is part of the plan
  await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible()
  await page.reload()
  await page.getByRole('combobox', { name: 'Commands of' }).selectOption('Fenmap · Tracing')
  expect(textOf(await pdf(page))).toContain('Raster')
})

test('an icon comes from an SVG file of one’s own, cleaned; a file without shapes is refused', async ({
  page,
}) => {
  await openLabels(page)
  await page.getByRole('button', { name: 'Change the label of G', exact: true }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByRole('button', { name: /^Icon: / }).click()
  const give = async (name: string, svg: string): Promise<void> => {
    const choosing = page.waitForEvent('filechooser')
    await sheet.getByRole('button', { name: 'Own SVG file …' }).click()
    await (await choosing).setFiles({ name, mimeType: 'image/svg+xml', buffer: Buffer.from(svg) })
  }
  await give('words.svg', '<svg viewBox="0 0 9 9"><text>no</text></svg>')
  await expect(page.locator('[data-sonner-toast]')).toContainText('there is no shape in it')
  await give(
    'tide gauge.svg',
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 48 24" onload="window.ran = 1"><script>window.ran = 2</script>
    <g transform="translate(4 2)" stroke="black" fill="none"><rect x="2" y="2" width="20" height="16" stroke-width="1"/><path d="M0 0 l10 10" onclick="window.ran = 3"/></g>
    <image href="https://elsewhere.example/x.png"/></svg>`,
  )
  await expect(sheet.getByRole('button', { name: 'Icon: tide gauge' })).toBeVisible()
  expect(await page.evaluate(() => (window as { ran?: number }).ran)).toBeUndefined()
  await page.keyboard.press('Escape')
  const svg = new TextDecoder().decode(await saved(page, 'SVG'))
  expect(svg).not.toMatch(/script|onclick|onload|elsewhere/)
})

test('a longer reading distance makes letters larger, and labels that no longer fit are named, not shrunk', async ({
  page,
}) => {
  await openLabels(page)
  await page.getByRole('combobox', { name: 'Shows' }).selectOption('words')
  const height = async (): Promise<number> => {
    const text = (await pdf(page)).flatMap((p) => p.texts).find((t) => t.text === 'Help')
    return mmFromPt(text!.sizePt) * 0.7
  }
  expect(await height()).toBeCloseTo(2.91, 1)
  await page.getByRole('spinbutton', { name: 'Reading distance, mm' }).fill('650')
  // 20 minutes of arc at 650 mm, by plain trigonometry
  expect(await height()).toBeCloseTo(2 * 650 * Math.tan(((20 / 60 / 2) * Math.PI) / 180), 1)
  await tab(page, 'One by one')
  await expect(page.getByText('cannot be read and are left out')).toBeVisible()
  await expect(page.getByRole('list', { name: 'Labels' }).getByRole('listitem').first()).toContainText(
    'Write a shorter text, print fewer levels or make the label larger',
  )
})

test('ink that is not seen on the stock is refused with its contrast, and white ink prints on black', async ({
  page,
}) => {
  await openLabels(page)
  await page.getByRole('combobox', { name: 'Made of' }).selectOption('black')
  await expect(page.getByText('Contrast 21.0 to 1')).toBeVisible()
  await page.getByLabel(/^Ink/).fill('#333333')
  await expect(page.getByText('0 printed, ')).toBeVisible()
  await expect(page.getByText(/Contrast of ink and label is 1\.\d to 1/).first()).toBeVisible()
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
  await page.goto('/labels')
  await page.getByRole('button', { name: /^Plan / }).click()
  await page.getByRole('menuitem', { name: 'New empty plan' }).click()
  await page.getByRole('link', { name: 'Labels', exact: true }).click()
  await expect(page.getByText('Nothing to print here. Place commands on the Plot')).toBeVisible()
  await tab(page, 'Save and print')
  await expect(page.getByRole('button', { name: 'PDF', exact: true })).toBeDisabled()
  await expect(page.getByRole('button', { name: 'Print 0 pages' })).toBeDisabled()
  await page.getByRole('combobox', { name: 'Sheet', exact: true }).selectOption('Stroke cards')
  await expect(page.getByText('place commands on strokes first')).toBeVisible()
  await page.getByRole('link', { name: 'Clashes', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'No clashes' })).toBeVisible()
  await page.getByRole('link', { name: 'Commands', exact: true }).click()
  await page.getByRole('button', { name: 'Open the example instead' }).click()
  await expect(page.getByText('253 of 253', { exact: true })).toBeVisible()
})

test('every sheet is shown, and saved in all its forms', async ({ page }) => {
  test.slow()
  await openLabels(page)
  const sheets = [
    'Labels for key tops',
    'Pictures for a deck',
    'Stroke cards',
    'Whole board, every level',
    'List of all triggers',
    'Folded card, two sides',
    'Calibration page',
  ]
  const starts = { PDF: '%PDF-', SVG: '<svg ', PNG: '\x89PNG', 'PNG, 1 bit': '\x89PNG', 'PWG raster': 'RaS2' }
  for (const sheet of sheets) {
    await page.getByRole('combobox', { name: 'Sheet', exact: true }).selectOption(sheet)
    await expect(page.getByRole('img', { name: /Page 1/ })).toBeVisible()
    // all forms of one sheet, and a vector and a dotted one of the others
    const forms = sheet === sheets[0] ? Object.keys(starts) : ['PDF', 'PWG raster']
    for (const form of forms as (keyof typeof starts)[]) {
      const bytes = await saved(page, form)
      const head = Buffer.from(bytes.subarray(0, starts[form].length)).toString('latin1')
      expect(head, `${sheet}, ${form}`).toBe(starts[form])
    }
  }
})

test('pictures have the dots that are chosen, and a zip has one for each label of a roll', async ({
  page,
}) => {
  await openLabels(page)
  await page.getByRole('combobox', { name: 'Stock' }).selectOption('Roll, round 14 mm')
  await page.getByRole('combobox', { name: 'Device' }).selectOption('pad')
  await tab(page, 'Save and print')
  await page.getByRole('combobox', { name: 'Pictures with' }).selectOption('300 dots per inch')
  const files = unzipSync(await saved(page, 'PNG, 1 bit'))
  await tab(page, 'One by one')
  const printed = Number(/\d+/.exec((await page.getByText(/\d+ printed/).textContent()) ?? '')?.[0])
  expect(Object.keys(files)).toHaveLength(printed)
  expect(decode(Object.values(files)[0]!)).toMatchObject({ width: 165, height: 165, depth: 1 })
  const raster = readPwgRaster(await saved(page, 'PWG raster'))
  expect(raster.map((p) => [p.dpi, p.bits.width, p.media])[0]).toEqual([300, 165, 'custom_label_14x14mm'])
  expect(raster).toHaveLength(printed)
})

test('deck pictures come in the pixels that are asked for', async ({ page }) => {
  await openLabels(page)
  await page.getByRole('combobox', { name: 'Sheet', exact: true }).selectOption('Pictures for a deck')
  await page.getByRole('spinbutton', { name: 'Each button, pixels' }).fill('96')
  const downloading = page.waitForEvent('download')
  await page.getByRole('button', { name: /\d+ pictures in a zip/ }).click()
  const files = unzipSync(new Uint8Array(await readFile(await (await downloading).path())))
  expect(Object.keys(files)).toContain('features/b1.png')
  expect(decode(files['features/b1.png']!)).toMatchObject({ width: 96, height: 96 })
})

test('the list is kept as a page and as text too, with the way out of traps', async ({ page }) => {
  await openLabels(page)
  await page.getByRole('combobox', { name: 'Sheet', exact: true }).selectOption('List of all triggers')
  await page.getByRole('combobox', { name: 'Order' }).selectOption('by device')
  for (const [form, start] of [
    ['HTML page', '<!doctype html>'],
    ['Markdown', '# '],
  ] as const) {
    const text = new TextDecoder().decode(await saved(page, form))
    expect(text.startsWith(start)).toBe(true)
    expect(text).toContain('Deck of 15 buttons')
    expect(text).toContain('Traps, and the way out')
  }
})

test('a stock of one’s own is checked, used, kept with the plan, and started at its next free label', async ({
  page,
}) => {
  await openLabels(page)
  await page.getByRole('combobox', { name: 'Stock' }).selectOption('A4 labels, 5 x 13, 38.1 x 21.2 mm')
  await page.getByRole('button', { name: 'Own stock …' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByRole('textbox', { name: 'Name' }).fill('Shed labels')
  await sheet.getByRole('spinbutton', { name: 'From left edge to left edge, mm' }).fill('20')
  await sheet.getByRole('button', { name: 'Use it' }).click()
  await expect(sheet.getByRole('alert')).toContainText('the labels overlap')
  await sheet.getByRole('spinbutton', { name: 'From left edge to left edge, mm' }).fill('40')
  await sheet.getByRole('button', { name: 'Use it' }).click()
  await expect(page.getByRole('combobox', { name: 'Stock' })).toHaveValue('own-2')
  await page.getByRole('spinbutton', { name: 'Labels used up on the first sheet' }).fill('60')
  // five places are left on the first sheet
  await expect(page.getByRole('img', { name: 'Page 1 with 5 labels' })).toBeVisible()
  await page.getByRole('contentinfo').getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByRole('combobox', { name: 'Stock' })).toHaveValue('a4-5x13')
})

test('what is measured on the calibration page corrects every sheet', async ({ page }) => {
  await openLabels(page)
  const before = (await pdf(page))[0]!.texts.find((t) => t.text.startsWith('This line'))!
  await page.getByRole('button', { name: 'Calibrate …' }).click()
  const sheet = page.getByRole('dialog')
  const downloading = page.waitForEvent('download')
  await sheet.getByRole('button', { name: 'Save the page as PDF' }).click()
  const printed = await readPdf(new Uint8Array(await readFile(await (await downloading).path())))
  expect(printed.pages[0]!.texts.map((t) => t.text).join(' ')).toContain('it should be 15 mm')
  await sheet.getByRole('spinbutton', { name: 'Ruler across, mm' }).fill('12')
  await sheet.getByRole('button', { name: 'Correct for it' }).click()
  await expect(sheet.getByRole('alert')).toContainText('Measure again')
  // the printer is 2 mm too far right
  await sheet.getByRole('spinbutton', { name: 'Ruler across, mm' }).fill('150')
  await sheet.getByRole('spinbutton', { name: /Left edge/ }).fill('17')
  await sheet.getByRole('button', { name: 'Correct for it' }).click()
  await expect(page.getByRole('button', { name: 'Calibrated …' })).toBeVisible()
  const after = (await pdf(page))[0]!.texts.find((t) => t.text.startsWith('This line'))!
  expect(mmFromPt(before.xPt) - mmFromPt(after.xPt)).toBeCloseTo(2, 1)
})
