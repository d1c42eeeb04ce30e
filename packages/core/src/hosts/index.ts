export { takeKinds, type StageTake, type TakeKind } from './take.js'
export { browserChords, browserTake, type BrowserKey } from './browser.js'
export { arrivesAs, terminalTakes, type TerminalKeys } from './terminal.js'
export { standardChords, textActions, type StandardAction } from './text-editing.js'
export { inputMethodOf, inputMethodTake, type InputMethod } from './input-method.js'
export {
  pointerAct,
  pointerOwned,
  pointerRole,
  pointerRoles,
  pointerTakes,
  type PointerRole,
} from './pointer.js'
