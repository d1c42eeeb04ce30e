import type { CommandId } from '../../ids.js'
import type { Probe } from '../../bench/index.js'
import type { OwnSystemKeys } from '../../systems/index.js'
import { activeArrangement, activeBench } from '../access.js'
import type { Plan } from '../plan.js'
import { edit } from './edit.js'

/** A finding as the person accepts it: by its id and the commands that it concerns. */
interface Finding {
  readonly id: string
  readonly commandIds: readonly CommandId[]
}

/** Accepts a finding, with a note why; it comes back when it concerns other commands. */
export const acceptClash = edit((plan: Plan, clash: Finding, note: string) => {
  const arrangement = activeArrangement(plan)
  const others = arrangement.accepted.filter((a) => a.clashId !== clash.id)
  arrangement.accepted = [
    ...others,
    { clashId: clash.id, commandIds: [...clash.commandIds], note: note.trim().slice(0, 500) },
  ]
})

/** Takes back that a finding is accepted. */
export const reopenClash = edit((plan: Plan, clashId: string) => {
  const arrangement = activeArrangement(plan)
  arrangement.accepted = arrangement.accepted.filter((a) => a.clashId !== clashId)
})

/** The person's own settings of the system in front, made when they are first changed. */
function ownOf(plan: Plan): OwnSystemKeys[string] {
  return (plan.ownSystemKeys[plan.system] ??= { off: [], own: [] })
}

/** Turns a shipped key of the system off, or on again. */
export const toggleSystemKey = edit((plan: Plan, chord: string) => {
  const own = ownOf(plan)
  const at = own.off.indexOf(chord)
  if (at === -1) own.off.push(chord)
  else own.off.splice(at, 1)
})

/** Sets what the person has changed of the system's keys; null goes back to what ships. */
export const setOwnKeys = edit((plan: Plan, own: OwnSystemKeys[string] | null) => {
  if (own) plan.ownSystemKeys[plan.system] = own
  else
    plan.ownSystemKeys = Object.fromEntries(
      Object.entries(plan.ownSystemKeys).filter(([system]) => system !== plan.system),
    )
})

/** Adds a combination of the person's own that the system takes. */
export const addOwnKey = edit((plan: Plan, key: OwnSystemKeys[string]['own'][number]) => {
  ownOf(plan).own.push(key)
})

/** The input method that is in use; null for none. */
export const setInputMethod = edit((plan: Plan, method: Plan['inputMethod'] | null) => {
  if (method) plan.inputMethod = method
  else delete plan.inputMethod
})

/** The key that starts a Compose sequence, by its code; null for none. */
export const setComposeCode = edit((plan: Plan, code: string | null) => {
  if (code !== null) plan.composeCode = code
  else delete plan.composeCode
})

/** Notes what came of a chord that was pressed on this machine; null forgets it. */
export const setProbe = edit((plan: Plan, chord: string, result: Probe['result'] | null) => {
  const bench = activeBench(plan)
  const others = (bench.probes ?? []).filter((p) => p.chord !== chord || p.system !== plan.system)
  bench.probes = result === null ? others : [...others, { chord, system: plan.system, result }]
})
