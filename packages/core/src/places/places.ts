import type { Control, HandSide } from '../bench/index.js'
import { typingContexts } from '../clashes/index.js'
import { canBeLiveTogether, type Command } from '../commands/index.js'
import {
  fingerCapacity,
  thereAndBackMs,
  triggerReach,
  type ChordReach,
  type ReachAt,
  type ReachByControl,
} from '../hand/index.js'
import type { MnemonicScore } from '../mnemonics/index.js'
import { commandsMet, reachContextOf, reservedBy, type PlaceIndex, type Reservation } from '../model/index.js'
import { defaultPlaceWeights, type PlaceWeights } from '../plan/index.js'
import type { Modifier, Trigger, TriggerKey } from '../triggers/index.js'
import { candidate, candidatesWith, pageFor, type Candidate, type PageOf } from './candidates.js'

/** The parts of a place's cost, ms. */
export interface PlaceCost {
  /** there and, where a hand leaves, back */
  readonly timeMs: number
  readonly stretchMs: number
  readonly recallMs: number
  readonly displaceMs: number
  readonly clashMs: number
}

/** What the weights multiply: the same for a place whatever they are. */
interface Amounts {
  readonly effort: number
  /** 0 for the strongest finger, 1 for one of half its pace */
  readonly weakness: number
  readonly displaced: number
  readonly clashes: number
}

/** How good one trigger would be for a command. */
export interface CandidatePlace {
  readonly trigger: Trigger
  readonly key: TriggerKey
  readonly candidate: Candidate
  readonly reach: ChordReach
  readonly mnemonic: MnemonicScore
  readonly cost: PlaceCost
  readonly totalMs: number
  readonly amounts: Amounts
  /** commands that hold the trigger where this one is live, most used first */
  readonly holders: readonly Command[]
  /** one of those, or what stands on the key, is kept where it is */
  readonly isLocked: boolean
  /** what takes the trigger first; such a place is never ranked */
  readonly reserved: Reservation | null
  /** contexts in which the trigger types instead */
  readonly typesIn: readonly string[]
  /** commands on the same key worked otherwise: one of the two has to wait for the other */
  readonly waitsWith: readonly Command[]
  /** another command works the same key otherwise: by a hold, a tap, a pair */
  readonly isMet: boolean
}

/** 0 for the strongest finger on the last key, 1 for one of half its pace; 0 where no finger is told. */
function weaknessOf(reach: ChordReach, side: HandSide): number {
  const finger = reach.fingers[reach.keys.at(-1) ?? '']
  return finger ? (1 - fingerCapacity(side, finger)) * 2 : 0
}

/** What a use of a trigger costs the hand, whatever the command: there and back, effort and weak fingers, ms. */
export const handCostMs = (reach: ChordReach, side: HandSide, weights: PlaceWeights): number =>
  thereAndBackMs(reach) + weights.effortMs * reach.effort + weights.fingerMs * weaknessOf(reach, side)

const costOf = (
  reach: ChordReach,
  mnemonic: MnemonicScore,
  amounts: Amounts,
  weights: PlaceWeights,
): PlaceCost => ({
  timeMs: thereAndBackMs(reach),
  stretchMs: weights.effortMs * amounts.effort + weights.fingerMs * amounts.weakness,
  recallMs: weights.recallMs * (1 - mnemonic.score),
  displaceMs: weights.displaceMs * amounts.displaced,
  clashMs: weights.clashMs * amounts.clashes,
})

const sum = (cost: PlaceCost): number =>
  cost.timeMs + cost.stretchMs + cost.recallMs + cost.displaceMs + cost.clashMs

/** The same places under other weights, in the order given. */
export const reweigh = (places: readonly CandidatePlace[], weights: PlaceWeights): CandidatePlace[] =>
  places.map((place) => {
    const cost = costOf(place.reach, place.mnemonic, place.amounts, weights)
    return { ...place, cost, totalMs: sum(cost) }
  })

/** Judges triggers for one command; what is the same for all of them is worked out once. */
export function placeJudge(
  command: Command,
  index: PlaceIndex,
  weights: PlaceWeights = defaultPlaceWeights,
): (candidate: Candidate, reach: ChordReach) => CandidatePlace {
  const { env, rules } = index
  const program = env.programs.find((p) => p.id === command.programId)
  const reader = index.readerOf(command)
  const typing = program ? typingContexts(command, program) : []
  const together = new Map<string, boolean>()
  const isRival = (other: Command): boolean => {
    let live = together.get(other.id)
    if (live === undefined) {
      live = other.id !== command.id && program !== undefined && canBeLiveTogether(other, command, program)
      together.set(other.id, live)
    }
    return live
  }
  const rivalsOn = (key: TriggerKey): readonly Command[] => {
    const there = index.holders.get(key)
    return there === undefined ? none : there.filter(isRival)
  }
  return (at, reach) => {
    const holders = rivalsOn(at.key)
    const waitsWith = at.rivals.length > 0 ? at.rivals.flatMap(rivalsOn) : none
    const typesIn = at.types ? typing : noTexts
    const busiest = holders[0]
    const amounts: Amounts = {
      effort: reach.effort,
      weakness: weaknessOf(reach, env.handSide ?? 'left'),
      displaced: busiest ? 0.5 + Math.min(3, busiest.usesPerHour / Math.max(command.usesPerHour, 1)) : 0,
      clashes: (typesIn.length > 0 ? 1 : 0) + (waitsWith.length > 0 ? 0.5 : 0),
    }
    const mnemonic = reader.score(at.trigger, at.key)
    const cost = costOf(reach, mnemonic, amounts, weights)
    return {
      trigger: at.trigger,
      key: at.key,
      candidate: at,
      reach,
      mnemonic,
      cost,
      totalMs: sum(cost),
      amounts,
      holders,
      isLocked: at.locked || holders.some(rules.locks),
      reserved: at.reserved ?? (program ? reservedBy(at.trigger, index, program) : null),
      typesIn,
      waitsWith,
      isMet: commandsMet(at.trigger, index).some(isRival),
    }
  }
}

const none: readonly Command[] = []
const noTexts: readonly string[] = []

/** How good one trigger would be for `command`. */
export const placeFor = (
  command: Command,
  trigger: Trigger,
  reach: ChordReach,
  index: PlaceIndex,
  weights: PlaceWeights = defaultPlaceWeights,
): CandidatePlace => placeJudge(command, index, weights)(candidate(trigger, index), reach)

/**
 * Places for `command` on the candidates given: taken, free and kept by the system. Those that cannot be made are left
 * out.
 */
export function placesOn(
  command: Command,
  candidates: readonly Candidate[],
  reachAt: ReachAt,
  index: PlaceIndex,
  weights: PlaceWeights = defaultPlaceWeights,
): CandidatePlace[] {
  const reachContext = reachContextOf(index, reachAt)
  const judge = placeJudge(command, index, weights)
  const places: CandidatePlace[] = []
  for (const at of candidates) {
    const reach = triggerReach(at.trigger, reachContext)
    if (reach && Number.isFinite(reach.effort)) places.push(judge(at, reach))
  }
  return places
}

/**
 * Every place for `command` in one modifier set (one set of held modifiers).
 * @param byControl how the hand reaches each key with `held`
 * @param pageOf the page of a device that is looked at; by default the one that the command would go on
 */
export function placesWith(
  command: Command,
  held: readonly Modifier[],
  byControl: ReachByControl,
  index: PlaceIndex,
  weights: PlaceWeights = defaultPlaceWeights,
  pageOf: PageOf = (id) => pageFor(id, command.programId, index.env),
): CandidatePlace[] {
  return placesOn(
    command,
    candidatesWith(controlsReached(byControl, index), held, index, pageOf),
    (_held, place) => byControl[place],
    index,
    weights,
  )
}

/** Controls that the modifier set tells of, and those of the pointing hand. */
function controlsReached(byControl: ReachByControl, index: PlaceIndex): Control[] {
  return index.env.controls.filter((c) => c.pointing === true || byControl[c.code ?? c.id] !== undefined)
}

/** Whether a place can be had at all: nothing takes it first, and no rule of the person forbids it. */
export const isAvailable = (place: CandidatePlace): boolean =>
  place.reserved === null && !place.candidate.barred && !place.isLocked

/** Free: it can be had, nobody holds it, it does not type, and nothing has to wait for it. */
export const isFree = (place: CandidatePlace): boolean =>
  isAvailable(place) &&
  place.holders.length === 0 &&
  place.typesIn.length === 0 &&
  !place.isMet &&
  place.waitsWith.length === 0

/** Places that can be had, cheapest first. */
export const rankPlaces = (places: readonly CandidatePlace[]): CandidatePlace[] =>
  places
    .filter(isAvailable)
    .sort((a, b) => a.totalMs - b.totalMs || (a.key < b.key ? -1 : a.key > b.key ? 1 : 0))
