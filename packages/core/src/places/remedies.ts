import { typingContexts, type Clash } from '../clashes/index.js'
import { canBeLiveTogether, type Command } from '../commands/index.js'
import type { ReachByControl } from '../hand/index.js'
import { pointerAct, pointerRole } from '../hosts/index.js'
import type { PlaceIndex } from '../model/index.js'
import {
  controlRefOf,
  heldOf,
  triggerKey,
  triggerName,
  type Modifier,
  type Trigger,
} from '../triggers/index.js'
import { isAvailable, isFree, placesWith, rankPlaces, type CandidatePlace } from './places.js'
import { openerRemedies } from './opener-remedies.js'
import { boundRelay, repairedRelay } from './relay-remedies.js'
import type { Remedy } from './remedy.js'

/** Modifier sets that remedies look for free places in, plainest first. */
export const remedyModifierSets: readonly (readonly Modifier[])[] = [[], ['Shift'], ['Control'], ['Alt']]

const placesOffered = 3

/** Modifier sets in which it is the place that is wrong for this command, not the place as such. */
const swapStages: readonly Clash['stage'][] = ['typing', 'slip', 'consistency']

/** The command that a remedy moves: what is kept where it is does not move at all. */
function moverOf(clash: Clash, index: PlaceIndex): Command | undefined {
  const movable = clash.commandIds
    .flatMap((id) => index.commands.get(id) ?? [])
    .filter((c) => !index.rules.locks(c) && !index.rules.locksControl(controlRefOf(clash.trigger)))
  // a default that was overwritten looks for a place of its own
  if (clash.kind === 'default-lost') return movable.find((c) => !index.triggers.has(c.id))
  // With two commands on one trigger the less used one moves; where the key itself is lost, the most used one.
  return clash.stage === 'context' || clash.stage === 'consistency' ? movable.at(-1) : movable[0]
}

/**
 * Remedies of a clash, cheapest first: what reaches the command at once, the best free places, a swap, the system's own
 * setting; taking it off comes last.
 * @param reachBySet how the hand reaches each key, in the order of `remedyModifierSets`
 */
export function remediesFor(
  clash: Clash,
  index: PlaceIndex,
  reachBySet: readonly ReachByControl[],
): Remedy[] {
  const { env } = index
  const name = (trigger: Trigger): string => triggerName(trigger, env)
  const setting: Remedy[] =
    clash.setting !== undefined && clash.stage === 'system' && clash.kind !== 'pointer-system'
      ? [
          {
            kind: 'setting',
            from: clash.trigger,
            text: `Turn the key off in ${env.system.name} (${clash.setting}), then count it as off here`,
          },
        ]
      : []
  const command = moverOf(clash, index)
  if (!command) return [...saidHabit(clash, index), ...setting]
  const stands = standsOn(command, clash, index)
  const placed = stands !== undefined
  const from = stands ?? clash.trigger
  const places = remedyModifierSets.flatMap((held, i) =>
    placesWith(command, held, reachBySet[i] ?? {}, index),
  )
  const free = rankPlaces(places).filter(
    (p) => isFree(p) && p.reach.verdict !== 'away' && p.key !== triggerKey(from),
  )
  const where = (place: CandidatePlace): string =>
    `${name(place.trigger)} (${place.reach.verdict}, ${Math.round(place.reach.timeMs)} ms). ${place.mnemonic.reason}`
  return [
    ...openerRemedies(clash, free, index),
    ...repairedRelay(clash, command, index),
    ...boundRelay(clash, command, index),
    ...free.slice(0, placesOffered).map((place): Remedy => ({
      kind: 'move',
      commandId: command.id,
      from,
      to: place.trigger,
      text: `${placed ? 'Move' : 'Place'} “${command.name}” ${placed ? 'to' : 'on'} ${where(place)}`,
    })),
    ...swap(clash, command, places, index),
    ...saidHabit(clash, index),
    ...setting,
    ...(placed
      ? [
          {
            kind: 'unplace',
            commandId: command.id,
            from,
            text: `Remove “${command.name}” from ${name(from)}`,
          } as const,
        ]
      : []),
  ]
}

/**
 * The trigger of a command that is part of the clash: the clash's own, or the same key worked otherwise, or the control
 * that a pair begins with.
 */
function standsOn(command: Command, clash: Clash, index: PlaceIndex): Trigger | undefined {
  const own = index.triggers.get(command.id) ?? []
  const controlRef = controlRefOf(clash.trigger)
  const device = 'deviceId' in clash.trigger ? clash.trigger.deviceId : null
  return (
    own.find((t) => triggerKey(t) === triggerKey(clash.trigger)) ??
    own.find((t) => controlRefOf(t) === controlRef) ??
    (clash.kind === 'prefix' ? own.find((t) => 'deviceId' in t && t.deviceId === device) : undefined)
  )
}

/** Findings that are none where the program takes the key, or leaves the act of the pointer free. */
const hostKeyKinds: readonly Clash['kind'][] = [
  'browser-default',
  'browser-pointer',
  'terminal-line',
  'terminal-window',
]

/** The person says that the program does it. */
function saidHabit(clash: Clash, { env }: PlaceIndex): Remedy[] {
  const program = env.programs.find((p) => p.id === clash.programId)
  if (!program) return []
  const name = triggerName(clash.trigger, env)
  const base = { kind: 'habit', from: clash.trigger, programId: program.id } as const
  if (hostKeyKinds.includes(clash.kind))
    return [
      { ...base, text: `Say that ${program.name} takes the keys of its ${program.host ?? 'host'} itself` },
    ]
  const role = pointerRole(clash.trigger, env.devices ?? [], env.controls)
  return clash.kind === 'pointer-program' && role !== null
    ? [
        {
          ...base,
          freed: pointerAct(role, heldOf(clash.trigger)),
          text: `Say that ${program.name} leaves ${name} free`,
        },
      ]
    : []
}

/** The best held place whose one holder can stand here without the same trouble. */
function swap(
  clash: Clash,
  command: Command,
  places: readonly CandidatePlace[],
  index: PlaceIndex,
): Remedy[] {
  if (!swapStages.includes(clash.stage)) return []
  const program = index.env.programs.find((p) => p.id === command.programId)
  const best = rankPlaces(places).find((place) => {
    const [holder] = place.holders
    return (
      holder !== undefined &&
      place.holders.length === 1 &&
      program !== undefined &&
      isAvailable(place) &&
      place.typesIn.length === 0 &&
      holder.usesPerHour < command.usesPerHour &&
      holder.damage === undefined &&
      canBeLiveTogether(holder, command, program) &&
      (clash.stage !== 'typing' || typingContexts(holder, program).length === 0) &&
      !clash.commandIds.includes(holder.id)
    )
  })
  const holder = best?.holders[0]
  if (!best || !holder) return []
  const name = triggerName(best.trigger, index.env)
  return [
    {
      kind: 'swap',
      commandId: command.id,
      otherId: holder.id,
      from: clash.trigger,
      to: best.trigger,
      text: `Swap with “${holder.name}” on ${name}, which has no trouble here`,
    },
  ]
}
