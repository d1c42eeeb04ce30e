import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { benchSolver, keyControls, readPlan, reachWithHeld, type Modifier, type Plan } from '@reach-plot/core'
import { loadLabelFont, type LabelFont } from '@reach-plot/core/drawing'
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

const packages = createRequire(import.meta.url)

/** The label font from its package, as the browser fetches it. */
export const readLabelFont = (): LabelFont =>
  loadLabelFont(
    ['latin', 'latin-ext'].map((part) =>
      readFileSync(
        packages.resolve(`@fontsource/barlow-condensed/files/barlow-condensed-${part}-500-normal.woff`),
      ),
    ),
  )

export const idOf = (plan: Plan, name: string): string => plan.commands.find((c) => c.name === name)!.id

export { derive }
