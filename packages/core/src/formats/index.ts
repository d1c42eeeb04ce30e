export {
  planSchema,
  planVersion,
  planJsonSchema,
  type Accepted,
  type Arrangement,
  type Placement,
  type Plan,
} from './plan.js'
export { readPlan, writePlan, maxPlanBytes, checkFileSize } from './plan-file.js'
export { maxCsvBytes, writeCsv, type BadLine } from './csv.js'
export { readCommandCsv, writeCommandCsv, type CommandImport } from './command-csv.js'
export { readPlacementCsv, writePlacementCsv, type PlacementImport } from './placement-csv.js'
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
} from './plan-access.js'
export { emptyPlan } from './empty-plan.js'
export { readDevice, writeDevice } from './device-file.js'
