import type { CommandId } from '../ids.js'
import type { Bench } from '../bench/index.js'
import type { Accepted, Arrangement, Plan } from './plan.js'

/** The arrangement in front. */
export const activeArrangement = (plan: Plan): Arrangement =>
  plan.arrangements.find((a) => a.id === plan.activeArrangementId) ?? (plan.arrangements[0] as Arrangement)

/** Which findings a person accepts: by the finding and the commands concerned, so that others come back. */
export function acceptedIn(
  arrangement: Arrangement,
): (clash: { readonly id: string; readonly commandIds: readonly CommandId[] }) => Accepted | undefined {
  const byId = new Map(arrangement.accepted.map((a) => [a.clashId, a]))
  return (clash) => {
    const found = byId.get(clash.id)
    return found && [...found.commandIds].sort().join() === [...clash.commandIds].sort().join()
      ? found
      : undefined
  }
}

/** The bench in front. */
export const activeBench = (plan: Plan): Bench =>
  plan.benches.find((b) => b.id === plan.activeBenchId) ?? (plan.benches[0] as Bench)
