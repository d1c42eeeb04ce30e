import { triggerKey, type Trigger, type TriggerKey } from '../../triggers/index.js'
import { activeArrangement } from '../access.js'
import type { Arrangement, Placement, Plan } from '../plan.js'
import { isOnBench } from '../on-bench.js'
import { edit } from './edit.js'

/**
 * Takes commands off a trigger of the arrangement in front for a while, and keeps where they stood to be put back: an old habit then does nothing.
 * Nothing is proposed for it meanwhile. What is not there, and the programs' own keys, are left as they are.
 * @param nowTime  ms since 1970
 */
export const leaveEmpty = edit(
  (plan: Plan, trigger: Trigger, commandIds: readonly string[], nowTime: number) => {
    const arrangement = activeArrangement(plan)
    const key = triggerKey(trigger)
    const goes = (p: Placement): boolean =>
      isOnBench(p, plan.activeBenchId) && triggerKey(p.trigger) === key && commandIds.includes(p.commandId)
    const gone = arrangement.placements.filter(goes)
    if (arrangement.isDefault || gone.length === 0) return
    arrangement.placements = arrangement.placements.filter((p) => !goes(p))
    const { leftEmpty = [] } = arrangement
    const earlier = leftEmpty.find((e) => triggerKey(e.trigger) === key)
    if (earlier) earlier.placements.push(...gone)
    else arrangement.leftEmpty = [...leftEmpty, { trigger, placements: gone, sinceTime: nowTime }]
  },
)

/** Puts back what stood on a trigger that was left empty, as far as the plan still has what it rests on. */
export const putBack = edit((plan: Plan, key: TriggerKey) => {
  const arrangement = activeArrangement(plan)
  const entry = arrangement.leftEmpty?.find((e) => triggerKey(e.trigger) === key)
  if (!entry) return
  arrangement.placements.push(...entry.placements.flatMap((p) => stillPossible(p, plan, arrangement)))
  const others = (arrangement.leftEmpty ?? []).filter((e) => e !== entry)
  if (others.length > 0) arrangement.leftEmpty = others
  else delete arrangement.leftEmpty
})

/** A placement without the commands and contexts that have gone since; nothing where it is there again, or has nothing left. */
function stillPossible(
  placed: Placement,
  { commands, programs, benches }: Plan,
  { placements, popups }: Arrangement,
): Placement[] {
  const { then: chain, contextIds, ...rest } = placed
  const command = commands.find((c) => c.id === placed.commandId)
  const key = triggerKey(placed.trigger)
  const isThere = placements.some((p) => p.commandId === placed.commandId && triggerKey(p.trigger) === key)
  const set = placed.trigger.kind === 'popup' ? placed.trigger.setId : null
  const isBenchGone = placed.benchId !== undefined && !benches.some((b) => b.id === placed.benchId)
  if (!command || isThere || isBenchGone || (set !== null && !popups.some((p) => p.id === set))) return []
  const known = new Set<string>(commands.map((c) => c.id))
  const then = chain?.filter((id) => known.has(id)) ?? []
  const live = new Set(programs.find((p) => p.id === command.programId)?.contexts.map((c) => c.id))
  const inContexts = contextIds?.filter((id) => live.has(id))
  if (inContexts?.length === 0) return []
  return [{ ...rest, ...(then.length > 0 && { then }), ...(inContexts && { contextIds: inContexts }) }]
}
