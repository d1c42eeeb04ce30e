import { readFileSync } from 'node:fs'
import { catalogues } from '@reach-plot/data'
import {
  assign,
  chordTable,
  modifierSets,
  dayHours,
  defaultSolveOptions,
  greedyAnswer,
  reportOf,
  searchSlots,
  solveArrangement,
  prepare,
  prepareWork,
  type Arrangement,
  type Plan,
  type SlotProblem,
  type SolveAnswer,
  type SolveScope,
} from '../src/index.js'
import { defaultQuadraticOptions, readQap, solveQuadratic } from './qap/index.js'
import { madeUp, usesOf } from '../test/solve/slot-problems.js'
import { benchAssignment, useTimesEffort } from './assignment.js'
import { demo, grownDemo } from './grown-demo.js'
import { median, per, timed } from './timing.js'

const ended = <T>(steps: Generator<unknown, T>): T => {
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  return step.value
}

/** Known optima: QAPLIB, Burkard, Karisch and Rendl (1997). */
const optima = { nug12: 578, chr12a: 9552, had20: 6922, bur26a: 5_426_670 } as const

function benchQap(): void {
  for (const [name, optimum] of Object.entries(optima)) {
    const file = new URL(`../test/solve/qaplib/${name}.dat`, import.meta.url)
    const problem = readQap(readFileSync(file, 'utf8'), name)
    const runs = [1, 2, 3, 4, 5].map((seed) =>
      timed(() => solveQuadratic(problem, { ...defaultQuadraticOptions, seed })),
    )
    const found = runs.filter((r) => r.value.cost === optimum).length
    console.log(
      `QAPLIB ${name}, optimum ${optimum}: found from ${found} of 5 seeds (5 wanted), ${per(median(runs.map((r) => r.ms)))} each, at most ${per(Math.max(...runs.map((r) => r.ms)))} (under 2000 ms wanted)`,
    )
  }
}

function benchFirstAnswer(): void {
  const [rows, slots] = [900, 2000]
  const problem: SlotProblem = { ...madeUp(rows, slots, 0, 1), costs: useTimesEffort(rows, slots, 1) }
  const weight = usesOf(problem)
  const first = timed(() => greedyAnswer(problem, weight))
  const full = timed(() => assign(problem.costs, rows, slots))
  console.log(
    `first answer at ${rows} x ${slots}: ${per(first.ms)}, the full assignment ${per(full.ms)}; fraction ${(first.ms / full.ms).toFixed(2)}`,
  )
}

function benchQuality(): void {
  const problem = madeUp(900, 2000, 60, 1)
  const weight = usesOf(problem)
  const best: number[] = []
  for (const moves of [20_000, 100_000, 400_000, 1_600_000]) {
    const run = timed(() => ended(searchSlots(problem, { seed: 1, moves, weight })).bestCost)
    best.push(run.value)
    console.log(
      `900 commands, 2000 places, 60 pairs: ${moves} moves in ${per(run.ms)}, cost ${run.value.toFixed(0)}`,
    )
  }
  console.log(
    `each against the last: ${best.map((b) => `${((b / (best.at(-1) as number) - 1) * 100).toFixed(2)} %`).join(', ')}`,
  )
  const sizes = [100, 200, 400, 800]
  const times = sizes.map((rows) => {
    const one = madeUp(rows, 2 * rows, Math.floor(rows / 10), 2)
    return timed(() => ended(searchSlots(one, { seed: 1, moves: 200_000, weight: usesOf(one) }))).ms
  })
  const slopes = times.slice(1).map((ms, i) => Math.log2(ms / (times[i] as number)))
  console.log(
    `time of 200,000 moves at ${sizes.join(', ')} commands: ${times.map(per).join(', ')}; grows with the power ${(slopes.reduce((a, b) => a + b, 0) / slopes.length).toFixed(2)} of the size`,
  )
}

function benchDemo(): void {
  const model = prepare(demo, catalogues)
  const { arrangement } = model
  const { clashes } = prepareWork(model)
  const solve = (scope: SolveScope, moves = defaultSolveOptions.moves): SolveAnswer =>
    ended(solveArrangement({ model, clashes }, { ...defaultSolveOptions, scope, moves, curve: false }))
  const minutes = (placements: Arrangement['placements']): number =>
    (reportOf(prepareWork(model.withArrangement({ ...arrangement, placements }))).day.msPerHour *
      dayHours(demo).hours) /
    60_000
  const now = minutes(arrangement.placements)
  const whole = timed(() => solve({ what: 'everything' }))
  const few = timed(() => solve({ what: 'everything', mostMoves: 25 }))
  const [all, some] = [whole, few].map((r) => minutes(r.value.placements as Arrangement['placements'])) as [
    number,
    number,
  ]
  console.log(
    `the demo: ${now.toFixed(1)} min of command time a day; all moves (${whole.value.list.moves.length}) ${all.toFixed(1)} min in ${per(whole.ms)}, ${(100 * (1 - all / now)).toFixed(0)} % less (20 % aimed at), ${whole.value.clashesLeft.length} clashes above caution left (${whole.value.clashesLeft.map((c) => c.message).join(' ')})`,
  )
  console.log(
    `the demo with 25 moves: ${some.toFixed(1)} min in ${per(few.ms)}, which keeps ${((100 * (now - some)) / (now - all)).toFixed(0)} % of the saving (over 50 % aimed at)`,
  )
  for (const moves of [20_000, 100_000, 400_000, 1_600_000]) {
    const run = timed(() => solve({ what: 'everything' }, moves))
    console.log(
      `the demo, ${moves} moves: ${per(run.ms)}, cost ${(run.value.afterMs / 1000).toFixed(1)} s an hour of ${(run.value.beforeMs / 1000).toFixed(1)}`,
    )
  }
}

/** A whole solve as the app asks for it, its doubt included, and when the first list of moves was there. */
function benchWhole(plan: Plan, scope: SolveScope, wantedMs: number, what: string): void {
  // the app knows the reach of the bench by then: the Plot has asked for it
  const table = chordTable(prepare(plan, catalogues).situation)
  const reach = timed(() => modifierSets(true, 2).forEach((held) => table.withHeld(held)))
  const start = performance.now()
  const model = prepare(plan, catalogues, { table })
  const steps = solveArrangement(
    { model, clashes: prepareWork(model).clashes },
    { ...defaultSolveOptions, scope },
  )
  let firstMs: number | null = null
  let step = steps.next()
  for (; step.done !== true; step = steps.next()) if (step.value.first) firstMs ??= performance.now() - start
  const ms = performance.now() - start
  const count = step.value.list.moves.length
  console.log(
    `${plan.commands.length} commands, ${what}, with the draws: ${count} moves in ${per(ms)} (${per(wantedMs)} wanted), ${(ms / wantedMs).toFixed(2)} of it; the first list after ${((firstMs ?? ms) / ms).toFixed(2)} of the time (0.33 wanted); the reach of the bench before it ${per(reach.ms)}`,
  )
}

/** The assignment, the quadratic search and the solver: ratios, optima, and quality over moves. */
export function benchSolver(): void {
  benchAssignment()
  benchFirstAnswer()
  benchQap()
  benchQuality()
  benchDemo()
  benchWhole(demo, { what: 'everything', mostMoves: 25 }, 6000, '25 moves')
  benchWhole(grownDemo(1000), { what: 'everything' }, 25_000, 'all moves')
}
