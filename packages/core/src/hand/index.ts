export { fingers, defaultSpanMm, homingMs, verdictLimits, type Finger } from './constants.js'
export { reachSolver, verdicts, type ChordReach, type ReachSolver, type Verdict } from './reach.js'
export { benchSolver } from './bench-solver.js'
export { reachLayer, type ReachByPlace } from './chord-table.js'
export { reachField, reachContours, type FieldArea, type ReachContour, type ReachField } from './field.js'
export { movementMs, indexOfDifficultyBits, chordTimeMs } from './time.js'
export { spanPercentile, type SpanSurvey } from './span.js'
export { strokeMs, triggerReach, type PriceContext, type ReachAt } from './price.js'
export {
  handModel,
  aimBox,
  frameSign,
  degToRad,
  type AimBox,
  type HandAtRest,
  type HandModel,
} from './model.js'
export { chordEnergy, turnLeverMm } from './energy.js'
export { assignments, isAllowed } from './fingering.js'
