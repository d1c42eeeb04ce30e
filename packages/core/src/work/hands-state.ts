import { splitControlRef, type HandSide } from '../bench/index.js'
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

  /** the key under the index finger of the pointing hand, where it comes to type; undefined without home keys */
  get otherHome(): KeyPosition | undefined {
    const id = this.work.situation.otherHand?.hand.rests.index
    return id === undefined ? undefined : this.positionOfKey(id)
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
    more: Pick<Operator, 'finger' | 'fingers' | 'count'> = {},
  ): void {
    if (ms > 0) this.operators.push({ kind, ms, hand, what, ...more })
  }

  /** Adds what a hand does while the other holds the person up with the same chord. */
  addMeanwhile(
    kind: OperatorKind,
    takesMs: number,
    hand: HandSide,
    what: string,
    fingers: readonly Finger[],
  ): void {
    this.operators.push({ kind, ms: 0, takesMs, hand, what, count: fingers.length, fingers })
  }

  /** Notes the posture of a press, for the load on the hand. A hand that has moved to its key is in line again. */
  note(hand: HandSide, reach: ChordReach | 'moved', deviceId: string | null): void {
    const isMoved = reach === 'moved'
    this.presses.push({
      hand,
      band: isMoved ? 'in line' : wristBand(reach.turnDeg),
      deviceId,
    })
  }

  /**
   * From an operator on, the two hands work side by side: each goes on by itself, and the longer counts. What has no
   * hand, as thinking has none, holds both up.
   * @param from  number of operators before it
   */
  sideBySide(from: number): void {
    const sum = { left: 0, right: 0 }
    for (const { hand, ms, takesMs = ms } of this.operators.slice(from)) if (hand) sum[hand] += takesMs
    if (sum.left === 0 || sum.right === 0) return
    const longer = sum.left > sum.right ? 'left' : 'right'
    for (let i = from; i < this.operators.length; i++) {
      const { takesMs, ...operator } = this.operators[i] as Operator
      if (!operator.hand) continue
      const ms = takesMs ?? operator.ms
      this.operators[i] = operator.hand === longer ? { ...operator, ms } : { ...operator, ms: 0, takesMs: ms }
    }
  }

  /** Both hands are on their home keys, and have just typed. */
  isTyping = false
  /** the way back of a palm that the last press took along, ms */
  stretchBackMs = 0

  /** The palm goes back to where it rests, after a stretch took it along. */
  comeBack(): void {
    this.add('F', this.stretchBackMs, this.side, 'back from the stretch')
    this.stretchBackMs = 0
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
    this.stretchBackMs = 0
    this.last = null
    this.held = []
  }

  /** Time back to the home keys from a place on the desk, ms. */
  backMs(from: { readonly xMm: number; readonly yMm: number }): number {
    return this.home ? homingTimeMs(distanceMm(from, this.home), homeKeyMm) : homingMs
  }
}

/** The fingers that take keys, in their order: the index finger where the model tells none. */
export const fingersOf = (reach: ChordReach, keys: readonly string[] = reach.keys): Finger[] =>
  keys.map((key) => reach.fingers[key] ?? 'index')

/** The device of a control, by its id on the bench. */
export const deviceOf = (controlId: string): string => splitControlRef(controlId).deviceId

/** Distance between two places on the desk, mm. */
export const distanceMm = (
  a: { readonly xMm: number; readonly yMm: number },
  b: { readonly xMm: number; readonly yMm: number },
): number => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)
