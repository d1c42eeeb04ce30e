import type { CommandId } from '../ids.js'
import type { Bench } from '../bench/index.js'
import { onBench } from './on-bench.js'
import { defaultHoursPerDay, type Accepted, type Arrangement, type Plan } from './plan.js'

/** The arrangement in front. */
export const activeArrangement = (plan: Plan): Arrangement =>
  plan.arrangements.find((a) => a.id === plan.activeArrangementId) ?? (plan.arrangements[0] as Arrangement)

/** What is set where nothing is marked and the programs have nothing by themselves. */
const nothingSet: Arrangement = {
  id: 'nothing-set',
  name: 'Nothing set yet',
  isDefault: true,
  placements: [],
  popups: [],
  accepted: [],
}

/** The arrangement that is set on the machine now: the one that is marked, else what the programs have by themselves, else nothing; as it holds on the bench in front. */
export const arrangementSetNow = (plan: Plan): Arrangement =>
  onBench(
    plan.arrangements.find((a) =>
      plan.setNowArrangementId === null ? a.isDefault : a.id === plan.setNowArrangementId,
    ) ?? nothingSet,
    activeBench(plan).id,
  )

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

/** What plans had before hours were active hours, whoever said nothing. */
const formerDefaultHours = 8

/** Days in which a new place should pay where nobody has said. Assumed. */
export const defaultPayBackDays = 30

/** Active hours a day, and who tells them. */
export interface DayHours {
  readonly hours: number
  readonly source: 'said' | 'log' | 'assumed'
}

/**
 * Hours that a day's figures are for: as the person has said, else those of the log over its days, else 2, assumed. Rates
 * are per active hour, so that a day of eight hours at the desk would be several times too much.
 */
export function dayHours(plan: Pick<Plan, 'hoursPerDay' | 'hoursSaid' | 'usage'>): DayHours {
  // plans of before it was noted who says them: other hours than the default ones were said
  const isSaid = plan.hoursSaid ?? ![defaultHoursPerDay, formerDefaultHours].includes(plan.hoursPerDay)
  if (isSaid) return { hours: plan.hoursPerDay, source: 'said' }
  const { activeHours = 0, days = 0 } = plan.usage ?? {}
  return activeHours > 0 && days > 0
    ? { hours: activeHours / days, source: 'log' }
    : { hours: defaultHoursPerDay, source: 'assumed' }
}
