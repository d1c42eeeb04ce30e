import { castDraft } from 'immer'
import { triggerKey, type Trigger, type TriggerKey } from '../../triggers/index.js'
import { activeArrangement } from '../access.js'
import type { Plan } from '../plan.js'
import { edit } from './edit.js'

/**
 * Empties a trigger of the arrangement in front for a while, and keeps what stood there to be put back: an old habit then does nothing.
 * Nothing is proposed for it meanwhile. A trigger without a command, and the programs' own keys, are left as they are.
 * @param nowTime  ms since 1970
 */
export const leaveEmpty = edit((plan: Plan, trigger: Trigger, nowTime: number) => {
  const arrangement = activeArrangement(plan)
  const key = triggerKey(trigger)
  const there = arrangement.placements.filter((p) => triggerKey(p.trigger) === key)
  if (arrangement.isDefault || there.length === 0) return
  arrangement.placements = arrangement.placements.filter((p) => triggerKey(p.trigger) !== key)
  arrangement.leftEmpty = [
    ...(arrangement.leftEmpty ?? []).filter((e) => triggerKey(e.trigger) !== key),
    castDraft({ trigger, placements: there, sinceTime: nowTime }),
  ]
})

/** Puts back what stood on a trigger that was left empty, unless its command is gone, or has it again. */
export const putBack = edit((plan: Plan, key: TriggerKey) => {
  const arrangement = activeArrangement(plan)
  const entry = arrangement.leftEmpty?.find((e) => triggerKey(e.trigger) === key)
  if (!entry) return
  const isThere = (id: string): boolean =>
    arrangement.placements.some((p) => p.commandId === id && triggerKey(p.trigger) === key)
  const known = new Set<string>(plan.commands.map((c) => c.id))
  arrangement.placements.push(
    ...entry.placements.filter((p) => known.has(p.commandId) && !isThere(p.commandId)),
  )
  const others = (arrangement.leftEmpty ?? []).filter((e) => e !== entry)
  if (others.length > 0) arrangement.leftEmpty = others
  else delete arrangement.leftEmpty
})
