export {
  clashKinds,
  clashStages,
  severities,
  type Clash,
  type ClashKind,
  type ClashStage,
  type Evidence,
  type Severity,
} from './clash.js'
export { causesOf, type Cause } from './causes.js'
export { clashChecker, findClashes, type ClashChecker } from './checker.js'
export { bootReportKeys, typingContexts } from './press-rules.js'
export { typedInWords } from './press-words.js'
export { strokeErrorShare } from './stroke-rules.js'
export { modifierSetRows, lookUp, type Lookup, type ModifierSetRow } from './lookup.js'
export { tracePress, type Front, type Trace, type TraceStep } from './trace.js'
export { whatHappened, type Slipped } from './slipped.js'
export { severityWords } from './words.js'
export { dangersOf, isHarmful, isPointed, ownHarm, usesBeside, wayOutMs } from './harm.js'
export { slipsAround, slipShare, type SlipEnv } from './slips.js'
