import type { Command } from '../commands/index.js'
import { canBeLiveTogether } from '../commands/index.js'
import type { Environment } from '../model/index.js'
import type { Placed } from '../plan/index.js'
import { triggerKey, type Trigger, type TriggerKey } from '../triggers/index.js'
import { slipsBeside, slipsOfModifiers, type Slip } from './slips.js'

/** A press that could have run a command by mistake. */
export interface Slipped {
  /** what was pressed, as far as it can be told */
  readonly pressed: Trigger
  /** what was meant, and the command that is there; null where the key itself was pressed unawares */
  readonly meant: { readonly trigger: Trigger; readonly command: Command } | null
  /** beside it, or with a modifier more or less */
  readonly how: 'beside' | 'modifier' | 'itself'
  /** such slips an hour, by assumed chances */
  readonly slipsPerHour: number
}

/**
 * The presses that could have run what was seen, the likeliest first: from keys beside it, and with a modifier more or
 * less, by how often those are pressed.
 * @param meantId  the command that the person meant to run, where they know it: its slips come first
 */
export function whatHappened(
  seen: Command,
  placements: readonly Placed[],
  env: Environment,
  meantId: string | null = null,
): Slipped[] {
  const program = env.programs.find((p) => p.id === seen.programId)
  if (!program) return []
  const commands = new Map(env.commands.map((c) => [c.id, c]))
  const holders = new Map<TriggerKey, Command[]>()
  for (const { commandId, trigger } of placements) {
    const command = commands.get(commandId)
    if (command?.programId !== seen.programId || command.id === seen.id) continue
    const key = triggerKey(trigger)
    holders.set(key, [...(holders.get(key) ?? []), command])
  }
  const from = (pressed: Trigger, { trigger, share }: Slip, how: Slipped['how']): Slipped[] =>
    (holders.get(triggerKey(trigger)) ?? [])
      .filter((command) => canBeLiveTogether(command, seen, program))
      .map((command) => ({
        pressed,
        meant: { trigger, command },
        how,
        slipsPerHour: command.usesPerHour * share,
      }))
  const found = placements
    .filter((p) => p.commandId === seen.id)
    .flatMap(({ trigger: pressed }) => {
      return [
        ...slipsBeside(pressed, env).flatMap((slip) => from(pressed, slip, 'beside')),
        ...slipsOfModifiers(pressed, env).flatMap((slip) => from(pressed, slip, 'modifier')),
        { pressed, meant: null, how: 'itself' as const, slipsPerHour: 0 },
      ]
    })
  const isMeant = (s: Slipped): number => Number(s.meant?.command.id === meantId)
  return found.sort((a, b) => isMeant(b) - isMeant(a) || b.slipsPerHour - a.slipsPerHour)
}
