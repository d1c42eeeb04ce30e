export { defaultPlaceWeights, type PlaceWeights } from './weights.js'
export {
  placeFor,
  placesInLayer,
  rankPlaces,
  surveyPlaces,
  canCarry,
  type Place,
  type PlaceCost,
  type PlaceSurvey,
} from './places.js'
export { remediesFor, remedyLayers, type Remedy } from './mend.js'
export { checkArrangement } from './check.js'
