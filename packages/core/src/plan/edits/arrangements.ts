import { freshId } from '../ids.js'
import { isOnBench } from '../on-bench.js'
import type { Arrangement, Plan } from '../plan.js'
import { edit, editWith } from './edit.js'

/** A name that no arrangement has yet: the given one, or with the next free number. */
function freeName(plan: Plan, wanted: string): string {
  const names = new Set(plan.arrangements.map((a) => a.name))
  let name = wanted.slice(0, 110)
  for (let n = 2; names.has(name); n++) name = `${wanted.slice(0, 110)} ${n}`
  return name
}

/**
 * Copies an arrangement beside it and brings the copy to the front: what the person accepts in it, pop-up sets and
 * placements come along, or other placements in their place.
 */
export const copyArrangement = editWith(
  (
    plan: Plan,
    id: string,
    change: { readonly name?: string; readonly placements?: Arrangement['placements'] } = {},
  ): string | null => {
    const source = plan.arrangements.find((a) => a.id === id)
    if (!source) return null
    const name = freeName(plan, change.name ?? `${source.name}, copy`)
    const copy: Arrangement = {
      ...source,
      id: freshId(name, new Set(plan.arrangements.map((a) => a.id))),
      name,
      isDefault: false,
      placements: [
        ...(change.placements ?? source.placements),
        // others are those of the bench in front
        ...(change.placements ? source.placements.filter((p) => !isOnBench(p, plan.activeBenchId)) : []),
      ].map((p) => ({ ...p })),
    }
    plan.arrangements.push(copy)
    plan.activeArrangementId = copy.id
    return copy.id
  },
)

/** Makes an arrangement the one in use; unknown ids change nothing. */
export const chooseArrangement = edit((plan: Plan, id: string) => {
  if (plan.arrangements.some((a) => a.id === id)) plan.activeArrangementId = id
})

/** Renames an arrangement; the defaults and empty names stay. */
export const renameArrangement = edit((plan: Plan, id: string, name: string) => {
  const arrangement = plan.arrangements.find((a) => a.id === id)
  if (arrangement && !arrangement.isDefault && name.trim() !== '')
    arrangement.name = name.trim().slice(0, 120)
})

/** Deletes an arrangement; defaults and the last one stay. */
export const deleteArrangement = edit((plan: Plan, id: string) => {
  const at = plan.arrangements.findIndex((a) => a.id === id)
  if (at === -1 || plan.arrangements[at]?.isDefault || plan.arrangements.length === 1) return
  plan.arrangements.splice(at, 1)
  if (plan.activeArrangementId === id)
    plan.activeArrangementId = (plan.arrangements[Math.max(0, at - 1)] as Arrangement).id
  if (plan.setNowArrangementId === id) plan.setNowArrangementId = null
})

/** Marks the arrangement that is set on the machine now; null when none of them is. */
export const markSetNow = edit((plan: Plan, id: string | null) => {
  if (id === null || plan.arrangements.some((a) => a.id === id)) plan.setNowArrangementId = id
})

/** The id of the record of what is set on the machine. */
const setRecordId = 'set-on-machine'

/**
 * Keeps a record of an arrangement as what is set on the machine now, beside it: later changes of the arrangement then differ from what is set. The
 * record before is replaced.
 */
export const keepAsSet = edit((plan: Plan, id: string) => {
  const source = plan.arrangements.find((a) => a.id === id)
  if (!source) return
  plan.setNowArrangementId = source.id
  if (source.id === setRecordId) return
  const at = plan.arrangements.findIndex((a) => a.id === setRecordId)
  const record: Arrangement = {
    ...source,
    id: setRecordId,
    name: plan.arrangements[at]?.name ?? freeName(plan, 'Set on my machine'),
    isDefault: false,
    placements: source.placements.map((p) => ({ ...p })),
  }
  plan.arrangements.splice(at === -1 ? plan.arrangements.length : at, at === -1 ? 0 : 1, record)
  plan.setNowArrangementId = setRecordId
})
