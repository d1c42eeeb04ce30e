import { expect, test, type Page } from '@playwright/test'
import { hold, openDemo } from './app.js'

const choose = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('combobox', { name: 'Find a command by name' }).fill(name)
  await page.getByRole('option').first().click()
  await expect(page.locator('[data-place]').first()).toBeVisible()
}
const key = (page: Page, code: string) => page.locator(`[data-code=${code}]`)
const listed = (page: Page): Promise<(string | null)[]> =>
  page.locator('[data-place]').evaluateAll((all) => all.map((e) => e.getAttribute('data-place')))

test('a place says why in a sentence; other weights rank otherwise, and undo brings them back', async ({
  page,
}) => {
  await openDemo(page)
  await choose(page, 'hide shape')
  const list = page.getByRole('list', { name: 'Places for Hide shape' })
  await expect(list).toContainText('Easy with the index finger; first letter of “hide”.')
  await expect(page.locator('[data-place]').first()).toHaveAttribute('data-place', 'KeyH')
  await expect(
    page.getByRole('img', { name: /time \d+ ms, stretch \d+ ms, pointing 0 ms, to remember 0 ms/ }).first(),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Weights' }).click()
  const mnemonic = page.getByRole('group', { name: 'Weights, ms' }).getByLabel('Mnemonic')
  await mnemonic.fill('0')
  await expect(page.locator('[data-place]').first()).not.toHaveAttribute('data-place', 'KeyH')
  await page.keyboard.press('Control+z')
  await expect(page.locator('[data-place]').first()).toHaveAttribute('data-place', 'KeyH')
  await expect(mnemonic).toHaveValue('250')
})

test('places can be narrowed to one device, to no modifiers, and to free ones', async ({ page }) => {
  await openDemo(page)
  await choose(page, 'hide shape')
  await expect.poll(async () => (await listed(page)).some((k) => k?.startsWith('Alt+'))).toBe(true)
  await page.getByLabel('No modifiers').check()
  await expect.poll(async () => (await listed(page)).some((k) => k?.includes('+'))).toBe(false)
  await page.getByLabel('Places on').selectOption({ label: 'Pad of 20 keys' })
  await expect.poll(async () => (await listed(page)).every((k) => k?.startsWith('pad/'))).toBe(true)
  await expect.poll(async () => (await listed(page)).some((k) => k?.includes('x2'))).toBe(true)
  await page.getByLabel('Free only').check()
  await expect(page.getByText(/^Held by/)).toHaveCount(0)
})

test('a command that has a key gets another instead, or as well, by the keys', async ({ page }) => {
  await openDemo(page)
  await choose(page, 'measure')
  const ask = page.getByRole('group', { name: /^Measure on / })
  await key(page, 'KeyH').click()
  await expect(ask).toContainText(/Instead of .*M/)
  await page.keyboard.press('Escape')
  await expect(ask).toHaveCount(0)
  await expect(key(page, 'KeyH')).not.toHaveAttribute('aria-label', /Measure/)
  await key(page, 'KeyH').click()
  await page.keyboard.press('Shift+Enter')
  await expect(key(page, 'KeyH')).toHaveAttribute('aria-label', /Measure/)
  await expect(key(page, 'KeyM')).toHaveAttribute('aria-label', /Measure/)
  await page.keyboard.press('Control+z')
  await expect(key(page, 'KeyH')).not.toHaveAttribute('aria-label', /Measure/)
  await key(page, 'KeyH').click()
  await page.keyboard.press('Enter')
  await expect(key(page, 'KeyH')).toHaveAttribute('aria-label', /Measure/)
  await expect(key(page, 'KeyM')).not.toHaveAttribute('aria-label', /Measure/)
})

test('taking a held place moves a whole chain in one step, and undo brings all back', async ({ page }) => {
  await openDemo(page)
  await choose(page, 'hide shape')
  await key(page, 'KeyD').click()
  const sheet = page.getByRole('dialog')
  const rows = sheet.getByRole('table', { name: 'Who moves where' }).locator('tbody tr')
  await expect(rows.first()).toContainText('Hide shape')
  await expect(sheet.getByRole('row', { name: /Add vertex/ })).toContainText('D')
  await expect(sheet).toContainText('All of them together, an hour')
  const count = await rows.count()
  expect(count).toBeGreaterThan(2)
  await sheet.getByRole('button', { name: `Move all ${count}` }).click()
  await expect(key(page, 'KeyD')).toHaveAttribute('aria-label', /Hide shape/)
  await expect(key(page, 'KeyD')).not.toHaveAttribute('aria-label', /Add vertex/)
  await expect(page.getByText('212', { exact: true })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(key(page, 'KeyD')).toHaveAttribute('aria-label', /Add vertex/)
  await expect(key(page, 'KeyD')).not.toHaveAttribute('aria-label', /Hide shape/)
  await expect(page.getByText('211', { exact: true })).toBeVisible()
})

test('what is locked does not move, a barred key takes nothing, and both can be undone', async ({ page }) => {
  await openDemo(page)
  await choose(page, 'undo')
  await expect(page.getByRole('button', { name: 'Unlock', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await page.getByRole('button', { name: 'Remove' }).first().click()
  await expect(page.getByText('“Undo” is locked. Unlock it first.')).toBeVisible()
  await page.getByRole('button', { name: /^(Lock|Unlock)$/ }).click()
  await page.getByRole('button', { name: 'Remove' }).first().click()
  await expect(page.getByText(/“Undo” is removed from/)).toBeVisible()
  await page.keyboard.press('Escape')
  await key(page, 'KeyH').click()
  await page.getByRole('button', { name: 'Must not be used', exact: true }).click()
  await expect(key(page, 'KeyH')).toHaveAttribute('aria-label', /must not be used/)
  await page.keyboard.press('Escape')
  await choose(page, 'hide shape')
  expect(await listed(page)).not.toContain('KeyH')
})

test('a key lists what would fit on its free levels, and takes it', async ({ page }) => {
  await openDemo(page)
  await key(page, 'KeyH').click()
  const levels = page.getByRole('list', { name: 'Levels of H' })
  await expect(levels).toContainText('fits Hide shape')
  await levels.getByRole('button', { name: 'Place Hide shape on H', exact: true }).click()
  await expect(key(page, 'KeyH')).toHaveAttribute('aria-label', /Hide shape/)
})

test('free places are found under modifiers, within a reach', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('button', { name: 'Find free places…' }).click()
  const free = page.getByRole('list', { name: 'Free places' }).getByRole('button')
  await expect(free.first()).toContainText('easy')
  const easy = await free.count()
  await page.getByLabel('Reached').selectOption('stretch')
  await expect.poll(() => free.count()).toBeGreaterThan(easy)
  await hold(page, 'Ctrl')
  await expect(page.getByRole('heading', { name: /free with Ctrl/ })).toBeVisible()
  await free.first().click()
  await expect(page.getByRole('dialog')).toContainText('Place a command')
})

test('the chart draws one finger’s contours', async ({ page }) => {
  await openDemo(page)
  const contour = page.locator('svg[aria-label^="Chart of"] path[stroke="var(--contour)"]').first()
  await expect(contour).toBeVisible()
  const best = await contour.getAttribute('d')
  await page.getByLabel('Contours of').selectOption('little')
  await expect.poll(() => contour.getAttribute('d')).not.toBe(best)
})

test('the guided test fits simulated presses, and the times of the chart follow', async ({ page }) => {
  await openDemo(page)
  const time = async (): Promise<number> =>
    Number(/(\d+) ms/.exec((await key(page, 'KeyH').getAttribute('aria-label')) ?? '')?.[1])
  await expect.poll(time).toBeGreaterThan(100)
  const before = await time()
  await page.getByRole('link', { name: 'Bench', exact: true }).click()
  await page.getByRole('link', { name: 'Hand', exact: true }).click()
  await page.getByRole('button', { name: 'Start the test' }).click()
  await expect(page.getByRole('group', { name: 'Guided test' })).toContainText('Press 1 of')
  // a press out of turn is asked for again
  await page.keyboard.press('p')
  await expect(page.getByText('Rest the finger on its key first.')).toBeVisible()
  await page.evaluate(async () => {
    const codes: Record<string, string> = {
      Ö: 'Semicolon',
      '<': 'IntlBackslash',
      '^': 'Backquote',
      Z: 'KeyY',
      Y: 'KeyZ',
    }
    const codeOf = (legend: string): string =>
      codes[legend] ?? (/^\d$/.test(legend) ? `Digit${legend}` : `Key${legend}`)
    const wait = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms))
    const fire = (type: string, code: string): boolean =>
      window.dispatchEvent(new KeyboardEvent(type, { code, key: 'x', bubbles: true, cancelable: true }))
    for (let i = 0; i < 200; i++) {
      const [rest, target] = [...document.querySelectorAll('[aria-label="Guided test"] .keycap')].map(
        (e) => e.textContent ?? '',
      )
      if (rest === undefined) return
      fire('keydown', codeOf(rest))
      await wait(4)
      fire('keyup', codeOf(rest))
      // a hand that is slow on its way: 60 ms to press again, 260 ms to another key
      await wait(target === undefined ? 60 : 260)
      fire('keydown', codeOf(target ?? rest))
      fire('keyup', codeOf(target ?? rest))
      await wait(8)
    }
  })
  await expect(page.getByRole('img', { name: /presses over their difficulty/ })).toBeVisible()
  await page.getByRole('button', { name: 'Use these constants' }).click()
  await expect(page.getByText(/Your own constants, from \d+ presses/)).toBeVisible()
  await page.getByRole('link', { name: 'Plot', exact: true }).click()
  await expect.poll(time).toBeGreaterThan(before)
  await page.keyboard.press('Control+z')
  await expect.poll(time).toBe(before)
})

test('the weakest places, letters in dispute and pairs of words are listed; a pair can be added', async ({
  page,
}) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Commands', exact: true }).click()
  await page.getByRole('link', { name: 'Mnemonics' }).click()
  await expect(page.getByRole('row', { name: /Play or pause/ })).toContainText('No link to the name.')
  await expect(page.getByText(/letters that several commands want/)).toBeVisible()
  const pairs = page.getByRole('heading', { name: /pairs of words/ })
  const count = Number(/^\d+/.exec((await pairs.textContent()) ?? '')?.[0])
  await page.getByLabel('First word').fill('ebb')
  await page.getByLabel('Second word').fill('flow')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(pairs).toContainText(String(count + 1))
  await page.getByRole('button', { name: 'Back to the pairs that ship' }).click()
  await expect(pairs).toContainText(String(count))
  await page.getByRole('button', { name: 'Find a place for Play or pause' }).click()
  await expect(page.getByRole('heading', { name: 'Play or pause' })).toBeVisible()
})

test('one idea on two triggers is mended with one click', async ({ page }) => {
  await openDemo(page)
  await page.goto('/commands/ideas')
  const region = page.getByRole('region', { name: 'Delete', exact: true })
  await expect(region).toContainText('Delete recording')
  await expect(region).toContainText('“Mark empty” would lose it.')
  await region.getByRole('button', { name: 'Put both on X' }).click()
  await expect(region).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(region).toHaveCount(1)
  await region.getByRole('button', { name: 'Two different actions' }).click()
  await expect(region).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Part Delete and Delete recording' })).toHaveCount(0)
})
