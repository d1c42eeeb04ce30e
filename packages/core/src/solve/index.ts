export { defaultPlaceWeights, type PlaceWeights } from './weights.js'
export {
  keptBy,
  pageFor,
  placeFor,
  placesInLayer,
  rankPlaces,
  priceContext,
  surveyPlaces,
  type PageOf,
  type Place,
  type PlaceCost,
  type PlaceSurvey,
} from './places.js'
export { remediesFor, remedyLayers, type Remedy } from './mend.js'
export { checkArrangement } from './check.js'
