import type { Control } from '../bench/index.js'
import {
  dangersOf,
  isHarmful,
  isPointed,
  ownHarm,
  slipsAround,
  typingContexts,
  usesBeside,
  wayOutMs,
} from '../clashes/index.js'
import { canBeLiveTogether, type Command, type Program } from '../commands/index.js'
import { triggerReach, type ChordReach, type ReachAt, type ReachByControl } from '../hand/index.js'
import type { MnemonicScore } from '../mnemonics/index.js'
import { commandsMet, reachContextOf, reservedBy, type PlaceIndex, type Reservation } from '../model/index.js'
import { defaultPlaceWeights, type PlaceWeights } from '../plan/index.js'
import { triggerKey, type Modifier, type Trigger, type TriggerKey } from '../triggers/index.js'
import {
  costOf,
  desktopKeyClash,
  pointingAmount,
  recallShare,
  sumOf,
  typingCost,
  usualHoursPerDay,
  weaknessOf,
  type PlaceAmounts,
  type PlaceCost,
} from './cost.js'
import { candidate, candidatesWith, pageFor, type Candidate, type PageOf } from './candidates.js'
import { meetingShares } from './use-shares.js'

/** How good one trigger would be for a command. */
export interface CandidatePlace {
  readonly trigger: Trigger
  readonly key: TriggerKey
  readonly candidate: Candidate
  readonly reach: ChordReach
  readonly mnemonic: MnemonicScore
  readonly cost: PlaceCost
  readonly totalMs: number
  readonly amounts: PlaceAmounts
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
  /** the command stands on the key that its standard action has on this system, and would leave it */
  readonly leavesStandard: boolean
}

/** The same places under other weights, in the order given. */
export const reweigh = (places: readonly CandidatePlace[], weights: PlaceWeights): CandidatePlace[] =>
  places.map((place) => {
    const cost = costOf(place.reach, place.amounts, weights)
    return { ...place, cost, totalMs: sumOf(cost) }
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
  const standard = new Set(index.mnemonics.standardKeysOf(command).map((t) => triggerKey(t)))
  const standsOnStandard = (index.triggers.get(command.id) ?? []).some((t) => standard.has(triggerKey(t)))
  const recalls = recallShare(command.usesPerHour, env.hoursPerDay ?? usualHoursPerDay)
  const typed = program ? typingCost(command, program, env) : 0
  const harmOn = harmJudge(command, program, index)
  const meets = meetingShares(env.programs, env)
  const together = new Map<string, Meeting | null>()
  const meetingWith = (other: Command): Meeting | null => {
    let met = together.get(other.id)
    if (met === undefined) {
      const own = other.id === command.id ? null : meets(command, other)
      met = own === null ? null : { own, lostPerHour: other.usesPerHour * (meets(other, command) ?? 0) }
      together.set(other.id, met)
    }
    return met
  }
  const isRival = (other: Command): boolean => meetingWith(other) !== null
  /** How dear it is to push out who stands there: by what they lose, in the contexts where both are live. */
  const displacedBy = (holders: readonly Command[]): number => {
    let [own, lostPerHour] = [0, 0]
    for (const holder of holders) {
      const met = meetingWith(holder)
      own = Math.max(own, met?.own ?? 0)
      lostPerHour = Math.max(lostPerHour, met?.lostPerHour ?? 0)
    }
    return 0.5 * own + Math.min(3, lostPerHour / Math.max(command.usesPerHour, 1))
  }
  const rivalsOn = (key: TriggerKey): readonly Command[] => {
    const there = index.holders.get(key)
    return there === undefined ? none : there.filter(isRival)
  }
  return (at, reach) => {
    const holders = rivalsOn(at.key)
    const waitsWith = at.rivals.length > 0 ? at.rivals.flatMap(rivalsOn) : none
    const typesIn = at.types ? typing : noTexts
    const mnemonic = reader.score(at.trigger, at.key)
    const pointed = isPointed(at.trigger, index.pointing)
    const amounts: PlaceAmounts = {
      effort: reach.effort,
      weakness: weaknessOf(reach, env.handSide ?? 'left'),
      pointing: pointingAmount(at.trigger, pointed),
      recall: recalls * (1 - mnemonic.score),
      displaced: displacedBy(holders),
      clashes:
        (typesIn.length > 0 ? typed : 0) +
        0.5 * Math.max(0, ...waitsWith.map((c) => meetingWith(c)?.own ?? 0)) +
        desktopKeyClash(at.trigger, env),
      harmMs: harmOn(at, reach, pointed),
    }
    const cost = costOf(reach, amounts, weights)
    return {
      trigger: at.trigger,
      key: at.key,
      candidate: at,
      reach,
      mnemonic,
      cost,
      totalMs: sumOf(cost),
      amounts,
      holders,
      isLocked: at.locked || holders.some(rules.locks),
      reserved: at.reserved ?? (program ? reservedBy(at.trigger, index, program) : null),
      typesIn,
      waitsWith,
      isMet: commandsMet(at.trigger, index).some(isRival),
      leavesStandard: standsOnStandard && !standard.has(at.key),
    }
  }
}

/** What two commands have of each other on one key: the share of uses that meets, and what the other loses an hour. */
interface Meeting {
  readonly own: number
  readonly lostPerHour: number
}

const none: readonly Command[] = []
const noTexts: readonly string[] = []

/** Expected harm of slips around a trigger, ms a use: onto a harmful command there, or onto this one where it is. */
function harmJudge(
  command: Command,
  program: Program | undefined,
  index: PlaceIndex,
): (at: Candidate, reach: ChordReach, pointed: boolean) => number {
  if (!program) return () => 0
  const dangers = dangersOn(index)
  const uses = Math.max(command.usesPerHour, leastUses)
  const pressesPerHour = index.env.commands.reduce(
    (sum, c) => (c.programId === program.id ? sum + c.usesPerHour : sum),
    0,
  )
  return (at, reach, pointed) => {
    let ms = 0
    for (const danger of dangers.get(at.key) ?? [])
      if (
        danger.command.id !== command.id &&
        command.oppositeId !== danger.command.id &&
        canBeLiveTogether(danger.command, command, program)
      )
        ms += danger.msPerPress
    if (!isHarmful(command)) return ms
    let perHour = ownHarm(command, at.trigger, {
      isAtRest: reach.verdict === 'rest',
      isPointing: pointed,
      pressesPerHour,
      slips: index.env.slips,
    })
    for (const { trigger, share } of slipsAround(at.trigger, index.env))
      perHour += usesBeside(command, triggerKey(trigger), program, index) * share * wayOutMs(command)
    return ms + perHour / uses
  }
}

/** A command that is never used still wants no harm done. */
const leastUses = 0.1

const dangersByIndex = new WeakMap<PlaceIndex, ReturnType<typeof dangersOf>>()
function dangersOn(index: PlaceIndex): ReturnType<typeof dangersOf> {
  let dangers = dangersByIndex.get(index)
  if (!dangers) dangersByIndex.set(index, (dangers = dangersOf(index)))
  return dangers
}

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
