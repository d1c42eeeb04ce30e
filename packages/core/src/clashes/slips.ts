import type { Control } from '../bench/index.js'
import type { DamageLevel } from '../commands/index.js'
import { onSpot } from '../mnemonics/index.js'
import type { Environment } from '../model/index.js'
import type { OwnSlips } from '../plan/index.js'
import {
  controlRefOf,
  heldOf,
  modifiers,
  triggerKey,
  withHeld,
  type Trigger,
  type TriggerKey,
} from '../triggers/index.js'
import { nearControls, type Near } from './near.js'

/** Share of presses that meet a key next door, and one diagonally or with a modifier more or less. Assumed. */
export const slipShare: OwnSlips = { nextDoor: 0.002, farther: 0.0005, pairs: [] }

/** What slips depend on: what lies beside what, and the person's own chances where practice has measured them. */
export type SlipEnv = Pick<Environment, 'controls' | 'slips'>

const pairsOf = new WeakMap<OwnSlips, ReadonlyMap<TriggerKey, ReadonlyMap<TriggerKey, Slip>>>()

/** What the person presses `to` in place of, by what was meant; worked out once for a plan. */
function mixedUpWith(to: Trigger, slips: OwnSlips): ReadonlyMap<TriggerKey, Slip> | undefined {
  let pairs = pairsOf.get(slips)
  if (!pairs) {
    const made = new Map<TriggerKey, Map<TriggerKey, Slip>>()
    for (const { asked, pressed, share } of slips.pairs) {
      const key = triggerKey(pressed)
      made.set(
        key,
        (made.get(key) ?? new Map<TriggerKey, Slip>()).set(triggerKey(asked), { trigger: asked, share }),
      )
    }
    pairsOf.set(slips, (pairs = made))
  }
  return pairs.get(triggerKey(to))
}

/** The slips with what practice has measured of each in place of the usual share. */
function measured(slips: readonly Slip[], to: Trigger, own: OwnSlips): readonly Slip[] {
  const pairs = mixedUpWith(to, own)
  return pairs ? slips.map((slip) => pairs.get(triggerKey(slip.trigger)) ?? slip) : slips
}

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
export function slipsBeside(trigger: Trigger, { controls, slips = slipShare }: SlipEnv): readonly Slip[] {
  const { nextDoor, farther } = slips
  if (trigger.kind === 'stroke') {
    const beside = [1, trigger.of - 1].map((step) => ({
      trigger: { ...trigger, direction: (trigger.direction + step) % trigger.of },
      share: nextDoor,
    }))
    return measured(beside, trigger, slips)
  }
  const near = nearOn(controls).get(controlRefOf(trigger) ?? '') ?? []
  const beside = near.flatMap(({ controlRef, isNextDoor }) => {
    const there = onSpot(trigger, controlRef)
    return there ? [{ trigger: there, share: isNextDoor ? nextDoor : farther }] : []
  })
  return measured(beside, trigger, slips)
}

/** The same key with one modifier more or less. */
export function slipsOfModifiers(
  trigger: Trigger,
  { slips = slipShare }: Pick<SlipEnv, 'slips'>,
): readonly Slip[] {
  if (!('modifiers' in trigger)) return []
  const held = heldOf(trigger)
  const near = modifiers.map((m) => ({
    trigger: withHeld(trigger, held.includes(m) ? held.filter((h) => h !== m) : [...held, m]),
    share: slips.farther,
  }))
  return measured(near, trigger, slips)
}

/** Triggers that a slip can come from: around it, and those that the person mixes up with it. */
export function slipsAround(trigger: Trigger, env: SlipEnv): readonly Slip[] {
  const around = [...slipsBeside(trigger, env), ...slipsOfModifiers(trigger, env)]
  const mixedUp = env.slips && mixedUpWith(trigger, env.slips)
  if (!mixedUp) return around
  // those that lie around have the person's share already
  return [
    ...new Map([...around.map((slip) => [triggerKey(slip.trigger), slip] as const), ...mixedUp]).values(),
  ]
}
