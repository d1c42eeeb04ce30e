export {
  planJsonSchema,
  planSchema,
  planVersion,
  type Accepted,
  type Arrangement,
  type Placement,
  type Plan,
} from './plan.js'
export { defaultPlaceWeights, placeWeightsSchema, type PlaceWeights } from './weights.js'
export { freshId } from './ids.js'
export {
  acceptedIn,
  activeArrangement,
  activeBench,
  checkPlanOpens,
  layoutOf,
  surroundings,
  withArrangement,
  type BenchSurroundings,
  type Catalogues,
} from './access.js'
export { emptyPlan } from './empty-plan.js'
export { migrate } from './migrate.js'
