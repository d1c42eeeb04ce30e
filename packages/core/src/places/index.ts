export {
  benchCandidates,
  candidate,
  layerCandidates,
  pageFor,
  type Candidate,
  type PageOf,
} from './candidates.js'
export {
  canBeHad,
  handCostMs,
  isFree,
  placeFor,
  placeJudge,
  placesInLayer,
  placesOn,
  rankPlaces,
  returnMs,
  reweigh,
  thereAndBackMs,
  type Place,
  type PlaceCost,
} from './places.js'
export { placeReason } from './reason.js'
export { freePlaces, type FreePlace } from './free.js'
export { displacementChain, type ChainStep, type DisplacementChain } from './displace.js'
export { differingIdeas, type DifferingIdea } from './consistency.js'
export { fittingCommands, type Fitting } from './fitting.js'
export { remediesFor, remedyLayers, type Remedy } from './remedies.js'
export { checkArrangement } from './check.js'
