export {
  checkPlanOpens,
  environmentOf,
  layoutOf,
  type BenchEnvironment,
  type Catalogues,
  type Environment,
} from './environment.js'
export { groupKey, type GroupKey } from './group-key.js'
export {
  commandsMet,
  indexPlaces,
  reachContextOf,
  reservedBy,
  type PlaceIndex,
  type Reservation,
} from './place-index.js'
export { occupies } from './occupied.js'
export { prepare, type PreparedModel } from './prepare.js'
export { pressStages, sentBy, type PressStages } from './stages.js'
export { typedBy, type Typed } from './typing.js'
export { missingPartInWords, reservationInWords } from './words.js'
