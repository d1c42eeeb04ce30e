import { readFileSync } from 'node:fs'
import { catalogues } from '@reach-plot/data'
import { parse } from 'node-html-parser'
import { expect, test } from 'vitest'
import { prepare, readPlan } from '../../src/index.js'
import { pageForOthers } from '../../src/carry/index.js'

const demo = readPlan(
  readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
  'demo',
)

test('the page for others has every trigger as a row, loads nothing, and is small', () => {
  const model = prepare(demo, catalogues)
  const page = pageForOthers(model)
  expect(page.length).toBeLessThan(400_000)
  const root = parse(page)
  expect(root.querySelectorAll('tbody tr')).toHaveLength(model.arrangement.placements.length)
  expect(root.querySelectorAll('[src], link, img, iframe, [href]')).toEqual([])
  expect(page).not.toMatch(/https?:\/\/(?!www\.w3\.org)/)
  expect(root.querySelectorAll('svg [data-ref]').length).toBeGreaterThan(100)
})

test('names with signs of markup stay names', () => {
  const sly = '</script><script>alert(1)</script>"\'&'
  const plan = {
    ...demo,
    name: sly,
    commands: demo.commands.map((c) => ({ ...c, name: `${sly} ${c.name}` })),
  }
  const root = parse(pageForOthers(prepare(plan, catalogues)))
  expect(root.querySelectorAll('script')).toHaveLength(2)
  expect(root.querySelector('h1')!.text).toBe(sly)
})
