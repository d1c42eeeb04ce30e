import {
  activeArrangement,
  editPopup,
  moveMany,
  placeCommand,
  removePlacement,
  setFreed,
  setHabit,
  toggleSystemKey,
  type Plan,
} from '../plan/index.js'
import { triggerKey, type PopupSet } from '../triggers/index.js'
import type { Remedy } from './remedy.js'

/** The plan after a remedy, by the same edits as any other change. An arrangement of defaults stays as it is. */
export function applyRemedy(plan: Plan, remedy: Remedy): Plan {
  const { kind, commandId, from, to, otherId, sends, chord, setId } = remedy
  if (kind === 'habit' && remedy.programId !== undefined)
    return remedy.freed === undefined
      ? setHabit(plan, remedy.programId, 'takesHostKeys', true)
      : setFreed(plan, remedy.programId, remedy.freed, true)
  if (kind === 'opener' && setId !== undefined && to)
    return editPopup(plan, setId, { opener: to as PopupSet['opener'] })
  if (kind === 'setting') return toggleSystemKey(plan, triggerKey(from))
  if (commandId === undefined) return plan
  if (kind === 'relay')
    return sends ? placeCommand(plan, { commandId, trigger: from, keepOld: true, sends }) : plan
  if (kind === 'bind' && chord) {
    const bound = placeCommand(plan, { commandId, trigger: chord, keepOld: true })
    return sends ? placeCommand(bound, { commandId, trigger: from, keepOld: true, sends }) : bound
  }
  if (kind === 'swap' && to && otherId !== undefined)
    return moveMany(plan, [
      { commandId, from, to },
      { commandId: otherId, from: to, to: from },
    ])
  if (!to) return removePlacement(plan, commandId, from)
  const stands = activeArrangement(plan).placements.some(
    (p) => p.commandId === commandId && triggerKey(p.trigger) === triggerKey(from),
  )
  return moveMany(plan, [{ commandId, from: stands ? from : null, to }])
}
