import {
  benchControls,
  deviceLegends,
  handOnBench,
  type Bench,
  type BenchControl,
  type Device,
} from '../bench/index.js'
import type { Command } from '../commands/index.js'
import { CoreError } from '../errors.js'
import { handModel } from '../hand/index.js'
import type { Surroundings } from '../model/index.js'
import type { SystemKeys } from '../systems/index.js'
import { chord, codeOfCharacter, isModifier, triggerKey, type NationalLayout } from '../triggers/index.js'
import { freshId } from './ids.js'
import type { Accepted, Arrangement, Plan } from './plan.js'

export const activeArrangement = (plan: Plan): Arrangement =>
  plan.arrangements.find((a) => a.id === plan.activeArrangementId) ?? (plan.arrangements[0] as Arrangement)

/** Which findings a person accepts: by the finding and the commands concerned, so that others come back. */
export function acceptedIn(
  arrangement: Arrangement,
): (clash: { readonly id: string; readonly commandIds: readonly string[] }) => Accepted | undefined {
  const byId = new Map(arrangement.accepted.map((a) => [a.clashId, a]))
  return (clash) => {
    const found = byId.get(clash.id)
    return found && [...found.commandIds].sort().join() === [...clash.commandIds].sort().join()
      ? found
      : undefined
  }
}

/** A plan with one more arrangement, which is the active one; what the person accepts in `base` comes with it. */
export function withArrangement(
  plan: Plan,
  base: Arrangement,
  placements: Arrangement['placements'],
  name: string,
): Plan {
  const id = freshId(name, new Set(plan.arrangements.map((a) => a.id)))
  return {
    ...plan,
    arrangements: [...plan.arrangements, { ...base, id, name, isDefault: false, placements }],
    activeArrangementId: id,
  }
}

export const activeBench = (plan: Plan): Bench =>
  plan.benches.find((b) => b.id === plan.activeBenchId) ?? (plan.benches[0] as Bench)

/** Reference data that a plan's ids point into. */
export interface Catalogues {
  readonly layouts: readonly NationalLayout[]
  readonly systems: readonly SystemKeys[]
  /** combinations that a browser keeps, such as `Control+Shift+p`; none where left out */
  readonly browserKeys?: readonly string[]
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
      ...plan.devices.map((d) => [`device/${d.id}`, d.name] as const),
      ...popups.map((s) => [`popup/${s.id}`, s.name] as const),
    ]),
    programs: plan.programs,
    commands: plan.commands,
    systemId: plan.system,
    system: pick(catalogues.systems, plan.system, 'system'),
    layout: layoutOf(plan, catalogues),
    controls: benchControls(bench, plan.devices),
    rules: plan.rules,
    memory: plan.memory,
    ...(plan.otherLayoutId !== null && {
      otherLayout: pick(catalogues.layouts, plan.otherLayoutId, 'other layout'),
    }),
    ...(plan.ownSystemKeys[plan.system] && { ownKeys: plan.ownSystemKeys[plan.system] }),
    browserKeys: browserChords(catalogues.browserKeys ?? [], layoutOf(plan, catalogues)),
    probes: new Map(
      (bench.probes ?? []).filter((p) => p.system === plan.system).map((p) => [p.chord, p.result] as const),
    ),
    defaults: defaultsOf(plan),
    ...(bench.hands[0] && { handSide: bench.hands[0].side }),
  }
}

/** Combinations as a browser's list writes them, as trigger keys on a layout. */
const browserChords = (combos: readonly string[], layout: NationalLayout): ReadonlySet<string> =>
  new Set(
    combos.flatMap((combo) => {
      const parts = combo.split(/\+(?!$)/)
      const key = parts.at(-1) as string
      const held = parts.slice(0, -1).filter(isModifier)
      const code = /^([A-Z]\w+|F\d+)$/.test(key) ? key : codeOfCharacter(layout, key)
      return code === null || held.length !== parts.length - 1 ? [] : [triggerKey(chord(code, held))]
    }),
  )

/** Commands of the programs' defaults by `program trigger`. */
function defaultsOf(plan: Plan): ReadonlyMap<string, readonly Command[]> {
  const commands = new Map(plan.commands.map((c) => [c.id, c]))
  const out = new Map<string, Command[]>()
  for (const { placements } of plan.arrangements.filter((a) => a.isDefault))
    for (const { commandId, trigger } of placements) {
      const command = commands.get(commandId)
      if (!command) continue
      const key = `${command.programId} ${triggerKey(trigger)}`
      out.set(key, [...(out.get(key) ?? []), command])
    }
  return out
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
