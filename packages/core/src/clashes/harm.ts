import { splitControlRef } from '../bench/index.js'
import { canBeLiveTogether, type Command, type Program } from '../commands/index.js'
import type { PlaceIndex } from '../model/index.js'
import type { OwnSlips } from '../plan/index.js'
import { controlRefOf, heldOf, triggerKey, type Trigger, type TriggerKey } from '../triggers/index.js'
import { slipsAround, slipShare, wayOutSeconds } from './slips.js'

/** Presses of the main buttons of a mouse an hour, beside which its other buttons lie. Assumed. */
export const clicksPerHour = 300

/** Whether a slip onto a command costs more than a moment. */
export const isHarmful = (command: Command): boolean =>
  command.damage !== undefined && command.damage.level !== 'nuisance'

/** What a slip onto a harmful command costs, ms. */
export const wayOutMs = ({ damage }: Command): number =>
  damage === undefined ? 0 : wayOutSeconds[damage.level] * 1000

/** What harmful commands around cost a press of a trigger, by the trigger. */
export interface Danger {
  readonly command: Command
  /** share of presses × what the slip costs, ms a press */
  readonly msPerPress: number
}

/** Triggers from which a slip meets a harmful command that stands somewhere now. */
export function dangersOf(index: PlaceIndex): ReadonlyMap<TriggerKey, readonly Danger[]> {
  const out = new Map<TriggerKey, Danger[]>()
  for (const [id, triggers] of index.triggers) {
    const command = index.commands.get(id)
    if (!command || !isHarmful(command)) continue
    for (const trigger of triggers)
      for (const { trigger: from, share } of slipsAround(trigger, index.env)) {
        const key = triggerKey(from)
        const there = out.get(key)
        const danger = { command, msPerPress: share * wayOutMs(command) }
        if (there) there.push(danger)
        else out.set(key, [danger])
      }
  }
  return out
}

/**
 * Expected harm of a harmful command on a trigger by itself, ms an hour, whatever stands around: under a resting finger
 * it is pressed unawares, on a mouse beside the clicks.
 * @param pressesPerHour  of the program's commands, by the hand that rests there
 */
export function ownHarm(
  command: Command,
  trigger: Trigger,
  {
    isAtRest,
    isPointing,
    pressesPerHour,
    slips = slipShare,
  }: {
    readonly isAtRest: boolean
    readonly isPointing: boolean
    readonly pressesPerHour: number
    /** chances of the person, where practice has measured them */
    readonly slips?: OwnSlips | undefined
  },
): number {
  if (!isHarmful(command)) return 0
  const isBare = heldOf(trigger).length === 0
  const rest = isAtRest && isBare ? pressesPerHour * slips.farther : 0
  const clicks = isPointing && trigger.kind !== 'stroke' ? clicksPerHour * slips.farther : 0
  return (rest + clicks) * wayOutMs(command)
}

/** Uses an hour of what stands on a trigger, live together with a command and neither it nor its opposite. */
export function usesBeside(command: Command, key: TriggerKey, program: Program, index: PlaceIndex): number {
  let uses = 0
  for (const other of index.holders.get(key) ?? [])
    if (
      other.id !== command.id &&
      other.oppositeId !== command.id &&
      canBeLiveTogether(other, command, program)
    )
      uses += other.usesPerHour
  return uses
}

/** Whether a trigger is on a device of the pointing hand. */
export const isPointed = (trigger: Trigger, pointing: ReadonlyMap<string, number>): boolean => {
  const ref = controlRefOf(trigger)
  return ref !== null && ref.includes('/') && pointing.has(splitControlRef(ref).deviceId)
}
