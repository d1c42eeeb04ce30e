import type { CommandId } from '../../ids.js'
import type { Command } from '../../commands/index.js'
import { triggerKey, type Chord, type Trigger, type TriggerKey } from '../../triggers/index.js'
import { activeArrangement, activeBench } from '../access.js'
import { isOnBench } from '../on-bench.js'
import type { Arrangement, Placed, Placement, Plan } from '../plan.js'
import { edit } from './edit.js'

/** The arrangement in front where it can be edited; one that holds defaults never is, so that edits leave it alone. */
export function editableArrangement(plan: Plan): Arrangement | null {
  const arrangement = activeArrangement(plan)
  return arrangement.isDefault ? null : arrangement
}

/** One command's way from a trigger to another. */
export interface Move {
  readonly commandId: CommandId
  /** null for a command that has no trigger to leave */
  readonly from: Trigger | null
  /** null for a command that only leaves */
  readonly to: Trigger | null
}

/**
 * Placements after moves that are made at once: all leave before any arrives, so that commands can change places. What
 * moves keeps its rank in the list. A control goes on sending what it sent; a relay of the command that sent its old
 * chord sends the new one, or is a binding of its own where the command has no chord any more.
 */
export function applyMoves<T extends Placed>(
  placements: readonly T[],
  moves: readonly Move[],
): (T | Placed)[] {
  const moveOf = new Map<string, Move>()
  for (const move of moves) if (move.from) moveOf.set(placedKey(move.commandId, move.from), move)
  const chordNow = new Map<string, Chord | null>()
  for (const { commandId, from, to } of moves)
    if (from?.kind === 'chord') chordNow.set(placedKey(commandId, from), to?.kind === 'chord' ? to : null)
  const moved = placements.flatMap((placed): (T | Placed)[] => {
    const move = moveOf.get(placedKey(placed.commandId, placed.trigger))
    if (!move) return [placed]
    return move.to ? [movedTo(placed, move.to)] : []
  })
  const added = moves.flatMap(({ commandId, from, to }): Placed[] =>
    to && !placements.some((p) => from && isPlacedOn(p, commandId, from)) ? [{ commandId, trigger: to }] : [],
  )
  const seen = new Set<string>()
  return [...moved, ...added]
    .filter((placed) => {
      const key = `${placedKey(placed.commandId, placed.trigger)} ${(placed.contextIds ?? []).join()}`
      return !seen.has(key) && seen.add(key)
    })
    .map((placed) => relayFollows(placed, chordNow))
}

const placedKey = (commandId: CommandId, trigger: Trigger): string => `${commandId}\n${triggerKey(trigger)}`

const isPlacedOn = (placed: Placed, commandId: CommandId, trigger: Trigger): boolean =>
  placed.commandId === commandId && triggerKey(placed.trigger) === triggerKey(trigger)

/** A key of the board sends itself; a control of a device goes on sending what it sent. */
function movedTo<T extends Placed>(placed: T, to: Trigger): T | Placed {
  const { sends, ...rest } = placed
  return sends === undefined || !('deviceId' in to)
    ? { ...rest, trigger: to }
    : { ...rest, trigger: to, sends }
}

function relayFollows<T extends Placed>(
  placed: T | Placed,
  chordNow: ReadonlyMap<string, Chord | null>,
): T | Placed {
  const { sends, ...rest } = placed
  if (sends === undefined) return placed
  const next = sends.map((sent) => {
    const now = chordNow.get(placedKey(placed.commandId, sent))
    return now === undefined ? sent : now
  })
  if (next.every((sent, i) => sent === sends[i])) return placed
  const kept = next.filter((sent) => sent !== null)
  // of several chords one that has gone breaks the row of them; the check tells of it
  if (kept.length < sends.length) return sends.length === 1 ? rest : placed
  return { ...rest, sends: kept }
}

/** Keys stand in for keys, and controls for those of the same device: a command keeps its triggers on other devices. */
export function isSameDevice(a: Trigger, b: Trigger): boolean {
  const home = (t: Trigger): string =>
    'code' in t || t.kind === 'sequence' ? '' : t.kind === 'popup' ? 'popup' : t.deviceId
  return home(a) === home(b)
}

/** A command to place: where, in which contexts, instead of what it had or as well. */
export interface PlaceEdit {
  readonly commandId: CommandId
  readonly trigger: Trigger
  /** keep the triggers that the command has now on the same device */
  readonly keepOld?: boolean
  /** triggers that the command gives up for this one, whatever their device; else those of the same device */
  readonly replaces?: readonly Trigger[]
  /** the relay: chords that the control sends; null for none, and as it moves with the command where left out */
  readonly sends?: readonly Chord[] | null
  /** commands that give the trigger up */
  readonly displaced?: readonly string[]
  /** where the first displaced command goes, instead of leaving */
  readonly swapTo?: Trigger
}

/** What a command gives up when it goes to a trigger instead: what it has on the same device, else all that it has. */
export function givenUpFor(own: readonly Trigger[], trigger: Trigger): readonly Trigger[] {
  const others = own.filter((t) => triggerKey(t) !== triggerKey(trigger))
  const same = others.filter((t) => isSameDevice(t, trigger))
  return same.length > 0 ? same : others
}

/** The moves that placing a command makes: its own, and those of the commands that give way. */
export function movesOf(placements: readonly Placed[], given: PlaceEdit): Move[] {
  const { commandId, trigger, displaced = [], swapTo } = given
  const key = triggerKey(trigger)
  const replaced = given.replaces && new Set(given.replaces.map((t) => triggerKey(t)))
  const leaving =
    given.keepOld === true
      ? []
      : placements.filter(
          (p) =>
            p.commandId === commandId &&
            triggerKey(p.trigger) !== key &&
            (replaced?.has(triggerKey(p.trigger)) ?? isSameDevice(p.trigger, trigger)),
        )
  // the first trigger becomes the new one, so that its relays follow; further ones on the device go
  const own = leaving.map((p, i): Move => ({ commandId, from: p.trigger, to: i === 0 ? trigger : null }))
  return [
    ...(own.length > 0 ? own : [{ commandId, from: null, to: trigger }]),
    ...displaced.map((id, i): Move => ({ commandId: id, from: trigger, to: (i === 0 && swapTo) || null })),
  ]
}

/** The placements that hold on the bench in front, to be changed; what other benches have as their own stays. */
export function changeHere(
  plan: Plan,
  arrangement: Arrangement,
  change: (here: readonly Placement[]) => readonly (Placed | Placement)[],
): void {
  const bench = activeBench(plan).id
  const [here, elsewhere] = [true, false].map((is) =>
    arrangement.placements.filter((p) => isOnBench(p, bench) === is),
  ) as [Placement[], Placement[]]
  arrangement.placements = [...(change(here) as Placement[]), ...elsewhere]
}

/** Places a command on a trigger of the arrangement in front, in one step with those that give way. */
export const placeCommand = edit((plan: Plan, given: PlaceEdit) => {
  const arrangement = editableArrangement(plan)
  if (!arrangement) return
  changeHere(plan, arrangement, (here) =>
    applyMoves(here, movesOf(here, given)).map((placed) => {
      if (!isPlacedOn(placed, given.commandId, given.trigger)) return placed
      if (given.sends === undefined) return placed
      const { sends: _before, ...rest } = placed
      return given.sends === null ? rest : { ...rest, sends: given.sends.map((s) => ({ ...s })) }
    }),
  )
})

/** Makes many moves at once, as `applyMoves` does. */
export const moveMany = edit((plan: Plan, moves: readonly Move[]) => {
  const arrangement = editableArrangement(plan)
  if (arrangement) changeHere(plan, arrangement, (here) => applyMoves(here, moves))
})

/** Takes a command off one trigger, or off all of them. Relays that sent a removed chord stay, and the check tells. */
export const removePlacement = edit((plan: Plan, commandId: CommandId, trigger?: Trigger) => {
  const arrangement = editableArrangement(plan)
  if (!arrangement) return
  const key: TriggerKey | null = trigger ? triggerKey(trigger) : null
  changeHere(plan, arrangement, (here) =>
    here.filter((p) => p.commandId !== commandId || (key !== null && triggerKey(p.trigger) !== key)),
  )
})

/** Puts placements in the place of all that the arrangement in front has on the bench in front. */
export const setPlacements = edit((plan: Plan, placements: readonly Placement[]) => {
  const arrangement = editableArrangement(plan)
  if (arrangement) changeHere(plan, arrangement, () => placements)
})

/** A command as a placement limits it: live in some of its contexts only. */
export const limitedTo = (command: Command, contextIds: readonly string[] | undefined): Command =>
  contextIds === undefined
    ? command
    : {
        ...command,
        contextIds:
          command.contextIds.length === 0
            ? [...contextIds]
            : command.contextIds.filter((id) => contextIds.includes(id)),
      }
