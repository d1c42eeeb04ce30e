import {
  asGoodShare,
  defaultPlaceWeights,
  drawsOf,
  isFree,
  placeDoubt,
  placeReason,
  placeWeightsSchema,
  placesOn,
  rankPlaces,
  triggerName,
  usualDraws,
  type PlaceWeights,
  type Plan,
} from '@reach-plot/core'
import { rounded, usageError } from '../io.js'
import { openPlan, commandOf, known, modifiersOf } from '../loaded-plan.js'
import { defineVerb, choiceOr, numberOr, text } from '../verb.js'

/** The best places for a command on every device, with the parts of their cost and a sentence that says why. */
export const verb = defineVerb({
  name: 'places',
  summary: 'the best places for a command, with their cost and reason',
  files: 'PLAN.json',
  options: {
    command: text('ID-OR-NAME', 'the command'),
    modifiers: text('none|Control+Shift', 'one set of modifiers'),
    device: text('ID', 'only controls of this device'),
    only: choiceOr(['free', 'all'], 'all', 'whether taken places are listed'),
    weights: text('recallMs=400,…', 'other weights than the plan’s'),
    top: numberOr(10, 1, 5000, 'how many'),
    doubt: numberOr(usualDraws, 0, 1000, 'draws of all that is assumed, for the first 20; 0 leaves it out'),
  },
  run({ files, options }) {
    const { plan, model, candidatesFor } = openPlan(files[0])
    const command = commandOf(plan, options.command)
    const { env, index, reachAt } = model
    const device = options.device === undefined ? undefined : known(plan.devices, options.device, 'device').id
    const onDevice = new Set(env.controls.filter((c) => c.deviceId === device).map((c) => c.code ?? c.id))
    const candidates = candidatesFor(command.programId, modifiersOf(options.modifiers)).filter(
      (c) => device === undefined || (c.controlRef !== null && onDevice.has(c.controlRef)),
    )
    const places = rankPlaces(
      placesOn(command, candidates, reachAt, index, weightsOf(plan, options.weights)),
    ).filter((p) => options.only === 'all' || isFree(p))
    const shown = places.slice(0, options.top)
    const doubt = placeDoubt(places.slice(0, 20), model, drawsOf(options.doubt))
    return {
      value: {
        command: command.id,
        places: shown.map((p) => ({
          trigger: p.key,
          verdict: p.reach.verdict,
          timeMs: rounded(p.reach.timeMs, 0),
          totalMs: rounded(p.totalMs, 0),
          ...(options.doubt > 0 &&
            doubt.has(p.key) && {
              firstInShareOfDraws: rounded(doubt.get(p.key) ?? 0, 3),
              asGoodAsFirst: (doubt.get(p.key) ?? 0) >= asGoodShare,
            }),
          cost: Object.fromEntries(
            Object.entries(p.cost).map(([part, ms]) => [part, rounded(ms as number, 0)]),
          ),
          mnemonic: p.mnemonic.score,
          reason: placeReason(p, env),
          holders: p.holders.map((c) => c.name),
        })),
      },
      text: shown
        .map(
          (p, i) =>
            `${String(i + 1).padStart(3)} ${triggerName(p.trigger, env).padEnd(22)} ${p.reach.verdict.padEnd(8)} ${String(Math.round(p.totalMs)).padStart(5)} ms  ${placeReason(p, env)}`,
        )
        .join('\n'),
    }
  },
})

/** The plan's weights, with those that are given in their place. */
function weightsOf(plan: Plan, given: string | undefined): PlaceWeights {
  if (given === undefined) return plan.weights
  const pairs = given.split(',').map((pair) => pair.split('='))
  const changed = Object.fromEntries(pairs.map(([name, value]) => [name?.trim(), Number(value)]))
  const read = placeWeightsSchema.safeParse({ ...plan.weights, ...changed })
  if (read.success) return read.data
  throw usageError(
    `--weights "${given.slice(0, 60)}" is not known`,
    `write ${Object.keys(defaultPlaceWeights).join('=…,')}=… with values from 0 to 5000`,
  )
}
