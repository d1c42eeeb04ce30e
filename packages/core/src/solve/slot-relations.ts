import { slipsAround, slipShare, type SlipEnv } from '../clashes/index.js'
import {
  areOppositeWays,
  isShiftPartner,
  onSpot,
  oppositeWay,
  ruleScores,
  toggleShift,
  type Neighbours,
} from '../mnemonics/index.js'
import { heldOf, controlRefOf, triggerKey, type Trigger } from '../triggers/index.js'
import { relationOf, type Relation } from './slots.js'

/** How two slots can lie to each other, by the number of the relation. */
export const relationKinds = ['opposite', 'right', 'below', 'same', 'near', 'slip'] as const
export type RelationKind = (typeof relationKinds)[number]

export const relationIndex = (kind: RelationKind): number => relationKinds.indexOf(kind)

/** Members of a family count as together up to here, mm. Assumed. */
const nearMm = 60

interface Lying {
  readonly xMm: number
  readonly yMm: number
}

/**
 * The relations among triggers. `opposite`: same key with and without Shift, both ways of a dial or stroke; `right` and
 * `below`: the next key with the same modifiers; `same`: one trigger in two programs; `near`: keys of a family, 1 on
 * the same key to 0 at 60 mm; `slip`: how likely a press lands on the other, 1 for
 * the key beside.
 */
export function slotRelations(
  triggers: readonly Trigger[],
  neighbours: Neighbours,
  positionOf: (trigger: Trigger) => Lying | undefined,
  env: SlipEnv,
): Relation[] {
  const indexOf = new Map(triggers.map((t, p) => [triggerKey(t), p]))
  const lists = Object.fromEntries(relationKinds.map((k) => [k, []])) as unknown as Record<
    RelationKind,
    { p: number; q: number; value: number }[]
  >
  const enter = (kind: RelationKind, p: number, trigger: Trigger | null, value: number): void => {
    const q = trigger ? indexOf.get(triggerKey(trigger)) : undefined
    if (q !== undefined && q !== p) lists[kind].push({ p, q, value })
  }
  triggers.forEach((trigger, p) => {
    const partner = toggleShift(trigger)
    if (isShiftPartner(trigger, partner)) enter('opposite', p, partner, ruleScores.opposite)
    const back = oppositeWay(trigger)
    if (back && areOppositeWays(trigger, back)) enter('opposite', p, back, ruleScores.opposite)
    lists.same.push({ p, q: p, value: ruleScores.sameIdea })
    const beside = neighbours.get(controlRefOf(trigger) ?? '') ?? {}
    const on = (place: string | undefined): Trigger | null =>
      place === undefined ? null : onSpot(trigger, place)
    enter('right', p, on(beside.right), ruleScores.sideBySide)
    enter('below', p, on(beside.down), ruleScores.sideBySide)
    for (const slip of slipsAround(trigger, env))
      enter('slip', p, slip.trigger, slip.share / (env.slips ?? slipShare).nextDoor)
  })
  nearby(triggers, positionOf, (p, q, value) => lists.near.push({ p, q, value }))
  return relationKinds.map((kind) => relationOf(triggers.length, lists[kind]))
}

/** Pairs of triggers with the same modifiers whose keys lie near each other; those of one key count most. */
function nearby(
  triggers: readonly Trigger[],
  positionOf: (trigger: Trigger) => Lying | undefined,
  enter: (p: number, q: number, value: number) => void,
): void {
  const byHeld = new Map<string, { p: number; at: Lying }[]>()
  triggers.forEach((trigger, p) => {
    const at = positionOf(trigger)
    if (!at) return
    const held = heldOf(trigger).join('+')
    byHeld.set(held, [...(byHeld.get(held) ?? []), { p, at }])
  })
  for (const list of byHeld.values())
    for (const one of list)
      for (const other of list) {
        if (one === other) continue
        const mm = Math.hypot(one.at.xMm - other.at.xMm, one.at.yMm - other.at.yMm)
        if (mm < nearMm) enter(one.p, other.p, 1 - mm / nearMm)
      }
}
