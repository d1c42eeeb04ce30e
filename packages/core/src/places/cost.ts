import type { HandSide } from '../bench/index.js'
import type { Command, Program } from '../commands/index.js'
import { fingerCapacity, thereAndBackMs, type ChordReach } from '../hand/index.js'
import type { Environment } from '../model/index.js'
import type { PlaceWeights } from '../plan/index.js'
import { heldOf, type Trigger } from '../triggers/index.js'
import { typingShare } from './use-shares.js'

/** The parts of a place's cost, ms a use. */
export interface PlaceCost {
  /** there and, where a hand leaves, back */
  readonly timeMs: number
  readonly stretchMs: number
  /** pointing that the press interrupts */
  readonly pointingMs: number
  readonly recallMs: number
  readonly displaceMs: number
  readonly clashMs: number
  /** expected harm of slips */
  readonly harmMs: number
}

/** What the weights multiply: the same for a place whatever they are. */
export interface PlaceAmounts {
  readonly effort: number
  /** 0 for the strongest finger, 1 for one of half its pace */
  readonly weakness: number
  readonly pointing: number
  /** how much of a missing link counts, 0 to 1 */
  readonly recall: number
  readonly displaced: number
  readonly clashes: number
  readonly harmMs: number
}

/** Each part of the cost of a place, by its weights. */
export const costOf = (reach: ChordReach, amounts: PlaceAmounts, weights: PlaceWeights): PlaceCost => ({
  timeMs: thereAndBackMs(reach),
  stretchMs: weights.effortMs * amounts.effort + weights.fingerMs * amounts.weakness,
  pointingMs: weights.pointingMs * amounts.pointing,
  recallMs: weights.recallMs * amounts.recall,
  displaceMs: weights.displaceMs * amounts.displaced,
  clashMs: weights.clashMs * amounts.clashes,
  harmMs: amounts.harmMs,
})

/** The whole cost of a place, ms a use. */
export const sumOf = (cost: PlaceCost): number =>
  cost.timeMs +
  cost.stretchMs +
  cost.pointingMs +
  cost.recallMs +
  cost.displaceMs +
  cost.clashMs +
  cost.harmMs

/** 0 for the strongest finger on the last key, 1 for one of half its pace; 0 where no finger is told. */
export function weaknessOf(reach: ChordReach, side: HandSide): number {
  const finger = reach.fingers[reach.keys.at(-1) ?? '']
  return finger ? (1 - fingerCapacity(side, finger)) * 2 : 0
}

/**
 * Work of the pointing hand, in weights: a press interrupts the pointing; with a modifier held one command takes both
 * hands (500 ms, two and a half times as much); a stroke goes on from where the pointer is. Assumed.
 */
export function pointingAmount(trigger: Trigger, isPointed: boolean): number {
  if (!isPointed) return 0
  const withModifier = heldOf(trigger).length > 0 ? 2.5 : 0
  return trigger.kind === 'stroke' ? 0.5 + withModifier : Math.max(1, withModifier)
}

/** What a use of a trigger costs the hand, whatever the command: there and back, effort, weak fingers, pointing, ms. */
export const handCostMs = (
  reach: ChordReach,
  side: HandSide,
  weights: PlaceWeights,
  pointing: number,
): number =>
  thereAndBackMs(reach) +
  weights.effortMs * reach.effort +
  weights.fingerMs * weaknessOf(reach, side) +
  weights.pointingMs * pointing

/**
 * How much of a clash a chord with Super or the Windows key is by itself: the key is the desktop's, and what it leaves free
 * today it may take with its next version. Assumed. On macOS it is the programs' own key.
 */
export const desktopKeyClash = (trigger: Trigger, { systemId }: Pick<Environment, 'systemId'>): number =>
  systemId !== 'macos' && heldOf(trigger).includes('Meta') ? 0.25 : 0

/** Uses a day from which half of what a link is worth is known by heart. Assumed. */
const knownByHeartPerDay = 10

/** How much a missing link counts for a command: what is used all day is known by heart, whatever its place is called. */
export const recallShare = (usesPerHour: number, hoursPerDay: number): number =>
  1 / (1 + (usesPerHour * hoursPerDay) / knownByHeartPerDay)

/**
 * How often a key that types is in the way, of all uses. Half as much counts where the program's keys rest meanwhile:
 * nothing is typed, and the menu is open.
 */
export const typingCost = (command: Command, program: Program, env: Environment): number =>
  typingShare(command, program, env) / (program.restsWhileTyping === true ? 2 : 1)

/** Active hours of a day where an environment names none. Assumed. */
export const usualHoursPerDay = 2
