import type { CommandId } from '../../ids.js'
import { triggerKey, type Trigger } from '../../triggers/index.js'
import type { Plan } from '../plan.js'
import { edit } from './edit.js'
import { editableArrangement } from './placements.js'

/** Gives commands places that hold on one bench alone, in the arrangement in front; what they have elsewhere stays. */
export const placeOnBench = edit(
  (
    plan: Plan,
    benchId: string,
    places: readonly { readonly commandId: CommandId; readonly trigger: Trigger }[],
  ) => {
    const arrangement = editableArrangement(plan)
    if (!arrangement || !plan.benches.some((b) => b.id === benchId)) return
    const nameOf = (p: { readonly commandId: CommandId; readonly trigger: Trigger }): string =>
      `${p.commandId} ${triggerKey(p.trigger)}`
    const had = new Set(arrangement.placements.filter((p) => p.benchId === benchId).map(nameOf))
    for (const { commandId, trigger } of places)
      if (!had.has(nameOf({ commandId, trigger })) && plan.commands.some((c) => c.id === commandId))
        arrangement.placements.push({ commandId, trigger, benchId })
  },
)

/** Takes off all that one bench has as its own in the arrangement in front. */
export const clearBenchPlaces = edit((plan: Plan, benchId: string) => {
  const arrangement = editableArrangement(plan)
  if (arrangement) arrangement.placements = arrangement.placements.filter((p) => p.benchId !== benchId)
})
