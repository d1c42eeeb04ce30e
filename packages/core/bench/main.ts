/** `npm run bench`: ratios against plain references in the same run. Prints one line a figure. */
import {
  boardControls,
  homeKeys,
  isModifierCode,
  reachSolver,
  type Control,
  type Modifier,
} from '../src/index.js'
import { gridEnergy } from '../test/hand/grid-search.js'
import Papa from 'papaparse'
import { readFileSync } from 'node:fs'
import { readPlan, usageReader } from '../src/index.js'
import { benchCheck } from './clashes.js'
import { benchDoubt } from './doubt.js'
import { benchHostile } from './hostile.js'
import { benchKeyTables } from './key-tables.js'
import { benchLabels } from './labels.js'
import { benchPlaces } from './places.js'
import { benchSolver } from './solver.js'
import { median, per, timed } from './timing.js'
import rates from '../../../demo/rates.json' with { type: 'json' }
import { season } from '../../../demo/season.js'

const controls = boardControls('ansi-104', 'windows')
const byId = new Map(controls.map((c) => [c.id, c]))
const modifierSets: Modifier[][] = Array.from({ length: 16 }, (_, bits) =>
  (['Control', 'Shift', 'Alt', 'Meta'] as const).filter((_m, i) => (bits >> i) & 1),
)

function allChords(): number {
  // a fresh solver each time, so that nothing is kept from a run before
  const solver = reachSolver({ side: 'left', spanMm: 190, rests: homeKeys.left }, controls)
  let count = 0
  for (const held of modifierSets)
    for (const c of controls) if (c.code !== null && solver.reachChord(held, c.code, false)) count++
  return count
}

/** A fixed sample of chords of one and two keys: twelve that the hand makes and one that is away, where grids grow. */
function sample(): string[][] {
  const sides: Readonly<Record<string, string>> = {
    Control: 'ControlLeft',
    Shift: 'ShiftLeft',
    Alt: 'AltLeft',
    Meta: 'MetaLeft',
  }
  const all = modifierSets
    .filter((held) => held.length <= 1)
    .flatMap((held) =>
      controls
        .filter((c) => !isModifierCode(c.id))
        .map((c) => [...held.map((m) => sides[m] as string), c.id]),
    )
  const solver = reachSolver({ side: 'left', spanMm: 190, rests: homeKeys.left }, controls)
  const near = all.filter((keys) => solver.reachControls(keys).verdict !== 'away')
  const step = Math.floor(near.length / 12)
  return [...near.filter((_, i) => i % step === 0).slice(0, 12), ['Minus']]
}

function benchReach(): void {
  allChords()
  const runs = [0, 1, 2].map(() => timed(allChords))
  const ms = median(runs.map((r) => r.ms))
  const count = (runs[0] as (typeof runs)[number]).value
  console.log(
    `all chords of one hand, ansi-104, ${count} chords (16 sets of modifiers, either side): ${per(ms)}, ${Math.round((count / ms) * 1000)} chords/s, ${per(ms / count)} a chord`,
  )

  const chords = sample()
  const solver = reachSolver({ side: 'left', spanMm: 190, rests: homeKeys.left }, controls)
  let above = 0
  let widest = 0
  const solved = timed(() => chords.map((keys) => solver.reachControls(keys).effort ** 2))
  const grid = timed(() =>
    chords.map((keys) =>
      gridEnergy(
        solver.hand,
        keys.map((k) => byId.get(k) as Control),
        { palmMm: 2, turnDeg: 1 },
      ),
    ),
  )
  chords.forEach((_, i) => {
    const gap = (grid.value[i] as number) - (solved.value[i] as number)
    if (gap < -1e-9) above++
    widest = Math.max(widest, gap)
  })
  console.log(
    `the same ${chords.length} chords of one and two keys by grid search (palm 2 mm, turn 1°): ${per(grid.ms)}; by the solver: ${per(solved.ms)}; ratio ${Math.round(grid.ms / solved.ms)} (at least 100 wanted)`,
  )
  // The grid's chords have one or two keys, all chords up to five: the true ratio of rates is larger still.
  const [rate, gridRate] = [(count / ms) * 1000, (chords.length / grid.ms) * 1000]
  console.log(
    `rate of the solver over all chords, ${Math.round(rate)}/s, against the grid's over its sample, ${gridRate.toFixed(1)}/s: ${Math.round(rate / gridRate)} times (at least 100 wanted)`,
  )
  console.log(
    `solver above the grid's energy: ${above} of ${chords.length} (0 wanted); grid above the solver by ${widest.toFixed(4)} at most`,
  )
}

/** Reading a usage log against papaparse alone on the same text, and the memory of a million rows. */
function benchUsage(): void {
  const plan = readPlan(readFileSync(new URL('../../../demo/demo.reachplot.json', import.meta.url), 'utf8'))
  const pieces = (rows: number): string[] => [...season(plan, rates, { seed: 1, rows })]
  const text = pieces(100_000).join('')
  const piece = 1_000_000
  const read = (): number => {
    const reader = usageReader(plan, 'season.csv')
    for (let i = 0; i < text.length; i += piece) reader.push(text.slice(i, i + piece))
    return reader.finish().goodRows
  }
  const alone = (): number => Papa.parse<string[]>(text).data.length
  read()
  alone()
  const own = median([0, 1, 2, 3, 4].map(() => timed(read).ms))
  const papa = median([0, 1, 2, 3, 4].map(() => timed(alone).ms))
  console.log(
    `usage log of 100,000 rows: ${per(own)}, ${Math.round(100_000 / own)} thousand rows/s; papaparse alone ${per(papa)}; ratio of rates ${(papa / own).toFixed(2)} (at least 0.33 wanted)`,
  )
  const before = process.memoryUsage().rss
  let peak = before
  const reader = usageReader(plan, 'season.csv')
  for (const part of season(plan, rates, { seed: 1, rows: 1_000_000 })) {
    reader.push(part)
    peak = Math.max(peak, process.memoryUsage().rss)
  }
  const report = reader.finish()
  peak = Math.max(peak, process.memoryUsage().rss)
  console.log(
    `a million rows: ${report.goodRows} read, ${report.sequences.length} sequences; peak memory ${Math.round(peak / 1e6)} MB, ${Math.round((peak - before) / 1e6)} MB above the start`,
  )
}

/** All parts, or those named on the command line: `npm run bench places`. */
const parts: Readonly<Record<string, () => void | Promise<void>>> = {
  reach: benchReach,
  places: benchPlaces,
  check: benchCheck,
  usage: benchUsage,
  solve: benchSolver,
  labels: benchLabels,
  doubt: benchDoubt,
  tables: benchKeyTables,
  hostile: benchHostile,
}
const named = process.argv.slice(2).filter((name) => name in parts)
for (const [name, run] of Object.entries(parts)) if (named.length === 0 || named.includes(name)) await run()
