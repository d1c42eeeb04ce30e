import {
  activeArrangement,
  arrivingTriggers,
  bestStanding,
  findClashes,
  activeBench,
  compareDevices,
  lossOfMove,
  isOnBench,
  placeOnBench,
  writePlan,
  type PreparedModel,
  triggerKey,
  triggerName,
  type Bench,
  type Plan,
  prepare,
  type BenchEnvironment,
} from '@reach-plot/core'
import { placesOnBench } from '@reach-plot/core/carry'
import { catalogues, loadPlan, rounded, usageError, writeOut, type Outcome } from '../io.js'
import { named } from '../loaded-plan.js'
import { defineVerb, text, texts } from '../verb.js'

/** Compares two devices for the hand, or tells what the arrangement loses from one bench to another. */
export const verb = defineVerb({
  name: 'bench',
  summary: 'two devices for the hand, or what is lost from one bench to another',
  files: 'PLAN.json',
  options: {
    compare: texts('A B', 'two devices, or two benches, by id or name'),
    places: text(
      'NEW.json',
      'of two benches: the nearest place on the second for what is left without a key there, as its own, written here',
    ),
    standing: text('DEVICE', 'a device: where on the desk it serves best, and what that gains'),
  },
  run({ files, options }) {
    const plan = loadPlan(files[0])
    if (options.standing !== undefined) return standing(plan, options.standing)
    const [first, second] = options.compare
    if (first === undefined || second === undefined)
      throw usageError('two names are needed', 'give --compare A B, two benches or two devices of the plan')
    const benches = [first, second].map((name) => named(plan.benches, name))
    if (benches[0] && benches[1])
      return options.places === undefined
        ? loss(plan, benches[0], benches[1])
        : ownPlaces(plan, benches[0], benches[1], options.places)
    const devices = [first, second].flatMap((name) => named(plan.devices, name) ?? [])
    if (devices.length < 2) {
      const unknown = [first, second].find((n) => !named(plan.devices, n) && !named(plan.benches, n))
      throw usageError(
        unknown === undefined
          ? `"${first}" and "${second}" are a bench and a device`
          : `"${unknown}" is neither a bench nor a device of the plan`,
        `choose two of ${plan.benches.map((b) => b.id).join(', ')} or two of ${plan.devices.map((d) => d.id).join(', ')}`,
      )
    }
    const hand = activeBench(plan).hands[0]
    if (!hand) throw usageError('the bench has no hand', 'add one')
    const compared = compareDevices(devices, hand)
    return {
      value: {
        hand: { side: hand.side, spanMm: hand.spanMm },
        devices: compared.map((d) => ({
          id: d.device.id,
          name: d.device.name,
          counts: d.counts,
          meanStretch: d.meanStretch === null ? null : rounded(d.meanStretch),
          meanTimeMs: d.meanTimeMs === null ? null : rounded(d.meanTimeMs, 0),
        })),
      },
      text: compared
        .map(
          (d) =>
            `${d.device.name}: ${Object.entries(d.counts)
              .map(([verdict, count]) => `${count} ${verdict}`)
              .join(', ')}; mean stretch ${d.meanStretch?.toFixed(2) ?? '–'}`,
        )
        .join('\n'),
    }
  },
})

function loss(plan: Plan, from: Bench, to: Bench): Outcome {
  const arrangement = activeArrangement(plan)
  const [here, there] = [from, to].map((bench) => prepare(plan, catalogues, { bench }).env) as [
    BenchEnvironment,
    BenchEnvironment,
  ]
  const placements = arrangement.placements.filter((p) => isOnBench(p, to.id))
  const result = lossOfMove(placements, here, there)
  return {
    value: {
      from: from.id,
      to: to.id,
      arrangement: arrangement.id,
      kept: result.kept,
      lost: result.lost.map((l) => ({
        command: l.command.name,
        trigger: triggerKey(l.placement.trigger),
        lacks: l.lacks,
      })),
      without: result.without.map((c) => c.name),
      usesPerHour: rounded(result.usesPerHour, 1),
    },
    text: [
      `${from.name} to ${to.name}: ${result.kept} triggers stay, ${result.lost.length} are lost; ${result.without.length} commands are left without one (${Math.round(result.usesPerHour)} uses an hour)`,
      ...result.lost.map(
        (l) =>
          `  ${l.command.name}, ${triggerName(l.placement.trigger, there)}: without ${l.lacks.join(' and ')}`,
      ),
    ].join('\n'),
  }
}

/** Places of the second bench's own for what it would leave without a key. */
function ownPlaces(plan: Plan, from: Bench, to: Bench, out: string): Outcome {
  const [here, there] = [from, to].map((bench) => prepare(plan, catalogues, { bench })) as [
    PreparedModel,
    PreparedModel,
  ]
  const steps = placesOnBench(here, there)
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  const places = step.value
  const next = placeOnBench(
    plan,
    to.id,
    places.map(({ command, place }) => ({ commandId: command.id, trigger: place.trigger })),
  )
  writeOut(out, writePlan(next))
  return {
    value: {
      out,
      places: places.map(({ command, trigger, place, keeps }) => ({
        command: command.id,
        lost: triggerKey(trigger),
        place: triggerKey(place.trigger),
        keeps,
      })),
    },
    text: places
      .map(
        ({ command, trigger, place, keeps }) =>
          `${command.name}: ${triggerName(trigger, here.env)} → ${triggerName(place.trigger, there.env)}${keeps.length > 0 ? `, keeps the ${keeps.join(' and the ')}` : ''}`,
      )
      .join('\n'),
  }
}

function standing(plan: Plan, name: string): Outcome {
  const device = named(plan.devices, name)
  if (!device)
    throw usageError(
      `"${name}" is no device of the plan`,
      `choose one of ${plan.devices.map((d) => d.id).join(', ')}`,
    )
  const model = prepare(plan, catalogues)
  const clashes = findClashes(model.arrangement.placements, model.env)
  const steps = bestStanding(model, device.id, arrivingTriggers(model.index, clashes))
  let step = steps.next()
  while (!step.done) step = steps.next()
  const { now, best, places, stepMm } = step.value
  const shown = ({ xMm, yMm, turnDeg, costMs }: typeof now) => ({
    xMm,
    yMm,
    turnDeg,
    secondsPerHour: rounded(costMs / 1000, 1),
  })
  return {
    value: {
      device: device.id,
      stepMm,
      places: places.length,
      now: shown(now),
      best: shown(best),
      gainSecondsPerHour: rounded((now.costMs - best.costMs) / 1000, 1),
    },
    text: `${device.name}: ${rounded(now.costMs / 1000, 1)} s an hour where it stands, ${rounded(best.costMs / 1000, 1)} at ${best.xMm} mm across, ${best.yMm} mm along, turned ${best.turnDeg}°`,
  }
}
