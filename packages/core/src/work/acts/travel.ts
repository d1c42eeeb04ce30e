import { homingMs, homingTimeMs, moveToMs } from '../../hand/index.js'
import { distanceMm, type HandsState } from '../hands-state.js'

/** The hand on the keys goes back to where it rests. */
export function goHome(hands: HandsState): void {
  if (hands.isHome) return
  hands.isTyping = false
  const { keysAt, home } = hands
  const from =
    keysAt.is === 'over a key'
      ? keysAt.key
      : hands.work.situation.homes.find((h) => h.deviceId === keysAt.deviceId)
  hands.add('H', from && home ? hands.backMs(from) : homingMs, hands.side, 'back to the home keys')
  hands.keysAt = { is: 'at home', deviceId: home?.deviceId ?? '' }
  hands.forgetLastPress()
}

/** The hand on the keys goes to another of its homes; it leaves from its own. */
export function goToHome(hands: HandsState, deviceId: string, goMs: number): void {
  if (hands.keysAt.is === 'at home' && hands.keysAt.deviceId === deviceId) return
  goHome(hands)
  hands.add('H', goMs, hands.side, `to ${hands.deviceName(deviceId)}`)
  hands.trips++
  hands.forgetLastPress()
  hands.keysAt = { is: 'at home', deviceId }
}

/**
 * The pointing hand goes to its device: the one that it holds, or another that takes time to take up.
 * @param acquireMs  how long that takes, ms; 0 for the device that it holds
 */
export function takePointer(hands: HandsState, deviceId: string | null = null, acquireMs = 0): void {
  const { holds, other } = hands
  hands.isTyping = false
  if (hands.pointerAt.is === 'over the keys') {
    const { key } = hands.pointerAt
    const backMs = holds && key ? moveToMs(key, holds) : homingMs
    hands.add('H', backMs, other, `back to ${holds ? hands.deviceName(holds.deviceId) : 'the pointer'}`)
    hands.pointerAt = { is: 'on a device', deviceId: null }
  }
  const wanted = acquireMs > 0 ? deviceId : null
  if (wanted === null || hands.pointerAt.deviceId === wanted) return
  hands.add('H', acquireMs, other, `to ${hands.deviceName(wanted)}`)
  hands.trips++
  hands.pointerAt = { is: 'on a device', deviceId: wanted }
}

/** The pointing hand leaves its device for the keys, to type. */
export function pointerToKeys(hands: HandsState): void {
  if (hands.pointerAt.is === 'over the keys') return
  const { holds } = hands
  const home = hands.otherHome
  const ms = holds && home ? homingTimeMs(distanceMm(holds, home), home.targetMm) : homingMs
  hands.add('H', ms, hands.other, 'to the keys')
  hands.trips++
  hands.pointerAt = { is: 'over the keys', key: home ?? null }
}

/** Both hands go back to where they rest, so that the next act starts like the first. */
export function settle(hands: HandsState): void {
  const from = hands.operators.length
  hands.comeBack()
  goHome(hands)
  const { holds } = hands
  if (holds) takePointer(hands)
  const at = hands.pointerAt
  if (at.is === 'on a device' && at.deviceId !== null && holds) {
    const backMs = hands.work.reachContext.acquireMs(at.deviceId) ?? homingMs
    hands.add('H', backMs, hands.other, `back to ${hands.deviceName(holds.deviceId)}`)
    hands.pointerAt = { is: 'on a device', deviceId: null }
  }
  hands.sideBySide(from)
  hands.forgetLastPress()
}
