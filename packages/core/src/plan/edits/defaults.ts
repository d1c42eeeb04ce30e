import { ruleBook } from '../../commands/index.js'
import type { CommandId } from '../../ids.js'
import { controlRefOf, triggerKey } from '../../triggers/index.js'
import type { Placement, Plan } from '../plan.js'
import { edit } from './edit.js'
import { isOnBench } from '../on-bench.js'
import { changeHere, editableArrangement } from './placements.js'

/** Commands that may lose or change their places: what is locked stays, by command, program or key. */
function loosened(plan: Plan, ids: ReadonlySet<CommandId>): (placed: Placement) => boolean {
  const book = ruleBook(plan.rules)
  const locked = new Set(plan.commands.filter((c) => book.locks(c)).map((c) => c.id))
  return ({ commandId, trigger }) =>
    ids.has(commandId) && !locked.has(commandId) && !book.locksControl(controlRefOf(trigger))
}

/** Takes commands off all their keys in the arrangement in front; what is locked stays. */
export const takeOffKeys = edit((plan: Plan, commandIds: readonly CommandId[]) => {
  const arrangement = editableArrangement(plan)
  if (!arrangement) return
  const goes = loosened(plan, new Set(commandIds))
  changeHere(plan, arrangement, (here) => here.filter((p) => !goes(p)))
})

/**
 * Gives commands the keys again that their programs gave them, in place of those that they have in the arrangement in front.
 * What is locked stays, and what others hold by then is told by the check.
 */
export const backToDefaults = edit((plan: Plan, commandIds: readonly CommandId[]) => {
  const arrangement = editableArrangement(plan)
  if (!arrangement) return
  const ids = new Set(commandIds)
  const goes = loosened(plan, ids)
  const isKept = (p: Placement): boolean => !isOnBench(p, plan.activeBenchId) || !goes(p)
  const kept = arrangement.placements.filter(isKept)
  const there = new Set(kept.map((p) => `${p.commandId} ${triggerKey(p.trigger)}`))
  const book = ruleBook(plan.rules)
  const locked = new Set(plan.commands.filter((c) => book.locks(c)).map((c) => c.id))
  const defaults = plan.arrangements
    .filter((a) => a.isDefault)
    .flatMap((a) => a.placements)
    .filter(
      (p) =>
        ids.has(p.commandId) &&
        !locked.has(p.commandId) &&
        !book.bars(controlRefOf(p.trigger)) &&
        !there.has(`${p.commandId} ${triggerKey(p.trigger)}`),
    )
  arrangement.placements = [...kept, ...defaults]
})
