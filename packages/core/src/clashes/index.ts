export {
  clashKinds,
  clashLayers,
  evidences,
  severities,
  type Clash,
  type ClashKind,
  type ClashLayer,
  type Evidence,
  type Severity,
} from './clash.js'
export { causesOf, type Cause } from './causes.js'
export { clashChecker, findClashes, type ClashChecker } from './checker.js'
export { bootReportKeys, typedInWords, typingContexts } from './press-rules.js'
export { strokeErrorShare } from './stroke-rules.js'
export { layerRows, lookUp, type LayerRow, type Lookup, type LookupProgram } from './lookup.js'
export { traceLayers, tracePress, type Front, type Trace, type TraceLayer, type TraceStep } from './trace.js'
export { busyUsesPerHour } from './slip-rules.js'
