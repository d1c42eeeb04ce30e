import type { CommandId } from '../ids.js'
import { typingContexts, type Clash } from '../clashes/index.js'
import { canBeLiveTogether, type Command, type Program } from '../commands/index.js'
import type { ReachByControl } from '../hand/index.js'
import { pointerAct, pointerRole } from '../hosts/index.js'
import { commandsMet, reservedBy, type PlaceIndex } from '../model/index.js'
import {
  chord,
  controlRefOf,
  heldOf,
  triggerKey,
  triggerName,
  type Chord,
  type Modifier,
  type Trigger,
} from '../triggers/index.js'
import { isAvailable, isFree, placesWith, rankPlaces, type CandidatePlace } from './places.js'

/** One step that ends a clash, or takes a command out of it. */
export interface Remedy {
  /**
   * move: to a free place; swap: with a command that has no trouble there; relay: the control sends what reaches the
   * command; bind: the command gets the chord that is sent; habit: the program is said to take or leave the press; setting: the system's key is turned off; unplace: taken off
   */
  readonly kind: 'move' | 'swap' | 'relay' | 'bind' | 'habit' | 'setting' | 'unplace'
  /** the command that moves or is taken off; none for a setting */
  readonly commandId?: CommandId
  readonly from: Trigger
  /** where it goes; for `move` and `swap` only */
  readonly to?: Trigger
  /** the command that comes to `from`; for `swap` only */
  readonly otherId?: string
  /** for `relay`, and for `bind` where the control sends another chord from then on */
  readonly sends?: readonly Chord[]
  /** for `bind` only: the chord that the command gets as well */
  readonly chord?: Chord
  /** for `habit` only: the program, and the act of the pointer that it leaves free; else it takes its host's keys */
  readonly programId?: string
  readonly freed?: string
  /** what the step does, in words */
  readonly text: string
}

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

/** A broken relay sends a chord that the command has, where it has one. */
function repairedRelay(clash: Clash, command: Command, index: PlaceIndex): Remedy[] {
  if (clash.kind !== 'relay-broken') return []
  const reached = (index.triggers.get(command.id) ?? []).find(
    (t): t is Chord => t.kind === 'chord' && index.stages.system(t) === null,
  )
  if (!reached) return []
  const name = (trigger: Trigger): string => triggerName(trigger, index.env)
  return [
    {
      kind: 'relay',
      commandId: command.id,
      from: clash.trigger,
      sends: [reached],
      text: `Let ${name(clash.trigger)} send ${name(reached)}, which is “${command.name}”`,
    },
  ]
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

/** The command gets the chord that its control sends, or a free one that it sends from then on. */
function boundRelay(clash: Clash, command: Command, index: PlaceIndex): Remedy[] {
  if (clash.kind !== 'relay-broken' || 'code' in clash.trigger) return []
  const program = index.env.programs.find((p) => p.id === command.programId)
  if (!program) return []
  const name = (trigger: Trigger): string => triggerName(trigger, index.env)
  const sends = clash.sends ?? []
  const [sent] = sends
  const isBindable = sent !== undefined && sends.length === 1 && isFreeChord(sent, command, program, index)
  const own: Remedy[] = isBindable
    ? [
        {
          kind: 'bind',
          commandId: command.id,
          from: clash.trigger,
          chord: sent,
          text: `Give “${command.name}” ${name(sent)} in ${program.name}, which ${name(clash.trigger)} sends`,
        },
      ]
    : []
  const free = sends.length > 1 ? null : freeChord(command, program, index)
  return free === null
    ? own
    : [
        ...own,
        {
          kind: 'bind',
          commandId: command.id,
          from: clash.trigger,
          chord: free,
          sends: [free],
          text: `Give “${command.name}” the free key ${name(free)} in ${program.name}, and let ${name(clash.trigger)} send it`,
        },
      ]
}

/** Keys that boards lack and systems leave alone, then levels that are rarely used. */
const rareChords: readonly Chord[] = [
  ...Array.from({ length: 12 }, (_, i) => chord(`F${i + 13}`)),
  ...Array.from({ length: 12 }, (_, i) => chord(`F${i + 13}`, ['Control'])),
  ...Array.from({ length: 12 }, (_, i) => chord(`F${i + 1}`, ['Control', 'Shift', 'Alt'])),
]

/** A chord that nothing takes and no command of the program has; null when all are taken. */
export const freeChord = (command: Command, program: Program, index: PlaceIndex): Chord | null =>
  rareChords.find((c) => isFreeChord(c, command, program, index)) ?? null

const isFreeChord = (sent: Chord, command: Command, program: Program, index: PlaceIndex): boolean =>
  reservedBy(sent, index, program) === null &&
  commandsMet(sent, index).every((c) => c.programId !== command.programId)

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
