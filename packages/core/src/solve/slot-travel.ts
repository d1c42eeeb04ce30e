import {
  homeKeyMm,
  movementMs,
  moveToMs,
  pressMs,
  returnMs,
  type ChordReach,
  type ReachContext,
  type ReachSituation,
} from '../hand/index.js'
import { heldOf, controlRefOf, type Trigger } from '../triggers/index.js'
import type { Travel } from './slots.js'

/** Where a hand is after a trigger: at home over a key, at another home, over some far key, or with another device. */
interface Ends {
  readonly zone: 'home' | 'other home' | 'far' | 'pointer'
  readonly name: string
  readonly finger: string | undefined
  readonly xMm: number
  readonly yMm: number
  readonly targetMm: number
  /** movement from rest to the key, and the way back, ms */
  readonly thereMs: number
  readonly backMs: number
}

/**
 * What a second trigger costs more, or less, when it follows the first without a rest between: the same finger goes
 * from key to key, a hand that is away stays there, modifiers that both need stay down.
 */
export function slotTravel(
  triggers: readonly Trigger[],
  reaches: readonly ChordReach[],
  situation: ReachSituation,
  reachContext: ReachContext,
): Travel {
  const controls = new Map(situation.controls.map((c) => [c.code ?? c.id, c]))
  const numberOf = new Map<string, number>()
  const ends: Ends[] = []
  const sets = new Map<string, number>([['', 0]])
  const heldSaves = [0]
  const spotOfSlot = new Int32Array(triggers.length)
  const heldOfSlot = new Int32Array(triggers.length)
  triggers.forEach((trigger, p) => {
    const reach = reaches[p] as ChordReach
    const held = heldOf(trigger)
    const set = held.join('+')
    if (!sets.has(set)) {
      sets.set(set, sets.size)
      heldSaves.push(pressMs * held.length)
    }
    heldOfSlot[p] = sets.get(set) as number
    const end = endsOf(trigger, reach, situation, reachContext, controls.get(controlRefOf(trigger) ?? ''))
    const name = `${controlRefOf(trigger) ?? 'popup'} ${end.zone} ${end.finger ?? ''}`
    let number = numberOf.get(name)
    if (number === undefined) {
      numberOf.set(name, (number = ends.length))
      ends.push(end)
    }
    spotOfSlot[p] = number
  })
  const controlRefs = ends.length
  const table = new Float64Array(controlRefs * controlRefs)
  ends.forEach((a, x) => ends.forEach((b, y) => (table[x * controlRefs + y] = between(a, b))))
  return {
    controlRefOf: spotOfSlot,
    controlRefs,
    table,
    heldOf: heldOfSlot,
    heldSaves: Float64Array.from(heldSaves),
  }
}

function endsOf(
  trigger: Trigger,
  reach: ChordReach,
  situation: ReachSituation,
  reachContext: ReachContext,
  control: ReachSituation['controls'][number] | undefined,
): Ends {
  const at = {
    xMm: control?.xMm ?? 0,
    yMm: control?.yMm ?? 0,
    targetMm: control ? Math.min(control.widthMm, control.heightMm) : homeKeyMm,
  }
  const acquire = 'deviceId' in trigger ? reachContext.acquireMs(trigger.deviceId) : null
  if (acquire !== null)
    return {
      zone: 'pointer',
      name: acquire > 0 && 'deviceId' in trigger ? trigger.deviceId : '',
      finger: undefined,
      ...at,
      thereMs: acquire,
      backMs: 0,
    }
  if (reach.viaHome !== undefined) {
    const there = situation.homes.find((h) => h.deviceId === reach.viaHome)
    const own = situation.homes[0]
    const goMs = there && own ? moveToMs(own, there) : 0
    return {
      zone: 'other home',
      name: reach.viaHome,
      finger: undefined,
      ...at,
      thereMs: goMs,
      backMs: returnMs(reach),
    }
  }
  const moveMs = Math.max(0, reach.timeMs - pressMs * reach.keys.length)
  return reach.verdict === 'away'
    ? { zone: 'far', name: '', finger: undefined, ...at, thereMs: moveMs, backMs: returnMs(reach) }
    : {
        zone: 'home',
        name: '',
        finger: reach.fingers[reach.keys.at(-1) ?? ''],
        ...at,
        thereMs: moveMs,
        backMs: returnMs(reach),
      }
}

function between(a: Ends, b: Ends): number {
  if (a.zone !== b.zone) return 0
  const mm = Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)
  const moveMs = mm === 0 ? 0 : movementMs(mm, b.targetMm)
  if (a.zone === 'home') return a.finger !== undefined && a.finger === b.finger ? moveMs - b.thereMs : 0
  if (a.zone === 'far') return Math.min(0, moveMs - b.thereMs - a.backMs)
  return a.name === b.name ? -b.thereMs - a.backMs : 0
}
