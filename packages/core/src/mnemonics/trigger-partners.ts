import { heldOf, triggerKey, withHeld, type Trigger } from '../triggers/index.js'

const hasShift = (trigger: Trigger): boolean => heldOf(trigger).includes('Shift')

/** The same trigger with Shift held, or without where it was held. */
export const toggleShift = (trigger: Trigger): Trigger =>
  withHeld(
    trigger,
    hasShift(trigger) ? heldOf(trigger).filter((m) => m !== 'Shift') : [...heldOf(trigger), 'Shift'],
  )

/** The same key with and without Shift, all else equal. */
export const isShiftPartner = (a: Trigger, b: Trigger): boolean =>
  hasShift(a) !== hasShift(b) && triggerKey(toggleShift(a)) === triggerKey(b)

const turnedBack = { left: 'right', right: 'left', up: 'down', down: 'up' } as const

/** The other way of a dial or wheel, or the stroke in the opposite direction; null for triggers that have one way. */
export function oppositeWay(trigger: Trigger): Trigger | null {
  if (trigger.kind === 'turn') return { ...trigger, turn: turnedBack[trigger.turn] }
  if (trigger.kind === 'stroke')
    return { ...trigger, direction: (trigger.direction + trigger.of / 2) % trigger.of }
  return null
}

/** The two ways of a dial or wheel, or two strokes in opposite directions, with the same modifiers. */
export function areOppositeWays(a: Trigger, b: Trigger): boolean {
  const other = oppositeWay(a)
  return other !== null && triggerKey(other) === triggerKey(b)
}

/** The same trigger on another key or control, or null for kinds that stand on none. */
export function onSpot(trigger: Trigger, place: string): Trigger | null {
  if (trigger.kind === 'popup' || trigger.kind === 'sequence') return null
  if ('code' in trigger) return place.includes('/') ? null : { ...trigger, code: place }
  const [deviceId, controlId] = place.split('/')
  return deviceId === undefined || controlId === undefined ? null : { ...trigger, deviceId, controlId }
}
