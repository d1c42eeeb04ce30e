import type { Command } from '../commands/index.js'
import type { ChordReach } from '../hand/index.js'
import { mnemonicScore } from '../mnemonics/index.js'
import type { NationalLayout, Trigger } from '../triggers/index.js'

/** The few figures by which an arrangement is known. */
export interface ArrangementFigures {
  /** share of all uses whose best trigger is at rest or easy, 0 to 1; 0 when nothing is used */
  readonly nearShare: number
  /** share of all uses whose command has a trigger */
  readonly placedShare: number
  /** mean mnemonic score of placed commands, weighted by use; null when none is placed */
  readonly mnemonicMean: number | null
  readonly placedCount: number
  readonly commandCount: number
}

/**
 * @param triggersOf  triggers of a command in the arrangement
 * @param reachOf     how the hand makes a trigger; undefined while it is not computed or when it cannot be sent
 */
export function arrangementFigures(
  commands: readonly Command[],
  triggersOf: (commandId: string) => readonly Trigger[],
  reachOf: (trigger: Trigger) => ChordReach | undefined,
  layout: NationalLayout,
): ArrangementFigures {
  const names = new Map(commands.map((c) => [c.id, c.name]))
  let uses = 0
  let near = 0
  let placed = 0
  let recall = 0
  let recallWeight = 0
  let placedCount = 0
  for (const command of commands) {
    uses += command.usesPerHour
    const triggers = triggersOf(command.id)
    if (triggers.length === 0) continue
    placedCount++
    placed += command.usesPerHour
    if (triggers.some((t) => ['rest', 'easy'].includes(reachOf(t)?.verdict ?? '')))
      near += command.usesPerHour
    const opposite = command.oppositeId === undefined ? undefined : names.get(command.oppositeId)
    const best = Math.max(
      ...triggers.map(
        (t) =>
          mnemonicScore(
            command,
            t,
            layout,
            opposite === undefined
              ? undefined
              : { name: opposite, triggers: triggersOf(command.oppositeId as string) },
          ).score,
      ),
    )
    // a command that is never used still counts a little, so that a new plan has a figure
    const weight = Math.max(command.usesPerHour, 0.1)
    recall += weight * best
    recallWeight += weight
  }
  return {
    nearShare: uses > 0 ? near / uses : 0,
    placedShare: uses > 0 ? placed / uses : 0,
    mnemonicMean: recallWeight > 0 ? recall / recallWeight : null,
    placedCount,
    commandCount: commands.length,
  }
}
