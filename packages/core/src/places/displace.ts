import type { Command } from '../commands/index.js'
import { triggerReach, type ReachAt, type ReachContext } from '../hand/index.js'
import { reachContextOf, type PlaceIndex } from '../model/index.js'
import { givenUpFor, type PlaceWeights } from '../plan/index.js'
import { triggerKey, type Trigger } from '../triggers/index.js'
import { menuLevels, menuMs } from '../work/index.js'
import type { Candidate } from './candidates.js'
import { isAvailable, placeFor, placesOn, type CandidatePlace } from './places.js'

/** One command that moves, or is let go. */
export interface ChainStep {
  readonly command: Command
  /** where it was; null for a command that had no place */
  readonly from: Trigger | null
  /** where it goes; null when it is let go, or makes do with what it has besides */
  readonly to: CandidatePlace | null
  /** another of its triggers, which serves it better than a new place; null for none */
  readonly keeps: Trigger | null
  /** who pushed it out; null for the first step */
  readonly displacedBy: Command | null
  /** press time a use, with the other parts of the cost, before and after, ms; null without a place */
  readonly beforeMs: number | null
  readonly afterMs: number | null
  /** what its menu takes, which serves where it has no place, ms */
  readonly menuMs: number
}

/** Moves that make room for a command, each to where the next one stood. */
export interface DisplacementChain {
  readonly steps: readonly ChainStep[]
  /** Σ uses × cost of all that move, ms an hour; a command without a place counts with its menu */
  readonly beforeMsPerHour: number
  readonly afterMsPerHour: number
}

/** After this many moves the next one has to settle for a free place. */
const mostMoves = 6

/** What the moves of one chain cost; `taken` grows with it. */
class ChainCosts {
  readonly taken: Set<string>

  constructor(
    readonly reachContext: ReachContext,
    readonly index: PlaceIndex,
    readonly weights: PlaceWeights,
    first: string,
  ) {
    this.taken = new Set([first])
  }

  /** What the best of a command's other triggers costs a use; null where it has none. */
  bestOther(who: Command, left: Trigger | null): { trigger: Trigger; ms: number } | null {
    let found: { trigger: Trigger; ms: number } | null = null
    for (const trigger of this.index.triggers.get(who.id) ?? []) {
      if (left && triggerKey(trigger) === triggerKey(left)) continue
      if (this.taken.has(triggerKey(trigger))) continue
      const ms = this.placedMs(who, trigger)
      if (ms !== null && (!found || ms < found.ms)) found = { trigger, ms }
    }
    return found
  }

  /** @param to  where it goes; null when it is let go */
  step(who: Command, left: Trigger | null, to: CandidatePlace | null, by: Command | null): ChainStep {
    const other = this.bestOther(who, left)
    const best = (ms: number | null): number | null => (other ? Math.min(other.ms, ms ?? Infinity) : ms)
    return {
      command: who,
      from: left,
      to,
      keeps: null,
      displacedBy: by,
      // each use takes the best of a command's triggers
      beforeMs: best(left && this.placedMs(who, left)),
      afterMs: best(to ? to.totalMs : null),
      menuMs: menuMs(menuLevels(who).length, this.index.env.menusKnown),
    }
  }

  /** Cost of a use there, whoever else is on it, ms; null where no hand gets to it. */
  private placedMs(who: Command, trigger: Trigger): number | null {
    const reach = triggerReach(trigger, this.reachContext)
    if (!reach) return null
    const place = placeFor(who, trigger, reach, this.index, this.weights)
    return place.totalMs - place.cost.displaceMs
  }
}

/**
 * What taking a place starts: who has to move, where each goes, and who is pushed out in turn. Each takes the place
 * that costs the least in all, a free one or one of a command that is used less; a command that is never used may be
 * let go. The chain ends, since each push goes to a command that is used less, and no command is lost: it has a place,
 * or it is a step that says so.
 * @returns null when the place cannot be had: the system takes it, or it is kept
 */
export function displacementChain(
  command: Command,
  trigger: Trigger,
  candidates: readonly Candidate[],
  reachAt: ReachAt,
  index: PlaceIndex,
  weights: PlaceWeights,
): DisplacementChain | null {
  const reachContext = reachContextOf(index, reachAt)
  const reach = triggerReach(trigger, reachContext)
  const first = reach && placeFor(command, trigger, reach, index, weights)
  if (!first || !isAvailable(first)) return null
  const key = triggerKey(trigger)
  const costs = new ChainCosts(reachContext, index, weights, key)
  const { taken } = costs
  const moving = new Set([command.id, ...first.holders.map((c) => c.id)])
  const from = leavesFor(command, trigger, index)
  /** what the command that starts the chain leaves behind is free for those who follow */
  const vacated = new Set<string>(from ? [triggerKey(from)] : [])
  const steps: ChainStep[] = [costs.step(command, from, withoutHolders(first), null)]
  const waiting: { command: Command; from: Trigger; by: Command }[] = first.holders.map((holder) => ({
    command: holder,
    from: trigger,
    by: command,
  }))
  const cheapest = (mover: Command) =>
    cheapestFor(
      mover,
      placesOn(mover, candidates, reachAt, index, weights).filter((p) => isAvailable(p) && !taken.has(p.key)),
      (place) => place.holders.filter((c) => !moving.has(c.id) || !vacated.has(place.key)),
      (pushed) => steps.length < mostMoves && mayPush(mover, pushed, moving),
      weights,
    )
  for (let next = waiting.shift(); next; next = waiting.shift()) {
    const { command: mover, from: left, by } = next
    if (mover.usesPerHour === 0) {
      steps.push(costs.step(mover, left, null, by))
      continue
    }
    const other = costs.bestOther(mover, left)
    const best = cheapest(mover)
    if (other && (!best || mover.usesPerHour * other.ms <= best.cost)) {
      steps.push({ ...costs.step(mover, left, null, by), keeps: other.trigger, afterMs: other.ms })
      continue
    }
    if (!best) {
      steps.push(costs.step(mover, left, null, by))
      continue
    }
    taken.add(best.place.key)
    steps.push(costs.step(mover, left, withoutHolders(best.place), by))
    for (const pushed of best.pushed) {
      moving.add(pushed.id)
      waiting.push({ command: pushed, from: best.place.trigger, by: mover })
    }
  }
  return { steps, ...chainSums(steps) }
}

/** A command without a place counts with its menu. */
function chainSums(steps: readonly ChainStep[]): Omit<DisplacementChain, 'steps'> {
  const cost = (pick: (s: ChainStep) => number | null): number =>
    steps.reduce((sum, s) => sum + s.command.usesPerHour * (pick(s) ?? s.menuMs), 0)
  return { beforeMsPerHour: cost((s) => s.beforeMs), afterMsPerHour: cost((s) => s.afterMs) }
}

/** The place that costs the least in all, with those whom it pushes out; null where there is none. */
function cheapestFor(
  mover: Command,
  places: readonly CandidatePlace[],
  pushedFrom: (place: CandidatePlace) => readonly Command[],
  mayBePushed: (pushed: readonly Command[]) => boolean,
  weights: PlaceWeights,
): { place: CandidatePlace; cost: number; pushed: readonly Command[] } | null {
  let best: { place: CandidatePlace; cost: number; pushed: readonly Command[] } | null = null
  for (const place of places) {
    const pushed = pushedFrom(place)
    if (pushed.length > 0 && !mayBePushed(pushed)) continue
    const bare = place.totalMs - place.cost.displaceMs
    // those pushed out pay for finding another place: at least as much again as a displacement is worth
    const cost =
      mover.usesPerHour * bare + pushed.reduce((sum, c) => sum + c.usesPerHour * pushMs(weights), 0)
    if (!best || cost < best.cost) best = { place, cost, pushed }
  }
  return best
}

const pushMs = (weights: PlaceWeights): number => weights.displaceMs

/** Only commands that are used less are pushed out, each once. */
const mayPush = (mover: Command, pushed: readonly Command[], moving: ReadonlySet<string>): boolean =>
  pushed.every((c) => c.usesPerHour < mover.usesPerHour && !moving.has(c.id))

/** In the chain the holders move, so the place costs what a free one does. */
const withoutHolders = (place: CandidatePlace): CandidatePlace => ({
  ...place,
  holders: [],
  totalMs: place.totalMs - place.cost.displaceMs,
  cost: { ...place.cost, displaceMs: 0 },
})

/** The trigger that a command gives up when it takes another: one on the same device, else what it has on any. */
const leavesFor = (command: Command, trigger: Trigger, index: PlaceIndex): Trigger | null =>
  givenUpFor(index.triggers.get(command.id) ?? [], trigger)[0] ?? null
