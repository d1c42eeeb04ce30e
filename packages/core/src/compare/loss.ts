import type { Command } from '../commands/index.js'
import { missingPartInWords, pressStages, type Environment } from '../model/index.js'
import type { Placed } from '../plan/index.js'

/** What an arrangement loses on another bench. */
export interface BenchLoss {
  /** placements that cannot be made there, most used first, with what is lacking in words */
  readonly lost: readonly {
    readonly placement: Placed
    readonly command: Command
    readonly lacks: readonly string[]
  }[]
  /** commands that are left with no trigger at all, most used first */
  readonly without: readonly Command[]
  /** uses an hour of those commands */
  readonly usesPerHour: number
  readonly kept: number
}

/**
 * What is lost when an arrangement moves to another bench.
 * @param there  surroundings whose controls are those of the other bench
 */
export function benchLoss(placements: readonly Placed[], there: Environment): BenchLoss {
  const stages = pressStages(there)
  const commands = new Map(there.commands.map((c) => [c.id, c]))
  const lost: BenchLoss['lost'][number][] = []
  const locks = new Set<string>()
  let kept = 0
  for (const placement of placements) {
    const command = commands.get(placement.commandId)
    if (!command) continue
    const lacks = stages.device(placement.trigger)
    if (lacks.length === 0) {
      locks.add(command.id)
      kept++
    } else lost.push({ placement, command, lacks: lacks.map((lack) => missingPartInWords(lack, there)) })
  }
  const byUse = (a: Command, b: Command): number => b.usesPerHour - a.usesPerHour || (a.id < b.id ? -1 : 1)
  const without = [...new Set(lost.map((l) => l.command))].filter((c) => !locks.has(c.id)).sort(byUse)
  return {
    lost: lost.sort((a, b) => byUse(a.command, b.command)),
    without,
    usesPerHour: without.reduce((sum, c) => sum + c.usesPerHour, 0),
    kept,
  }
}

/**
 * What is lost from one bench to another: what is lacking on both is no loss of the move.
 * @param placements  those that hold on every bench, and what the other has as its own
 */
export function lossOfMove(placements: readonly Placed[], here: Environment, there: Environment): BenchLoss {
  const lackingHere = new Set(benchLoss(placements, here).lost.map((l) => l.placement))
  const stages = pressStages(there)
  return benchLoss(
    placements.filter((p) => !lackingHere.has(p) || stages.device(p.trigger).length === 0),
    there,
  )
}
