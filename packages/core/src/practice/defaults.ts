import type { Command } from '../commands/index.js'
import type { Plan } from '../plan/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'
import { cardKey, dueToday, type Knowledge } from './cards.js'
import type { Question } from './queue.js'

/** A key that a program has by itself, and the person has changed. */
export interface KeptDefault {
  readonly command: Command
  readonly trigger: Trigger
}

/** So many of them are kept alive at most: the most used. Assumed. */
export const mostKeptDefaults = 20

/**
 * The programs' own keys that are worth keeping in mind for work at other machines: of the most used commands that have another key here.
 * @param own  triggers of each command as it is laid out
 */
export function keptDefaults(
  { arrangements, commands }: Pick<Plan, 'arrangements' | 'commands'>,
  own: ReadonlyMap<string, readonly Trigger[]>,
): KeptDefault[] {
  const byCommand = new Map<string, Trigger>()
  for (const { commandId, trigger } of arrangements.find((a) => a.isDefault)?.placements ?? [])
    if (!byCommand.has(commandId)) byCommand.set(commandId, trigger)
  return commands
    .toSorted((a, b) => b.usesPerHour - a.usesPerHour || (a.id < b.id ? -1 : 1))
    .flatMap((command) => {
      const trigger = byCommand.get(command.id)
      const isChanged =
        trigger !== undefined &&
        command.usesPerHour > 0 &&
        !(own.get(command.id) ?? []).some((t) => triggerKey(t) === triggerKey(trigger))
      return isChanged ? [{ command, trigger }] : []
    })
    .slice(0, mostKeptDefaults)
}

/** New ones of a second set that are asked in a session. Assumed. */
const newDefaults = 3

/** What of the programs' own keys is due today, and what is new: a small second set beside the lesson. */
export function defaultsToday(
  kept: readonly KeptDefault[],
  { cards }: Pick<Knowledge, 'cards'>,
  { now, zoneMinutes }: { readonly now: number; readonly zoneMinutes: number },
): { readonly due: readonly Question[]; readonly fresh: readonly Question[] } {
  const known = kept.flatMap(({ command, trigger }) => cards.get(cardKey(command.id, trigger)) ?? [])
  return {
    due: dueToday(known, now, zoneMinutes).map(({ commandId, trigger }) => ({
      commandId,
      trigger,
      isNew: false,
    })),
    fresh: kept
      .filter(({ command, trigger }) => !cards.has(cardKey(command.id, trigger)))
      .slice(0, newDefaults)
      .map(({ command, trigger }) => ({ commandId: command.id, trigger, isNew: true })),
  }
}
