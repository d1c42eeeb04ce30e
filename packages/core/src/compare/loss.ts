import type { Command } from '../commands/index.js'
import { lackInWords, pressLayers, type Placed, type Surroundings } from '../model/index.js'

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
export function benchLoss(placements: readonly Placed[], there: Surroundings): BenchLoss {
  const layers = pressLayers(there)
  const commands = new Map(there.commands.map((c) => [c.id, c]))
  const lost: BenchLoss['lost'][number][] = []
  const keeps = new Set<string>()
  let kept = 0
  for (const placement of placements) {
    const command = commands.get(placement.commandId)
    if (!command) continue
    const lacks = layers.device(placement.trigger)
    if (lacks.length === 0) {
      keeps.add(command.id)
      kept++
    } else lost.push({ placement, command, lacks: lacks.map((lack) => lackInWords(lack, there)) })
  }
  const byUse = (a: Command, b: Command): number => b.usesPerHour - a.usesPerHour || (a.id < b.id ? -1 : 1)
  const without = [...new Set(lost.map((l) => l.command))].filter((c) => !keeps.has(c.id)).sort(byUse)
  return {
    lost: lost.sort((a, b) => byUse(a.command, b.command)),
    without,
    usesPerHour: without.reduce((sum, c) => sum + c.usesPerHour, 0),
    kept,
  }
}

/** What is lost from one bench to another: what is lacking on both is no loss of the move. */
export function lossOfMove(
  placements: readonly Placed[],
  here: Surroundings,
  there: Surroundings,
): BenchLoss {
  const lackingHere = new Set(benchLoss(placements, here).lost.map((l) => l.placement))
  return benchLoss(
    placements.filter((p) => !lackingHere.has(p)),
    there,
  )
}
