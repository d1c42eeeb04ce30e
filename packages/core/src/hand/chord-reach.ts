import type { LayerOpening } from '../bench/index.js'
import type { Finger } from './constants.js'

/** How the hand reaches a trigger, the best first. */
export const verdicts = ['rest', 'easy', 'stretch', 'away'] as const
/** How the hand reaches a trigger from where it rests. */
export type Verdict = (typeof verdicts)[number]

/** The posture that takes a chord: keys, fingers, energy, verdict, ms. */
export interface ChordReach {
  /** ids of the controls held, modifiers first */
  readonly keys: readonly string[]
  readonly verdict: Verdict
  /** √E; Infinity when the hand has no finger left for a key */
  readonly effort: number
  /** largest deviation of a used finger, in comfort radii */
  readonly stretch: number
  readonly palmShiftMm: number
  readonly turnDeg: number
  /** finger of each control; empty for `away`, where the model gives no advice */
  readonly fingers: Readonly<Record<string, Finger>>
  /** largest distance between two used fingertips over their largest practical span */
  readonly spanUse: number
  /** from rest to the last key down, one way, ms */
  readonly timeMs: number
  /** the longest way of a finger from where it rests, mm */
  readonly distanceMm: number
  /** the device that the hand moves to first, where that is quicker than reaching from home */
  readonly viaHome?: string
  /** how it is made from there */
  readonly viaReach?: ChordReach
  /** the layer of the device's firmware by which it is sent, where that is the best way */
  readonly layer?: { readonly name: string; readonly how: LayerOpening }
  /** what the other hand can do about a chord that this one has to leave for */
  readonly help?: OtherHandHelp
}

/** A chord shared with the other hand. */
export interface OtherHandHelp {
  /** controls that the other hand takes */
  readonly keys: readonly string[]
  /** until the last key is down, from both hands at rest, ms */
  readonly timeMs: number
  /** until the other hand is back where it was, ms; 0 when it rests on keys */
  readonly backMs: number
  /** how the other hand would make its part from its home keys */
  readonly reach: ChordReach
  /** how this hand makes what is left to it; null where that is nothing */
  readonly ownReach: ChordReach | null
}
