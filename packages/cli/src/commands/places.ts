import {
  defaultPlaceWeights,
  isFree,
  placeReason,
  placeWeightsSchema,
  placesOn,
  rankPlaces,
  triggerName,
  type PlaceWeights,
  type Plan,
} from '@reach-plot/core'
import { commandOf, deskOf, modifiersOf } from '../desk.js'
import { loadPlan, rounded, usageError, type Outcome } from '../io.js'
import { choice, number, readOptions } from '../options.js'

export const help =
  'places PLAN.json --command ID-OR-NAME [--modifiers none|Control+Shift] [--device ID] [--only free|all] [--weights recallMs=400,…] [--top 10]'

/** The best places for a command on every device, with the parts of their cost and a sentence that says why. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, ['command', 'modifiers', 'device', 'only', 'weights', 'top'])
  const plan = loadPlan(files[0])
  const command = commandOf(plan, options['command'])
  const { around, survey, reachAt, candidatesFor } = deskOf(plan)
  const device = options['device']
  if (device !== undefined && !plan.devices.some((d) => d.id === device))
    throw usageError(
      `there is no device "${device.slice(0, 40)}"`,
      `choose one of ${plan.devices.map((d) => d.id).join(', ')}`,
    )
  const onDevice = new Set(around.controls.filter((c) => c.deviceId === device).map((c) => c.code ?? c.id))
  const candidates = candidatesFor(command.programId, modifiersOf(options['modifiers'])).filter(
    (c) => device === undefined || (c.spot !== null && onDevice.has(c.spot)),
  )
  const only = choice('only', options['only'], ['free', 'all'], 'all')
  const places = rankPlaces(
    placesOn(command, candidates, reachAt, survey, weightsOf(plan, options['weights'])),
  ).filter((p) => only === 'all' || isFree(p))
  const shown = places.slice(0, number('top', options['top'], 10, 1, 5000))
  return {
    value: {
      command: command.id,
      places: shown.map((p) => ({
        trigger: p.key,
        verdict: p.reach.verdict,
        timeMs: rounded(p.reach.timeMs, 0),
        totalMs: rounded(p.totalMs, 0),
        cost: Object.fromEntries(
          Object.entries(p.cost).map(([part, ms]) => [part, rounded(ms as number, 0)]),
        ),
        mnemonic: p.mnemonic.score,
        reason: placeReason(p, around),
        holders: p.holders.map((c) => c.name),
      })),
    },
    text: shown
      .map(
        (p, i) =>
          `${String(i + 1).padStart(3)} ${triggerName(p.trigger, around).padEnd(22)} ${p.reach.verdict.padEnd(8)} ${String(Math.round(p.totalMs)).padStart(5)} ms  ${placeReason(p, around)}`,
      )
      .join('\n'),
  }
}

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
