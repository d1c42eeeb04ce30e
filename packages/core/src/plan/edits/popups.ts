import type { PopupSet, Trigger } from '../../triggers/index.js'
import { freshId } from '../ids.js'
import type { Plan } from '../plan.js'
import { edit, editWith } from './edit.js'
import { editableArrangement } from './placements.js'

/** Edits of the pop-up sets of the arrangement in front. Defaults are left as they are. */
/** Adds a pop-up set to the arrangement in front; gives back its id, or null where that holds defaults. */
export const addPopup = editWith((plan: Plan, name: string, opener: Trigger): string | null => {
  const arrangement = editableArrangement(plan)
  if (!arrangement) return null
  const id = freshId(name, new Set(arrangement.popups.map((s) => s.id)))
  arrangement.popups.push({ id, name, opener, at: 'pointer', entries: 6 })
  return id
})

/** Changes a set. With fewer places, what stood on those that go stays in the plan only as long as they do. */
export const editPopup = edit((plan: Plan, id: string, change: Partial<Omit<PopupSet, 'id'>>) => {
  const arrangement = editableArrangement(plan)
  const set = arrangement?.popups.find((s) => s.id === id)
  if (!arrangement || !set) return
  Object.assign(set, change)
  arrangement.placements = arrangement.placements.filter(
    ({ trigger: t }) => t.kind !== 'popup' || t.setId !== id || t.entry <= set.entries,
  )
})

/** Deletes a pop-up set with what stood in it. */
export const deletePopup = edit((plan: Plan, id: string) => {
  const arrangement = editableArrangement(plan)
  if (!arrangement) return
  arrangement.popups = arrangement.popups.filter((s) => s.id !== id)
  arrangement.placements = arrangement.placements.filter(
    ({ trigger: t }) => t.kind !== 'popup' || t.setId !== id,
  )
})
