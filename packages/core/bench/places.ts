/** Bench of the chord table and of ranking places, on the demo's bench and on one with 1,200 commands. */
import { Worker } from 'node:worker_threads'
import {
  activeArrangement,
  activeBench,
  benchCandidates,
  chordTable,
  modifierSets,
  pageFor,
  placesOn,
  rankPlaces,
  reachIn,
  reachSituation,
  reweigh,
  environmentOf,
  indexPlaces,
  type Command,
} from '../src/index.js'
import { catalogues } from '@reach-plot/data'
import { demo, grownDemo } from './grown-demo.js'
import { median, per, timed } from './timing.js'

/** One frame at 60 a second, ms. */
const frameMs = 1000 / 60

/** A worker that builds the whole table of the demo's bench, and how long it took from the call to the answer. */
function tableInWorker(): Promise<{ readonly ms: number; readonly chords: number }> {
  const start = performance.now()
  const worker = new Worker(new URL('./table.worker.mjs', import.meta.url), {
    workerData: { situation: reachSituation(activeBench(demo), demo.devices, true) },
  })
  return new Promise((resolve, reject) => {
    worker.once('message', ({ chords }: { chords: number }) => {
      resolve({ ms: performance.now() - start, chords })
      void worker.terminate()
    })
    worker.once('error', reject)
  })
}

export async function benchPlaces(): Promise<void> {
  const situation = reachSituation(activeBench(demo), demo.devices, true)
  const whole = (previous?: ReturnType<typeof chordTable>, of = situation) => {
    const table = chordTable(of, previous)
    for (const held of modifierSets(true)) table.withHeld(held)
    return table
  }
  whole()
  const cold = timed(() => whole())
  const inWorker = await tableInWorker()
  console.log(
    `whole chord table of the demo's bench, ${modifierSets(true).length} sets of modifiers, ${cold.value.solved} chords: ${per(cold.ms)} on one thread; in a worker ${per(inWorker.ms)} with its start, ${inWorker.chords} chords`,
  )
  const bench = activeBench(demo)
  const shifted = {
    ...bench,
    devices: bench.devices.map((d) => (d.deviceId === 'pad' ? { ...d, xMm: d.xMm - 5 } : d)),
  }
  const warm = timed(() => whole(cold.value, reachSituation(shifted, demo.devices, true)))
  console.log(
    `after the pad is moved by 5 mm: ${warm.value.solved} chords solved anew, ${per(warm.ms)}; ${(cold.ms / warm.ms).toFixed(1)} times as fast as the whole table`,
  )
  for (const count of [demo.commands.length, 1200]) {
    const plan = count === demo.commands.length ? demo : grownDemo(count)
    const env = environmentOf(plan, catalogues)
    const index = indexPlaces(activeArrangement(plan).placements, env)
    const reachAt = reachIn(cold.value)
    const command = plan.commands.find((c) => c.name === 'Hide shape') as Command
    const candidates = benchCandidates(index, modifierSets(true, 2), (id) =>
      pageFor(id, command.programId, env),
    )
    const judge = () => placesOn(command, candidates, reachAt, index)
    const places = judge()
    const first = median(Array.from({ length: 15 }, () => timed(judge).ms))
    let weight = 0
    const again = () => rankPlaces(reweigh(places, { ...plan.weights, recallMs: 100 + (weight += 10) }))
    again()
    const ms = median(Array.from({ length: 31 }, () => timed(again).ms))
    const afresh = () => rankPlaces(placesOn(command, candidates, reachAt, index, plan.weights))
    const full = median(Array.from({ length: 15 }, () => timed(afresh).ms))
    console.log(
      `${plan.commands.length} commands, ${places.length} places for one: judged in ${per(first)}; ranked again after a change of weights in ${per(ms)}, ${(ms / frameMs).toFixed(2)} of a frame (below 1 wanted), ${(full / ms).toFixed(1)} times as fast as judging afresh`,
    )
  }
}
