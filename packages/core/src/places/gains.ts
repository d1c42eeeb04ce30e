import type { Command } from '../commands/index.js'
import { proposedSets, triggerReach, type ChordReach } from '../hand/index.js'
import { reachContextOf, type PreparedModel } from '../model/index.js'
import { isPointed } from '../clashes/index.js'
import type { CommandId } from '../ids.js'
import type { Trigger } from '../triggers/index.js'
import { menuLevels, menuMs } from '../work/index.js'
import { benchCandidates, pageFor, type Candidate } from './candidates.js'
import { handCostMs, pointingAmount } from './cost.js'
import { isAvailable, placeFor, placeJudge, type CandidatePlace } from './places.js'

/** What a better place would gain for a command. */
export interface PlaceGain {
  readonly commandId: CommandId
  /** uses an hour × (cost of a use now − cost on the best place), ms; 0 where it stands on the best, or stays */
  readonly msPerHour: number
  /** the place that would gain it; null where none would */
  readonly best: Trigger | null
}

/**
 * What each command would gain by the best place that can be had, the most used command first: its cost now, by the best of
 * its triggers that arrive or else by its menu, against the cheapest place, with what it costs to free that. A command that
 * is kept where it is gains nothing.
 * @param triggersOf  triggers whose press reaches the command
 */
export function* placeGains(
  model: PreparedModel,
  triggersOf: (id: CommandId) => readonly Trigger[],
): Generator<PlaceGain, void, void> {
  const { env, index, plan, reachAt } = model
  const reachContext = reachContextOf(index, reachAt)
  const placesOf = reachedPlaces(model)
  const often = [...env.commands].sort((a, b) => b.usesPerHour - a.usesPerHour || (a.id < b.id ? -1 : 1))
  for (const command of often) {
    const stays: PlaceGain = { commandId: command.id, msPerHour: 0, best: null }
    if (command.usesPerHour === 0 || index.rules.locks(command)) {
      yield stays
      continue
    }
    const now = costNow(command)
    const best = cheapest(command, now)
    const uses = command.usesPerHour * (1 - (env.menuShares?.get(command.id) ?? 0))
    yield best ? { commandId: command.id, msPerHour: uses * (now - best.totalMs), best: best.trigger } : stays
  }

  function costNow(command: Command): number {
    const byMenu = menuMs(menuLevels(command).length, env.menusKnown)
    let least = Infinity
    for (const trigger of triggersOf(command.id)) {
      const reach = triggerReach(trigger, reachContext)
      if (!reach || !Number.isFinite(reach.timeMs)) continue
      const place = placeFor(command, trigger, reach, index, plan.weights)
      least = Math.min(least, place.totalMs - place.cost.displaceMs)
    }
    return least === Infinity ? byMenu : least
  }

  /** The cheapest place that can be had for less than `limitMs`. Places come by what they cost the hand, which is a lower bound. */
  function cheapest(command: Command, limitMs: number): CandidatePlace | null {
    const judge = placeJudge(command, index, plan.weights)
    let best: CandidatePlace | null = null
    let least = limitMs
    for (const { at, reach, handMs } of placesOf(command.programId)) {
      if (handMs >= least) break
      const place = judge(at, reach)
      if (place.totalMs < least && isAvailable(place)) {
        least = place.totalMs
        best = place
      }
    }
    return best
  }
}

/** A place that the hand can work and that nothing takes first, whoever stands there. */
export interface ReachedPlace {
  readonly at: Candidate
  readonly reach: ChordReach
  /** the part of a place's cost that is the hand's alone, ms a use */
  readonly handMs: number
}

/** All places of the bench for a program, the easiest first. */
export function reachedPlaces(
  model: PreparedModel,
): (programId: Command['programId']) => readonly ReachedPlace[] {
  const { env, index, plan, reachAt, situation } = model
  const reachContext = reachContextOf(index, reachAt)
  const sets = proposedSets(env.layout.altGraph)
  const known = new Map<string, readonly ReachedPlace[]>()
  return (programId) => {
    let places = known.get(programId)
    if (!places) {
      places = benchCandidates(index, sets, (id) => pageFor(id, programId, env))
        .filter((at) => at.reserved === null && !at.barred && !at.locked)
        .flatMap((at): ReachedPlace[] => {
          const reach = triggerReach(at.trigger, reachContext)
          if (!reach || !Number.isFinite(reach.effort)) return []
          const pointing = pointingAmount(at.trigger, isPointed(at.trigger, index.pointing))
          return [{ at, reach, handMs: handCostMs(reach, situation.hand.side, plan.weights, pointing) }]
        })
        .sort((a, b) => a.handMs - b.handMs || (a.at.key < b.at.key ? -1 : 1))
      known.set(programId, places)
    }
    return places
  }
}
