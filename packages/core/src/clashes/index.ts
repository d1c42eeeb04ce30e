export { severities, clashLayers, type Clash, type ClashLayer, type Severity } from './clash.js'
export { findClashes, typingContexts, type Surroundings } from './find.js'
export { systemActions, type SystemKeys } from './system-keys.js'
export { typedBy, type Typed } from './typing.js'
