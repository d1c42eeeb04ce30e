export {
  lackInWords,
  pressLayers,
  sentBy,
  type Placed,
  type PressLayers,
  type Surroundings,
} from './stages.js'
export { typedBy, type Typed } from './typing.js'
export { keptBy, priceContext, surveyPlaces, type PlaceSurvey } from './place-index.js'
