import { triggerKey, type Trigger } from '../../triggers/index.js'
import type { Plan } from '../plan.js'
import { editWith } from './edit.js'
import { editableArrangement } from './placements.js'

/** Where triggers of a device go: another control of it or of another device, on a page or none. */
export interface Destination {
  readonly deviceId: string
  readonly pageId: string | undefined
  /** the controls there, in their order; the first is where the first of the chosen ones goes */
  readonly controlIds: readonly string[]
}

type ButtonTrigger = Extract<Trigger, { kind: 'button' }>

/** Triggers that can be copied: presses, holds and taps of buttons. */
const isButton = (t: Trigger): t is ButtonTrigger => t.kind === 'button'

/** Where triggers of a device come from. */
interface Origin {
  readonly deviceId: string
  readonly pageId: string | undefined
  readonly controlIds: readonly string[]
}

/** A trigger at its destination, or null where there is no control for it. */
function carried(trigger: ButtonTrigger, from: Origin, to: Destination): Trigger | null {
  const target = to.controlIds[from.controlIds.indexOf(trigger.controlId)]
  const { pageId: _page, withId, ...rest } = trigger
  // a control that is held with another is carried only where both are on the same device
  if (target === undefined || (withId !== undefined && to.deviceId !== from.deviceId)) return null
  return {
    ...rest,
    deviceId: to.deviceId,
    controlId: target,
    ...(to.pageId !== undefined && { pageId: to.pageId }),
    ...(withId !== undefined && { withId }),
  }
}

/**
 * Copies or moves what stands on some controls to others, one for one; what they send goes with them. Nothing that
 * stands there is lost: a trigger that the same program has already is left out and counted.
 * @returns how many went, and how many were left out
 */
export const carryButtons = editWith(
  (
    plan: Plan,
    from: Origin,
    to: Destination,
    move: boolean,
  ): { readonly done: number; readonly left: number } => {
    const arrangement = editableArrangement(plan)
    if (!arrangement) return { done: 0, left: 0 }
    const programOf = new Map(plan.commands.map((c) => [c.id, c.programId]))
    const onPage = (t: Trigger): boolean =>
      isButton(t) &&
      t.deviceId === from.deviceId &&
      t.pageId === from.pageId &&
      from.controlIds.includes(t.controlId)
    const source = arrangement.placements.filter((p) => onPage(p.trigger))
    let done = 0
    let left = 0
    const gone = new Set<(typeof source)[number]>()
    for (const placement of source) {
      const next = carried(placement.trigger as ButtonTrigger, from, to)
      const taken =
        next === null ||
        arrangement.placements.some(
          (p) =>
            !gone.has(p) &&
            triggerKey(p.trigger) === triggerKey(next) &&
            programOf.get(p.commandId) === programOf.get(placement.commandId),
        )
      if (taken) {
        left++
        continue
      }
      if (move) gone.add(placement)
      arrangement.placements.push({ ...placement, trigger: next })
      done++
    }
    arrangement.placements = arrangement.placements.filter((p) => !gone.has(p))
    return { done, left }
  },
)
