/**
 * `npm run bench:frames`: frame times in Chromium with 1,200 commands, while the pointer crosses the keys and while the
 * chart is dragged; and with 5,000 in the inventory, while it is scrolled and filtered. Needs a built app. Prints figures; it is no test.
 */
import { readFileSync } from 'node:fs'
import { chromium } from '@playwright/test'
import { chromiumLaunch } from './chromium.mjs'
import { hasPackages, root, run } from './install.mjs'

const port = 4749
const commandCount = 1200
const tableCount = 5000

if (!hasPackages()) run('npm', ['ci'])
run('npm', ['run', 'build', '--silent'])
process.env.PORT = String(port)
const { register } = await import('tsx/esm/api')
register()
await import('../apps/server/src/main.ts')

const plan = JSON.parse(readFileSync(`${root}demo/demo.reachplot.json`, 'utf8'))
const codes = [...'QWERTASDFGZXCVB'].map((letter) => `Key${letter}`)
const sets = [[], ['Shift'], ['Control'], ['Alt'], ['Control', 'Shift'], ['Meta']]
const browser = await chromium.launch(chromiumLaunch)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
// The first view: what is sent, and when the chart stands there.
const sent = { script: 0, all: 0 }
const client = await page.context().newCDPSession(page)
await client.send('Network.enable')
const kinds = new Map()
client.on('Network.responseReceived', ({ requestId, type }) => kinds.set(requestId, type))
client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
  sent.all += encodedDataLength
  if (kinds.get(requestId) === 'Script') sent.script += encodedDataLength
})
await page.goto(`http://127.0.0.1:${port}/`)
await page.locator('[data-code=KeyG]').waitFor()
const firstMs = await page.evaluate(
  () =>
    new Promise((done) =>
      requestAnimationFrame(() =>
        setTimeout(() =>
          done(performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? performance.now()),
        ),
      ),
    ),
)
await page.waitForLoadState('networkidle')
console.log(
  `first view: first picture after ${firstMs.toFixed(0)} ms, ${(sent.script / 1000).toFixed(0)} kB of script and ${(sent.all / 1000).toFixed(0)} kB in all as sent`,
)
await open(commandCount)
await page.getByRole('combobox', { name: 'Find a command by name' }).fill('hide shape')
await page.keyboard.press('Enter')
await page.waitForTimeout(2500)

/** The plan with this many commands, each with a trigger. */
function grown(count) {
  while (plan.commands.length < count) {
    const n = plan.commands.length
    plan.commands.push({
      id: `more-${n}`,
      programId: 'fenmap',
      contextIds: [],
      name: `Invented command ${n}`,
      menu: [],
      usesPerHour: n % 50,
    })
    plan.arrangements[1].placements.push({
      commandId: `more-${n}`,
      trigger: { kind: 'chord', modifiers: sets[n % sets.length], code: codes[n % codes.length] },
    })
  }
  return plan
}

async function open(count) {
  const choosing = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Plan', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Import a plan…' }).click()
  const buffer = Buffer.from(JSON.stringify(grown(count)))
  await (await choosing).setFiles({ name: 'many.json', mimeType: 'application/json', buffer })
  await page.getByText(`of ${count} commands placed`).waitFor()
}

/** Frame times, ms, while `move` runs. */
async function frames(name, move) {
  await page.evaluate(() => {
    const times = []
    let last = performance.now()
    window.stopFrames = false
    const tick = (now) => {
      times.push(now - last)
      last = now
      if (!window.stopFrames) requestAnimationFrame(tick)
    }
    requestAnimationFrame(tick)
    window.frameTimes = times
  })
  await move()
  const times = await page.evaluate(() => {
    window.stopFrames = true
    return window.frameTimes.slice(2)
  })
  times.sort((a, b) => a - b)
  const at = (share) => times[Math.min(times.length - 1, Math.floor(share * times.length))].toFixed(1)
  const slow = times.filter((t) => t > 1000 / 60 + 2).length
  console.log(
    `${name}: ${times.length} frames, median ${at(0.5)} ms, 95 % ${at(0.95)} ms, longest ${at(1)} ms, ${slow} over a sixtieth of a second`,
  )
}

/** Runs `act` several times in the page and prints how long it takes until `isDone` holds and the picture is drawn, ms. */
async function untilDrawn(name, times, act, isDone) {
  const taken = []
  for (let i = 0; i < times; i++) {
    taken.push(
      await page.evaluate(
        async ([actText, doneText, n]) => {
          const [run, done] = [new Function('n', actText), new Function('n', `return ${doneText}`)]
          const start = performance.now()
          run(n)
          while (!done(n)) await new Promise((next) => requestAnimationFrame(next))
          // the frame in which it stands has been painted when the next task runs
          await new Promise((next) => requestAnimationFrame(() => setTimeout(next)))
          return performance.now() - start
        },
        [act, isDone, i],
      ),
    )
    await page.waitForTimeout(120)
  }
  taken.sort((a, b) => a - b)
  const at = (share) => taken[Math.min(times - 1, Math.floor(share * times))].toFixed(0)
  console.log(`${name}: median ${at(0.5)} ms, 95 % ${at(0.95)} ms of ${times}`)
}

await page.getByRole('combobox', { name: 'Find a command by name' }).fill('')
const row = (n) => `document.querySelectorAll('#command-list [role=option]')[1 + (${n} % 8)]`
await untilDrawn(
  `choosing, ${commandCount} commands: until its places stand there`,
  24,
  `${row('n')}.click()`,
  `document.querySelector('section[aria-label=Places] h2')?.textContent === ${row('n')}.firstChild.firstChild.textContent && document.querySelector('[data-place]') !== null`,
)
await page.getByRole('button', { name: 'Weights' }).click()
await untilDrawn(
  `a weight's step, ${commandCount} commands`,
  40,
  `const slider = document.querySelector('[aria-label="Weights, ms"] input')
   Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(slider, String(20 + 10 * (n % 30)))
   slider.dispatchEvent(new Event('input', { bubbles: true }))`,
  `document.querySelector('[aria-label="Weights, ms"] input').nextSibling.textContent === (20 + 10 * (n % 30)) + ' ms'`,
)
await page.keyboard.press('Escape')

await frames(`hover, ${commandCount} commands`, async () => {
  for (let i = 0; i < 240; i++) await page.mouse.move(290 + ((i * 17) % 660), 300 + ((i * 11) % 280))
})
await frames(`drag, ${commandCount} commands`, async () => {
  await page.mouse.move(600, 640)
  await page.mouse.down()
  for (let i = 0; i < 240; i++) await page.mouse.move(600 + 90 * Math.sin(i / 12), 640 + 40 * Math.cos(i / 9))
  await page.mouse.up()
})
// While the solver works in its worker, the chart is hovered; the page stays as it was before the crowd of commands.
await page.goto(`http://127.0.0.1:${port}/`)
await page.evaluate(() =>
  indexedDB.databases().then((all) => all.forEach((d) => indexedDB.deleteDatabase(d.name))),
)
await page.reload()
await page.getByRole('link', { name: 'Solve', exact: true }).click()
await page.getByRole('button', { name: 'Look for a better arrangement' }).click()
await page.getByText('Improving it').waitFor()
await frames('solving, the Solve screen', async () => {
  for (let i = 0; i < 60; i++) {
    await page.mouse.move(100 + ((i * 17) % 900), 120 + ((i * 11) % 500))
    await page.waitForTimeout(16)
  }
})
await page.getByRole('link', { name: 'Plot', exact: true }).click()
await page.locator('[data-code=KeyG]').waitFor()
await frames('solving, hover on the Plot', async () => {
  for (let i = 0; i < 240; i++) await page.mouse.move(290 + ((i * 17) % 660), 300 + ((i * 11) % 280))
})

// The inventory with 5,000: scrolled through, and filtered letter by letter.
await open(tableCount)
await page.getByRole('link', { name: 'Commands', exact: true }).click()
await page.getByRole('table', { name: 'Commands' }).waitFor()
await frames(`scroll, ${tableCount} commands`, async () => {
  await page.mouse.move(640, 500)
  for (let i = 0; i < 120; i++) {
    await page.mouse.wheel(0, i < 60 ? 120 : -120)
    await page.waitForTimeout(16)
  }
})
await frames(`filter, ${tableCount} commands`, async () => {
  await page.getByRole('searchbox').click()
  for (const letter of 'invented command 12') {
    await page.keyboard.type(letter)
    await page.waitForTimeout(60)
  }
})
await browser.close()
process.exit(0)
