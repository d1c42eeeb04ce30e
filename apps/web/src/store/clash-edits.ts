import type { Clash, OwnSystemKeys, Plan, Probe } from '@reach-plot/core'

/** Edits of what is accepted, of the system's keys and of probes, as recipes on an immer draft. */
const activeArrangementOf = (plan: Plan) => plan.arrangements.find((a) => a.id === plan.activeArrangementId)

export function acceptClash(plan: Plan, clash: Clash, note: string): void {
  const arrangement = activeArrangementOf(plan)
  if (!arrangement) return
  const others = arrangement.accepted.filter((a) => a.clashId !== clash.id)
  arrangement.accepted = [
    ...others,
    { clashId: clash.id, commandIds: [...clash.commandIds], note: note.trim().slice(0, 500) },
  ]
}

export function reopenClash(plan: Plan, clashId: string): void {
  const arrangement = activeArrangementOf(plan)
  if (arrangement) arrangement.accepted = arrangement.accepted.filter((a) => a.clashId !== clashId)
}

/** The person's own settings of the system in front, made when they are first changed. */
function ownOf(plan: Plan): OwnSystemKeys[string] {
  return (plan.ownSystemKeys[plan.system] ??= { off: [], own: [] })
}

/** Turns a shipped key of the system off, or on again. */
export function toggleSystemKey(plan: Plan, chord: string): void {
  const own = ownOf(plan)
  const at = own.off.indexOf(chord)
  if (at === -1) own.off.push(chord)
  else own.off.splice(at, 1)
}

export function setOwnKeys(plan: Plan, own: OwnSystemKeys[string] | null): void {
  if (own) plan.ownSystemKeys[plan.system] = own
  else
    plan.ownSystemKeys = Object.fromEntries(
      Object.entries(plan.ownSystemKeys).filter(([system]) => system !== plan.system),
    )
}

export function setProbe(plan: Plan, chord: string, result: Probe['result'] | null): void {
  const bench = plan.benches.find((b) => b.id === plan.activeBenchId) ?? plan.benches[0]
  if (!bench) return
  const others = (bench.probes ?? []).filter((p) => p.chord !== chord || p.system !== plan.system)
  bench.probes = result === null ? others : [...others, { chord, system: plan.system, result }]
}
