import { freshId, type Arrangement, type Plan, type PopupSet, type Trigger } from '@reach-plot/core'

/** Edits of the pop-up sets of the arrangement in front, as recipes on an immer draft. Defaults are left as they are. */
const editable = (plan: Plan): Arrangement | null => {
  const arrangement = plan.arrangements.find((a) => a.id === plan.activeArrangementId)
  return arrangement && !arrangement.isDefault ? arrangement : null
}

export function addPopup(plan: Plan, name: string, opener: Trigger): void {
  const arrangement = editable(plan)
  if (!arrangement) return
  const id = freshId(name, new Set(arrangement.popups.map((s) => s.id)))
  arrangement.popups.push({ id, name, opener, at: 'pointer', places: 6 })
}

/** Changes a set. With fewer places, what stood on those that go stays in the plan only as long as they do. */
export function editPopup(plan: Plan, id: string, change: Partial<Omit<PopupSet, 'id'>>): void {
  const arrangement = editable(plan)
  const set = arrangement?.popups.find((s) => s.id === id)
  if (!arrangement || !set) return
  Object.assign(set, change)
  arrangement.placements = arrangement.placements.filter(
    ({ trigger: t }) => t.kind !== 'popup' || t.setId !== id || t.place <= set.places,
  )
}

export function deletePopup(plan: Plan, id: string): void {
  const arrangement = editable(plan)
  if (!arrangement) return
  arrangement.popups = arrangement.popups.filter((s) => s.id !== id)
  arrangement.placements = arrangement.placements.filter(
    ({ trigger: t }) => t.kind !== 'popup' || t.setId !== id,
  )
}
