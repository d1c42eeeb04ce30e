import { expect, test, type Page } from '@playwright/test'

// there is one stand-in, so that what one test switches on must not reach another
test.describe.configure({ mode: 'serial' })

test.beforeEach(async ({ request }) => {
  await request.put('/api/stand-in/faults', { data: { faults: [] } })
  await request.delete('/api/stand-in/jobs')
})

async function openPrint(page: Page): Promise<void> {
  await page.goto('/labels')
  await page.getByRole('combobox', { name: 'Stock' }).selectOption('Roll, round 14 mm')
  await page.getByRole('combobox', { name: 'Device' }).selectOption('pad')
  await page.getByRole('tab', { name: 'Save and print' }).click()
}
const fault = async (page: Page, name: string, on: boolean): Promise<void> => {
  await page.getByRole('link', { name: 'Stand-in printer' }).click()
  await page.getByRole('checkbox', { name }).setChecked(on)
  await page.getByRole('link', { name: 'Sheets' }).click()
  await page.getByRole('tab', { name: 'Save and print' }).click()
}
const last = (page: Page) => page.getByRole('status', { name: 'Last print' })

test('labels are printed with the cover open, which is closed; tried again they are one job', async ({
  page,
}) => {
  await openPrint(page)
  await fault(page, 'Its cover is open', true)
  await page.getByRole('combobox', { name: 'Stock' }).selectOption('Roll, round 14 mm')
  await page.getByRole('combobox', { name: 'Device' }).selectOption('pad')
  await expect(page.getByText('Its cover is open. Close it.').first()).toBeVisible()
  const button = page.getByRole('button', { name: /Print \d+ pages/ })
  const count = Number(/\d+/.exec((await button.textContent()) ?? '')?.[0])
  await button.click()
  await expect(last(page)).toContainText('The printer has it and waits')
  await expect(last(page)).toContainText('Its cover is open. Close it.')
  await last(page).getByRole('button', { name: 'Try again' }).click()
  await expect(last(page)).toContainText('The printer has it and waits')
  await fault(page, 'Its cover is open', false)
  await expect(last(page)).toContainText('Printed')
  await last(page).getByRole('link', { name: 'See what came out' }).click()
  await expect(page.getByRole('article')).toHaveCount(1)
  await expect(page.getByRole('article')).toContainText(`printed, ${count} of ${count}`)
  const labels = page.getByRole('img', { name: /^Label \d+ of job/ })
  await expect(labels).toHaveCount(count)
  // the picture is there, as wide as the label has dots
  await expect.poll(() => labels.first().evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(112)
})

test('a reload in mid-job finds the job again, and it can be cancelled', async ({ page }) => {
  await openPrint(page)
  await fault(page, 'It is out of labels', true)
  await page.getByRole('button', { name: /Print \d+ page/ }).click()
  await expect(last(page)).toContainText('out of labels or paper')
  await page.reload()
  await page.getByRole('tab', { name: 'Save and print' }).click()
  await expect(last(page)).toContainText('The printer has it and waits')
  await last(page).getByRole('button', { name: 'Cancel the job' }).click()
  await expect(last(page)).toContainText('Cancelled')
  await page.getByRole('link', { name: 'Stand-in printer' }).click()
  await expect(page.getByRole('article')).toContainText('cancelled')
})

test('a printer that refuses, one that does not answer, and one that is not allowed say so', async ({
  page,
}) => {
  await openPrint(page)
  await fault(page, 'It refuses jobs', true)
  await expect(page.getByText('takes no jobs at the moment').first()).toBeVisible()
  await page.getByRole('button', { name: /Print \d+ page/ }).click()
  await expect(last(page)).toContainText('Not printed')
  await fault(page, 'It refuses jobs', false)
  await last(page).getByRole('button', { name: 'Try again' }).click()
  await expect(last(page)).toContainText('Printed')
  await page.getByRole('combobox', { name: 'Printer' }).selectOption('another on this machine')
  const address = page.getByRole('textbox', { name: 'Address of the printer' })
  await address.fill('ipp://192.0.2.1/ipp/print')
  await page.getByRole('button', { name: 'Use', exact: true }).click()
  await expect(page.getByText("is not in the server's list of printers")).toBeVisible()
  await address.fill('ipp://localhost:1/ipp/print')
  await page.getByRole('button', { name: 'Use', exact: true }).click()
  await expect(page.getByText('does not answer')).toBeVisible()
})

test('a server that has gone is explained, and the order is followed again when it is back', async ({
  page,
}) => {
  await openPrint(page)
  await fault(page, 'It is slow', true)
  await page.getByRole('button', { name: /Print \d+ page/ }).click()
  await expect(last(page)).toContainText(/Printing|waits/)
  await page.route('**/api/print/**', (route) => route.abort())
  await expect(last(page)).toContainText('The Reach Plot server does not answer')
  await page.unroute('**/api/print/**')
  await expect(last(page)).toContainText(/Printing|Printed/)
  await fault(page, 'It is slow', false)
  await expect(last(page)).toContainText('Printed')
})
