import type { CommandId } from '../../ids.js'
import type { Plan } from '../plan.js'
import { edit } from './edit.js'

/** Says why a command deviates from the standard that the plan follows; without a standard nothing changes. */
export const sayWhyDeviating = edit((plan: Plan, commandId: CommandId, why: string) => {
  const { standard } = plan
  if (!standard || !plan.commands.some((c) => c.id === commandId)) return
  const text = why.trim().slice(0, 500)
  const known = standard.deviations.find((d) => d.commandId === commandId)
  if (known) known.why = text
  else standard.deviations.push({ commandId, why: text })
})

/** Follows the standard no longer; every key stays where it is. */
export const leaveStandard = edit((plan: Plan) => {
  delete plan.standard
})
