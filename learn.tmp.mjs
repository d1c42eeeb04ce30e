import { chromium } from '@playwright/test'
import { chromiumLaunch } from './scripts/chromium.mjs'
const b = await chromium.launch(chromiumLaunch)
const ctx = await b.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers:'block' })
const p = await ctx.newPage()
p.on('pageerror', e=>console.log('ERR', e.message)); p.on('console', m=>m.type()==='error'&&console.log('C', m.text()))
await p.addInitScript(() => localStorage.setItem('reach-plot-welcomed', '1'))
await p.goto('http://127.0.0.1:4750/learn')
await p.waitForSelector('text=/Day 1 of/')
await p.getByRole('button',{name:'Begin'}).click()
const press = async (k) => { await p.waitForTimeout(400); await p.keyboard.press(k) }
// answer a few by reading the name
const keys = {}
for (const li of await p.locator('aside[aria-label=Today] li').all()) console.log(await li.innerText())
for (let i=0;i<26;i++){
  const name = (await p.locator('section[aria-label=Practice] p.text-\\[40px\\]').textContent().catch(()=>null)); if(!name) break
  const map={'Rotate label':'Shift+R','Smooth':'5','Zoom pitch in':'Shift+T','Zoom pitch out':'Shift+R'}
  await press(i===4?'q':(map[name]??'5'))
  const told = await p.locator('section[aria-label=Practice]').innerText()
  if (/Press it/.test(told)) { console.log(told.split('\n').slice(0,4).join('|')); if(i===4) await p.screenshot({path:'/tmp/learn2.png'}); if(/pad key 2/.test(told)) await p.locator('[data-code="pad/k2"]').click(); else await press(map[name]) }
}
await p.waitForTimeout(500)
await p.screenshot({path:'/tmp/learn3.png'})
await b.close()
