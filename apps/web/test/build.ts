import { readFileSync } from 'node:fs'
import { benchSolver, keyControls, readPlan, reachLayer, type Modifier, type Plan } from '@reach-plot/core'
import { derive, type Derived } from '../src/store/selectors.js'
import type { ReachByPlace } from '@reach-plot/core'

/** The demo, read anew for each test that changes it. */
export const demo = (): Plan =>
  readPlan(readFileSync(new URL('../../../demo/demo.reachplot.json', import.meta.url), 'utf8'))

/** How the demo's hand reaches each key with `held`, as the worker would answer. */
export function layerOf(derived: Derived, held: readonly Modifier[] = []): ReachByPlace {
  return reachLayer(
    benchSolver(derived.hand, derived.around.controls),
    keyControls(derived.around.controls),
    held,
    derived.around.layout.altGraph,
  )
}

export const idOf = (plan: Plan, name: string): string => plan.commands.find((c) => c.name === name)!.id

export { derive }
