export {
  benchCandidates,
  candidate,
  controlCandidates,
  pageFor,
  type Candidate,
  type PageOf,
} from './candidates.js'
export {
  isAvailable,
  isFree,
  placeFor,
  placeJudge,
  placesWith,
  placesOn,
  rankPlaces,
  reweigh,
  type CandidatePlace,
} from './places.js'
export { placeReason } from './reason.js'
export { freePlaces, type FreePlace } from './free.js'
export { placeGains, reachedPlaces, type PlaceGain } from './gains.js'
export { displacementChain, type ChainStep, type DisplacementChain } from './displace.js'
export { differingIdeas, type DifferingIdea } from './consistency.js'
export { matchingCommands, type CommandMatch } from './fitting.js'
export { freeChord } from './relay-remedies.js'
export { remediesFor, remedyModifierSets } from './remedies.js'
export type { Remedy } from './remedy.js'
export { checkArrangement } from './check.js'
export { applyRemedy } from './apply-remedy.js'
export { foresight, type Foresight } from './foresight.js'
export {
  desktopKeyClash,
  handCostMs,
  pointingAmount,
  recallShare,
  typingCost,
  usualHoursPerDay,
} from './cost.js'
export { meetingShares, typingShare, usesByContext } from './use-shares.js'
export { dealCommands, readingOrder, type Deal, type DealTaken, type DealWay } from './deal.js'
