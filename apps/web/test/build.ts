import { readFileSync } from 'node:fs'
import { benchSolver, keyControls, readPlan, reachWithHeld, type Modifier, type Plan } from '@reach-plot/core'
import { derive, type Derived } from '../src/store/selectors.js'
import type { ReachByControl } from '@reach-plot/core'

/** The demo, read anew for each test that changes it. */
export const demo = (): Plan =>
  readPlan(readFileSync(`${import.meta.dirname}/../../../demo/demo.reachplot.json`, 'utf8'))

/** How the demo's hand reaches each key with `held`, as the worker would answer. */
export function reachOfSet(derived: Derived, held: readonly Modifier[] = []): ReachByControl {
  return reachWithHeld(
    benchSolver(derived.hand, derived.env.controls),
    keyControls(derived.env.controls),
    held,
    derived.env.layout.altGraph,
  )
}

export const idOf = (plan: Plan, name: string): string => plan.commands.find((c) => c.name === name)!.id

export { derive }
