import type { CommandId } from '../ids.js'
import type { Command } from '../commands/index.js'
import type { ChordReach } from '../hand/index.js'
import type { MnemonicReader } from '../mnemonics/index.js'
import type { Trigger } from '../triggers/index.js'

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

/** How well an arrangement recalls one command. */
export interface Recall {
  readonly command: Command
  readonly trigger: Trigger
  readonly score: number
  readonly reason: string
  /** uses an hour, a little for what is never used */
  readonly weight: number
  /** uses × what is lacking: what a better place would gain */
  readonly loss: number
}

/** A command that is never used still counts a little, so that a new plan has a figure. */
const leastWeight = 0.1

const useWeight = (command: Command): number => Math.max(command.usesPerHour, leastWeight)

/** The best recalled trigger of each placed command, weakest first by what a better place would gain. */
export function recallOf(
  commands: readonly Command[],
  triggersOf: (commandId: CommandId) => readonly Trigger[],
  readerOf: (command: Command) => MnemonicReader,
): Recall[] {
  return commands
    .flatMap((command): Recall[] => {
      const reader = readerOf(command)
      let best: { trigger: Trigger; score: number; reason: string } | null = null
      for (const trigger of triggersOf(command.id)) {
        const { score, reason } = reader.score(trigger)
        if (!best || score > best.score) best = { trigger, score, reason }
      }
      const weight = useWeight(command)
      return best ? [{ command, ...best, weight, loss: weight * (1 - best.score) }] : []
    })
    .sort((a, b) => b.loss - a.loss || (a.command.id < b.command.id ? -1 : 1))
}

/** Mean score, weighted by use; null for no commands. */
export function recallMean(recalls: readonly Recall[]): number | null {
  const weight = recalls.reduce((sum, r) => sum + useWeight(r.command), 0)
  return weight > 0 ? recalls.reduce((sum, r) => sum + useWeight(r.command) * r.score, 0) / weight : null
}

/**
 * @param triggersOf  triggers of a command in the arrangement
 * @param reachOf     how the hand makes a trigger; undefined while it is not computed or when it cannot be sent
 */
/** The figures of one arrangement; each is a share of uses, uses an hour, or a sum of costs. */
export function arrangementFigures(
  commands: readonly Command[],
  triggersOf: (commandId: CommandId) => readonly Trigger[],
  reachOf: (trigger: Trigger) => ChordReach | undefined,
  readerOf: (command: Command) => MnemonicReader,
): ArrangementFigures {
  let uses = 0
  let near = 0
  let placed = 0
  for (const command of commands) {
    uses += command.usesPerHour
    const triggers = triggersOf(command.id)
    if (triggers.length === 0) continue
    placed += command.usesPerHour
    if (triggers.some((t) => ['rest', 'easy'].includes(reachOf(t)?.verdict ?? '')))
      near += command.usesPerHour
  }
  const recalls = recallOf(commands, triggersOf, readerOf)
  return {
    nearShare: uses > 0 ? near / uses : 0,
    placedShare: uses > 0 ? placed / uses : 0,
    mnemonicMean: recallMean(recalls),
    placedCount: recalls.length,
    commandCount: commands.length,
  }
}
