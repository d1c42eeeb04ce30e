export {
  defaultSpanMm,
  fingers,
  fittsMsPerBit,
  homeKeyMm,
  homingMs,
  mostPalmShiftMm,
  pressMs,
  tappingCapacity,
  verdictLimits,
  type Finger,
} from './constants.js'
export { ownHand, reachSolver, type ReachSolver } from './reach.js'
export { verdicts, type ChordReach, type OtherHandHelp, type Verdict } from './chord-reach.js'
export { benchSolver } from './bench-solver.js'
export {
  chordTable,
  modifierSets,
  proposedSets,
  reachAtOnce,
  reachIn,
  type ReachAt,
  reachWithHeld,
  type ChordTable,
  type ReachByControl,
  type ReachSet,
} from './chord-table.js'
export { reachSituation, type ReachSituation } from './situation.js'
export { moveToMs } from './homing.js'
export { returnMs, thereAndBackMs } from './way-back.js'
export { fingerCapacity, wristBand, type WristBand } from './load.js'
export { fitDrill, type DrillPress } from './drill.js'
export { fitHand, type FittedHand, type FitTrial } from './fit.js'
export { reachContours, reachField, type FieldArea, type ReachContour } from './field.js'
export { chordTimeMs, homingTimeMs, indexOfDifficultyBits, movementMs } from './time.js'
export { tapHoldChances, usualTypingPace, type TapHoldChances } from './tap-hold.js'
export { spanPercentile } from './span.js'
export { strokeMs, triggerReach, type ReachContext } from './trigger-reach.js'
export { aimBox, type AimBox } from './aim.js'
export { degToRad } from './angles.js'
export { frameSign, handFrame, onDeskOf, toFrame, turnOfRests } from './frame.js'
export { withOwnReach } from './own.js'
export { handModel, heightEnergy, type HandAtRest, type HandModel } from './model.js'
export { chordEnergy, turnLeverMm } from './energy.js'
export { assignments, isAllowed } from './fingering.js'
