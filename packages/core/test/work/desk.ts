import { readFileSync } from 'node:fs'
import { catalogues } from '@reach-plot/data'
import {
  activeArrangement,
  prepare,
  prepareWork,
  parseTrigger,
  readPlan,
  type Arrangement,
  type Plan,
  type RoutineStep,
} from '../../src/index.js'

export { catalogues }

/** The demo, which has every kind of device; only its bench and commands count here. */
export const demoPlan: Plan = readPlan(
  readFileSync(new URL('../../../../demo/demo.reachplot.json', import.meta.url), 'utf8'),
)
export const demoModel = prepare(demoPlan, catalogues)
export const demoTable = demoModel.table
export const draft = activeArrangement(demoPlan)

/** The demo's desk with only the placements given: command id and trigger. */
export const deskWith = (
  places: Readonly<Record<string, string | readonly string[]>>,
  plan: Plan = demoPlan,
) => {
  const arrangement: Arrangement = {
    ...draft,
    placements: Object.entries(places).flatMap(([commandId, triggers]) =>
      [triggers].flat().map((t) => ({ commandId, trigger: parseTrigger(t, []) })),
    ),
  }
  return prepareWork(
    plan === demoPlan ? demoModel.withArrangement(arrangement) : prepare(plan, catalogues, { arrangement }),
  )
}

export const step = (commandId: string): RoutineStep => ({ kind: 'command', commandId })
