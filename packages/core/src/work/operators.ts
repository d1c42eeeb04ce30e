import type { HandSide } from '../bench/index.js'
import type { Finger } from '../hand/index.js'

/** Operators of the keystroke-level model; F, a finger's movement, is told apart from the press that it ends in. */
export const operatorKinds = ['M', 'P', 'B', 'H', 'F', 'K', 'R'] as const
/** An operator of the keystroke-level model (Card, Moran and Newell 1980). */
export type OperatorKind = (typeof operatorKinds)[number]

/** What the operators of the keystroke-level model stand for, in words. */
export const operatorNames: Readonly<Record<OperatorKind, string>> = {
  M: 'think, find',
  P: 'point',
  B: 'click',
  H: 'hand travels',
  F: 'finger moves',
  K: 'press',
  R: 'wait for the device',
}

/** Card, Moran and Newell (1980), ms; B after Kieras (from memory). K is the average skilled typist's. */
export const operatorMs = { K: 200, P: 1100, H: 400, M: 1350, B: 100 } as const

/** K of other people, ms: Card, Moran and Newell (1980) (from memory). */
export const typistMs = { best: 120, skilled: 200, nonSecretary: 280 } as const

/** One step of work, as long as it holds the person up. */
export interface Operator {
  readonly kind: OperatorKind
  readonly ms: number
  /** how long it takes itself, ms, where the other hand works meanwhile and longer, so that it holds nobody up */
  readonly takesMs?: number
  /** the hand that does it; null for thinking */
  readonly hand: HandSide | null
  /** the finger that moves or presses last, where the model tells one */
  readonly finger?: Finger
  /** the finger of each press, held modifiers first, where the model tells them */
  readonly fingers?: readonly Finger[]
  /** presses that it stands for; 1 where left out */
  readonly count?: number
  /** what is done, in words */
  readonly what: string
}

/**
 * Time of a written sequence of operators, ms: `M P B 5K` is 1350 + 1100 + 100 + 5 × 200.
 * @param ms  other times of operators, such as those of a slower typist
 */
export function sequenceMs(sequence: string, ms: Readonly<Record<string, number>> = operatorMs): number {
  let sum = 0
  for (const [, count, letter] of sequence.matchAll(/(\d*)([A-Z])/g))
    sum += (count === '' ? 1 : Number(count)) * (ms[letter as string] ?? NaN)
  return sum
}
