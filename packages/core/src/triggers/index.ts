export {
  isModifier,
  isModifierCode,
  modifierCodes,
  modifiers,
  sortModifiers,
  type Modifier,
} from './modifiers.js'
export {
  actOf,
  acts,
  chord,
  chordSchema,
  heldOf,
  keyTrigger,
  parseTrigger,
  refSchema,
  spot,
  spotOf,
  strokeCounts,
  triggerKey,
  triggerSchema,
  turns,
  withAct,
  withHeld,
  type Act,
  type Chord,
  type Trigger,
  type Turn,
} from './trigger.js'
export { characterAt, codeOfCharacter, type NationalLayout } from './layout.js'
export {
  actName,
  characterLegend,
  keyLegend,
  modifierName,
  spotName,
  strokeName,
  triggerName,
  type Naming,
} from './names.js'
export { isSystemId, systemIds, type SystemId } from './system.js'
export { popupSetSchema, type PopupSet } from './popup.js'
export { readTrigger } from './spoken.js'
export { holdWaitMs, tapWaitMs } from './waits.js'
