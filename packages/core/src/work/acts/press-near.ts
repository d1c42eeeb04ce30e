import { movementMs, pressMs, returnMs, type ChordReach } from '../../hand/index.js'
import { triggerName, type Trigger } from '../../triggers/index.js'
import { deviceOf, distanceMm, fingersOf, type HandsState } from '../hands-state.js'

/**
 * Fingers of the hand at home (on its own keys, or on the home that it moved to) go to their keys and press.
 * @param timeMs  from rest until the key is down, ms
 */
export function pressNear(hands: HandsState, trigger: Trigger, reach: ChordReach, timeMs: number): void {
  const { side, last } = hands
  const key = reach.keys.at(-1) as string
  const modifierKeys = reach.keys.slice(0, -1)
  const finger = reach.fingers[key]
  const stillHeld = modifierKeys.length > 0 && modifierKeys.join() === hands.held.join()
  const from =
    last?.finger !== undefined && last.finger === finger ? hands.positionOfKey(last.key) : undefined
  const to = hands.positionOfKey(key)
  const count = stillHeld ? 1 : reach.keys.length
  // the finger that pressed last goes on from where it is
  const goesOn = from !== undefined && to !== undefined && (modifierKeys.length === 0 || stillHeld)
  const moveMs = !goesOn
    ? Math.max(0, timeMs - pressMs * reach.keys.length)
    : from.id === to.id
      ? 0
      : movementMs(distanceMm(from, to), to.targetMm)
  const name = triggerName(trigger, hands.work.naming)
  if (!goesOn) hands.comeBack()
  hands.add('F', moveMs, side, `to ${name}`, finger && { finger })
  const pressed = stillHeld ? [key] : reach.keys
  hands.add('K', pressMs * count, side, name, {
    count,
    fingers: fingersOf(reach, pressed),
    ...(finger && { finger }),
  })
  hands.note(side, reach, deviceOf(key))
  // a stretch takes the palm along, and the next press starts from where it rests
  hands.stretchBackMs = reach.verdict === 'stretch' ? returnMs(reach) : 0
  hands.last = { finger, key }
  hands.held = modifierKeys
}
