import type { DeclineReason } from '../../commands/index.js'
import type { CommandId } from '../../ids.js'
import type { TriggerKey } from '../../triggers/index.js'
import type { Plan } from '../plan.js'
import { edit } from './edit.js'

/** What a weight grows by when a proposal is declined for what it weighs. Assumed. */
const growth = 1.25
const mostMs = 5000

const grown = (ms: number): number => Math.min(mostMs, Math.round((ms * growth) / 10) * 10 + 10)

/**
 * Declines a proposal: it is not made again, and why it was not liked tells how to go on. Too far: effort weighs more;
 * hard to remember: memory does; used to its key: the command stays where it is.
 */
export const declineMove = edit((plan: Plan, commandId: CommandId, key: TriggerKey, why: DeclineReason) => {
  if (!plan.commands.some((c) => c.id === commandId)) return
  const declined = (plan.rules.declined ??= [])
  if (declined.some((d) => d.commandId === commandId && d.key === key)) return
  declined.push({ commandId, key, why })
  if (why === 'too far') plan.weights.effortMs = grown(plan.weights.effortMs)
  if (why === 'hard to remember') plan.weights.recallMs = grown(plan.weights.recallMs)
  if (why === 'used to its key' && !plan.rules.lockedCommandIds.includes(commandId))
    plan.rules.lockedCommandIds.push(commandId)
})

/** Takes a declined proposal back; weights and locks that followed stay as they are. */
export const allowMove = edit((plan: Plan, commandId: CommandId, key: TriggerKey) => {
  plan.rules.declined = (plan.rules.declined ?? []).filter((d) => d.commandId !== commandId || d.key !== key)
})

/** What follows from declining, in words. */
export const declineConsequences: Readonly<Record<DeclineReason, string>> = {
  'too far': 'stretch weighs more from now on',
  'hard to remember': 'memory weighs more from now on',
  'means something else': 'it is not proposed again',
  'used to its key': 'the command is locked where it is',
  'not possible there': 'it is not proposed again',
}
