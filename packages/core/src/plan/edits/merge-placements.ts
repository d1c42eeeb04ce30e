import { ruleBook, type Rules } from '../../commands/index.js'
import type { CommandId, ProgramId } from '../../ids.js'
import { controlRefOf, triggerKey } from '../../triggers/index.js'
import { isOnBench } from '../on-bench.js'
import type { Placement, Plan } from '../plan.js'
import { edit } from './edit.js'
import { editableArrangement, isSameDevice } from './placements.js'

/** What placements from outside do to those that there are: stand for their command's, come as further ones, or replace all. */
export const takeModes = ['merge', 'add', 'replace'] as const
export type TakeMode = (typeof takeModes)[number]

/** Placements after others are taken in, and those that could not be, since a rule of the person holds. */
export interface MergedPlacements {
  readonly placements: readonly Placement[]
  readonly held: readonly Placement[]
}

interface Known {
  /** placements that other benches have as their own are no question */
  readonly activeBenchId: string
  readonly commands: readonly { readonly id: CommandId; readonly programId: ProgramId }[]
  readonly rules: Rules
}

/**
 * Takes placements in beside those that there are. What is locked stays as it is in every way of taking. Merged, a
 * command's placements of the same device give way; replaced, all of the programs that are brought do.
 */
export function mergePlacements(
  all: readonly Placement[],
  given: readonly Placement[],
  mode: TakeMode,
  { commands, rules, activeBenchId }: Known,
): MergedPlacements {
  const before = all.filter((p) => isOnBench(p, activeBenchId))
  const book = ruleBook(rules)
  const commandOf = new Map<string, Known['commands'][number]>(commands.map((c) => [c.id, c]))
  const isHeld = ({ commandId, trigger }: Placement): boolean => {
    const command = commandOf.get(commandId)
    const control = controlRefOf(trigger)
    return (command !== undefined && book.locks(command)) || book.locksControl(control)
  }
  const nameOf = (p: Placement): string =>
    `${p.commandId}\n${triggerKey(p.trigger)}\n${(p.contextIds ?? []).join()}`
  const there = new Set(before.map(nameOf))
  const hadPlaces = new Set<string>(before.map((p) => p.commandId))
  const taken: Placement[] = []
  const held: Placement[] = []
  for (const p of given) {
    const command = commandOf.get(p.commandId)
    const control = controlRefOf(p.trigger)
    const isRefused =
      !there.has(nameOf(p)) &&
      (book.bars(control) ||
        book.locksControl(control) ||
        // a locked command that has no place yet may take one
        (command !== undefined && book.locks(command) && hadPlaces.has(p.commandId)))
    ;(isRefused ? held : taken).push(p)
  }
  const programs = new Set(given.flatMap((p) => commandOf.get(p.commandId)?.programId ?? []))
  const byCommand = new Map<string, Placement[]>()
  for (const p of taken) {
    const own = byCommand.get(p.commandId)
    if (own) own.push(p)
    else byCommand.set(p.commandId, [p])
  }
  const stays = (p: Placement): boolean => {
    if (mode === 'add' || isHeld(p)) return true
    const program = commandOf.get(p.commandId)?.programId
    if (mode === 'replace') return program === undefined || !programs.has(program)
    return !(byCommand.get(p.commandId) ?? []).some((t) => isSameDevice(t.trigger, p.trigger))
  }
  const wanted = new Set(taken.map(nameOf))
  const kept = before.filter((p) => stays(p) || wanted.has(nameOf(p)))
  const keptNames = new Set(kept.map(nameOf))
  return {
    // what stays as it is keeps its relay, its chain and its rank
    placements: [
      ...kept,
      ...taken.filter((t) => !keptNames.has(nameOf(t))),
      ...all.filter((p) => !isOnBench(p, activeBenchId)),
    ],
    held,
  }
}

/** Takes placements into the arrangement in front; one that holds defaults is left alone. */
export const takePlacements = edit((plan: Plan, given: readonly Placement[], mode: TakeMode) => {
  const arrangement = editableArrangement(plan)
  if (arrangement)
    arrangement.placements = [...mergePlacements(arrangement.placements, given, mode, plan).placements]
})
