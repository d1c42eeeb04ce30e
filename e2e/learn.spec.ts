import { readFile } from 'node:fs/promises'
import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { goTo, message, openDemo, planMenu } from './app.js'

const asked = (page: Page) => page.getByRole('region', { name: 'Practice' })

async function openLearn(page: Page): Promise<void> {
  await openDemo(page)
  await page.keyboard.press('7')
  await expect(page.getByRole('heading', { name: 'Day 1 of 27' })).toBeVisible({ timeout: 60_000 })
}

test('a session by real keys: right, wrong and slow answers, what is shown, a reload in the middle', async ({
  page,
}) => {
  // the page's clock goes on only when it is told to: a slow machine does not wait too long for a person
  await page.clock.install()
  await openLearn(page)
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
  // the keys of the first day, as they stand in its list
  const items = await page.getByRole('complementary', { name: 'Today' }).getByRole('listitem').allInnerTexts()
  const keyOf = Object.fromEntries(
    items.map((text) => text.split('\n')).filter(([, key]) => key !== undefined && !/pad|pen|deck/.test(key)),
  ) as Readonly<Record<string, string>>
  await page.clock.pauseAt(Date.now() + 600_000)
  await page.getByRole('button', { name: 'Begin', exact: true }).press('Enter')
  await expect(asked(page)).toContainText('Rotate label')

  // a wrong key shows the right one, which has to be pressed
  await page.keyboard.press('q')
  await expect(asked(page)).toContainText('You pressed Q. It is Shift+R')
  await expect(page.locator('[data-code=KeyQ]')).toContainText('you pressed')
  await page.keyboard.press('Shift+r')
  await expect(asked(page)).not.toContainText('You pressed')
  // nobody presses: it is shown by itself
  await expect(asked(page)).not.toContainText('It is')
  await page.clock.runFor(9000)
  await expect(asked(page)).toContainText(/^(?!.*You pressed).*It is/s)

  await page.clock.resume()
  await page.reload()
  await expect(page.getByText('2 answers, kept in this browser')).toBeVisible()
  await page.getByRole('button', { name: /^Go on, \d+ questions are left/ }).press('Enter')
  // while it looks, the answer may be shown
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
  for (let i = 0; i < 30; i++) {
    const name = await asked(page)
      .locator('p[aria-live=assertive]')
      .textContent({ timeout: 5000 })
      .catch(() => null)
    if (name === null) break
    await page.keyboard.press(keyOf[name.trim()] ?? 'x')
    await page.waitForTimeout(50)
  }
  await expect(asked(page)).toContainText(/\d+ answers, \d+ not right/)
  await expect(page.getByText('Nothing is due today')).toBeVisible()

  // the record goes out, and comes in again without doubling
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as a file' }).click(),
  ])
  const text = await readFile(await file.path(), 'utf8')
  expect(
    text
      .trim()
      .split('\n')
      .map((line) => (JSON.parse(line) as { command: string }).command),
  ).toContain('fenmap-rotate-label')
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Add from a file…' }).click()
  await (
    await chooser
  ).setFiles({
    name: 'record.jsonl',
    mimeType: 'application/jsonl',
    buffer: Buffer.from(`${text}no answer\n`),
  })
  await expect(message(page, '0 answers were added. 1 line is no answer')).toBeVisible()
})

test('names are asked for their keys, with the bench hidden, by routines; Escape twice stops', async ({
  page,
}) => {
  await page.clock.install()
  await openLearn(page)
  await page.clock.pauseAt(Date.now() + 600_000)
  await page.getByRole('combobox', { name: 'What is asked' }).selectOption('A name, with the bench hidden')
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  await expect(page.getByText('The bench is hidden')).toBeVisible()
  await page.keyboard.press('Shift+r')
  await page.keyboard.press('Escape')
  await expect(asked(page)).toContainText('Press Esc once more to stop.')
  await page.keyboard.press('Escape')
  await expect(asked(page)).toContainText('1 answer, 0 not right')

  await page.getByRole('combobox', { name: 'What is asked' }).selectOption('Routines, step by step')
  await page.getByRole('button', { name: 'Begin anew' }).click()
  await expect(asked(page).locator('p[aria-live=assertive]')).not.toBeEmpty()
  await page.getByRole('button', { name: 'Stop for now' }).click()
})

test('what the system takes is said and taken on the drawing; strokes are drawn, entries picked', async ({
  page,
}) => {
  // a plan in which three commands are used: by a key of the system, by a stroke, and from a pop-up set
  const plan = JSON.parse(
    await readFile(new URL('../demo/demo.reachplot.json', import.meta.url), 'utf8'),
  ) as {
    id: string
    setNowArrangementId?: string
    activeArrangementId: string
    arrangements: { id: string; placements: { commandId: string; trigger: { kind: string } }[] }[]
    commands: { id: string; usesPerHour: number }[]
  }
  const used = ['fenmap-hide-label', 'fenmap-next-sheet', 'fenmap-offset-line']
  for (const command of plan.commands)
    command.usesPerHour = used.includes(command.id) ? 30 - used.indexOf(command.id) : 0
  plan.id = 'three-keys'
  plan.setNowArrangementId = plan.activeArrangementId
  const draft = plan.arrangements.find((a) => a.id === plan.activeArrangementId)!
  draft.placements = draft.placements.filter(
    (p) => p.commandId !== 'fenmap-next-sheet' || p.trigger.kind === 'stroke',
  )
  await page.clock.install()
  await openDemo(page)
  const chooser = page.waitForEvent('filechooser')
  await planMenu(page, 'Import a plan…')
  await (
    await chooser
  ).setFiles({
    name: 'three.reachplot.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(plan)),
  })
  await expect(page.getByText('of 253 commands placed')).toBeVisible()
  await goTo(page, '/learn')
  await expect(page.getByRole('button', { name: 'Begin', exact: true })).toBeEnabled()
  await page.clock.pauseAt(Date.now() + 600_000)
  await page.getByRole('button', { name: 'Begin', exact: true }).click()

  await expect(asked(page)).toContainText('Used by the system')
  await page.locator('[data-code=MetaLeft]').click()
  await page.locator('[data-code=KeyH]').click()
  await expect(asked(page)).toContainText('Draw the stroke here')
  const draw = async (dx: number): Promise<void> => {
    const box = (await asked(page).locator('p[aria-live=assertive]').boundingBox())!
    await page.mouse.move(box.x + 200, box.y + 20)
    await page.mouse.down()
    await page.mouse.move(box.x + 200 + dx, box.y + 24, { steps: 4 })
    await page.mouse.up()
  }
  await draw(-60)
  await expect(asked(page)).toContainText('You pressed')
  await draw(60)
  await expect(asked(page)).not.toContainText('You pressed')
  const entries = asked(page).getByRole('group', { name: 'Which way' })
  await entries.getByRole('button', { name: '2', exact: true }).click()
  await expect(asked(page)).not.toContainText('Offset line')
})

test('own figures are taken over from a record and given back; the programs’ own keys are asked', async ({
  page,
}) => {
  await openLearn(page)
  const side = page.getByRole('complementary', { name: 'What the answers say' })
  await expect(side).toContainText('200 more answers')
  const keys = [
    ['fenmap-pan', 'Space'],
    ...[...'ABCDEFGHIJKLMNOPQRSTUVWX'].map((letter) => [`fenmap-x${letter}`, `Key${letter}`]),
  ]
  const lines = Array.from({ length: 10 }, (_, n) =>
    keys.map(([command, code], k) => {
      const trigger = { kind: 'chord', modifiers: [], code }
      const time = new Date(Date.UTC(2026, 4, 4 + n, 8, 0, 10 * k)).toISOString()
      const ms = 600 + Math.round(1500 * (n + 1) ** -0.6) + 7 * k
      return JSON.stringify({ time, command, trigger, kind: 'key', pressed: trigger, ms, right: true })
    }),
  ).flat()
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Add from a file…' }).click(),
  ])
  await chooser.setFiles({
    name: 'record.jsonl',
    mimeType: 'application/jsonl',
    buffer: Buffer.from(lines.join('\n')),
  })
  await page.getByRole('button', { name: 'Go by my figures' }).click()
  await expect(side).toContainText('The plan goes by your figures, from 250 answers.')
  await expect(page.getByRole('contentinfo')).toContainText('your own figures')
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
  await page.getByRole('button', { name: 'Back to what is assumed' }).click()
  await expect(side).not.toContainText('The plan goes by your figures')

  await page.getByRole('combobox', { name: 'What is asked' }).selectOption('default')
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  await expect(asked(page)).toContainText('by the program’s own key')
  await expect(asked(page)).toContainText('Next vertex')
  await page.keyboard.press('Tab')
  await expect(asked(page)).not.toContainText('Next vertex')
})

test('a small task is done on a chart that follows', async ({ page }) => {
  await openLearn(page)
  await page.getByRole('combobox', { name: 'What is asked' }).selectOption('task')
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  const chart = asked(page).getByRole('img', { name: /^A small chart/ })
  await expect(chart).toHaveAttribute('aria-label', /100 % large/)
  await expect(asked(page)).toContainText('Come nearer')
  await page.keyboard.press('t')
  await expect(chart).toHaveAttribute('aria-label', /150 % large/)
  await expect(asked(page)).toContainText('Set it straight')
  // a wrong key names the command
  await page.keyboard.press('q')
  await expect(asked(page)).toContainText('Turn view left')
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
})
