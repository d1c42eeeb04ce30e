import type { HandSide } from '../bench/index.js'
import { homeKeyMm, homingMs, homingTimeMs, wristBand, type ChordReach, type Finger } from '../hand/index.js'
import type { Operator, OperatorKind } from './operators.js'
import type { PressNote, Workplace } from './workplace.js'

/** A key as something to aim at, mm. */
export interface KeyPosition {
  readonly id: string
  readonly xMm: number
  readonly yMm: number
  readonly targetMm: number
}

/** The hand on the keys rests at one of its homes, or is stretched out over some key. */
export type KeysAt =
  | { readonly is: 'at home'; readonly deviceId: string }
  | { readonly is: 'over a key'; readonly key: KeyPosition }

/** The pointing hand is on a pointing device (null: the one that it holds), or over the keys (null: at rest there). */
export type PointerAt =
  | { readonly is: 'on a device'; readonly deviceId: string | null }
  | { readonly is: 'over the keys'; readonly key: KeyPosition | null }

/**
 * Where two hands over a bench are, and what they have done so far. Acts read the state, add their operators and leave
 * the state that the next act starts from.
 */
export class HandsState {
  readonly operators: Operator[] = []
  readonly presses: PressNote[] = []
  trips = 0
  /** menus that were walked, and their levels */
  menuWalks = 0
  menuLevels = 0
  readonly other: HandSide
  readonly home: Workplace['situation']['homes'][number] | undefined
  readonly holds: NonNullable<Workplace['situation']['otherHand']>['holds'] | null
  keysAt: KeysAt
  pointerAt: PointerAt
  /** the finger that pressed last and the key that it is over, while the hand has not left */
  last: { readonly finger: Finger | undefined; readonly key: string } | null = null
  /** controls of modifiers that are still down */
  held: readonly string[] = []
  private readonly controls: ReadonlyMap<string, Workplace['situation']['controls'][number]>

  constructor(
    readonly work: Workplace,
    readonly side: HandSide,
  ) {
    const { situation } = work
    this.other = side === 'left' ? 'right' : 'left'
    this.home = situation.homes[0]
    this.holds = situation.otherHand?.holds ?? null
    this.controls = new Map(situation.controls.map((c) => [c.id, c]))
    this.keysAt = { is: 'at home', deviceId: this.home?.deviceId ?? '' }
    // without a pointing device the other hand rests on the keys
    this.pointerAt = this.holds ? { is: 'on a device', deviceId: null } : { is: 'over the keys', key: null }
  }

  get isHome(): boolean {
    return this.keysAt.is === 'at home' && this.keysAt.deviceId === this.home?.deviceId
  }

  /** Adds an operator; one that takes no time is left out. */
  add(
    kind: OperatorKind,
    ms: number,
    hand: HandSide | null,
    what: string,
    more: Pick<Operator, 'finger' | 'count'> = {},
  ): void {
    if (ms > 0) this.operators.push({ kind, ms, hand, what, ...more })
  }

  /** Notes the posture of a press, for the load on the hand. */
  note(hand: HandSide, reach: ChordReach): void {
    this.presses.push({
      hand,
      band: wristBand(reach.turnDeg),
      isStretched: reach.verdict === 'stretch' || reach.verdict === 'away',
    })
  }

  deviceName(id: string): string {
    return this.work.naming.legends?.get(`device/${id}`) ?? id
  }

  positionOfKey(id: string): KeyPosition | undefined {
    const c = this.controls.get(id)
    return c && { id, xMm: c.xMm, yMm: c.yMm, targetMm: Math.min(c.widthMm, c.heightMm) }
  }

  /** Nothing that the last press left behind counts any more: the hand has left. */
  forgetLastPress(): void {
    this.last = null
    this.held = []
  }

  /** Time back to the home keys from a place on the desk, ms. */
  backMs(from: { readonly xMm: number; readonly yMm: number }): number {
    return this.home ? homingTimeMs(distanceMm(from, this.home), homeKeyMm) : homingMs
  }
}

/** Distance between two places on the desk, mm. */
export const distanceMm = (
  a: { readonly xMm: number; readonly yMm: number },
  b: { readonly xMm: number; readonly yMm: number },
): number => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)
