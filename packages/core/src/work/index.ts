export {
  operatorKinds,
  operatorMs,
  operatorNames,
  sequenceMs,
  typistMs,
  type Operator,
  type OperatorKind,
} from './operators.js'
export { simulateHands, type Hands } from './hands.js'
export type { PressNote, Workplace } from './workplace.js'
export {
  menuLevels,
  timeCommand,
  timeWork,
  waysToDo,
  type StepOperator,
  type TimedWork,
  type Way,
  type WaysToDo,
  type WorkContext,
} from './routine.js'
export { dayLoad, fairShares, menuMs, type ByFinger, type DayLoad, type DayPart } from './day.js'
export { strainIndex, type StrainFactor, type StrainIndex, type StrainInput } from './strain.js'
