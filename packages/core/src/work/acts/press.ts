import { moveToMs, pressMs, triggerReach, type ChordReach } from '../../hand/index.js'
import { triggerName, type Trigger } from '../../triggers/index.js'
import type { HandsState } from '../hands-state.js'
import { pressAway } from './press-away.js'
import { pressByPointer } from './press-by-pointer.js'
import { pressNear } from './press-near.js'
import { goHome, goToHome, takePointer } from './travel.js'
import { typeOn } from './type.js'

/** Works a trigger of any kind; false when it cannot be made on this bench. */
export function press(hands: HandsState, trigger: Trigger): boolean {
  if (trigger.kind === 'popup') return pickEntry(hands, trigger)
  if (trigger.kind === 'sequence') return trigger.chords.every((chord) => press(hands, chord))
  const { reachContext } = hands.work
  if ('deviceId' in trigger) {
    const acquireMs = reachContext.acquireMs(trigger.deviceId)
    if (acquireMs !== null) return pressByPointer(hands, trigger, trigger.deviceId, acquireMs)
  }
  if (typeOn(hands, trigger)) return true
  const reach = triggerReach(trigger, reachContext)
  if (!reach || reach.keys.length === 0) return false
  hands.isTyping = false
  if (pressFromOtherHome(hands, trigger, reach)) return true
  if (reach.verdict === 'away') return pressAway(hands, trigger, reach)
  goHome(hands)
  pressNear(hands, trigger, reach, reach.timeMs)
  return true
}

/** The hand goes to another of its homes first, where that is quicker; false when the reach knows no such way. */
function pressFromOtherHome(hands: HandsState, trigger: Trigger, reach: ChordReach): boolean {
  const there = hands.work.situation.homes.find((h) => h.deviceId === reach.viaHome)
  if (reach.viaHome === undefined || !there || !hands.home) return false
  const goMs = moveToMs(hands.home, there)
  goToHome(hands, there.deviceId, goMs)
  pressNear(hands, trigger, reach.viaReach ?? reach, reach.timeMs - goMs)
  return true
}

/** Brings a pop-up set up, then picks one of its entries. */
function pickEntry(hands: HandsState, trigger: Extract<Trigger, { kind: 'popup' }>): boolean {
  const { reachContext, naming } = hands.work
  const set = reachContext.popup(trigger.setId)
  const opener = set && triggerReach(set.opener, reachContext)
  const whole = triggerReach(trigger, reachContext)
  if (!set || !opener || !whole || !press(hands, set.opener)) return false
  const hand = set.at === 'pointer' ? hands.other : hands.side
  if (set.at === 'pointer') takePointer(hands)
  const name = triggerName(trigger, naming)
  hands.add('P', whole.timeMs - opener.timeMs - pressMs, hand, `to ${name}`)
  hands.add('B', pressMs, hand, name)
  return true
}
