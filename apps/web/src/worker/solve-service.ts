import {
  arrangementSetNow,
  candidate,
  dayHours,
  foresight,
  proposedSets,
  chordTable,
  compareArrangements,
  comparisonSheet,
  moveReason,
  placeDoubt,
  placeGains,
  placesOn,
  planDays,
  reportOf,
  solveArrangement,
  type Arrangement,
  type ChordTable,
  type PlaceGain,
  type Plan,
  type PreparedModel,
  prepare,
  prepareWork,
} from '@reach-plot/core'
import { placesOnBench, standardOffer } from '@reach-plot/core/carry'
import { catalogues } from './catalogues.js'
import { fillTable, reachShelf } from './kept-reach.js'
import type { SolveService, Summary } from './solve-protocol.js'

let current: { readonly key: string; readonly table: ChordTable } | null = null

/** The prepared plan; the chord table is taken over from the one before as far as the bench stays. */
function modelOf(plan: Plan): PreparedModel {
  return prepare(plan, catalogues, { table: tableOf(plan).table })
}

function tableOf(plan: Plan): NonNullable<typeof current> {
  const { situation } = prepare(plan, catalogues)
  const key = JSON.stringify(situation)
  return current?.key === key ? current : (current = { key, table: chordTable(situation, current?.table) })
}

/** The prepared plan with the reach of every set of modifiers that is proposed, shared with the worker of reach. */
async function reachedModel(plan: Plan, isWanted?: () => boolean): Promise<PreparedModel> {
  const { key, table } = tableOf(plan)
  const model = prepare(plan, catalogues, { table })
  const sets = proposedSets(model.env.layout.altGraph).map((held) => ({ held }))
  await fillTable(table, sets, await reachShelf(key), isWanted)
  return model
}

/** Lets a message in, such as that the search should stop. */
const turn = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))
/** How often messages are let in, ms: each turn costs a few. */
const turnMs = 50

let looking = 0

/** Goes through steps to their answer, telling on the way how far they are; null where they were stopped, or others began since. */
async function toTheEnd<T>(
  steps: Generator<number, T, void>,
  onStep: (count: number) => void,
): Promise<T | null> {
  const mine = ++looking
  let step = steps.next()
  let last = performance.now()
  while (step.done !== true) {
    if (performance.now() - last > turnMs) {
      onStep(step.value)
      await turn()
      if (mine !== looking) return null
      last = performance.now()
    }
    step = steps.next()
  }
  return step.value
}

let stopped = false
/** the last question for gains; those before it end */
let gainsAsked = 0

/** What the solving worker does: searches and compares. */
export const solveService: SolveService = {
  async solve(plan, options, onProgress) {
    stopped = false
    const model = await reachedModel(plan)
    const { arrangement } = model
    const work = prepareWork(model)
    const steps = solveArrangement({ model, clashes: work.clashes }, options)
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
    const placements = answer.placements as Arrangement['placements']
    const after = model.withArrangement({ ...arrangement, placements })
    const summary = (of: typeof work): Summary => {
      const report = reportOf(of)
      return {
        minutesPerDay: (report.day.msPerHour * dayHours(plan).hours) / 60_000,
        clashes: report.clashCounts,
      }
    }
    return {
      placements: arrangement.placements,
      rows: answer.problem.rows,
      list: answer.list,
      doubts: Object.fromEntries(answer.doubts),
      payBack: answer.payBack,
      load: answer.load,
      reasons: Object.fromEntries(answer.list.moves.map((m) => [m.id, moveReason(m, after)])),
      beforeMs: answer.beforeMs,
      curve: answer.curve,
      clashesLeft: answer.clashesLeft,
      before: summary(work),
      after: summary(prepareWork(after)),
    }
  },
  placeDoubt(plan, commandId, triggers) {
    const model = modelOf(plan)
    const { index, reachAt } = model
    const command = index.commands.get(commandId)
    if (!command) return Promise.resolve({})
    const candidates = triggers.map((t) => candidate(t, index))
    const places = placesOn(command, candidates, reachAt, index, plan.weights)
    return Promise.resolve(Object.fromEntries(placeDoubt(places, model)))
  },
  async gains(plan, onGains) {
    const mine = ++gainsAsked
    await turn()
    if (mine !== gainsAsked) return
    const model = await reachedModel(plan, () => mine === gainsAsked)
    if (mine !== gainsAsked) return
    const { context } = prepareWork(model)
    let some: PlaceGain[] = []
    let last = performance.now()
    for (const gain of placeGains(model, context.triggersOf)) {
      some.push(gain)
      if (performance.now() - last < turnMs) continue
      onGains(some)
      some = []
      await turn()
      if (mine !== gainsAsked) return
      last = performance.now()
    }
    onGains(some)
  },
  stop() {
    stopped = true
  },
  async standard(plan, standard, onLooked) {
    await reachedModel(plan)
    return toTheEnd(standardOffer(prepare(standard, catalogues), plan, modelOf), onLooked)
  },
  async otherBench(plan, benchId, onLooked) {
    const here = prepare(plan, catalogues)
    const there = await reachedModel({ ...plan, activeBenchId: benchId })
    const places = await toTheEnd(placesOnBench(here, there), onLooked)
    return (
      places &&
      places.map(({ command, trigger, place, keeps }) => ({
        command,
        trigger,
        keeps,
        to: place.trigger,
      }))
    )
  },
  stopLooking() {
    looking++
  },
  foresight(before, after) {
    const { brings, ends } = foresight(prepare(before, catalogues), prepare(after, catalogues))
    return Promise.resolve({ brings, ends: ends.length })
  },
  async compare(plan, arrangementIds) {
    const chosen = arrangementIds.flatMap((id) => plan.arrangements.find((a) => a.id === id) ?? [])
    const model = await reachedModel(plan)
    const models = chosen.map((arrangement) => model.withArrangement(arrangement))
    return comparisonSheet(compareArrangements(models), plan)
  },
  async days(plan, newPerDay) {
    const model = await reachedModel(plan)
    return planDays(model.withArrangement(arrangementSetNow(plan)), model, newPerDay)
  },
}
