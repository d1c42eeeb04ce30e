import type { HandSide } from '../bench/index.js'
import {
  homeKeyMm,
  homingMs,
  homingTimeMs,
  movementMs,
  moveToMs,
  pressMs,
  triggerReach,
  wristBand,
  type ChordReach,
  type Finger,
  type PriceContext,
  type ReachSituation,
  type WristBand,
} from '../hand/index.js'
import { heldOf, triggerName, type Naming, type Trigger } from '../triggers/index.js'
import { operatorMs, type Operator, type OperatorKind } from './operators.js'

/** What the timing of acts rests on: the hands over a bench, and how triggers are reached. */
export interface Workplace {
  readonly situation: ReachSituation
  readonly price: PriceContext
  readonly naming: Naming
}

/** Presses by posture, for the load on a hand. */
export interface PressNote {
  readonly hand: HandSide
  readonly band: WristBand
  readonly isStretched: boolean
}

/** Two hands at work: every act adds its operators, from where the hands are. */
export interface Hands {
  readonly operators: readonly Operator[]
  readonly presses: readonly PressNote[]
  /** times that a hand left its home, or the pointing hand what it holds */
  readonly trips: number
  /** works a trigger; false when it cannot be made on this bench */
  press(trigger: Trigger): boolean
  menu(levels: readonly string[]): void
  point(): void
  drag(): void
  type(characters: number): void
  /** both hands go back to where they rest, so that the next act starts like the first */
  settle(): void
}

type Spot = { readonly id: string; readonly xMm: number; readonly yMm: number; readonly targetMm: number }
/** Where the hand on the keys is: at one of its homes, or stretched out over some key. */
type KeysAt = { readonly home: string } | { readonly spot: Spot }
/** Where the pointing hand is: on a pointing device (the one that it holds: null), or over the keys. */
type PointerAt = { readonly deviceId: string | null } | { readonly spot: Spot | null }

export function handsOver({ situation, price, naming }: Workplace, side: HandSide): Hands {
  const other: HandSide = side === 'left' ? 'right' : 'left'
  const own = situation.homes[0]
  const holds = situation.otherHand?.holds ?? null
  const controls = new Map(situation.controls.map((c) => [c.id, c]))
  const operators: Operator[] = []
  const presses: PressNote[] = []
  let trips = 0
  let keysAt: KeysAt = { home: own?.deviceId ?? '' }
  // without a pointing device the other hand rests on the keys
  let pointerAt: PointerAt = holds ? { deviceId: null } : { spot: null }
  /** the finger that pressed last and the key that it is over, while the hand has not left */
  let last: { readonly finger: Finger | undefined; readonly key: string } | null = null
  /** controls of modifiers that are still down */
  let held: readonly string[] = []

  const add = (
    kind: OperatorKind,
    ms: number,
    hand: HandSide | null,
    what: string,
    more: Pick<Operator, 'finger' | 'count'> = {},
  ): void => {
    if (ms > 0) operators.push({ kind, ms, hand, what, ...more })
  }
  const nameOf = (id: string): string => naming.legends?.get(`device/${id}`) ?? id
  const spotOfKey = (id: string): Spot | undefined => {
    const c = controls.get(id)
    return c && { id, xMm: c.xMm, yMm: c.yMm, targetMm: Math.min(c.widthMm, c.heightMm) }
  }
  const away = (a: { xMm: number; yMm: number }, b: { xMm: number; yMm: number }): number =>
    Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)
  const leaveKeys = (): void => {
    last = null
    held = []
  }

  const goHome = (): void => {
    if ('home' in keysAt && keysAt.home === own?.deviceId) return
    const from =
      'spot' in keysAt
        ? keysAt.spot
        : situation.homes.find((h) => h.deviceId === (keysAt as { home: string }).home)
    add('H', from && own ? backMs(from) : homingMs, side, 'back to the home keys')
    keysAt = { home: own?.deviceId ?? '' }
    leaveKeys()
  }
  const backMs = (from: { xMm: number; yMm: number }): number =>
    own ? homingTimeMs(away(from, own), homeKeyMm) : homingMs

  const takePointer = (deviceId: string | null = null, takeUpMs = 0): void => {
    if ('spot' in pointerAt) {
      add(
        'H',
        holds ? (pointerAt.spot ? moveToMs(pointerAt.spot, holds) : homingMs) : homingMs,
        other,
        `back to ${holds ? nameOf(holds.deviceId) : 'the pointer'}`,
      )
      pointerAt = { deviceId: null }
    }
    const wanted = takeUpMs > 0 ? deviceId : null
    if (wanted === null || pointerAt.deviceId === wanted) return
    add('H', takeUpMs, other, `to ${nameOf(wanted)}`)
    trips++
    pointerAt = { deviceId: wanted }
  }

  const note = (hand: HandSide, reach: ChordReach): void => {
    presses.push({
      hand,
      band: wristBand(reach.turnDeg),
      isStretched: reach.verdict === 'stretch' || reach.verdict === 'away',
    })
  }

  /** Fingers of the hand at home (on its own keys, or on the home that it moved to) go to their keys and press. */
  const pressNear = (trigger: Trigger, reach: ChordReach, timeMs: number): void => {
    const key = reach.keys.at(-1) as string
    const mods = reach.keys.slice(0, -1)
    const finger = reach.fingers[key]
    const stillHeld = mods.length > 0 && mods.join() === held.join()
    const from = last?.finger !== undefined && last.finger === finger ? spotOfKey(last.key) : undefined
    const to = spotOfKey(key)
    const count = stillHeld ? 1 : reach.keys.length
    const moveMs =
      from && to && (mods.length === 0 || stillHeld)
        ? from.id === to.id
          ? 0
          : movementMs(away(from, to), to.targetMm)
        : Math.max(0, timeMs - pressMs * reach.keys.length)
    add('F', moveMs, side, `to ${triggerName(trigger, naming)}`, finger && { finger })
    add('K', pressMs * count, side, triggerName(trigger, naming), { count, ...(finger && { finger }) })
    note(side, reach)
    last = { finger, key }
    held = mods
  }

  const pressAway = (trigger: Trigger, reach: ChordReach): boolean => {
    const key = reach.keys.at(-1) as string
    const to = spotOfKey(key)
    if (!to || !Number.isFinite(reach.timeMs)) return false
    const count = reach.keys.length
    const travel = (from: Spot | null): number =>
      from === null
        ? Math.max(0, reach.timeMs - pressMs * count)
        : from.id === key
          ? 0
          : movementMs(away(from, to), to.targetMm)
    const over = 'spot' in keysAt ? keysAt.spot : null
    const aloneMs = travel(over) + pressMs * count + (over ? 0 : backMs(to))
    const { help } = reach
    const helperOver = 'spot' in pointerAt ? pointerAt.spot : null
    const helperAway = 'spot' in pointerAt
    const helpMs = help
      ? helperAway && helperOver
        ? travel(helperOver) + pressMs * help.keys.length
        : help.timeMs + (helperAway ? 0 : help.backMs)
      : Infinity
    const name = triggerName(trigger, naming)
    if (help && helpMs < aloneMs) {
      if (help.keys.length < count || !('home' in keysAt)) goHome()
      const presses1 = pressMs * help.keys.length
      const moveMs = helperAway && helperOver ? travel(helperOver) : Math.max(0, help.timeMs - presses1)
      add(helperAway && holds === null ? 'F' : 'H', moveMs, other, `to ${name}`)
      add('K', presses1, other, name, { count: help.keys.length, finger: 'index' })
      if (!helperAway && help.backMs > 0) trips++
      const at = spotOfKey(help.keys.at(-1) as string)
      if (holds) pointerAt = { spot: at ?? null }
      note(other, reach)
      return true
    }
    add('H', travel(over), side, `to ${name}`)
    add('K', pressMs * count, side, name, { count, finger: 'index' })
    if (!over) trips++
    note(side, reach)
    leaveKeys()
    keysAt = { spot: to }
    return true
  }

  const pressByPointer = (trigger: Trigger, deviceId: string, takeUpMs: number): boolean => {
    const reach = triggerReach(trigger, price)
    if (!reach) return false
    takePointer(deviceId, takeUpMs)
    const bare = 'modifiers' in trigger ? triggerReach({ ...trigger, modifiers: [] }, price) : reach
    const ownMs = Math.max(0, (bare?.timeMs ?? reach.timeMs) - takeUpMs)
    const name = triggerName(trigger, naming)
    const mods = heldOf(trigger)
    if (mods.length > 0) {
      goHome()
      // the modifiers are held while the pointer is on its way: they only hold up what is longer
      const isHeld = held.length > 0 && held.join() === reach.keys.join()
      if (!isHeld)
        add('K', Math.max(pressMs, reach.timeMs - takeUpMs - ownMs), side, `hold for ${name}`, {
          count: mods.length,
        })
      held = reach.keys
    }
    if (trigger.kind === 'stroke') {
      add('B', 2 * pressMs, other, 'press and let go')
      add('P', ownMs - 2 * pressMs, other, name)
    } else add('B', ownMs, other, name)
    return true
  }

  return {
    operators,
    presses,
    get trips() {
      return trips
    },
    press(trigger) {
      if (trigger.kind === 'popup') {
        const set = price.popup(trigger.setId)
        const opener = set && triggerReach(set.opener, price)
        const whole = triggerReach(trigger, price)
        if (!set || !opener || !whole || !this.press(set.opener)) return false
        const pickMs = whole.timeMs - opener.timeMs
        const hand = set.at === 'pointer' ? other : side
        if (set.at === 'pointer') takePointer()
        add('P', pickMs - pressMs, hand, `to ${triggerName(trigger, naming)}`)
        add('B', pressMs, hand, triggerName(trigger, naming))
        return true
      }
      const takeUp = 'code' in trigger ? null : price.takeUpMs(trigger.deviceId)
      if (takeUp !== null && !('code' in trigger)) return pressByPointer(trigger, trigger.deviceId, takeUp)
      const reach = triggerReach(trigger, price)
      if (!reach || reach.keys.length === 0) return false
      if (reach.viaHome !== undefined) {
        const there = situation.homes.find((h) => h.deviceId === reach.viaHome)
        if (there && own) {
          const goMs = moveToMs(own, there)
          if (!('home' in keysAt) || keysAt.home !== there.deviceId) {
            if (!('home' in keysAt && keysAt.home === own.deviceId)) goHome()
            add('H', goMs, side, `to ${nameOf(there.deviceId)}`)
            trips++
            leaveKeys()
            keysAt = { home: there.deviceId }
          }
          pressNear(trigger, reach.viaReach ?? reach, reach.timeMs - goMs)
          return true
        }
      }
      if (reach.verdict === 'away') return pressAway(trigger, reach)
      goHome()
      pressNear(trigger, reach, reach.timeMs)
      return true
    },
    menu(levels) {
      takePointer()
      for (const level of levels) {
        add('M', operatorMs.M, null, `find “${level}”`)
        add('P', operatorMs.P, other, `to “${level}”`)
        add('B', operatorMs.B, other, `“${level}”`)
      }
    },
    point() {
      takePointer()
      add('P', operatorMs.P, other, 'to the place')
      add('B', operatorMs.B, other, 'click')
    },
    drag() {
      takePointer()
      add('P', operatorMs.P, other, 'to where the drag begins')
      add('B', operatorMs.B, other, 'press')
      add('P', operatorMs.P, other, 'drag')
      add('B', operatorMs.B, other, 'let go')
    },
    type(characters) {
      goHome()
      if (!('spot' in pointerAt)) {
        add('H', holds && own ? homingTimeMs(away(holds, own), homeKeyMm) : homingMs, other, 'to the keys')
        trips++
        pointerAt = { spot: null }
      }
      add('K', operatorMs.K * characters, null, `${characters} characters`, { count: characters })
      leaveKeys()
    },
    settle() {
      goHome()
      if (holds) takePointer()
      if (!('spot' in pointerAt) && pointerAt.deviceId !== null && holds) {
        add('H', price.takeUpMs(pointerAt.deviceId) ?? homingMs, other, `back to ${nameOf(holds.deviceId)}`)
        pointerAt = { deviceId: null }
      }
      leaveKeys()
    },
  }
}
