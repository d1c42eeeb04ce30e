import { movementMs, pressMs, type ChordReach, type OtherHandHelp } from '../../hand/index.js'
import { triggerName, type Trigger } from '../../triggers/index.js'
import { deviceOf, distanceMm, fingersOf, type HandsState, type KeyPosition } from '../hands-state.js'
import { goHome } from './travel.js'

/** A chord that the hand cannot make from home: it leaves, or the other hand helps, whichever is done sooner. */
export function pressAway(hands: HandsState, trigger: Trigger, reach: ChordReach): boolean {
  const to = hands.positionOfKey(reach.keys.at(-1) as string)
  if (!to || !Number.isFinite(reach.timeMs)) return false
  const over = hands.keysAt.is === 'over a key' ? hands.keysAt.key : null
  const pressesMs = pressMs * reach.keys.length
  const aloneMs = travelMs(over, to, reach) + pressesMs + (over ? 0 : hands.backMs(to))
  const { help } = reach
  if (help && helpedMs(hands, to, reach, help) < aloneMs) pressWithHelp(hands, trigger, to, reach, help)
  else pressAlone(hands, trigger, to, reach, over)
  return true
}

/** From over one key to another; from rest as the reach has it, ms. */
function travelMs(from: KeyPosition | null, to: KeyPosition, reach: ChordReach): number {
  if (from === null) return Math.max(0, reach.timeMs - pressMs * reach.keys.length)
  return from.id === to.id ? 0 : movementMs(distanceMm(from, to), to.targetMm)
}

/** With the other hand's help, until both are back where they can go on, ms. */
function helpedMs(
  { pointerAt }: HandsState,
  to: KeyPosition,
  reach: ChordReach,
  help: OtherHandHelp,
): number {
  if (pointerAt.is === 'on a device') return help.timeMs + help.backMs
  return pointerAt.key ? travelMs(pointerAt.key, to, reach) + pressMs * help.keys.length : help.timeMs
}

function pressWithHelp(
  hands: HandsState,
  trigger: Trigger,
  to: KeyPosition,
  reach: ChordReach,
  help: OtherHandHelp,
): void {
  const { holds, other, pointerAt } = hands
  const helperAway = pointerAt.is === 'over the keys'
  const from = hands.operators.length
  const holdsOwn = help.keys.length < reach.keys.length
  hands.comeBack()
  if (holdsOwn || hands.keysAt.is !== 'at home') goHome(hands)
  const pressesMs = pressMs * help.keys.length
  const moveMs =
    helperAway && pointerAt.key ? travelMs(pointerAt.key, to, reach) : Math.max(0, help.timeMs - pressesMs)
  const name = triggerName(trigger, hands.work.naming)
  hands.add(helperAway && holds === null ? 'F' : 'H', moveMs, other, `to ${name}`)
  hands.sideBySide(from)
  const { ownReach } = help
  if (ownReach)
    hands.addMeanwhile('K', ownReach.timeMs, hands.side, `${name}, its other keys`, fingersOf(ownReach))
  hands.add('K', pressesMs, other, name, {
    count: help.keys.length,
    finger: 'index',
    fingers: fingersOf(help.reach, help.keys),
  })
  if (!helperAway && help.backMs > 0) hands.trips++
  if (holds)
    hands.pointerAt = { is: 'over the keys', key: hands.positionOfKey(help.keys.at(-1) as string) ?? null }
  // from its device it moves to the key; where it rests on keys it reaches
  hands.note(other, holds ? 'moved' : help.reach, deviceOf(to.id))
  if (ownReach) hands.note(hands.side, ownReach, deviceOf(to.id))
}

function pressAlone(
  hands: HandsState,
  trigger: Trigger,
  to: KeyPosition,
  reach: ChordReach,
  over: KeyPosition | null,
): void {
  const count = reach.keys.length
  const name = triggerName(trigger, hands.work.naming)
  hands.comeBack()
  hands.add('H', travelMs(over, to, reach), hands.side, `to ${name}`)
  hands.add('K', pressMs * count, hands.side, name, { count, finger: 'index' })
  if (!over) hands.trips++
  hands.note(hands.side, 'moved', deviceOf(to.id))
  hands.forgetLastPress()
  hands.keysAt = { is: 'over a key', key: to }
}
