import { CoreError } from '../../errors.js'
import type { CommandId } from '../../ids.js'
import { fullName } from '../../commands/index.js'
import { controlRefOf, triggerKey, type Chord, type Trigger } from '../../triggers/index.js'
import { isOnBench } from '../on-bench.js'
import type { Placed, Plan } from '../plan.js'
import { edit } from './edit.js'
import { editableArrangement } from './placements.js'

/** Several commands that one press of a control runs, in order. */
export interface ChainEdit {
  readonly commandIds: readonly CommandId[]
  /** a control of a device: a plain key of a keyboard cannot send other keys */
  readonly trigger: Trigger
  /** wait between two chords, ms; none where left out */
  readonly waitMs?: number
}

/** The most commands of a chain: each is a chord that the control sends. */
export const longestChain = 8

/**
 * The chords that a control sends to run commands in order: those that they stand on now.
 * @throws CoreError `CHAIN_NO_CHORD` when one of them has no key
 */
export function chainChords(
  plan: Pick<Plan, 'commands'>,
  placements: readonly Placed[],
  commandIds: readonly CommandId[],
): Chord[] {
  return commandIds.map((id) => {
    const own = placements.find(
      (p) =>
        p.commandId === id && p.trigger.kind === 'chord' && p.then === undefined && p.sends === undefined,
    )
    if (own?.trigger.kind === 'chord') return own.trigger
    const command = plan.commands.find((c) => c.id === id)
    throw new CoreError('CHAIN_NO_CHORD', {
      where: ['chain', id],
      what: `“${command ? fullName(command) : id}” has no key that a control could send`,
      remedy: 'give it a key first: one that is far from the hand will do, such as F13 to F24',
    })
  })
}

/**
 * Places a chain on a control, in place of what the same chain and control had. What else is on the control stays, and
 * the check tells.
 * @throws CoreError `CHAIN_NO_CHORD`, `CHAIN_IMPOSSIBLE`
 */
export const placeChain = edit((plan: Plan, { commandIds, trigger, waitMs }: ChainEdit) => {
  const arrangement = editableArrangement(plan)
  if (!arrangement) return
  if (!('deviceId' in trigger) || commandIds.length < 2 || commandIds.length > longestChain)
    throw new CoreError('CHAIN_IMPOSSIBLE', {
      where: ['chain'],
      what:
        'deviceId' in trigger
          ? `a chain has 2 to ${longestChain} commands`
          : 'a plain key of a keyboard cannot send other keys',
      remedy: 'choose a key of a pad or deck, or a button that is set to send keys',
    })
  const isHere = (p: Placed): boolean => isOnBench(p, plan.activeBenchId)
  const sends = chainChords(plan, arrangement.placements.filter(isHere), commandIds)
  const [first, ...then] = commandIds as [CommandId, ...CommandId[]]
  const key = triggerKey(trigger)
  arrangement.placements = arrangement.placements.filter(
    (p) =>
      !(
        isHere(p) &&
        p.then &&
        p.commandId === first &&
        controlRefOf(p.trigger) !== null &&
        triggerKey(p.trigger) === key
      ),
  )
  arrangement.placements.push({
    commandId: first,
    trigger,
    sends: sends.map((s) => ({ ...s })),
    then,
    ...(waitMs !== undefined && waitMs > 0 && { waitMs }),
  })
})
