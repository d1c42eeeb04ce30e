export {
  candidate,
  benchCandidates,
  layerCandidates,
  pageFor,
  type Candidate,
  type PageOf,
} from './candidates.js'
export {
  canBeHad,
  isFree,
  placeFor,
  placeJudge,
  placesInLayer,
  placesOn,
  rankPlaces,
  reweigh,
  thereAndBackMs,
  type Place,
  type PlaceCost,
} from './places.js'
export { placeReason } from './reason.js'
export { keptBy, priceContext, surveyPlaces, type PlaceSurvey } from './survey.js'
export { freePlaces, type FreePlace } from './free.js'
export { displacementChain, type ChainStep, type DisplacementChain } from './displace.js'
export { differingIdeas, type DifferingIdea } from './consistency.js'
export { fittingCommands, type Fitting } from './fitting.js'
export { remediesFor, remedyLayers, type Remedy } from './mend.js'
export { checkArrangement } from './check.js'
export { assign, type Assignment } from './assignment.js'
export {
  defaultQuadraticOptions,
  quadraticCost,
  solveQuadratic,
  type QuadraticAnswer,
  type QuadraticOptions,
  type QuadraticProblem,
} from './quadratic.js'
export { readQap } from './qaplib.js'
export { randomInts } from './random.js'
export {
  relationAt,
  relationOf,
  slotCost,
  SlotState,
  type PairTerm,
  type Relation,
  type SlotProblem,
  type Travel,
} from './slots.js'
export { anneal, candidateTable, type AnnealOptions, type AnnealStep } from './anneal.js'
export { greedyAnswer, linearAnswer, type LinearAnswer } from './first-answer.js'
export { defaultMoves, searchSlots, type SearchOptions } from './search.js'
export {
  arrangementProblem,
  type ArrangementProblem,
  type ProblemInput,
  type SolveRow,
  type SolveScope,
  type SolveSlot,
} from './problem.js'
export { applyMoves, movesTo, withNeeds, type Confidence, type MoveList, type ProposedMove } from './moves.js'
export {
  defaultSolveOptions,
  solveArrangement,
  type CurvePoint,
  type SolveAnswer,
  type SolveOptions,
  type SolveProgress,
} from './solve.js'
export { moveReason } from './why.js'
