import {
  benchControls,
  defaultRests,
  handOnBench,
  restIds,
  type HandFit,
  type HandSide,
  type OwnLimits,
  type OwnReach,
  type RestingHand,
} from '../../bench/index.js'
import { activeBench } from '../access.js'
import type { Plan } from '../plan.js'
import { deviceOf } from './benches.js'
import { edit } from './edit.js'

/** Makes a device the home of the hand, with the fingertips where they rested there before, or by default. */
export const setHome = edit((plan: Plan, deviceId: string) => {
  const hand = activeBench(plan).hands[0]
  const device = deviceOf(plan, deviceId)
  if (!hand || !device || hand.deviceId === deviceId) return
  const others = { ...hand.otherRests, [hand.deviceId]: { ...hand.rests } }
  hand.rests = { ...(others[deviceId] ?? defaultRests(device, hand.side)) }
  hand.deviceId = deviceId
  hand.otherRests = Object.fromEntries(Object.entries(others).filter(([id]) => id !== deviceId))
})

/** Rests a fingertip on a control of the home device; the thumb, with null, where it hangs by itself. */
export const setRest = edit((plan: Plan, finger: keyof RestingHand['rests'], controlId: string | null) => {
  const hand = activeBench(plan).hands[0]
  if (!hand) return
  if (controlId !== null) hand.rests[finger] = controlId
  else if (finger === 'thumb') delete hand.rests.thumb
})

/** Which hand is the one on the keys; its fingertips go to their default places. */
export const setSide = edit((plan: Plan, side: HandSide) => {
  const hand = activeBench(plan).hands[0]
  const device = hand && deviceOf(plan, hand.deviceId)
  if (!hand || !device) return
  hand.side = side
  hand.rests = defaultRests(device, side)
  delete hand.otherRests
})

/** After controls were changed or taken away: fingertips that rest on nothing go to the default place. */

export function repairRestsIn(plan: Plan): void {
  for (const bench of plan.benches) {
    const ids = new Set(benchControls(bench, plan.devices).map((c) => c.id))
    for (const hand of bench.hands) {
      const device = deviceOf(plan, hand.deviceId)
      if (device && restIds(handOnBench(hand).rests).some((id) => !ids.has(id)))
        hand.rests = defaultRests(device, hand.side)
    }
  }
}

/** How far the person's hand reaches, from their answers; null for the average hand. */
export const setOwnReach = edit((plan: Plan, reach: OwnReach | null) => {
  const hand = activeBench(plan).hands[0]
  if (!hand) return
  if (reach) hand.reach = reach
  else delete hand.reach
})

/** What the person spares the hand; nothing where nothing is said. */
export const setOwnLimits = edit((plan: Plan, limits: OwnLimits) => {
  const hand = activeBench(plan).hands[0]
  if (!hand) return
  const { fingers = {}, isWristStill = false, shortReach = [] } = limits
  const said: OwnLimits = {
    ...(Object.keys(fingers).length > 0 && { fingers }),
    ...(isWristStill && { isWristStill }),
    ...(shortReach.length > 0 && { shortReach }),
  }
  if (Object.keys(said).length > 0) hand.limits = said
  else delete hand.limits
})

/** Takes over a person's own constants, or goes back to the usual hand with null. */
export const setFit = edit((plan: Plan, fit: HandFit | null) => {
  const hand = activeBench(plan).hands[0]
  if (!hand) return
  if (fit) hand.fit = fit
  else delete hand.fit
})

/** Span of the hand on the keys, mm. */
export const setSpan = edit((plan: Plan, spanMm: number) => {
  const hand = activeBench(plan).hands[0]
  if (hand) hand.spanMm = spanMm
})
