import type { Catalogues } from '@reach-plot/core'
import { catalogues as shipped } from '@reach-plot/data'

/** Reference data that the plan's ids point into. */
export const catalogues: Catalogues = shipped
