/** `npm run season [FILE] [ROWS]`: writes the demo's usage log, from its seed. */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname } from 'node:path'
import { readPlan } from '@reach-plot/core'
import rates from './rates.json' with { type: 'json' }
import { demoSeason, season } from './season.js'

const [file = 'season.csv', rows = String(demoSeason.rows)] = process.argv.slice(2)
const plan = readPlan(readFileSync(new URL('demo.reachplot.json', import.meta.url), 'utf8'), 'demo')
mkdirSync(dirname(file), { recursive: true })
writeFileSync(file, [...season(plan, rates, { ...demoSeason, rows: Number(rows) })].join(''))
console.log(`${file}: ${rows} rows`)
