import {
  benchControls,
  deviceLegends,
  handOnBench,
  type Bench,
  type BenchControl,
  type Device,
} from '../bench/index.js'
import { handModel } from '../hand/index.js'
import type { Surroundings, SystemKeys } from '../clashes/index.js'
import { CoreError } from '../errors.js'
import type { NationalLayout } from '../triggers/index.js'
import type { Arrangement, Plan } from './plan.js'

export const activeArrangement = (plan: Plan): Arrangement =>
  plan.arrangements.find((a) => a.id === plan.activeArrangementId) ?? (plan.arrangements[0] as Arrangement)

export const activeBench = (plan: Plan): Bench =>
  plan.benches.find((b) => b.id === plan.activeBenchId) ?? (plan.benches[0] as Bench)

/** Reference data that a plan's ids point into. */
export interface Catalogues {
  readonly layouts: readonly NationalLayout[]
  readonly systems: readonly SystemKeys[]
}

const pick = <T extends { readonly id: string }>(list: readonly T[], id: string, what: string): T => {
  const found = list.find((item) => item.id === id)
  if (found) return found
  throw new CoreError('REFERENCE_UNKNOWN', {
    where: [what],
    what: `there is no ${what} "${id.slice(0, 40)}"`,
    mend: `choose one of ${list.map((item) => item.id).join(', ')}`,
  })
}

export const layoutOf = (plan: Pick<Plan, 'layoutId'>, catalogues: Catalogues): NationalLayout =>
  pick(catalogues.layouts, plan.layoutId, 'layout')

/** Surroundings whose controls lie at their places on the desk. */
export interface BenchSurroundings extends Surroundings {
  readonly controls: readonly BenchControl[]
  readonly devices: readonly Device[]
}

/**
 * What stands around an arrangement: commands, system, layout and the keys on the bench.
 * @throws CoreError `REFERENCE_UNKNOWN` when the plan names a layout or system that the catalogues lack
 */
export function surroundings(
  plan: Plan,
  catalogues: Catalogues,
  { popups }: Pick<Arrangement, 'popups'> = activeArrangement(plan),
  bench: Bench = activeBench(plan),
): BenchSurroundings {
  return {
    devices: plan.devices,
    popups,
    legends: new Map([
      ...deviceLegends(plan.devices),
      ...popups.map((s) => [`popup/${s.id}`, s.name] as const),
    ]),
    programs: plan.programs,
    commands: plan.commands,
    systemId: plan.system,
    system: pick(catalogues.systems, plan.system, 'system'),
    layout: layoutOf(plan, catalogues),
    controls: benchControls(bench, plan.devices),
  }
}

/**
 * Whether a plan can be worked with: its layout and system are in the catalogues and every fingertip has its control.
 * @throws CoreError `REFERENCE_UNKNOWN`, `REST_MISSING`, `DEVICE_MISSING`
 */
export function checkPlanOpens(plan: Plan, catalogues: Catalogues): void {
  surroundings(plan, catalogues)
  for (const bench of plan.benches)
    for (const hand of bench.hands) handModel(handOnBench(hand), benchControls(bench, plan.devices))
}
