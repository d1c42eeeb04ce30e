import { readFileSync } from 'node:fs'
import { catalogues } from '@reach-plot/data'
import {
  asGoodShare,
  benchCandidates,
  drawsOf,
  modifierSets,
  pageFor,
  placeDoubt,
  placesOn,
  prepare,
  rankPlaces,
  readPlan,
  type CandidatePlace,
} from '../src/index.js'
import type { Draw } from '../src/doubt/index.js'

const step = 0.2
const looked = 60
const constants = [
  'span',
  'shift',
  'turn',
  'height',
  'movement',
  'press',
  'travel',
  'pointer',
  'effort',
  'finger',
  'pointing',
  'rest',
] as const

/** The first of some places when one constant is a fifth larger or smaller. */
function firstWith(places: readonly CandidatePlace[], model: ReturnType<typeof prepare>, draw: Draw): string {
  const [first] = [...placeDoubt(places, model, [draw])].find(([, share]) => share === 1) ?? ['']
  return first
}

/**
 * How much hangs on what is assumed: the share of commands whose first place changes when one constant is a fifth larger or
 * smaller; and of those, the share whose new first place is not among the places that doubt calls as good as the first.
 */
export function benchDoubt(): void {
  const text = readFileSync(new URL('../../../demo/demo.reachplot.json', import.meta.url), 'utf8')
  const plan = readPlan(text)
  const model = prepare(plan, catalogues)
  const { index, reachAt, env } = model
  const [usual] = drawsOf(1, 1, 0) as [Draw]
  const often = [...plan.commands].sort((a, b) => b.usesPerHour - a.usesPerHour).slice(0, looked)
  const rankings = often.map((command) => {
    const sets = modifierSets(env.layout.altGraph, 2)
    const candidates = benchCandidates(index, sets, (id) => pageFor(id, command.programId, env))
    return rankPlaces(placesOn(command, candidates, reachAt, index, plan.weights)).slice(0, 20)
  })
  const asGood = rankings.map(
    (places) =>
      new Set([...placeDoubt(places, model)].filter(([, share]) => share >= asGoodShare).map(([key]) => key)),
  )
  let [changed, unforeseen] = [0, 0]
  for (const name of constants) {
    let own = 0
    let worst = 0
    for (const factor of [1 - step, 1 + step])
      rankings.forEach((places, i) => {
        const first = firstWith(places, model, { ...usual, [name]: factor })
        if (first === places[0]?.key) return
        own++
        if (asGood[i]?.has(first as never) !== true) worst++
      })
    changed += own
    unforeseen += worst
    const share = (n: number): string => `${((100 * n) / (2 * rankings.length)).toFixed(1)} %`
    console.log(
      `doubt: ${name} ±20 %: the first place of ${share(own)} of ${looked} commands changes, of ${share(worst)} to one that was not called as good`,
    )
  }
  const all = 2 * rankings.length * constants.length
  console.log(
    `doubt: in all ${((100 * changed) / all).toFixed(1)} % change, ${((100 * unforeseen) / all).toFixed(1)} % to one that was not called as good`,
  )
}
