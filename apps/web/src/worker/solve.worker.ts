import { expose } from 'comlink'
import {
  activeArrangement,
  activeBench,
  chordTable,
  compareArrangements,
  comparisonSheet,
  moveReason,
  reachIn,
  reachSituation,
  reportOf,
  solveArrangement,
  surroundings,
  workDesk,
  type Arrangement,
  type ChordTable,
  type Plan,
} from '@reach-plot/core'
import { catalogues } from '../store/catalogues.js'
import type { SolveService, Summary } from './solve-protocol.js'

let current: { readonly key: string; readonly table: ChordTable } | null = null

function tableOf(plan: Plan): ChordTable {
  const situation = reachSituation(
    activeBench(plan),
    plan.devices,
    surroundings(plan, catalogues).layout.altGraph,
  )
  const key = JSON.stringify(situation)
  if (current?.key !== key) current = { key, table: chordTable(situation, current?.table) }
  return current.table
}

/** Lets a message in, such as that the search should stop. */
const turn = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))
/** How often messages are let in, ms: each turn costs a few. */
const turnMs = 50

let stopped = false

const service: SolveService = {
  async solve(plan, options, onProgress) {
    stopped = false
    const arrangement = activeArrangement(plan)
    const table = tableOf(plan)
    const desk = workDesk(plan, arrangement, catalogues, table)
    const steps = solveArrangement(
      { plan, survey: desk.survey, placements: arrangement.placements, clashes: desk.clashes, table },
      options,
    )
    let step = steps.next()
    let last = 0
    while (step.done !== true) {
      const now = performance.now()
      if (now - last > turnMs) {
        onProgress(step.value)
        await turn()
        last = performance.now()
      }
      step = steps.next(stopped)
    }
    const answer = step.value
    const solved: Arrangement = {
      ...arrangement,
      placements: answer.placements as Arrangement['placements'],
    }
    const after = workDesk(plan, solved, catalogues, table)
    const summary = (of: typeof desk): Summary => {
      const report = reportOf(plan, of)
      return {
        minutesPerDay: (report.day.msPerHour * plan.hoursPerDay) / 60_000,
        clashes: report.clashCounts,
      }
    }
    return {
      placements: arrangement.placements,
      rows: answer.problem.rows,
      list: answer.list,
      reasons: Object.fromEntries(
        answer.list.moves.map((m) => [m.id, moveReason(m, after.survey, reachIn(table), plan.weights)]),
      ),
      beforeMs: answer.beforeMs,
      curve: answer.curve,
      clashesLeft: answer.clashesLeft,
      before: summary(desk),
      after: summary(after),
    }
  },
  stop() {
    stopped = true
  },
  compare(plan, arrangementIds) {
    const chosen = arrangementIds.flatMap((id) => plan.arrangements.find((a) => a.id === id) ?? [])
    return Promise.resolve(
      comparisonSheet(compareArrangements(plan, chosen, catalogues, tableOf(plan)), plan),
    )
  },
}

expose(service)
