import { chromium } from '@playwright/test'
const [, , url, out, theme = 'day', script = '', size = '1280x800'] = process.argv
const [width, height] = size.split('x').map(Number)
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'] })
const context = await browser.newContext({ viewport: { width, height } })
const p = await context.newPage()
p.on('pageerror', (e) => console.log('ERR', e.message)); p.on('console', (m) => m.type() === 'error' && console.log('CON', m.text()))
await p.addInitScript((t) => { if (t === 'night') localStorage.setItem('reach-plot-settings', JSON.stringify({ state: { theme: 'night' }, version: 1 })) }, theme)
await p.goto('http://localhost:4801' + url)
await p.waitForTimeout(2500)
if (script) await new Function('p', `return (async () => { ${script} })()`)(p)
await p.screenshot({ path: out })
await browser.close()
