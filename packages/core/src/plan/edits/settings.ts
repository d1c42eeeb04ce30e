import type { SystemId } from '../../triggers/index.js'
import type { OwnFigures } from '../own-figures.js'
import type { MenuKnowledge, Plan } from '../plan.js'
import { edit } from './edit.js'

/** Changes what the whole plan rests on: its name, the system, national layouts, hours of a day. */
export const setPlanSettings = edit(
  (
    plan: Plan,
    change: {
      readonly name?: string
      readonly system?: SystemId
      readonly layoutId?: string
      readonly otherLayoutId?: string | null
      readonly hoursPerDay?: number
      readonly menusKnown?: MenuKnowledge
      readonly payBackDays?: number
    },
  ) => {
    if (change.name !== undefined && change.name.trim() === '') return
    Object.assign(plan, change)
    if (change.hoursPerDay !== undefined) plan.hoursSaid = true
  },
)

/** Takes over what practice has measured, or goes back to what is assumed with null. */
export const setOwnFigures = edit((plan: Plan, own: OwnFigures | null) => {
  if (own) plan.own = own
  else delete plan.own
})

/** Makes a bench the one in use; unknown ids change nothing. */
export const chooseBench = edit((plan: Plan, id: string) => {
  if (plan.benches.some((b) => b.id === id)) plan.activeBenchId = id
})
