import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { axeFinds, sheet } from './access.js'
import { openDemo } from './app.js'

const ask = (page: Page) => page.getByRole('complementary', { name: 'What to solve' })
const moves = (page: Page) => page.getByRole('region', { name: 'Moves', exact: true })

async function openSolve(page: Page): Promise<void> {
  await page.goto('/solve')
  await expect(page.getByRole('heading', { name: 'Solve' })).toBeVisible()
}

/** Looks for the best of few moves, which takes as long as any search. */
async function look(page: Page, most: number): Promise<void> {
  await ask(page)
    .getByRole('checkbox', { name: /Limit the number of changes/ })
    .check()
  await ask(page).getByRole('textbox', { name: 'Changes at most' }).fill(String(most))
  await ask(page).getByRole('button', { name: /^Look/ }).click()
  await expect(ask(page).getByRole('button', { name: 'Look again' })).toBeVisible({ timeout: 100_000 })
}

test('the first move is applied by keys alone, within five presses of the list', async ({ page }) => {
  await openSolve(page)
  await ask(page)
    .getByRole('checkbox', { name: /Limit the number of changes/ })
    .check()
  await ask(page).getByRole('textbox', { name: 'Changes at most' }).fill('3')
  await ask(page).getByRole('button', { name: /^Look/ }).focus()
  await page.keyboard.press('Enter')
  await expect(moves(page).getByRole('heading', { name: /^\d+ moves$/ })).toBeVisible({ timeout: 100_000 })
  const first = moves(page)
    .getByRole('button', { name: /^Apply “/ })
    .first()
  await expect(first).toBeEnabled()
  for (let presses = 1; presses < 5; presses++) {
    await page.keyboard.press('Tab')
    if (await first.evaluate((button) => button === document.activeElement)) break
  }
  await expect(first).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(moves(page).getByText('✓ applied').first()).toBeVisible()
})

test('a search shows how far it is, is cancelled, run again and stopped with the best so far', async ({
  page,
}) => {
  await openSolve(page)
  await ask(page).getByRole('button', { name: 'Look for a better arrangement' }).click()
  await expect(page.getByRole('progressbar')).toBeVisible()
  await expect(ask(page).getByText(/Best so far gains/)).toContainText(/[1-9]\d*\.\d min/)
  await ask(page).getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByRole('progressbar')).toHaveCount(0)
  await expect(page.getByRole('heading', { name: 'Nothing is proposed yet' })).toBeVisible()

  await ask(page).getByRole('button', { name: 'Look for a better arrangement' }).click()
  await expect(ask(page).getByText('Improving it')).toBeVisible()
  await ask(page).getByRole('button', { name: 'Stop, keep the best' }).click()
  await expect(moves(page).getByRole('heading', { name: /^\d+ moves$/ })).toBeVisible({ timeout: 60_000 })
  await expect(ask(page).getByRole('region', { name: 'What it would bring' })).toContainText('a day less')
})

test('three moves are taken, undone one by one, and what has changed otherwise is told', async ({ page }) => {
  await openSolve(page)
  await look(page, 12)
  const placed = page.getByRole('contentinfo').getByText(/of 253 commands placed/)
  await expect(placed).toContainText('211')
  for (let taken = 1; taken <= 3; taken++) {
    await moves(page)
      .getByRole('button', { name: /^Apply “/ })
      .first()
      .click()
    await expect(
      moves(page)
        .getByText('✓ applied')
        .nth(taken - 1),
    ).toBeVisible()
  }
  const count = await moves(page).getByText('✓ applied').count()
  expect(count).toBeGreaterThanOrEqual(3)
  const undo = page.getByRole('contentinfo').getByRole('button', { name: 'Undo' })
  for (let k = 0; k < 3; k++) await undo.click()
  await expect(moves(page).getByText('✓ applied')).toHaveCount(0)
  await expect(placed).toContainText('211')

  // at most the twelve that were asked for: a move that does not hold is not listed
  const all = moves(page).getByRole('button', { name: /^Apply the \d+ listed/ })
  const listed = Number(/\d+/.exec((await all.textContent()) ?? '')?.[0])
  expect(listed).toBeGreaterThan(8)
  expect(listed).toBeLessThanOrEqual(12)
  await all.click()
  await expect(moves(page).getByText('✓ applied')).toHaveCount(listed)
  await undo.click()
  await expect(moves(page).getByText('✓ applied')).toHaveCount(0)

  // a change of another kind: the moves no longer fit
  await page.getByRole('link', { name: 'Clashes', exact: true }).click()
  await page.getByRole('button', { name: /Q means “Split line” and “Snap on or off”/ }).click()
  await page
    .getByRole('button', { name: /^Remove “Snap on or off” from/ })
    .first()
    .click()
  await page.getByRole('link', { name: 'Solve', exact: true }).click()
  await expect(moves(page).getByText('The arrangement has changed since.')).toBeVisible()
  await expect(
    moves(page)
      .getByRole('button', { name: /^Apply “/ })
      .first(),
  ).toBeDisabled()
})

test('an answer is kept beside, compared with the defaults, and a figure says how it is worked out', async ({
  page,
}) => {
  await openSolve(page)
  await look(page, 25)
  expect(await axeFinds(page)).toEqual([])
  await moves(page).getByRole('button', { name: 'In groups' }).click()
  await moves(page)
    .getByRole('button', { name: /^Apply the group of/ })
    .first()
    .click()
  await expect(moves(page).getByText('✓ applied').nth(1)).toBeVisible()
  expect(await axeFinds(page, { part: 'main' })).toEqual([])
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(moves(page).getByText('✓ applied')).toHaveCount(0)
  await moves(page).getByRole('button', { name: 'Keep all as a new arrangement' }).click()
  await expect(page.getByRole('heading', { name: 'Compare' })).toBeVisible()
  const day = page.getByRole('region', { name: 'The day' })
  await expect(day.getByRole('columnheader')).toHaveCount(3)
  const time = async (name: string): Promise<number> =>
    Number(
      /: ([\d.]+) min/.exec(
        (await day
          .getByRole('button', { name: `Command time a day, ${name}:` })
          .getAttribute('aria-label')) ?? '',
      )?.[1],
    )
  const [defaults, solved] = [await time('Program defaults'), await time('Field season, draft 1, solved')]
  expect(solved).toBeLessThan(defaults * 0.8)
  await expect(page.getByRole('region', { name: 'What changes' })).toContainText('placed')
  expect(await axeFinds(page)).toEqual([])

  await day.getByRole('button', { name: /^Command time a day, Field season, draft 1, solved/ }).click()
  await expect(page.getByRole('dialog')).toContainText('Card, Moran and Newell (1980)')
  await expect(page.getByRole('dialog').getByRole('row', { name: /^Trace and check/ })).toContainText(
    'an hour ×',
  )
  expect(await axeFinds(page, { part: sheet })).toEqual([])
  await page.keyboard.press('Escape')
  await day.getByRole('button', { name: /^Strain Index, left hand, Program defaults/ }).click()
  await expect(page.getByRole('dialog')).toContainText('not a diagnosis')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Place and size a name' }).click()
  await expect(page.getByRole('dialog').getByRole('row', { name: /9 characters/ })).toContainText('1800')
  expect(await axeFinds(page, { part: sheet })).toEqual([])
})

test('a comparison goes out as CSV, follows the hours of a day, and leaves columns out', async ({ page }) => {
  await page.goto('/compare')
  const day = page.getByRole('region', { name: 'The day' })
  const draft = day.getByRole('button', { name: /^Command time a day, Field season, draft 1/ })
  await expect(draft).toBeVisible()
  const before = await draft.innerText()
  await page.getByRole('textbox', { name: 'Hours a day' }).fill('4')
  await expect(draft).not.toHaveText(before)
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export CSV' }).click()
  const lines = readFileSync(await (await saved).path(), 'utf8').split('\r\n')
  expect(lines[0]).toBe('figure,unit,Program defaults,"Field season, draft 1"')
  expect(lines.some((l) => l.startsWith('Tag one call,s,'))).toBe(true)
  await page.getByRole('checkbox', { name: /Program defaults/ }).uncheck()
  await expect(day.getByRole('columnheader')).toHaveCount(1)
  await page.getByRole('contentinfo').getByRole('button', { name: 'Undo' }).click()
  await expect(draft).toContainText(before.replace('• ', ''))
})

test('an empty plan says what to do first', async ({ page }) => {
  await page.goto('/solve')
  await page.getByRole('button', { name: /^Plan / }).click()
  await page.getByRole('menuitem', { name: 'New empty plan' }).click()
  await page.getByRole('link', { name: 'Solve', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'There are no commands yet' })).toBeVisible()
  await expect(ask(page).getByRole('button', { name: /^Look/ })).toBeDisabled()
  await page.getByRole('link', { name: 'Compare', exact: true }).click()
  await expect(page.getByText('There are no routines yet.')).toBeVisible()
})

test('what may move is narrowed to those without a key, and to one program', async ({ page }) => {
  await openDemo(page)
  await page.keyboard.press('5')
  await expect(page.getByRole('heading', { name: 'Solve' })).toBeVisible()
  const rows = moves(page).getByRole('row')
  await ask(page)
    .getByRole('checkbox', { name: /Only commands without a key/ })
    .check()
  await ask(page).getByRole('button', { name: /^Look/ }).click()
  await expect(ask(page).getByRole('button', { name: 'Look again' })).toBeVisible({ timeout: 100_000 })
  const count = (await rows.count()) - 1
  expect(count).toBeGreaterThan(20)
  await expect(moves(page).getByRole('cell', { name: 'no key', exact: true })).toHaveCount(count)

  await moves(page).getByRole('combobox', { name: 'Program of the moves' }).selectOption('Reedcall')
  await expect(moves(page).getByRole('rowheader').filter({ hasText: 'Fenmap' })).toHaveCount(0)
  const ofReedcall = (await rows.count()) - 1
  await expect(moves(page).getByRole('rowheader').filter({ hasText: 'Reedcall' })).toHaveCount(ofReedcall)
  await moves(page).getByRole('combobox', { name: 'Program of the moves' }).selectOption('Every program')
  await moves(page).getByRole('combobox', { name: 'Which moves' }).selectOption('Commands that move')
  await expect(moves(page).getByText('No move of this kind.')).toBeVisible()

  await ask(page).getByRole('combobox', { name: 'Program' }).selectOption('Reedcall')
  await ask(page).getByRole('button', { name: 'Look again' }).click()
  await expect(ask(page).getByRole('button', { name: 'Look again' })).toBeVisible({ timeout: 100_000 })
  await moves(page).getByRole('combobox', { name: 'Which moves' }).selectOption('Unsure ones, too')
  await expect(moves(page).getByRole('rowheader').filter({ hasText: 'Fenmap' })).toHaveCount(0)
  await expect(moves(page).getByRole('rowheader').filter({ hasText: 'Reedcall' }).first()).toBeVisible()
})

test('what is locked stays when everything may move', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('combobox', { name: 'Find a command by name' }).fill('add vertex')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Lock', exact: true }).click()
  await page.keyboard.press('5')
  await look(page, 40)
  await expect(moves(page).getByRole('rowheader').filter({ hasText: 'Add vertex' })).toHaveCount(0)
  await page.keyboard.press('6')
  await expect(page.getByRole('heading', { name: 'Compare' })).toBeVisible()
})
