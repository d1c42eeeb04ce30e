import { pressMs, triggerReach } from '../../hand/index.js'
import { heldOf, triggerName, type Trigger } from '../../triggers/index.js'
import { fingersOf, type HandsState } from '../hands-state.js'
import { goHome, takePointer } from './travel.js'

/**
 * A control of the pointing hand's device, with modifiers held by the other one.
 * @param acquireMs  how long it takes to take the device up, ms
 */
export function pressByPointer(
  hands: HandsState,
  trigger: Exclude<Trigger, { kind: 'popup' | 'sequence' }>,
  deviceId: string,
  acquireMs: number,
): boolean {
  const { reachContext, naming } = hands.work
  const reach = triggerReach(trigger, reachContext)
  if (!reach) return false
  const from = hands.operators.length
  takePointer(hands, deviceId, acquireMs)
  const bare = triggerReach({ ...trigger, modifiers: [] }, reachContext)
  const ownMs = Math.max(0, (bare?.timeMs ?? reach.timeMs) - acquireMs)
  const name = triggerName(trigger, naming)
  const count = heldOf(trigger).length
  if (count > 0) {
    hands.comeBack()
    goHome(hands)
    hands.sideBySide(from)
    // the modifiers are held while the pointer is on its way: they only hold up what is longer
    const isHeld = hands.held.length > 0 && hands.held.join() === reach.keys.join()
    const holdMs = Math.max(pressMs, reach.timeMs - acquireMs - ownMs)
    if (!isHeld) hands.add('K', holdMs, hands.side, `hold for ${name}`, { count, fingers: fingersOf(reach) })
    hands.held = reach.keys
  }
  if (trigger.kind === 'stroke') {
    hands.add('B', 2 * pressMs, hands.other, 'press and let go')
    hands.add('P', ownMs - 2 * pressMs, hands.other, name)
  } else hands.add('B', ownMs, hands.other, name)
  hands.note(hands.other, 'moved', deviceId)
  return true
}
