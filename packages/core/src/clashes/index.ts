export { severities, clashLayers, type Clash, type ClashLayer, type Severity } from './clash.js'
export { findClashes, typedInWords, typingContexts } from './find.js'
export {
  lackInWords,
  pressLayers,
  sentBy,
  type Placed,
  type PressLayers,
  type Surroundings,
} from './layers.js'
export { systemActions, type SystemKeys } from './system-keys.js'
export { typedBy, type Typed } from './typing.js'
export { layerRows, lookUp, type LayerRow, type Lookup, type LookupProgram } from './lookup.js'
export { traceLayers, tracePress, type Front, type Trace, type TraceLayer, type TraceStep } from './trace.js'
