import {
  activeArrangement,
  activeBench,
  benchSolver,
  keyControls,
  isModifier,
  placesInLayer,
  rankPlaces,
  reachLayer,
  surroundings,
  surveyPlaces,
  triggerKey,
  triggerName,
} from '@reach-plot/core'
import { catalogues, loadPlan, rounded, usageError, type Outcome } from '../io.js'
import { number, readOptions } from '../options.js'

export const help = 'places PLAN.json --command ID-OR-NAME [--modifiers Control+Shift] [--top 10]'

/** The best places for a command in one layer, with the parts of their cost. */
export function run(args: readonly string[]): Outcome {
  const { options, files } = readOptions(args, ['command', 'modifiers', 'top'])
  const plan = loadPlan(files[0])
  const wanted = options['command']
  const found = plan.commands.filter((c) => c.id === wanted || c.name.toLowerCase() === wanted?.toLowerCase())
  const [command] = found
  if (!command || found.length > 1) {
    throw usageError(
      command ? `${found.length} commands are called "${wanted}"` : `there is no command "${wanted ?? ''}"`,
      command ? `give the id: ${found.map((c) => c.id).join(', ')}` : 'give its name or id',
    )
  }
  const words = (options['modifiers'] ?? '').split('+').filter(Boolean)
  const held = words.filter(isModifier)
  if (held.length !== words.length)
    throw usageError(
      `--modifiers "${options['modifiers']}" is not known`,
      'join Control, Shift, Alt, AltGraph, Meta by +',
    )
  const around = surroundings(plan, catalogues)
  const hand = activeBench(plan).hands[0]
  if (!hand) throw usageError('the bench has no hand', 'add one')
  const layer = reachLayer(
    benchSolver(hand, around.controls),
    keyControls(around.controls),
    held,
    around.layout.altGraph,
  )
  const places = rankPlaces(
    placesInLayer(command, held, layer, surveyPlaces(activeArrangement(plan).placements, around)),
  )
  const value = places.slice(0, number('top', options['top'], 10, 1, 1000)).map((p) => ({
    trigger: triggerKey(p.trigger),
    verdict: p.reach.verdict,
    timeMs: rounded(p.reach.timeMs, 0),
    totalMs: rounded(p.totalMs, 0),
    cost: Object.fromEntries(Object.entries(p.cost).map(([part, ms]) => [part, rounded(ms as number, 0)])),
    reason: p.mnemonic.reason,
    holders: p.holders.map((c) => c.name),
  }))
  const text = places
    .slice(0, value.length)
    .map(
      (p, i) =>
        `${String(i + 1).padStart(3)} ${triggerName(p.trigger, around).padEnd(14)} ${p.reach.verdict.padEnd(8)} ${Math.round(p.reach.timeMs)} ms  ${p.mnemonic.reason}${p.holders[0] ? ` Held by ${p.holders[0].name}.` : ''}`,
    )
  return { value: { command: command.id, places: value }, text: text.join('\n') }
}
