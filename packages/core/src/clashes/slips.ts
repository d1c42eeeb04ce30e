import type { Control } from '../bench/index.js'
import type { DamageLevel } from '../commands/index.js'
import { onSpot } from '../mnemonics/index.js'
import { controlRefOf, heldOf, modifiers, withHeld, type Trigger } from '../triggers/index.js'
import { nearControls, type Near } from './near.js'

/** Share of presses that meet a key next door, and one diagonally or with a modifier more or less. Assumed. */
export const slipShare = { nextDoor: 0.002, farther: 0.0005 } as const
/** Seconds to get out of a slip. Assumed. */
export const wayOutSeconds: Readonly<Record<DamageLevel, number>> = { nuisance: 2, rework: 60, loss: 600 }

const nearOf = new WeakMap<readonly Control[], ReadonlyMap<string, readonly Near[]>>()

/** Control → those that a slip can meet; worked out once for a bench. */
function nearOn(controls: readonly Control[]): ReadonlyMap<string, readonly Near[]> {
  let near = nearOf.get(controls)
  if (!near) nearOf.set(controls, (near = nearControls(controls)))
  return near
}

/** A trigger that a slip can come from, or lead to, and the share of presses that slip so. */
export interface Slip {
  readonly trigger: Trigger
  readonly share: number
}

/** Where a finger comes that misses a trigger: beside it, diagonally, across a gap, the stroke beside. */
export function slipsBeside(trigger: Trigger, controls: readonly Control[]): Slip[] {
  if (trigger.kind === 'stroke')
    return [1, trigger.of - 1].map((step) => ({
      trigger: { ...trigger, direction: (trigger.direction + step) % trigger.of },
      share: slipShare.nextDoor,
    }))
  return (nearOn(controls).get(controlRefOf(trigger) ?? '') ?? []).flatMap(({ controlRef, isNextDoor }) => {
    const there = onSpot(trigger, controlRef)
    return there ? [{ trigger: there, share: isNextDoor ? slipShare.nextDoor : slipShare.farther }] : []
  })
}

/** The same key with one modifier more or less. */
export function slipsOfModifiers(trigger: Trigger): Slip[] {
  if (!('modifiers' in trigger)) return []
  const held = heldOf(trigger)
  return modifiers.map((m) => ({
    trigger: withHeld(trigger, held.includes(m) ? held.filter((h) => h !== m) : [...held, m]),
    share: slipShare.farther,
  }))
}

/** Triggers that a slip can come from, or lead to. */
export const slipsAround = (trigger: Trigger, controls: readonly Control[]): Slip[] => [
  ...slipsBeside(trigger, controls),
  ...slipsOfModifiers(trigger),
]
