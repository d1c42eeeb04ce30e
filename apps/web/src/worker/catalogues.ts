import type { Catalogues } from '@reach-plot/core'
import { browserKeys, layouts, systems } from '@reach-plot/data'

/** Reference data that the plan's ids point into. */
export const catalogues: Catalogues = { layouts, systems, browserKeys }
