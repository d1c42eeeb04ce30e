export {
  operatorKinds,
  operatorMs,
  operatorNames,
  sequenceMs,
  typistMs,
  type OperatorKind,
} from './operators.js'
export { simulateHands, type Hands } from './hands.js'

export {
  menuLevels,
  timeCommand,
  timeWork,
  chordPlayMs,
  waysToDo,
  type Chain,
  type StepOperator,
  type TimedWork,
  type Way,
  type WaysToDo,
  type WorkContext,
} from './routine.js'
export { dayLoad, fairShares, menuMs, type ByFinger, type DayLoad, type DayPart } from './day.js'
export {
  payBackCurve,
  paysFromDay,
  relearnUses,
  learnerOf,
  assumedLearner,
  type PayBackPoint,
} from './learning.js'
export { strainIndex } from './strain.js'
